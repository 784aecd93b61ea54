<script setup lang="ts">
import { computed } from 'vue';
import { lineThrough, ticks } from '../../parts/chart';
import { number, show } from '../../parts/units';
import { title } from '../reckon/schema';
import { spaced, stretches, type Kind, type Points } from './trace';

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
    const all = props.series.flatMap(([, p]) => p.map((x) => x[1]));
    const [low, high] = [Math.min(0, ...all), Math.max(...all)];
    return { low, high: high + 0.06 * (high - low) || 1 };
});
const sx = (t: number) => 52 + ((t - props.from) / (props.to - props.from || 1)) * 692;
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
const path = (points: Points) =>
    stretches(points)
        .map((s) => lineThrough(s.map((p) => [sx(p[0]), sy(p[1])])))
        .join('');
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
                <text v-if="m.said" :x="m.x + 4" y="12">{{ m.title }}</text>
            </g>
            <path
                v-for="([name, points], nth) in series"
                :key="name"
                :d="path(points)"
                :class="['trace', `no-${nth}`, { later: later(name) }]"
            />
            <text v-for="([name, points], i) in series" :key="`n${name}`" x="600" y="206" :dx="i * -190">
                {{ later(name) ? '┄' : '━' }} {{ title(name).toLowerCase() }}, last
                {{ said(points[points.length - 1]?.[1]) }}
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
