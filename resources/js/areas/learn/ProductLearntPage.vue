<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query';
import { useRoute } from 'vue-router';
import { api } from '../../api/client';
import type { LearntProduct } from '../../api/types';
import { came } from './chart';
import FlawsCard from '../cause/FlawsCard.vue';
import SamplesCard from '../check/SamplesCard.vue';
import CapturesCard from './CapturesCard.vue';
import ControlChart from './ControlChart.vue';
import RecentStrip from './RecentStrip.vue';
import SetUps from './SetUps.vue';
import WindowPicture from './WindowPicture.vue';

const id = String(useRoute().params.id);
const { data, isPending } = useQuery({
    queryKey: ['learnt', id],
    queryFn: () => api.get<LearntProduct>(`learnt/${id}`),
});
</script>

<template>
    <div class="page">
        <p v-if="!data" class="card">
            {{ isPending ? 'Reading its runs …' : 'There is no such product.' }}
        </p>
        <template v-else>
            <div class="page-head">
                <div>
                    <h1>{{ data.of.product }}</h1>
                    <p class="quiet">
                        {{ data.of.process.replaceAll('_', ' ') }}, {{ data.of.polymer }}:
                        {{ came(data.of.good, data.of.bad) }} in the last {{ data.of.recent.length }} runs
                    </p>
                </div>
                <v-btn color="primary" :to="`/set?product=${id}`">Set up the next</v-btn>
            </div>
            <div class="mb-4"><RecentStrip :runs="data.of.recent" /></div>
            <section class="card mb-4" aria-labelledby="window">
                <h2 id="window">The window as it was run</h2>
                <WindowPicture v-if="data.window" :as="data.window" />
                <p v-else class="quiet">Its runs have not two settings in common that were moved.</p>
            </section>
            <div class="two">
                <div class="stack">
                    <h2>Is it steady</h2>
                    <p v-if="data.charts.length === 0" class="card quiet">
                        Fewer than five pieces were measured: nothing can be said yet.
                    </p>
                    <ControlChart v-for="c in data.charts" :key="c.figure.id" :chart="c" />
                </div>
                <div class="stack">
                    <SamplesCard of="products" :id="id" />
                    <FlawsCard of="products" :id="id" />
                    <CapturesCard :product="id" />
                    <section class="card">
                        <h2>Its set-ups</h2>
                        <p v-if="data.set_ups.length === 0" class="quiet">None was kept yet.</p>
                        <SetUps v-else :set-ups="data.set_ups" />
                    </section>
                </div>
            </div>
        </template>
    </div>
</template>

<style scoped>
.two {
    display: grid;
    grid-template-columns: 1.5fr 1fr;
    gap: var(--gap);
    align-items: start;
}
.stack {
    display: grid;
    gap: var(--gap);
}
@media (max-width: 1000px) {
    .two {
        grid-template-columns: 1fr;
    }
}
</style>
