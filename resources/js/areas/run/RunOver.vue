<script setup lang="ts">
import { computed } from 'vue';
import { useRouter } from 'vue-router';
import type { Run } from '../../api/types';
import { serverNow } from '../../parts/clock';
import CaptureCard from './CaptureCard.vue';
import LeftoversCard from './LeftoversCard.vue';
import InspectionResult from '../check/InspectionResult.vue';
import MadeOf from './MadeOf.vue';
import LessonCard from '../learn/LessonCard.vue';
import TaughtOffer from './TaughtOffer.vue';

/** How a run ended, what it taught, and where one goes from here. */
const props = defineProps<{
    run: Run;
    /** the server has its end: before that it knows nothing of what a run taught and left */
    known: boolean;
}>();
const router = useRouter();
const DAY_S = 86_400;
/** Machines that can be asked, while the run is fresh: later it is asked on their own pages. */
const taught = computed(() =>
    props.run.summary.status === 'finished' && serverNow() - (props.run.summary.ended_at ?? 0) < DAY_S
        ? props.run.summary.stations.filter((s) => s.learns)
        : [],
);
</script>

<template>
    <section tabindex="0" aria-label="How it ended">
        <h2 class="title">
            {{
                run.summary.status === 'aborted'
                    ? 'Stopped'
                    : run.summary.verdict === 'scrap'
                      ? 'Done: scrap'
                      : 'Done'
            }}
        </h2>
        <p v-if="run.summary.scrap_reason">{{ run.summary.scrap_reason }}</p>
        <p v-if="run.pieces.length > 0" class="do">{{ run.summary.good }} good, {{ run.summary.bad }} not.</p>
        <InspectionResult v-if="run.inspection" :inspection="run.inspection" :plan="run.plan" />
        <MadeOf :run="run" />
        <!-- Before what is asked for yet: nothing comes in above a button while a finger is on its way. -->
        <div class="acts">
            <v-btn
                v-if="run.summary.verdict === 'scrap' || run.summary.bad > 0"
                variant="outlined"
                size="large"
                :to="`/cause/new/${run.summary.id}`"
                >Find the cause</v-btn
            >
            <v-btn color="primary" size="large" @click="router.push(`/learn/${run.summary.id}`)"
                >Open the record</v-btn
            ><v-btn variant="outlined" size="large" to="/set">Set up the next</v-btn>
        </div>
        <p v-if="!known" class="quiet" role="status">
            Kept on this screen. What it taught and what is left of it are shown when the server has its end.
        </p>
        <template v-else>
            <LessonCard v-if="run.summary.status === 'finished'" :run="run.summary.id" />
            <TaughtOffer v-for="s in taught" :key="s.machine_id" :station="s" />
            <CaptureCard v-if="run.summary.good > 0" :run="run.summary.id" />
            <LeftoversCard :run="run.summary.id" />
        </template>
    </section>
</template>

<style scoped>
.title {
    font-size: 1.8rem;
    line-height: 1.15;
}
.do {
    font-size: 1.1rem;
    font-weight: 600;
    margin-top: 2px;
}
.acts {
    display: flex;
    gap: 10px;
    flex-wrap: wrap;
    align-items: stretch;
}
.acts {
    margin-top: 16px;
}
</style>
