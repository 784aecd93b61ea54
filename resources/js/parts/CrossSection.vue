<script setup lang="ts">
import { useElementSize } from '@vueuse/core';
import { computed, ref, useId } from 'vue';
import type { CurvePoint } from '../api/types';
import { heatColour } from './colour';
import { show } from './units';

/** The sheet between its plates, cut open, coloured by temperature at one moment; its height follows its thickness. */
const props = defineProps<{ point: CurvePoint; loosest: number; cold: boolean; height?: number }>();
const id = useId();
const box = ref<SVGSVGElement | null>(null);
const { width } = useElementSize(box, { width: 420, height: 0 });
const W = computed(() => Math.max(240, width.value));
const H = computed(() => props.height ?? 200);
const PLATE = 9;
const room = computed(() => H.value - 2 * (26 + PLATE));
const sheet = computed(() => Math.max(24, (props.point.thickness_mm / props.loosest) * room.value));
const y0 = computed(() => (H.value - sheet.value) / 2);
/** from face to face: the half profile, mirrored */
const stops = computed(() => {
    const half = props.point.profile_c ?? [props.point.core_c, props.point.surface_c];
    const whole = [...[...half].reverse(), ...half.slice(1)];
    return whole.map((c, i) => ({ at: (i / (whole.length - 1)) * 100, c }));
});
/** How much of the drawn height is loose: the core's share of the sheet, which stands at its loose height. */
const loose = computed(() => Math.min(1, (props.point.loose * props.loosest) / props.point.thickness_mm));
const says = computed(
    () =>
        `Middle ${show(props.point.core_c, 'temperature')}, face ${show(props.point.surface_c, 'temperature')}, ${show(props.point.thickness_mm, 'length')} thick${loose.value > 0 ? ', middle still loose flake' : ''}.`,
);
</script>

<template>
    <svg
        ref="box"
        :viewBox="`0 0 ${W} ${H}`"
        :height="H"
        width="100%"
        role="img"
        :aria-label="says"
        class="cut"
    >
        <defs>
            <linearGradient :id="`${id}-g`" x1="0" y1="0" x2="0" y2="1">
                <stop v-for="s in stops" :key="s.at" :offset="`${s.at}%`" :stop-color="heatColour(s.c)" />
            </linearGradient>
            <pattern :id="`${id}-f`" width="13" height="11" patternUnits="userSpaceOnUse">
                <path d="M1 3l6-2 3 4-6 3zM8 8l4 0 1 2-4 1z" class="flake" />
            </pattern>
        </defs>
        <rect :width="W" :y="0" :height="y0 - PLATE" :fill="heatColour(point.platen_c)" />
        <rect
            :width="W"
            :y="y0 + sheet + PLATE"
            :height="Math.max(0, H - y0 - sheet - PLATE)"
            :fill="heatColour(point.platen_c)"
        />
        <rect :width="W" :y="y0 - PLATE" :height="PLATE" class="plate" />
        <rect :width="W" :y="y0 + sheet" :height="PLATE" class="plate" />
        <rect :width="W" :y="y0" :height="sheet" :fill="`url(#${id}-g)`" />
        <rect
            v-if="loose > 0"
            :width="W"
            :y="y0 + (sheet * (1 - loose)) / 2"
            :height="sheet * loose"
            :fill="`url(#${id}-f)`"
        />
        <g class="word">
            <rect x="8" :y="H / 2 - 13" width="112" height="26" rx="3" />
            <text x="15" :y="H / 2 + 5">middle {{ show(point.core_c, 'temperature') }}</text>
        </g>
        <g v-if="loose > 0" class="word">
            <rect x="8" :y="H - 30" width="104" height="24" rx="3" />
            <text x="15" :y="H - 13">loose inside</text>
        </g>
        <g class="word">
            <rect :x="W - 116" y="4" width="108" height="24" rx="3" />
            <text :x="W - 109" y="21">
                {{ cold ? 'cold' : 'hot' }} {{ show(point.platen_c, 'temperature') }}
            </text>
        </g>
        <g class="word">
            <rect :x="W - 126" :y="H / 2 - 13" width="118" height="26" rx="3" />
            <text :x="W - 119" :y="H / 2 + 5">{{ show(point.thickness_mm, 'length') }} thick</text>
        </g>
    </svg>
</template>

<style scoped>
.cut {
    display: block;
    border-radius: 4px;
    font-family: var(--font);
}
.plate {
    fill: #8d979b;
}
.flake {
    fill: rgb(29 35 38 / 34%);
}
.word rect {
    fill: #fbfaf6;
}
.word text {
    fill: #1d2326;
    font-size: 15px;
    font-weight: 700;
    font-variant-numeric: tabular-nums;
}
</style>
