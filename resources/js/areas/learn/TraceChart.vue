<script setup lang="ts">
import { computed, ref, useId } from 'vue';
import { lineThrough, ticks } from '../../parts/chart';
import { number, show, timeOfDay } from '../../parts/units';
import { useWide } from '../../parts/useWide';
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
/** beside the line: the values, and some air */
const BESIDE = 68;
const box = ref<SVGSVGElement | null>(null);
const wide = useWide(box, 280, 760);
const columns = computed(() => Math.floor(wide.value) - BESIDE);
const ends = computed(() => 52 + columns.value);
const sx = (t: number) => 52 + ((t - props.from) / (props.to - props.from || 1)) * columns.value;
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
const fits = (m: { x: number; title: string }) => m.x + LETTER * m.title.length < wide.value;
/** Cut where nothing was read once; what of it is seen at every move. */
const cut = computed(() =>
    props.series.map(([name, points]) => ({ name, last: points.at(-1)?.[1], parts: stretches(points) })),
);
const path = (parts: Points[]) =>
    parts
        .filter((s) => s.at(-1)![0] >= props.from && s[0]![0] <= props.to)
        .map((s) =>
            lineThrough(seen(s, props.from, props.to, columns.value).map((p) => [sx(p[0]), sy(p[1])])),
        )
        .join('');
/** one on a page may be named by another */
const clip = useId();
</script>

<template>
    <figure>
        <figcaption>{{ kind.title }}</figcaption>
        <svg
            ref="box"
            :viewBox="`0 0 ${wide} 214`"
            height="214"
            width="100%"
            role="img"
            :aria-label="`${kind.title} over the run`"
        >
            <g v-for="v in ticks(range.low, range.high)" :key="v">
                <path :d="`M52 ${sy(v)}H${ends}`" class="line" />
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
            <clipPath :id="clip"><rect x="52" y="0" :width="columns" height="192" /></clipPath>
            <g :clip-path="`url(#${clip})`">
                <path
                    v-for="(c, nth) in cut"
                    :key="c.name"
                    :d="path(c.parts)"
                    :class="['trace', `no-${nth}`, { later: later(c.name) }]"
                />
            </g>
            <text x="52" y="206">{{ timeOfDay(from) }}</text>
            <text :x="ends" y="206" text-anchor="end">{{ timeOfDay(to) }}</text>
        </svg>
        <ul>
            <li v-for="(c, nth) in cut" :key="c.name">
                <svg width="26" height="10" aria-hidden="true">
                    <path d="M0 5H26" :class="['trace', `no-${nth}`, { later: later(c.name) }]" />
                </svg>
                {{ title(c.name) }}, last {{ said(c.last) }}
            </li>
        </ul>
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
ul {
    display: flex;
    flex-wrap: wrap;
    gap: 2px 18px;
    list-style: none;
    margin: 2px 0 0;
    padding: 0;
    color: var(--quiet);
    font-size: 0.9rem;
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
