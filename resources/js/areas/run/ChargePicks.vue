<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query';
import { computed } from 'vue';
import { api } from '../../api/client';
import type { Charge, Run } from '../../api/types';
import { show } from '../../parts/units';

/** Charges that wait at the scale and may go into this run: one tap takes one, with its mass. */
const props = defineProps<{ run: Run }>();
const emit = defineEmits<{ take: [values: { mass_g: number; charge: string }] }>();
const { data } = useQuery({
    queryKey: ['charges'],
    queryFn: () => api.get<{ items: Charge[] }>('charges'),
});
/** the server takes no other: of this run's lots alone */
const waiting = computed(() => {
    const lots = props.run.materials.map((m) => m.lot_id);
    return (data.value?.items ?? []).filter(
        (c) =>
            c.status === 'waiting' &&
            c.polymer === props.run.summary.polymer &&
            c.weighings.every((w) => lots.includes(w.lot_id)),
    );
});
</script>

<template>
    <div v-if="waiting.length > 0" class="waiting">
        <p class="quiet">Weighed already:</p>
        <v-btn
            v-for="c in waiting"
            :key="c.id"
            variant="outlined"
            size="large"
            @click="emit('take', { mass_g: Math.round(10 * c.weighed_g) / 10, charge: c.id })"
            >Take {{ c.code }}, {{ show(c.weighed_g, 'mass') }}</v-btn
        >
    </div>
</template>

<style scoped>
.waiting {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 10px;
    margin: 12px 0;
}
</style>
