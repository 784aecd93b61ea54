<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query';
import { computed } from 'vue';
import { api } from '../../api/client';
import type { Charge } from '../../api/types';
import { show } from '../../parts/units';

/** Charges that wait at the scale and may go into this run: one tap takes one, with its mass. */
const props = defineProps<{ run: string }>();
const emit = defineEmits<{ take: [values: { mass_g: number; charge: string }] }>();
const waiting = useQuery({
    queryKey: computed(() => ['charges', 'for', props.run]),
    queryFn: () => api.list<Charge>(`runs/${props.run}/charges`),
});
</script>

<template>
    <div v-if="waiting.data.value?.length" class="waiting">
        <p class="quiet">Weighed already:</p>
        <v-btn
            v-for="c in waiting.data.value"
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
