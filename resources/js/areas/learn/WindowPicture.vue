<script setup lang="ts">
import { computed, ref } from 'vue';
import type { AsRun } from '../../api/types';
import { figureText } from '../../parts/figures';
import { scale, ticks } from '../../parts/chart';
import { number } from '../../parts/units';
import { useWide } from '../../parts/useWide';
import { came, LIKELY, likely } from './chart';

/** Where a product came good, over the two settings that were moved most: each run, what that makes likely, the next one. */
const props = defineProps<{ as: AsRun }>();
const box = ref<SVGSVGElement | null>(null);
const W = useWide(box, 280, 640);
const H = computed(() => Math.min(400, 160 + 0.4 * W.value));
const marks = computed(() => (W.value < 480 ? 3 : 5));
const window = computed(() => props.as.window);
const px = computed(() => scale([window.value.x_low, window.value.x_high], [70, W.value - 14]));
const py = computed(() => scale([window.value.y_low, window.value.y_high], [H.value - 46, 12]));
/** Squares from edge to edge of their neighbours. */
const square = computed(() => {
    const xs = [...new Set(window.value.drawn.map((s) => s.x))].sort((a, b) => a - b);
    const ys = [...new Set(window.value.drawn.map((s) => s.y))].sort((a, b) => a - b);
    const step = (all: number[]) =>
        Math.min(
            ...all
                .slice(1)
                .map((v, i) => v - all[i]!)
                .filter((d) => d > 0),
            Infinity,
        );
    const wide = Math.abs(px.value(step(xs)) - px.value(0));
    const high = Math.abs(py.value(step(ys)) - py.value(0));
    return { w: Number.isFinite(wide) ? wide + 0.5 : 0, h: Number.isFinite(high) ? high + 0.5 : 0 };
});
/** Settings that tell no more than the base rate have no window: colours would say that there is one. */
const drawn = computed(() => (window.value.tells ? window.value.drawn : []));
const along = computed(() => ticks(window.value.x_low, window.value.x_high, marks.value));
const up = computed(() => ticks(window.value.y_low, window.value.y_high, marks.value));
const chance = computed(() => {
    const planned = window.value.planned ?? null;
    if (planned === null) return '';
    const percent = (p: number) => number(100 * p, 0);
    return `The next one as it was last set: ${percent(planned.probability)} % good (${percent(planned.low)} to ${percent(planned.high)}).`;
});
</script>

