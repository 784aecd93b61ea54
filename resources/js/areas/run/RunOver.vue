<script setup lang="ts">
import { useRouter } from 'vue-router';
import type { Run } from '../../api/types';
import CaptureCard from './CaptureCard.vue';
import LeftoversCard from './LeftoversCard.vue';
import InspectionResult from '../check/InspectionResult.vue';
import MadeOf from './MadeOf.vue';
import LessonCard from '../learn/LessonCard.vue';

/** How a run ended, what it taught, and where one goes from here. */
defineProps<{ run: Run }>();
const router = useRouter();
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
        <LessonCard v-if="run.summary.status === 'finished'" :run="run.summary.id" />
        <CaptureCard v-if="run.summary.good > 0" :run="run.summary.id" />
        <LeftoversCard :run="run.summary.id" />
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
