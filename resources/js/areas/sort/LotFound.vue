<script setup lang="ts">
import type { LotDetail } from '../../api/types';
import { dayText, show } from '../../parts/units';

/** The foreign matter found in samples of a lot. */
defineProps<{ found: LotDetail['contamination'] }>();
</script>

<template>
    <section class="card">
        <h2>Foreign matter</h2>
        <ul class="found">
            <li v-for="c in found" :key="c.at">
                <span :class="['tag', c.verdict === 'within' ? 'good' : 'bad']"
                    >{{ c.verdict === 'within' ? '' : '▲ ' }}{{ c.verdict }}</span
                >
                {{ c.because }}
                <span class="quiet"
                    >{{ show(c.found_g, 'mass', 1) }} in {{ show(c.sample_g, 'mass') }}, {{ c.by }},
                    {{ dayText(c.at) }} {{ c.note }}</span
                >
            </li>
        </ul>
    </section>
</template>

<style scoped>
.found {
    padding-left: 0;
    list-style: none;
}
</style>
