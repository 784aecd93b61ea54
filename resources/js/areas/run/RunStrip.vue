<script setup lang="ts">
import { useWindowSize } from '@vueuse/core';
import { computed } from 'vue';
import type { Procedure, Run } from '../../api/types';
import { isOfHeat } from '../../offline/hands';
import HeatStrip from '../../parts/HeatStrip.vue';

/** Temperatures beside the run: as last logged, or the middle once heat goes out. */
const props = defineProps<{
    run: Run;
    procedure: Procedure;
    /** the middle by the model, °C; null while heat goes in */
    coreC: number | null;
}>();
/** What was last read where heat goes in, and which way it went. */
const strip = computed(() => {
    // Once heat goes out what counts is the middle, and only the model knows that.
    if (props.coreC !== null) return [{ label: 'core', c: props.coreC }];
    const hot = props.procedure.entries.find((e) => isOfHeat(props.procedure, e));
    const all = props.run.entries.filter((e) => e.entry === hot?.id);
    const [last, before] = [all.at(-1)?.values, all.at(-2)?.values] as (Record<string, number> | undefined)[];
    return (hot?.fields ?? [])
        .filter((f) => f.dimension === 'temperature' && typeof last?.[f.id] === 'number')
        .map((f) => ({
            label: f.label.split(/[ ,]/)[0]!.toLowerCase(),
            c: Number(last?.[f.id]),
            trend: typeof before?.[f.id] === 'number' ? Math.sign(last![f.id]! - before[f.id]!) : 0,
        }));
});
const { height: screen } = useWindowSize();
const stripHeight = computed(() => Math.max(240, Math.min(400, screen.value - 500)));
</script>

<template>
    <div>
        <h2>{{ run.summary.polymer }}</h2>
        <p class="quiet">{{ coreC === null ? 'as last logged' : 'middle, by the model' }}</p>
        <HeatStrip
            :marks="run.marks"
            :set="coreC === null ? run.summary.set_c : null"
            :readings="strip"
            :height="stripHeight"
        />
    </div>
</template>

<style scoped>
h2,
p {
    padding-left: 14px;
}
</style>
