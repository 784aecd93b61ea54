<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query';
import { computed } from 'vue';
import { api } from '../../api/client';
import { every } from '../../api/news';
import type { Change } from '../../api/types';
import { useNow } from '../../parts/clock';
import { timeOfDay } from '../../parts/units';
import { handsNow, isDue, waits } from '../change/change';

/** Machines on their way to another job: what hands do next there, and when each is ready. */
const EVERY_MS = 30_000;
const now = useNow();
const changes = useQuery({
    queryKey: ['changes'],
    queryFn: () => api.list<Change>('changes'),
    refetchInterval: () => every(EVERY_MS),
});
const open = computed(() => changes.data.value ?? []);
const next = (c: Change) => {
    const due = waits(c).find((w) => isDue(w, now.value));
    if (due) return `${due.task.title}: begin it`;
    const hands = handsNow(c)[0];
    return hands ? hands.task.title : 'nothing for hands now';
};
</script>

<template>
    <section v-if="open.length" class="card" aria-label="Being changed over">
        <p v-for="c in open" :key="c.id">
            <router-link :to="`/change/${c.id}`"
                ><strong>{{ c.machine }}</strong> changes over to {{ c.product }}</router-link
            >: {{ next(c) }}. Ready at {{ timeOfDay(c.ready_at) }}.
        </p>
    </section>
</template>

<style scoped>
section {
    margin-bottom: 10px;
}
</style>
