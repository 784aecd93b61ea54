<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query';
import { computed } from 'vue';
import { api } from '../../api/client';
import type { Case } from '../../api/types';
import { lastJudged } from '../cause/case';

/** Causes that were looked for in a run, and the way to look for another. */
const props = defineProps<{ run: string; bad: boolean }>();
const cases = useQuery({
    queryKey: computed(() => ['cases', props.run]),
    queryFn: () => api.list<Case>(`runs/${props.run}/cases`),
});
function stand(c: Case): string {
    const last = lastJudged(c.changes);
    if (last?.worked === true && !last.unclear) return `it was: ${last.cause.toLowerCase()}`;
    const first = c.ranking.causes[0];
    return first ? `likeliest: ${first.name.toLowerCase()}, ${Math.round(100 * first.probability)} %` : '';
}
</script>

<template>
    <p v-for="c in cases.data.value" :key="c.id">
        <router-link :to="`/cause/${c.id}`"
            >{{ c.defects.map((d) => d.name).join(', ')
            }}{{ c.piece ? `, piece ${c.piece}` : '' }}</router-link
        >
        <span class="quiet">{{ stand(c) }}</span>
    </p>
    <v-btn v-if="bad" variant="outlined" class="mt-3 mr-3" :to="`/cause/new/${run}`">Find the cause</v-btn>
</template>

<style scoped>
.quiet {
    margin-left: 8px;
}
</style>
