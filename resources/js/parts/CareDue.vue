<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query';
import { computed } from 'vue';
import { api } from '../api/client';
import type { Care } from '../api/types';

/** What is to be looked after on these machines, or on any: nothing where nothing is due. */
const props = defineProps<{ machines?: (number | null)[] }>();
const care = useQuery({ queryKey: ['care', 'due'], queryFn: () => api.list<Care>('care') });
const due = computed(() =>
    (care.data.value ?? []).filter(
        (c) => c.state === 'due' && (!props.machines || props.machines.includes(c.machine_id)),
    ),
);
</script>

<template>
    <section v-if="due.length > 0" class="card due" aria-label="To look after">
        <h2>Look after</h2>
        <p v-for="c in due" :key="c.id">
            <router-link :to="`/shop/machines/${c.machine_id}`">{{ c.machine }}: {{ c.title }}</router-link>
            <span class="quiet">{{ c.says }}</span>
        </p>
    </section>
</template>

<style scoped>
.due {
    display: flex;
    flex-wrap: wrap;
    align-items: baseline;
    gap: 2px 22px;
    padding-block: 10px;
}
p {
    display: flex;
    flex-wrap: wrap;
    gap: 0 8px;
}
h2 {
    margin: 0;
    font-size: 1rem;
}
</style>