<template>
    <div class="picture">
        <svg
            ref="box"
            :viewBox="`0 0 ${W} ${H}`"
            :height="H"
            role="img"
            :aria-label="`${as.y.label} against ${as.x.label} of ${as.runs.length} runs. ${window.explanation} ${chance}`"
        >
            <defs>
                <pattern id="seldom" width="7" height="7" patternUnits="userSpaceOnUse">
                    <path d="M0 7L7 0" class="hatch" />
                </pattern>
            </defs>
            <template v-for="s in drawn" :key="`${s.x} ${s.y}`">
                <rect
                    :x="px(s.x) - square.w / 2"
                    :y="py(s.y) - square.h / 2"
                    :width="square.w"
                    :height="square.h"
                    :class="`likely-${likely(s.probability)}`"
                />
                <rect
                    v-if="likely(s.probability) === 3"
                    :x="px(s.x) - square.w / 2"
                    :y="py(s.y) - square.h / 2"
                    :width="square.w"
                    :height="square.h"
                    fill="url(#seldom)"
                />
            </template>
            <g v-for="t in along" :key="`x${t}`">
                <path :d="`M${px(t)} ${H - 46}v6`" class="tick" />
                <text :x="px(t)" :y="H - 24" text-anchor="middle">
                    {{ figureText({ ...as.x, value: t }) }}
                </text>
            </g>
            <g v-for="t in up" :key="`y${t}`">
                <path :d="`M64 ${py(t)}h6`" class="tick" />
                <text x="60" :y="py(t) + 4" text-anchor="end">{{ figureText({ ...as.y, value: t }) }}</text>
            </g>
            <text :x="W - 14" :y="H - 6" text-anchor="end" class="name">{{ as.x.label }}</text>
            <text x="74" y="24" class="name">{{ as.y.label }}</text>
            <path :d="`M70 12V${H - 46}H${W - 14}`" class="axis" />
            <g v-for="r in as.runs" :key="r.id" :transform="`translate(${px(r.x)} ${py(r.y)})`">
                <title>run {{ r.number }}: {{ came(r.good, r.bad) }}</title>
                <circle v-if="r.bad <= r.good" r="5" class="good" />
                <path v-else d="M-5-5L5 5M5-5L-5 5" class="bad" />
            </g>
            <g
                v-if="as.x_planned !== null"
                :transform="`translate(${px(as.x_planned)} ${py(as.y_planned)})`"
                class="planned"
            >
                <circle r="11" />
                <path d="M-16 0h32M0-16v32" />
            </g>
        </svg>
        <div>
            <p>{{ window.explanation }}</p>
            <p v-if="chance">
                <strong>{{ chance }}</strong>
            </p>
            <p v-for="w in window.warnings" :key="w" class="fault">{{ w }}</p>
            <ul v-if="window.drawn.length" class="legend">
                <li v-for="(step, i) in drawn.length ? LIKELY : []" :key="step.from">
                    <svg width="26" height="18" aria-hidden="true">
                        <rect width="26" height="18" :class="`likely-${i}`" />
                        <rect v-if="i === 3" width="26" height="18" fill="url(#seldom)" />
                    </svg>
                    {{ step.says }}
                </li>
                <li>
                    <svg width="26" height="18" viewBox="-13 -9 26 18" aria-hidden="true">
                        <circle r="5" class="good" />
                    </svg>
                    a run, mostly good
                </li>
                <li>
                    <svg width="26" height="18" viewBox="-13 -9 26 18" aria-hidden="true">
                        <path d="M-5-5L5 5M5-5L-5 5" class="bad" />
                    </svg>
                    a run, mostly scrap
                </li>
                <li>
                    <svg width="26" height="18" viewBox="-17 -12 34 24" class="planned" aria-hidden="true">
                        <circle r="8" />
                        <path d="M-12 0h24M0-12v24" />
                    </svg>
                    as the last was set
                </li>
            </ul>
        </div>
    </div>
</template>

<style scoped>
.picture {
    display: grid;
    grid-template-columns: minmax(320px, 1.7fr) 1fr;
    gap: var(--gap);
    align-items: start;
}
.picture > svg {
    width: 100%;
    height: auto;
}
.likely-0 {
    fill: var(--slate);
    opacity: 0.62;
}
.likely-1 {
    fill: var(--slate);
    opacity: 0.36;
}
.likely-2 {
    fill: var(--slate);
    opacity: 0.16;
}
.likely-3 {
    fill: var(--alarm-soft);
    opacity: 0.6;
}
.hatch {
    stroke: var(--alarm);
    opacity: 0.4;
    fill: none;
}
.axis,
.tick {
    stroke: var(--quiet);
    fill: none;
}
text {
    font-size: 13px;
    fill: var(--quiet);
}
.name {
    font-weight: 650;
    fill: var(--ink);
}
.good {
    fill: var(--paper);
    stroke: var(--slate-ink);
    stroke-width: 2.2;
}
.bad {
    stroke: var(--alarm);
    stroke-width: 3;
    fill: none;
}
.planned {
    fill: none;
    stroke: var(--ember);
    stroke-width: 2.6;
}
.legend {
    list-style: none;
    padding: 0;
    display: grid;
    gap: 4px;
    margin-top: 10px;
}
.legend svg {
    vertical-align: -4px;
    margin-right: 8px;
}
@media (max-width: 900px) {
    .picture {
        grid-template-columns: 1fr;
    }
}
</style>
