<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query';
import { api } from '../../api/client';
import type { Learnt } from '../../api/types';
import LearntCard from './LearntCard.vue';
import RunsTable from './RunsTable.vue';

const { data: learnt, isPending } = useQuery({
    queryKey: ['learnt'],
    queryFn: () => api.list<Learnt>('learnt'),
});
</script>

<template>
    <div class="page">
        <div class="page-head">
            <div>
                <h1>Learn</h1>
                <p class="quiet">What the last runs of each product say, and what the next opens with.</p>
            </div>
        </div>
        <p v-if="!isPending && learnt?.length === 0" class="card">
            Nothing is over yet. What the first run teaches stands here.
        </p>
        <div class="cards">
            <LearntCard v-for="of in learnt ?? []" :key="of.product_id" :of="of" />
        </div>
        <RunsTable />
    </div>
</template>

<style scoped>
.cards {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(380px, 1fr));
    gap: var(--gap);
    align-items: start;
    margin-bottom: 24px;
}
@media (max-width: 460px) {
    .cards {
        grid-template-columns: 1fr;
    }
}
</style>
