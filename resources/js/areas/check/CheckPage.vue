<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query';
import { computed } from 'vue';
import { api } from '../../api/client';
import { every } from '../../api/news';
import type { RunSummary } from '../../api/types';
import { measuredText } from '../../parts/figures';
import { dayText, timeOfDay } from '../../parts/units';

const open = useQuery({
    queryKey: ['runs', 'open'],
    queryFn: () => api.page<RunSummary>('runs?verdict=open'),
    refetchInterval: () => every(5000),
});
const done = useQuery({ queryKey: ['runs', 'all'], queryFn: () => api.page<RunSummary>('runs') });
const waits = computed(() => open.data.value?.items.filter((r) => r.looks) ?? []);
const checked = computed(
    () => done.data.value?.items.filter((r) => measuredText(r.figures) !== '').slice(0, 12) ?? [],
);
</script>

<template>
    <div class="page">
        <div class="page-head">
            <div>
                <h1>Check</h1>
                <p class="quiet">What is measured says what a look cannot.</p>
            </div>
        </div>
        <section>
            <h2>Waiting to be checked</h2>
            <p v-if="waits.length === 0" class="card quiet">
                Nothing waits. A run comes here when there is something to measure or to judge.
            </p>
            <router-link v-for="r in waits" :key="r.id" :to="`/run/${r.id}`" class="card one"
                ><strong>{{ r.product }}, run {{ r.number }}</strong
                ><span>{{ r.polymer }} from {{ r.lot_code }}</span
                ><span class="tag">{{ r.doing }}</span></router-link
            >
        </section>
        <section class="mt-6">
            <h2>Last checked</h2>
            <table class="rows card">
                <thead>
                    <tr>
                        <th>Run</th>
                        <th>Product</th>
                        <th>Measured</th>
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
                        <td>{{ measuredText(r.figures) }}</td>
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
