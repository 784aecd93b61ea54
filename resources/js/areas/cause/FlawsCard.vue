<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query';
import { computed, ref } from 'vue';
import { api } from '../../api/client';
import type { FlawMap } from '../../api/types';
import FlawKinds from './FlawKinds.vue';
import FlawPicture from './FlawPicture.vue';
import { verdict } from './flaws';

/** Where flaws lie, of a run or of the last runs of a product: kind by kind, and what that says. */
const props = defineProps<{ of: 'runs' | 'products'; id: string; empty?: boolean }>();
const { data: map } = useQuery({
    queryKey: ['flaws', props.of === 'runs' ? props.id : `product ${props.id}`],
    queryFn: () => api.get<FlawMap>(`${props.of}/${props.id}/flaws`),
});
const chosen = ref<string | null>(null);
const kind = computed(() => chosen.value ?? map.value?.kinds[0]?.id ?? null);
const shown = computed(() => map.value !== undefined && (map.value.marks.length > 0 || props.empty));
</script>

<template>
    <section v-if="shown && map" class="card" aria-labelledby="flaws">
        <h2 id="flaws">Where flaws lie</h2>
        <template v-if="map.marks.length">
            <FlawKinds v-if="map.kinds.length > 1" v-model="chosen" :kinds="map.kinds" :first="kind" />
            <p v-else class="quiet">{{ map.kinds[0]?.name }}</p>
            <FlawPicture :map="map" :kind="kind" :says="verdict(map, kind)" />
            <p class="says">{{ verdict(map, kind) }}</p>
        </template>
        <v-btn v-if="of === 'runs'" variant="outlined" :to="`/flaws/${id}`">{{
            map.marks.length ? 'Mark more' : 'Mark where a flaw is'
        }}</v-btn>
    </section>
</template>

<style scoped>
.says {
    font-weight: 650;
    margin: 8px 0;
}
</style>
