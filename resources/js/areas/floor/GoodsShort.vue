<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query';
import { computed } from 'vue';
import { api } from '../../api/client';
import type { Goods } from '../../api/types';

/** What runs short on the shelf, with one tap to make more. */
const goods = useQuery({ queryKey: ['goods'], queryFn: () => api.list<Goods>('goods') });
const short = computed(() => (goods.data.value ?? []).filter((g) => g.wants > 0));
/** the rest stands with the goods */
const MOST = 3;
</script>

<template>
    <section v-if="short.length > 0" class="card short" aria-labelledby="short">
        <h2 id="short">To make</h2>
        <p v-for="g in short.slice(0, MOST)" :key="g.product_id">
            <strong>{{ g.wants }} × {{ g.product }}</strong>
            <span class="quiet">{{ g.held }} on the shelf</span>
            <router-link :to="`/set?product=${g.product_id}`">Set it up</router-link>
        </p>
        <p>
            <router-link to="/goods">{{
                short.length > MOST ? `${short.length - MOST} more` : 'All goods'
            }}</router-link>
        </p>
    </section>
</template>

<style scoped>
.short {
    display: flex;
    flex-wrap: wrap;
    align-items: baseline;
    gap: 2px 22px;
    padding-block: 10px;
    margin-bottom: 8px;
}
.short p {
    display: flex;
    gap: 8px;
    align-items: baseline;
}
h2 {
    margin: 0;
    font-size: 1rem;
}
</style>
