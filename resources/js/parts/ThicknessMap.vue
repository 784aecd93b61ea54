<script setup lang="ts">
import { computed } from 'vue';
import { show, shown } from './units';

/** Thickness over the sheet as measured, with which way it tilts: thin is slate, thick is ember, the number is always there. */
const props = defineProps<{
    points: { x_mm: number; y_mm: number; t_mm: number }[];
    nominal: number;
    tolerance: number;
    length: number;
    width: number;
    low?: string | null;
}>();
const W = 360;
const H = computed(() => Math.round((W * props.width) / props.length));
const cells = computed(() => {
    const xs = [...new Set(props.points.map((p) => p.x_mm))].sort((a, b) => a - b);
    const ys = [...new Set(props.points.map((p) => p.y_mm))].sort((a, b) => a - b);
    return props.points.map((p) => {
        const i = xs.indexOf(p.x_mm);
        const j = ys.indexOf(p.y_mm);
        const off = (p.t_mm - props.nominal) / props.tolerance;
        const strength = Math.min(1, Math.abs(off));
        return {
            key: `${i}-${j}`,
            x: (i * W) / xs.length,
            y: (j * H.value) / ys.length,
            w: W / xs.length,
            h: H.value / ys.length,
            t: p.t_mm,
            colour: `color-mix(in srgb, ${off < 0 ? '#5b9fba' : '#e08a63'} ${Math.round(strength * 100)}%, #f3efe6)`,
        };
    });
});
const corner = computed(() =>
    props.low
        ? { x: props.low.startsWith('x-') ? 12 : W - 12, y: props.low.endsWith('y-') ? 12 : H.value - 12 }
        : null,
);
</script>

<template>
    <svg
        :viewBox="`-30 -28 ${W + 60} ${H + 56}`"
        width="100%"
        role="img"
        :aria-label="`Thickness map in ${shown('length').unit}: ${points.map((p) => show(p.t_mm, 'length', 2)).join(', ')}${low ? `; lowest corner ${low}` : ''}`"
    >
        <g v-for="c in cells" :key="c.key">
            <rect :x="c.x" :y="c.y" :width="c.w" :height="c.h" :fill="c.colour" class="cell" />
            <text :x="c.x + c.w / 2" :y="c.y + c.h / 2 + 8" text-anchor="middle">
                {{ show(c.t, 'length', 2).split('\u00A0')[0] }}
            </text>
        </g>
        <g class="side" aria-hidden="true">
            <text :x="W / 2" y="-8" text-anchor="middle">back</text>
            <text :x="W / 2" :y="H + 22" text-anchor="middle">front</text>
            <text :transform="`translate(-9 ${H / 2}) rotate(-90)`" text-anchor="middle">left</text>
            <text :transform="`translate(${W + 9} ${H / 2}) rotate(90)`" text-anchor="middle">right</text>
        </g>
        <circle v-if="corner" :cx="corner.x" :cy="corner.y" r="9" class="corner" />
        <text
            v-if="corner"
            :x="corner.x + (corner.x < 50 ? 14 : -14)"
            :y="corner.y + 5"
            :text-anchor="corner.x < 50 ? 'start' : 'end'"
            class="low"
        >
            low corner
        </text>
    </svg>
</template>

<style scoped>
svg {
    display: block;
    font-family: var(--font);
}
.cell {
    stroke: #8f8878;
}
text {
    font-size: 24px;
    font-weight: 700;
    fill: #1d2326;
    font-variant-numeric: tabular-nums;
}
.side text {
    font-size: 20px;
    font-weight: 400;
    fill: var(--quiet);
}
.corner {
    fill: none;
    stroke: #86186a;
    stroke-width: 4;
}
.low {
    font-size: 18px;
    fill: #6c1055;
}
</style>
