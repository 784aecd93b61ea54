<script setup lang="ts">
import { computed, useId } from 'vue';
import { lineThrough, ticks } from '../../parts/chart';
import { number, show, timeOfDay } from '../../parts/units';
import { title } from '../reckon/schema';
import { reach, seen, spaced, stretches, type Kind, type Points } from './trace';

/** What was read over a run, of one kind of quantity, with the moments of its log. */
const props = defineProps<{
    kind: Kind;
    series: [string, Points][];
    marks: { key: string; at: number; title: string }[];
    /** of the whole run, so that charts of one run lie under each other */
    from: number;
    to: number;
    later: (channel: string) => boolean;
}>();
const range = computed(() => {
    const { low, high } = reach(props.series);
    return { low, high: high + 0.06 * (high - low) || 1 };
});
const WIDE = 692;
const sx = (t: number) => 52 + ((t - props.from) / (props.to - props.from || 1)) * WIDE;
const sy = (v: number) => 190 - ((v - range.value.low) / (range.value.high - range.value.low)) * 168;
const said = (v: number | undefined) =>
    props.kind.dimension === 'number'
        ? `${number(v ?? 0, 1)} ${props.kind.unit}`.trim()
        : show(v, props.kind.dimension);
/** about as wide as twelve-pixel letters make it */
const LETTER = 6.6;
const moments = computed(() =>
    spaced(
        props.marks.filter((m) => m.at >= props.from && m.at <= props.to).map((m) => ({ ...m, x: sx(m.at) })),
        (m) => LETTER * m.title.length + 10,
    ),
);
const fits = (m: { x: number; title: string }) => m.x + LETTER * m.title.length < 760;
/** Cut where nothing was read once; what of it is seen at every move. */
const cut = computed(() =>
    props.series.map(([name, points]) => ({ name, last: points.at(-1)?.[1], parts: stretches(points) })),
);
const path = (parts: Points[]) =>
    parts
        .filter((s) => s.at(-1)![0] >= props.from && s[0]![0] <= props.to)
        .map((s) => lineThrough(seen(s, props.from, props.to, WIDE).map((p) => [sx(p[0]), sy(p[1])])))
        .join('');
/** one on a page may be named by another */
const clip = useId();
</script>

<template>
    <figure>
        <figcaption>{{ kind.title }}</figcaption>
        <svg viewBox="0 0 760 214" width="100%" role="img" :aria-label="`${kind.title} over the run`">
            <g v-for="v in ticks(range.low, range.high)" :key="v">
                <path :d="`M52 ${sy(v)}H744`" class="line" />
                <text x="48" :y="sy(v) + 4" text-anchor="end">
                    {{ kind.dimension === 'number' ? number(v, v < 10 ? 1 : 0) : said(v).split('\u00A0')[0] }}
                </text>
            </g>
            <g v-for="m in moments" :key="m.key">
                <path :d="`M${m.x} 14V190`" class="mark" />
                <text
                    v-if="m.said"
                    :x="m.x + (fits(m) ? 4 : -4)"
                    y="12"
                    :text-anchor="fits(m) ? 'start' : 'end'"
                >
                    {{ m.title }}
                </text>
            </g>
            <clipPath :id="clip"><rect x="52" y="0" :width="WIDE" height="192" /></clipPath>
            <g :clip-path="`url(#${clip})`">
                <path
                    v-for="(c, nth) in cut"
                    :key="c.name"
                    :d="path(c.parts)"
                    :class="['trace', `no-${nth}`, { later: later(c.name) }]"
                />
            </g>
            <text x="52" y="206">{{ timeOfDay(from) }}</text>
            <text x="744" y="206" text-anchor="end">{{ timeOfDay(to) }}</text>
            <text v-for="(c, i) in cut" :key="`n${c.name}`" x="510" y="206" :dx="i * -190">
                {{ later(c.name) ? '┄' : '━' }} {{ title(c.name).toLowerCase() }}, last {{ said(c.last) }}
            </text>
        </svg>
    </figure>
</template>

<style scoped>
figure {
    margin: 0;
}
figcaption {
    font-weight: 650;
    margin: 6px 0;
}
.line {
    stroke: var(--line);
}
.mark {
    stroke: var(--quiet);
    stroke-dasharray: 3 4;
}
text {
    font-size: 12px;
    fill: var(--quiet);
}
.trace {
    fill: none;
    stroke: var(--ember);
    stroke-width: 2;
}
.trace.no-1 {
    stroke: var(--ink);
    stroke-width: 1.3;
}
.trace.later {
    stroke: var(--slate);
    stroke-dasharray: 5 3;
}
</style>
