<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query';
import { computed } from 'vue';
import { api } from '../../api/client';
import type { RunPage } from '../../api/types';
import { dayText, number, show, timeOfDay } from '../../parts/units';

const open = useQuery({
    queryKey: ['runs', 'open'],
    queryFn: () => api.get<RunPage>('runs?verdict=open'),
    refetchInterval: 5000,
});
const done = useQuery({ queryKey: ['runs', 'all'], queryFn: () => api.get<RunPage>('runs') });
const waits = computed(
    () => open.data.value?.items.filter((r) => r.step === 'check' || r.step === 'decide') ?? [],
);
const checked = computed(() => done.data.value?.items.filter((r) => r.range_mm !== null).slice(0, 12) ?? []);
/** One bar each: the range against the largest shown. */
const most = computed(() => Math.max(0.1, ...checked.value.map((r) => r.range_mm ?? 0)));
</script>

<template>
    <div class="page">
        <div class="page-head">
            <div>
                <h1>Check</h1>
                <p class="quiet">Nine thicknesses and the mass say what a look cannot.</p>
            </div>
        </div>
        <section>
            <h2>Waiting to be checked</h2>
            <p v-if="waits.length === 0" class="card quiet">
                No sheet waits. One comes here when its run has been opened and laid flat.
            </p>
            <router-link v-for="r in waits" :key="r.id" :to="`/run/${r.id}`" class="card one"
                ><strong>{{ r.product }}, run {{ r.number }}</strong
                ><span>{{ r.polymer }} from {{ r.lot_code }}</span
                ><span class="tag">{{
                    r.step === 'check' ? 'measure it' : 'good or scrap'
                }}</span></router-link
            >
        </section>
        <section class="mt-6">
            <h2>Last checked</h2>
            <table class="rows card">
                <thead>
                    <tr>
                        <th>Run</th>
                        <th>Product</th>
                        <th class="n">Mean</th>
                        <th>Range over the sheet</th>
                        <th class="n">Voids</th>
                        <th>Verdict</th>
                    </tr>
                </thead>
                <tbody>
                    <tr v-for="r in checked" :key="r.id" class="go" @click="$router.push(`/learn/${r.id}`)">
                        <td>
                            <router-link :to="`/learn/${r.id}`">{{ r.number }}</router-link><br /><span
                                class="quiet"
                                >{{ dayText(r.started_at) }} {{ timeOfDay(r.started_at) }}</span
                            >
                        </td>
                        <td>{{ r.product }}</td>
                        <td class="n">{{ show(r.mean_mm, 'length', 2) }}</td>
                        <td>
                            <span class="bar" :style="{ width: `${(100 * (r.range_mm ?? 0)) / most}px` }" />
                            <span class="num">{{ show(r.range_mm, 'length', 2) }}</span>
                        </td>
                        <td class="n">{{ r.porosity_pct === null ? '–' : number(r.porosity_pct, 1) }} %</td>
                        <td>
                            <span :class="['tag', r.verdict === 'scrap' ? 'bad' : 'good']">{{
                                r.verdict
                            }}</span><br v-if="r.scrap_reason" /><span class="quiet">{{
                                r.scrap_reason
                            }}</span>
                        </td>
                    </tr>
                </tbody>
            </table>
        </section>
    </div>
</template>

<style scoped>
h2 {
    margin-bottom: 8px;
}
.one {
    display: flex;
    gap: 24px;
    align-items: center;
    text-decoration: none;
    min-height: 68px;
    margin-bottom: 8px;
}
.bar {
    display: inline-block;
    height: 12px;
    background: var(--slate);
    vertical-align: 0;
    margin-right: 6px;
}
</style>
