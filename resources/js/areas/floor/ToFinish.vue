<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query';
import { computed } from 'vue';
import { api } from '../../api/client';
import type { BoughtPart, Goods } from '../../api/types';
import { minutesText } from '../../parts/units';
import { titlesOf } from '../shop/goods';

/** Pieces that wait to be finished, and bought-in parts to order: what hands can do while others wait. */
const goods = useQuery({ queryKey: ['goods'], queryFn: () => api.list<Goods>('goods') });
const parts = useQuery({ queryKey: ['bought'], queryFn: () => api.list<BoughtPart>('parts') });
const waiting = computed(() => (goods.data.value ?? []).filter((g) => g.to_finish > 0));
const toOrder = computed(() => (parts.data.value ?? []).filter((p) => p.order > 0));
const takes = (g: Goods) =>
    `${minutesText(g.finish_min)} of hands${g.can_finish < g.to_finish ? `, parts for ${g.can_finish}` : ''}`;
const there = (p: BoughtPart) =>
    `${p.held} there${p.comes_days === null ? '' : `, ${p.comes_days} days to come`}`;
</script>

<template>
    <section v-if="waiting.length || toOrder.length" class="card" aria-labelledby="to-finish">
        <div class="head">
            <h2 id="to-finish">To finish</h2>
            <router-link to="/goods">All goods</router-link>
        </div>
        <p v-for="g in waiting" :key="g.product_id">
            <strong>{{ g.to_finish }} × {{ g.product }}</strong
            >: {{ titlesOf(g) }}, <span class="quiet">{{ takes(g) }}</span>
        </p>
        <p v-for="p in toOrder" :key="p.id">
            <span class="short"><span aria-hidden="true">▲</span> Order {{ p.order }} × {{ p.name }}</span
            >: <span class="quiet">{{ there(p) }}</span>
        </p>
    </section>
</template>

<style scoped>
.card {
    padding-block: 10px;
    margin-bottom: 8px;
}
.head {
    display: flex;
    justify-content: space-between;
}
.short {
    color: var(--alarm);
    font-weight: 650;
}
</style>
