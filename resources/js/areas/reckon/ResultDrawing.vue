<script setup lang="ts">
import { computed } from 'vue';
import { chartOf, cutOf } from './drawings/charts';
import LineChart from './drawings/LineChart.vue';
import { DRAWINGS } from './drawings/registry';
import ThroughThickness from './drawings/ThroughThickness.vue';
import type { Values } from './schema';

/** The drawing that fits a result; none when a table says it all. */
const props = defineProps<{ name: string; input: Values; result: Values }>();
const drawing = computed(() => DRAWINGS[props.name] ?? null);
const given = computed(() => drawing.value?.props(props.input, props.result) ?? null);
const chart = computed(() => chartOf(props.name, props.input, props.result));
const cut = computed(() => cutOf(props.name, props.input, props.result));
</script>

<template>
    <component :is="drawing.is" v-if="drawing && given" class="draw" v-bind="given" />
    <div v-else-if="chart || cut" class="draw pics">
        <LineChart v-if="chart" v-bind="chart" /><ThroughThickness v-if="cut" v-bind="cut" />
    </div>
</template>

<style scoped>
.draw {
    width: 100%;
    margin-top: 12px;
    font-family: var(--font);
}
svg.draw {
    max-height: 340px;
}
.pics {
    display: grid;
    grid-template-columns: minmax(0, 1fr);
    gap: 10px;
}
</style>
