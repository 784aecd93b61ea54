<script setup lang="ts">
import { computed, useId } from 'vue';
import type { Marks } from '../api/types';
import { show } from './units';

/** One scale for every temperature: the polymer's own marks, its window, the set-point and what is measured. */
const props = defineProps<{
    marks: Marks;
    set?: number | null;
    readings?: { label: string; c: number; trend?: number }[];
    height?: number;
}>();
const id = useId();
const H = computed(() => props.height ?? 430);
const top = computed(() => Math.max((props.marks.ceiling_c ?? 250) + 20, (props.set ?? 0) + 12));
const y = (c: number) =>
    14 + (1 - (Math.max(20, Math.min(top.value, c)) - 20) / (top.value - 20)) * (H.value - 30);
const bands = computed(() => {
    const m = props.marks;
    const points: [number, string][] = [[20, 'stiff']];
    if (m.softens_c !== null && m.softens_c > 20) points.push([m.softens_c, 'soft']);
    if (m.melts_c !== null) points.push([m.melts_c, 'fluid']);
    else if (m.softens_c !== null) points.push([m.softens_c + 40, 'fluid']);
    if (m.window_min_c !== null) points.push([m.window_min_c, 'window']);
    if (m.window_max_c !== null) points.push([m.window_max_c, 'over']);
    if (m.ceiling_c !== null) points.push([m.ceiling_c, 'fume']);
    points.sort((a, b) => a[0] - b[0]);
    // A sheet is formed soft: what is its window stays that where it also gets fluid.
    const inWindow = ([c, kind]: [number, string]) =>
        kind === 'fluid' && c > (m.window_min_c ?? Infinity) && c < (m.window_max_c ?? -Infinity);
    const shown = points.filter((p) => !inWindow(p));
    return shown.map(([from, kind], i) => ({ kind, y1: y(shown[i + 1]?.[0] ?? top.value), y2: y(from) }));
});
/** Labels give way to each other so that none is cut or covered. */
const labels = computed(() => {
    const m = props.marks;
    const raw = [
        m.ceiling_c !== null && { c: m.ceiling_c, text: 'fume', strong: true },
        m.window_max_c !== null && { c: m.window_max_c, text: 'window' },
        m.window_min_c !== null && { c: m.window_min_c, text: 'window' },
        m.melts_c !== null && { c: m.melts_c, text: 'melts' },
        m.softens_c !== null && m.softens_c > 20 && { c: m.softens_c, text: 'softens' },
        m.demould_c !== null && { c: m.demould_c, text: 'take out' },
    ]
        .filter((l): l is { c: number; text: string; strong?: boolean } => !!l)
        .sort((a, b) => b.c - a.c);
    let last = -20;
    return raw.map((l) => {
        const at = Math.max(y(l.c), last + 17);
        last = at;
        return { ...l, at, mark: y(l.c) };
    });
});
const tags = computed(() => {
    const all = [
        ...(props.set != null
            ? [{ kind: 'set', text: `set ${show(props.set, 'temperature')}`, c: props.set }]
            : []),
        ...(props.readings ?? []).map((r) => ({
            kind: 'read',
            text: `${r.label} ${show(r.c, 'temperature')}${r.trend ? (r.trend > 0 ? ' ↑' : ' ↓') : ''}`,
            c: r.c,
        })),
    ].sort((a, b) => b.c - a.c);
    let last = -30;
    return all.map((t) => {
        const at = Math.max(y(t.c), last + 28);
        last = at;
        return { ...t, at, mark: y(t.c) };
    });
});
const says = computed(
    () =>
        `Heat strip. ${labels.value.map((l) => `${l.text} ${show(l.c, 'temperature')}`).join(', ')}. ${tags.value.map((t) => t.text).join(', ')}.`,
);
</script>

<template>
    <svg :viewBox="`0 0 266 ${H}`" :height="H" width="266" role="img" :aria-label="says" class="strip">
        <defs>
            <pattern :id="`${id}-stiff`" width="8" height="8" patternUnits="userSpaceOnUse">
                <path d="M0 8L8 0" class="hatch" />
            </pattern>
            <pattern :id="`${id}-soft`" width="7" height="7" patternUnits="userSpaceOnUse">
                <circle cx="3.5" cy="3.5" r="1.1" class="dot" />
            </pattern>
            <pattern :id="`${id}-fume`" width="8" height="8" patternUnits="userSpaceOnUse">
                <path d="M0 0L8 8M8 0L0 8" class="cross" />
            </pattern>
        </defs>
        <g v-for="b in bands" :key="b.kind + b.y1">
            <rect x="112" width="36" :y="b.y1" :height="Math.max(0, b.y2 - b.y1)" :class="b.kind" />
            <rect
                v-if="['stiff', 'soft', 'fume'].includes(b.kind)"
                x="112"
                width="36"
                :y="b.y1"
                :height="Math.max(0, b.y2 - b.y1)"
                :fill="`url(#${id}-${b.kind})`"
            />
        </g>
        <rect x="112" width="36" y="14" :height="H - 30" class="edge" />
        <g v-for="l in labels" :key="l.text + l.c">
            <path :d="`M112 ${l.mark}h-5L98 ${l.at}`" class="tick" />
            <text x="94" :y="l.at + 4.5" text-anchor="end" :class="{ strong: l.strong }">
                {{ l.text }} {{ show(l.c, 'temperature') }}
            </text>
        </g>
        <g v-for="t in tags" :key="t.text" :class="t.kind">
            <path :d="`M${t.kind === 'set' ? 106 : 146} ${t.mark}H154L162 ${t.at}`" class="lead" />
            <rect x="160" :y="t.at - 13" width="105" height="26" rx="3" />
            <text x="167" :y="t.at + 5" class="tag-text">{{ t.text }}</text>
        </g>
    </svg>
</template>

<style scoped>
.strip {
    max-width: 100%;
    display: block;
    font-family: var(--font);
}
text {
    font-size: 13px;
    fill: var(--quiet);
    font-variant-numeric: tabular-nums;
}
text.strong {
    fill: var(--alarm);
    font-weight: 700;
}
.stiff {
    fill: var(--still);
}
.soft {
    fill: #f0d3ae;
}
.fluid {
    fill: #eba183;
}
.window {
    fill: #c8451a;
}
.over {
    fill: #eba183;
}
.fume {
    fill: #f3d9ec;
}
.hatch {
    stroke: #9d9788;
    stroke-width: 1;
}
.dot {
    fill: #7a4a1c;
}
.cross {
    stroke: #86186a;
    stroke-width: 1.3;
    fill: none;
}
.edge {
    fill: none;
    stroke: var(--ink);
    stroke-width: 1.5;
}
.tick {
    stroke: var(--quiet);
    fill: none;
    stroke-width: 1;
}
.lead {
    fill: none;
    stroke-width: 3;
    stroke: var(--ink);
}
.set rect {
    fill: var(--ink);
}
.set text {
    fill: var(--paper);
    font-weight: 700;
}
.read rect {
    fill: var(--paper);
    stroke: var(--ember);
    stroke-width: 2;
}
.read text {
    fill: var(--ink);
    font-weight: 700;
}
.read .lead {
    stroke: var(--ember);
}
.tag-text {
    font-size: 12.5px;
}
</style>
