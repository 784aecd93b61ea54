<script setup lang="ts">
import { computed, ref } from 'vue';
import { clockText } from './units';
import { useWide } from './useWide';

/** Stretches of time one after the other, to scale: what a cycle is made of, a row for each of those at once. */
export interface Stretch {
    name: string;
    from: number;
    to: number;
    kind: 'hot' | 'cold' | 'hands';
}
const props = defineProps<{ rows: { name: string; stretches: Stretch[] }[]; end: number; says: string }>();
const box = ref<SVGSVGElement | null>(null);
const W = useWide(box, 280, 620);
const LEFT = 78;
const X = (s: number) => LEFT + (s / props.end) * (W.value - LEFT - 8);
const height = computed(() => 34 * props.rows.length + 24);
const wide = (s: Stretch) => X(s.to) - X(s.from);
</script>

<template>
    <svg
        ref="box"
        :viewBox="`0 0 ${W} ${height}`"
        :height="height"
        role="img"
        :aria-label="says"
        class="strip"
    >
        <g v-for="(row, i) in rows" :key="row.name" :transform="`translate(0 ${34 * i})`">
            <text x="0" y="20">{{ row.name }}</text>
            <g v-for="s in row.stretches" :key="s.name + s.from">
                <rect :x="X(s.from)" y="4" :width="Math.max(1.5, wide(s))" height="24" :class="s.kind" />
                <text v-if="wide(s) > 7 * s.name.length" :x="X(s.from) + wide(s) / 2" y="20" class="in">
                    {{ s.name }}
                </text>
            </g>
        </g>
        <text :x="LEFT" :y="height - 4">0:00</text>
        <text :x="W - 8" :y="height - 4" text-anchor="end">{{ clockText(end) }}</text>
    </svg>
</template>

<style scoped>
.strip {
    width: 100%;
    max-width: 760px;
    font-size: 13px;
}
text {
    fill: var(--ink);
}
.in {
    text-anchor: middle;
    font-weight: 650;
}
rect {
    stroke: var(--ink);
    stroke-width: 1;
}
.hot {
    fill: color-mix(in srgb, var(--ember-strong) 45%, var(--paper));
}
.cold {
    fill: color-mix(in srgb, var(--slate) 40%, var(--paper));
}
.hands {
    fill: var(--paper);
}
</style>
