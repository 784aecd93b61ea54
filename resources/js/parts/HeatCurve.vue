<script setup lang="ts">
import { computed, ref } from 'vue';
import type { CurvePoint } from '../api/types';
import { lineThrough } from './chart';
import { clockText, show } from './units';
import { useWide } from './useWide';

/** Face, middle and platen against time, heat in and heat out, with the moment now or the moment looked at. */
const props = defineProps<{
    curve: CurvePoint[];
    turn: number;
    target: number;
    demould: number;
    at: number;
    height?: number;
    word?: string;
}>();
const box = ref<SVGSVGElement | null>(null);
const W = useWide(box, 240);
const H = computed(() => props.height ?? 200);
const end = computed(() => props.curve[props.curve.length - 1]?.time_s ?? 1);
const top = computed(() => Math.max(...props.curve.map((p) => Math.max(p.platen_c, p.surface_c))) + 12);
const x = (t: number) => 40 + (t / end.value) * (W.value - 52);
const y = (c: number) => H.value - 24 - (Math.max(0, c) / top.value) * (H.value - 40);
const path = (pick: (p: CurvePoint) => number) =>
    lineThrough(props.curve.map((p) => [x(p.time_s), y(pick(p))]));
const ticks = computed(() => {
    const step = [60, 120, 300, 600, 900, 1800, 3600].find((s) => end.value / s <= 7) ?? 7200;
    return Array.from({ length: Math.floor(end.value / step) + 1 }, (_, i) => i * step);
});
const levels = computed(() => [50, 100, 150, 200].filter((c) => c < top.value));
</script>

<template>
    <svg
        ref="box"
        :viewBox="`0 0 ${W} ${H}`"
        :height="H"
        width="100%"
        role="img"
        :aria-label="`Middle reaches ${show(target, 'temperature')}; taken out at ${show(demould, 'temperature')}; ${clockText(end)} in all.`"
        class="curve"
    >
        <rect :x="x(0)" y="8" :width="x(turn) - x(0)" :height="H - 32" class="in" />
        <rect :x="x(turn)" y="8" :width="x(end) - x(turn)" :height="H - 32" class="out" />
        <g v-for="c in levels" :key="c">
            <path :d="`M${x(0)} ${y(c)}H${x(end)}`" class="grid" />
            <text x="36" :y="y(c) + 4" text-anchor="end">
                {{ show(c, 'temperature').replace(/[^\d−-]/g, '') }}
            </text>
        </g>
        <path :d="`M${x(0)} ${y(target)}H${x(turn)}`" class="goal" />
        <text :x="x(0) + 4" :y="y(target) + 15" class="said">
            middle needs {{ show(target, 'temperature') }}
        </text>
        <path :d="`M${x(turn)} ${y(demould)}H${x(end)}`" class="goal" />
        <text :x="x(end) - 3" :y="y(demould) - 5" text-anchor="end" class="said">
            out at {{ show(demould, 'temperature') }}
        </text>
        <path :d="path((p) => p.platen_c)" class="platen" />
        <path :d="path((p) => p.surface_c)" class="face" />
        <path :d="path((p) => p.core_c)" class="core" />
        <g v-for="t in ticks" :key="t">
            <path :d="`M${x(t)} ${H - 24}v4`" class="grid" />
            <text :x="x(t)" :y="H - 8" text-anchor="middle">{{ Math.round(t / 60) }}</text>
        </g>
        <path :d="`M${x(Math.min(at, end))} 6V${H - 24}`" class="now" />
        <text
            :x="x(Math.min(at, end)) + (at > end * 0.8 ? -5 : 5)"
            y="18"
            :text-anchor="at > end * 0.8 ? 'end' : 'start'"
            class="now-word"
        >
            {{ word ?? '' }} {{ clockText(at) }}
        </text>
    </svg>
</template>

<style scoped>
.curve {
    display: block;
    font-family: var(--font);
}
text {
    font-size: 12.5px;
    fill: var(--quiet);
    font-variant-numeric: tabular-nums;
}
.in {
    fill: var(--ember-soft);
    opacity: 0.55;
}
.out {
    fill: var(--slate-soft);
    opacity: 0.7;
}
.grid {
    stroke: var(--line);
    fill: none;
}
.goal {
    stroke: var(--ink);
    stroke-dasharray: 2 4;
    fill: none;
}
.said {
    fill: var(--ink);
    paint-order: stroke;
    stroke: var(--paper);
    stroke-width: 4px;
}
.platen {
    stroke: var(--quiet);
    stroke-width: 1.5;
    fill: none;
    stroke-dasharray: 6 3;
}
.face {
    stroke: var(--ember);
    stroke-width: 1.6;
    fill: none;
}
.core {
    stroke: var(--ink);
    stroke-width: 3;
    fill: none;
}
.now {
    stroke: var(--ink);
    stroke-width: 1.6;
}
.now-word {
    fill: var(--ink);
    font-weight: 700;
}
</style>
