<script setup lang="ts">
import { computed, ref } from 'vue';
import { lineThrough, ticks } from '../../../parts/chart';
import { useWide } from '../../../parts/useWide';
import { format, fromShown, shownUnit, toShown } from '../schema';

/** Lines over one running quantity, with levels, moments and a span that matters marked on the same axes. */
const props = defineProps<{
    along: string;
    alongUnit?: string;
    up: string;
    upUnit?: string;
    zero?: boolean;
    sets: { name: string; xy: (readonly [number, number])[] }[];
    levels?: [string, number][];
    moments?: [string, number][];
    span?: { name: string; from: number; to: number } | null;
    bad?: number[];
    height?: number;
}>();
const box = ref<SVGSVGElement | null>(null);
const W = useWide(box);
const H = computed(() => props.height ?? 262);
/** where its axis lies */
const floor = computed(() => H.value - 36);
const DASH = ['', '7 4', '2 4', '12 4 2 4', '5 2', '1 3', '9 2 2 2', '3 3'];
const frame = computed(() => {
    const xy = props.sets.flatMap((s) => s.xy);
    const xs = [...xy.map((p) => p[0]), ...(props.moments ?? []).map((m) => m[1])];
    const ys = [...xy.map((p) => p[1]), ...(props.levels ?? []).map((l) => l[1])];
    return {
        x0: Math.min(...xs),
        x1: Math.max(...xs),
        y0: props.zero ? Math.min(0, ...ys) : Math.min(...ys),
        y1: Math.max(...ys),
    };
});
const X = (v: number) =>
    58 + ((v - frame.value.x0) / (frame.value.x1 - frame.value.x0 || 1)) * (W.value - 76);
const Y = (v: number) =>
    floor.value - ((v - frame.value.y0) / (frame.value.y1 - frame.value.y0 || 1)) * (floor.value - 32);
/** Marks are round in the unit that is shown. */
const round = (from: number, to: number, unit = '') =>
    ticks(toShown(from, unit), toShown(to, unit), W.value < 420 ? 4 : 6).map((v) => fromShown(v, unit));
const withUnitOf = (name: string, unit?: string) => (unit ? `${name}, ${shownUnit(unit)}` : name);
const xTicks = computed(() => round(frame.value.x0, frame.value.x1, props.alongUnit));
const yTicks = computed(() => round(frame.value.y0, frame.value.y1, props.upUnit));
/** Names at the ends of their lines, moved apart where they would lie on each other. */
const names = computed(() => {
    const all = props.sets
        .map((s, i) => ({
            name: s.name,
            i,
            x: X(s.xy[s.xy.length - 1]?.[0] ?? 0),
            y: Y(s.xy[s.xy.length - 1]?.[1] ?? 0) - 6,
        }))
        .sort((a, b) => a.y - b.y);
    all.forEach((n, k) => {
        if (k > 0) n.y = Math.max(n.y, all[k - 1]!.y + 14);
    });
    const low = all[all.length - 1]?.y ?? 0;
    const most = floor.value - 4;
    if (low > most) all.forEach((n) => (n.y -= low - most));
    return all;
});
/** Near the right edge the span's name ends there instead of beginning at it. */
const late = computed(() => (props.span ? X(props.span.from) > W.value * 0.5 : false));
const path = (xy: (readonly [number, number])[]) => lineThrough(xy.map((p) => [X(p[0]), Y(p[1])]));
const says = computed(
    () =>
        `${props.up} over ${props.along}: ${props.sets.map((s) => s.name).join(', ')}${(props.moments ?? []).map(([n, v]) => `; ${n} at ${format(v, props.alongUnit)}`).join('')}`,
);
</script>

