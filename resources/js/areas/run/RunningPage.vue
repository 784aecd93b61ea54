<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query';
import { api } from '../../api/client';
import { every } from '../../api/news';
import type { RunSummary } from '../../api/types';
import { timeOfDay } from '../../parts/units';

const { data, isPending, isError } = useQuery({
    queryKey: ['runs', 'open'],
    queryFn: () => api.page<RunSummary>('runs?verdict=open'),
    refetchInterval: () => every(5000),
});
</script>

<template>
    <div class="page">
        <div class="page-head">
            <div>
                <h1>Run</h1>
                <p class="quiet">What is running now, and where it stands.</p>
            </div>
            <v-btn color="primary" size="large" to="/set">Set up a run</v-btn>
        </div>
        <p v-if="isPending" class="card quiet">Asking …</p>
        <p v-else-if="isError" class="card">
            The server does not answer. The list on the right stands as it was last heard; a run opened on
            this screen before can be opened from there.
        </p>
        <p v-else-if="data?.items.length === 0" class="card">
            Nothing is running. Set up a run: choose product, machine and lot, look at the answer, pass the
            gate, start.
        </p>
        <router-link v-for="r in data?.items" :key="r.id" :to="`/run/${r.id}`" class="card one">
            <span
                ><strong>{{ r.product }}</strong
                ><br /><span class="quiet"
                    >run {{ r.number }}, {{ r.polymer }} from {{ r.lot_code }}</span
                ></span
            >
            <span>{{ r.stations.map((s) => s.machine).join(' then ') }}</span>
            <span v-if="r.still_since" class="tag bad"
                >▲ stands still since {{ timeOfDay(r.still_since) }}</span
            >
            <span v-else class="tag">{{ r.doing }}{{ r.good + r.bad > 0 ? `, ${r.good} good` : '' }}</span>
            <span class="quiet">since {{ timeOfDay(r.started_at) }}, {{ r.started_by }}</span>
        </router-link>
    </div>
</template>

<style scoped>
.one {
    display: grid;
    grid-template-columns: minmax(0, 1.2fr) minmax(0, 1fr) minmax(0, 1.2fr) minmax(0, 1fr);
    gap: 16px;
    align-items: center;
    text-decoration: none;
    margin-bottom: 10px;
    min-height: 76px;
}
.one .tag {
    justify-self: start;
}
@media (max-width: 800px) {
    .one {
        grid-template-columns: 1fr;
        gap: 4px;
    }
}
</style>
