<script setup lang="ts">
import { computed } from 'vue';
import type { Hose } from '../../api/types';
import { ports } from './change';

/** The water of a mould: the machine's ports at the left, the mould's at the right, each hose drawn through once it is on. */
const props = defineProps<{ hoses: Hose[]; tapped: string[]; mould: string; machine: string }>();
const ROW = 34;
const TOP = 34;
const sides = computed(() => ports(props.hoses));
const height = computed(() => TOP + ROW * Math.max(sides.value.machine.length, sides.value.mould.length) + 6);
const x = (port: string) => (sides.value.machine.includes(port) ? 96 : 264);
const y = (port: string) => {
    const of = sides.value.machine.includes(port) ? sides.value.machine : sides.value.mould;
    return TOP + ROW * (of.indexOf(port) + 0.5);
};
/** between the sides straight across; a loop bows out beside the mould */
const path = (h: Hose) => {
    const [x1, y1, x2, y2] = [x(h.from), y(h.from), x(h.to), y(h.to)];
    return h.loop
        ? `M${x1 + 62} ${y1} C ${x1 + 110} ${y1}, ${x2 + 110} ${y2}, ${x2 + 62} ${y2}`
        : `M${x1} ${y1} C ${(x1 + x2) / 2} ${y1}, ${(x1 + x2) / 2} ${y2}, ${x2} ${y2}`;
};
const isOn = (h: Hose) => props.tapped.includes(h.says);
const says = computed(
    () => `${props.hoses.filter(isOn).length} of ${props.hoses.length} hoses are on ${props.mould}.`,
);
</script>

<template>
    <svg :viewBox="`0 0 380 ${height}`" role="img" :aria-label="says">
        <text x="6" y="20" class="head">{{ machine }}</text>
        <text x="264" y="20" class="head">{{ mould }}</text>
        <path v-for="h in hoses" :key="h.says" :d="path(h)" :class="['hose', { on: isOn(h) }]" />
        <g v-for="p in [...sides.machine, ...sides.mould]" :key="p">
            <rect
                :x="sides.machine.includes(p) ? 6 : 264"
                :y="y(p) - 13"
                :width="sides.machine.includes(p) ? 90 : 62"
                height="26"
                rx="3"
            />
            <text :x="sides.machine.includes(p) ? 51 : 295" :y="y(p) + 5" class="port">{{ p }}</text>
        </g>
    </svg>
</template>

<style scoped>
svg {
    width: 100%;
    max-width: 440px;
    display: block;
}
.head {
    font-weight: 700;
    font-size: 15px;
    fill: var(--ink);
}
rect {
    fill: var(--still);
    stroke: var(--line);
}
.port {
    text-anchor: middle;
    font-size: 14px;
    font-weight: 650;
    fill: var(--ink);
}
.hose {
    fill: none;
    stroke: var(--quiet);
    stroke-width: 2;
    stroke-dasharray: 5 5;
}
.hose.on {
    stroke: var(--slate);
    stroke-width: 5;
    stroke-dasharray: none;
}
</style>