<template>
    <svg
        ref="box"
        :viewBox="`0 0 ${W} ${H}`"
        :height="H"
        width="100%"
        class="chart"
        role="img"
        :aria-label="says"
    >
        <g v-if="span">
            <rect
                :x="X(Math.max(frame.x0, span.from))"
                y="32"
                :width="Math.max(0, X(Math.min(frame.x1, span.to)) - X(Math.max(frame.x0, span.from)))"
                :height="floor - 32"
                class="span"
            />
            <text
                :x="late ? W - 18 : X(Math.max(frame.x0, span.from)) + 6"
                :y="floor - 5"
                :text-anchor="late ? 'end' : 'start'"
                class="said"
            >
                {{ span.name }}
            </text>
        </g>
        <path :d="`M58 32V${floor}H${W - 8}`" class="axis" />
        <g v-for="v in xTicks" :key="`x${v}`">
            <path :d="`M${X(v)} ${floor}v4`" class="axis" />
            <text :x="X(v)" :y="floor + 17" text-anchor="middle">{{ format(v, alongUnit) }}</text>
        </g>
        <g v-for="v in yTicks" :key="`y${v}`">
            <path :d="`M58 ${Y(v)}H${W - 16}`" class="grid" />
            <text x="52" :y="Y(v) + 4" text-anchor="end">{{ format(v, upUnit) }}</text>
        </g>
        <text :x="W / 2" :y="H - 3" text-anchor="middle">
            {{ withUnitOf(along, alongUnit) }}
        </text>
        <text x="4" y="16">
            {{ withUnitOf(up, upUnit) }}
        </text>
        <g v-for="[name, v] in levels" :key="name">
            <path :d="`M58 ${Y(v)}H${W - 16}`" class="level" />
            <text x="64" :y="Y(v) - 4" class="halo quiet">{{ name }} {{ format(v, upUnit) }}</text>
        </g>
        <path
            v-for="(s, i) in sets"
            :key="s.name"
            :d="path(s.xy)"
            class="trace"
            :stroke-dasharray="DASH[i]"
        />
        <g v-for="([name, v], i) in moments" :key="name">
            <path :d="`M${X(v)} 32V${floor}`" class="moment" />
            <text
                :x="X(v) + (X(v) > W * 0.55 ? -5 : 5)"
                :y="floor - 22 - 15 * i"
                :text-anchor="X(v) > W * 0.55 ? 'end' : 'start'"
                class="halo"
            >
                {{ name }} {{ format(Math.round(v * 10) / 10, alongUnit) }}
            </text>
        </g>
        <template v-if="sets.length > 1">
            <text
                v-for="n in names"
                :key="n.name"
                :x="Math.min(W - 24, n.x - 4)"
                :y="n.y"
                text-anchor="end"
                class="halo"
            >
                {{ n.name }}
            </text>
        </template>
        <path
            v-for="i in bad"
            :key="i"
            :d="`M${X(i) - 7} ${Y(sets[0]!.xy[i]![1]) - 7}l14 14m0-14l-14 14`"
            class="bad"
        />
    </svg>
</template>

<style scoped>
.chart {
    font-family: var(--font);
    display: block;
}
text {
    font-size: 12.5px;
    fill: var(--quiet);
    font-variant-numeric: tabular-nums;
}
.halo,
.said {
    fill: var(--ink);
    paint-order: stroke;
    stroke: var(--paper);
    stroke-width: 4px;
    font-weight: 650;
}
.halo.quiet {
    font-weight: 400;
    fill: var(--quiet);
}
.axis {
    stroke: var(--quiet);
    fill: none;
}
.grid {
    stroke: var(--line);
    fill: none;
    opacity: 0.6;
}
.level {
    stroke: var(--slate);
    stroke-dasharray: 3 4;
}
.moment {
    stroke: var(--ink);
    stroke-width: 1.6;
}
.span {
    fill: var(--slate-soft);
    opacity: 0.7;
}
.trace {
    fill: none;
    stroke: var(--ember);
    stroke-width: 2.4;
}
.bad {
    stroke: var(--alarm);
    stroke-width: 3;
}
</style>
