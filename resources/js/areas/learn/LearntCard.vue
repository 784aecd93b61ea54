<script setup lang="ts">
import { computed } from 'vue';
import type { Learnt } from '../../api/types';
import { dayText } from '../../parts/units';
import { came } from './chart';
import LessonCard from './LessonCard.vue';
import RecentStrip from './RecentStrip.vue';

/** A product as its runs say: how it comes out, what the last one taught, what is still looked for, what the next opens with. */
const props = defineProps<{ of: Learnt }>();
const last = computed(() => props.of.recent[props.of.recent.length - 1] ?? null);
</script>

<template>
    <article class="card" :aria-label="of.product">
        <header>
            <div>
                <h2>
                    <router-link :to="`/learn/product/${of.product_id}`">{{ of.product }}</router-link>
                </h2>
                <p class="quiet">{{ of.process.replaceAll('_', ' ') }}, {{ of.polymer }}</p>
            </div>
            <p class="num">
                <strong>{{ came(of.good, of.bad) }}</strong><br /><span class="quiet"
                    >in {{ of.recent.length === 1 ? 'one run' : `the last ${of.recent.length} runs` }}</span
                >
            </p>
        </header>
        <RecentStrip :runs="of.recent" :links="false" />
        <LessonCard v-if="last" :run="last.id" waiting />
        <p v-for="c in of.cases" :key="c.id">
            <router-link :to="`/cause/${c.id}`">Go on looking for the cause</router-link>
            <span class="quiet of">run {{ c.run_number }}, {{ dayText(c.at) }}</span>
        </p>
        <p v-if="of.opens_with" class="quiet">
            The next opens with version {{ of.opens_with.version }} on {{ of.opens_with.machine }}, of
            {{ of.opens_with.by }}, {{ dayText(of.opens_with.at)
            }}{{ of.opens_with.note ? `: ${of.opens_with.note}` : '' }}
        </p>
        <div class="acts">
            <v-btn color="primary" :to="`/set?product=${of.product_id}`">Set up the next</v-btn>
            <v-btn variant="outlined" :to="`/learn/product/${of.product_id}`">What its runs say</v-btn>
        </div>
    </article>
</template>

<style scoped>
article {
    display: grid;
    gap: 8px;
    align-content: start;
}
article p {
    margin: 0;
}
header {
    display: flex;
    justify-content: space-between;
    gap: 12px;
}
header .num {
    text-align: right;
}
.of {
    margin-left: 8px;
}
.acts {
    display: flex;
    flex-wrap: wrap;
    gap: 8px;
}
</style>
