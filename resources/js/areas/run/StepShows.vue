<script setup lang="ts">
import { computed } from 'vue';
import type { Dimension, Procedure, Run } from '../../api/types';
import { number, show } from '../../parts/units';
import { title } from '../reckon/schema';

/** What a step shows of the plan. */
const props = defineProps<{ names: string[]; run: Run; procedure: Procedure; small: boolean }>();
const UNITS: [string, Dimension][] = [
    ['_c', 'temperature'],
    ['_mm', 'length'],
    ['_g', 'mass'],
    ['_min', 'time'],
];
/** in the machine's own marks, where it has any */
const marks = computed(() => (props.run.in_marks ?? {}) as Record<string, string | undefined>);
/** In the person's units, and in the procedure's words. */
function told(name: string): { label: string; text: string } {
    const value = props.run.plan[name];
    const dimension = UNITS.find(([end]) => name.endsWith(end))?.[1] ?? 'number';
    const text = name.endsWith('_s') ? `${number(Number(value), 0)} s` : show(Number(value), dimension);
    return {
        label: props.procedure.words?.[name] ?? title(name),
        text: value === null || value === undefined ? '–' : text,
    };
}
</script>

<template>
    <div :class="['shows', { small }]">
        <p v-for="n in names" :key="n">
            <span>{{ told(n).label }}</span><strong class="mono">{{ told(n).text }}</strong
            ><em v-if="marks[n]">{{ marks[n] }}</em>
        </p>
    </div>
</template>

<style scoped>
.shows {
    display: flex;
    gap: 34px;
    margin: 12px 0;
    flex-wrap: wrap;
}
.shows span {
    display: block;
    color: var(--quiet);
}
.shows strong {
    font-size: 2.6rem;
    line-height: 1.1;
}
.shows em {
    display: block;
    font-style: normal;
    font-weight: 700;
}
.shows.small {
    margin: 2px 0;
}
.shows.small p {
    display: flex;
    gap: 8px;
    align-items: baseline;
}
.shows.small strong {
    font-size: 1.2rem;
}
</style>
