<script setup lang="ts">
import { computed, ref } from 'vue';
import { useRouter } from 'vue-router';
import type { Chart } from '../../api/types';
import { figureText } from '../../parts/figures';
import { lineThrough, scale, ticks } from '../../parts/chart';
import { useWide } from '../../parts/useWide';
import { spanOfChart } from './chart';

/** A measured figure piece by piece: what is chance, what is not, and what it has to be. */
const props = defineProps<{ chart: Chart }>();
const router = useRouter();
const box = ref<SVGSVGElement | null>(null);
const W = useWide(box, 280, 640);
const H = 190;
const span = computed(() => spanOfChart(props.chart));
const y = computed(() => scale(span.value, [H - 14, 12]));
const x = computed(() => scale([0, Math.max(1, props.chart.points.length - 1)], [78, W.value - 16]));
const text = (value: number) => figureText({ ...props.chart.figure, value });
const line = computed(() => lineThrough(props.chart.points.map((p, i) => [x.value(i), y.value(p.value)])));
const broken = computed(() => props.chart.points.filter((p) => p.broken.length > 0));
const newest = computed(() => broken.value[broken.value.length - 1] ?? null);
</script>

<template>
    <section class="card" :aria-label="chart.figure.label">
        <h3>{{ chart.figure.label }}</h3>
        <svg
            ref="box"
            :viewBox="`0 0 ${W} ${H}`"
            :height="H"
            role="img"
            :aria-label="`${chart.figure.label} of ${chart.points.length} pieces. ${chart.says} ${chart.fits ?? ''}`"
        >
            <rect
                :x="78"
                :y="y(chart.ucl)"
                :width="W - 94"
                :height="Math.max(1, y(chart.lcl) - y(chart.ucl))"
                class="chance"
            />
            <g v-for="t in ticks(span[0], span[1], 4)" :key="t">
                <text x="72" :y="y(t) + 4" text-anchor="end">{{ text(t) }}</text>
                <path :d="`M78 ${y(t)}H${W - 16}`" class="grid" />
            </g>
            <path :d="`M78 ${y(chart.centre)}H${W - 16}`" class="centre" />
            <template v-for="(limit, i) in [chart.least, chart.most]" :key="i">
                <g v-if="limit !== null">
                    <path :d="`M78 ${y(limit)}H${W - 16}`" class="limit" />
                    <text :x="W - 18" :y="y(limit) - 4" text-anchor="end" class="limit-name">
                        {{ i === 0 ? 'least' : 'most' }} {{ text(limit) }}
                    </text>
                </g>
            </template>
            <path :d="line" class="line" />
            <g
                v-for="(p, i) in chart.points"
                :key="i"
                class="point"
                :transform="`translate(${x(i)} ${y(p.value)})`"
                @click="router.push(`/learn/${p.run_id}`)"
            >
                <title>
                    run {{ p.run_number }}{{ p.piece ? `, piece ${p.piece}` : '' }}: {{ text(p.value)
                    }}{{ p.broken.length ? `; ${p.broken.join(', ')}` : '' }}
                </title>
                <circle v-if="p.broken.length === 0" r="3.5" class="fine" />
                <path v-else d="M0-7L7 5H-7Z" class="out" />
            </g>
        </svg>
        <p>
            {{ chart.says }} {{ chart.fits }}
            <template v-if="newest"
                >The newest,
                <router-link :to="`/learn/${newest.run_id}`">run {{ newest.run_number }}</router-link
                >: {{ newest.broken.join(', ') }}.</template
            >
        </p>
    </section>
</template>

<style scoped>
svg {
    width: 100%;
}
h3 {
    font-size: 1rem;
}
p {
    margin: 4px 0 0;
}
.chance {
    fill: var(--still);
}
.grid {
    stroke: var(--line);
}
.centre {
    stroke: var(--quiet);
    stroke-dasharray: 5 4;
}
.limit {
    stroke: var(--alarm);
    stroke-width: 1.6;
}
.limit-name {
    fill: var(--alarm);
}
.line {
    stroke: var(--slate);
    fill: none;
    opacity: 0.55;
}
.fine {
    fill: var(--slate);
}
.out {
    fill: var(--alarm);
}
.point {
    cursor: pointer;
}
text {
    font-size: 12px;
    fill: var(--quiet);
}
</style>
