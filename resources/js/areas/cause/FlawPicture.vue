<script setup lang="ts">
import { computed, ref } from 'vue';
import type { FlawMap } from '../../api/types';
import { across, along, cross, placed } from './flaws';

/** A part seen flat with its flaws, and the places where they meet. A tap, or Enter where the arrows went, marks another. */
const props = defineProps<{ map: FlawMap; kind: string | null; takes?: boolean; says: string }>();
const emit = defineEmits<{ mark: [along: number, across: number] }>();
const size = computed(() => ({ length: props.map.length_mm, width: props.map.width_mm }));
const longest = computed(() => Math.max(props.map.length_mm, props.map.width_mm));
const margin = computed(() => 0.03 * longest.value);
const box = computed(
    () =>
        `${-margin.value} ${-margin.value} ${size.value.length + 2 * margin.value} ${size.value.width + 2 * margin.value}`,
);
const arm = computed(() => 0.014 * longest.value);
const drawn = computed(() =>
    [...props.map.marks]
        .sort((a, b) => Number(a.defect === props.kind) - Number(b.defect === props.kind))
        .map((m) => ({ ...m, ...placed(m, size.value), on: props.kind === null || m.defect === props.kind })),
);
const looked = computed(() => props.map.kinds.find((k) => k.id === props.kind) ?? null);
const places = computed(() =>
    (looked.value?.places ?? []).map((p) => ({
        ...p,
        y: size.value.width - p.y_mm,
        r: looked.value!.radius_mm,
    })),
);
const part = ref<SVGRectElement | null>(null);
function tap(event: MouseEvent) {
    if (!props.takes || !part.value) return;
    const at = part.value.getBoundingClientRect();
    if (at.width > 0 && at.height > 0) emit('mark', along(event.clientX, at), across(event.clientY, at));
}
/** where the arrows went; none until one was pressed */
const hair = ref<{ along: number; across: number } | null>(null);
const STEPS: Record<string, [number, number]> = {
    ArrowLeft: [-1, 0],
    ArrowRight: [1, 0],
    ArrowUp: [0, 1],
    ArrowDown: [0, -1],
};
function key(event: KeyboardEvent) {
    if (!props.takes) return;
    const step = STEPS[event.key];
    if (step) {
        event.preventDefault();
        const from = hair.value ?? { along: 0.5, across: 0.5 };
        const far = event.shiftKey ? 0.1 : 0.02;
        const within = (x: number) => Math.min(1, Math.max(0, x));
        hair.value = {
            along: within(from.along + far * step[0]),
            across: within(from.across + far * step[1]),
        };
    } else if (event.key === 'Enter' && hair.value) {
        event.preventDefault();
        event.stopPropagation();
        emit('mark', hair.value.along, hair.value.across);
    }
}
</script>

<template>
    <svg
        :viewBox="box"
        :role="takes ? 'application' : 'img'"
        :tabindex="takes ? 0 : undefined"
        :aria-label="says"
        :class="{ takes }"
        @click="tap"
        @keydown="key"
    >
        <rect
            ref="part"
            class="part"
            :width="size.length"
            :height="size.width"
            :rx="map.corner_mm"
            vector-effect="non-scaling-stroke"
        />
        <g v-for="p in places" :key="`${p.x_mm} ${p.y_mm}`" class="place">
            <circle :cx="p.x_mm" :cy="p.y" :r="p.r" vector-effect="non-scaling-stroke" />
            <text :x="p.x_mm" :y="p.y - 1.15 * p.r" :font-size="2.4 * arm">{{ p.pieces.length }}</text>
        </g>
        <path
            v-for="m in drawn"
            :key="m.id"
            :class="['mark', { off: !m.on }]"
            :d="cross(m.x, m.y, arm)"
            vector-effect="non-scaling-stroke"
        >
            <title>{{ m.piece === null ? `run ${m.run}` : `run ${m.run}, ${m.piece}` }}</title>
        </path>
        <path
            v-if="hair"
            class="hair"
            :d="`M${hair.along * size.length} 0V${size.width}M0 ${(1 - hair.across) * size.width}H${size.length}`"
            vector-effect="non-scaling-stroke"
        />
    </svg>
</template>

<style scoped>
svg {
    display: block;
    width: 100%;
    max-height: 60vh;
}
.takes {
    cursor: crosshair;
    touch-action: manipulation;
}
.part {
    fill: var(--still);
    stroke: var(--ink);
    stroke-width: 2;
}
.mark {
    fill: none;
    stroke: var(--alarm);
    stroke-width: 3;
    stroke-linecap: round;
}
.mark.off {
    stroke: var(--line);
    stroke-width: 2;
}
.place circle {
    fill: none;
    stroke: var(--ink);
    stroke-width: 2.5;
    stroke-dasharray: 6 4;
}
.place text {
    fill: var(--ink);
    font-weight: 700;
    text-anchor: middle;
}
.hair {
    fill: none;
    stroke: var(--ink);
    stroke-width: 1.5;
    stroke-dasharray: 3 3;
}
</style>
