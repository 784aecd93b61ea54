<script setup lang="ts">
import { computed, ref } from 'vue';
import type { DayPlan } from '../../../api/types';
import { ticks } from '../../../parts/chart';
import { useWide } from '../../../parts/useWide';

/** A plan as lanes: every station with its tasks, every person with when their hands are wanted. */
const props = defineProps<Pick<DayPlan, 'tasks' | 'hands'> & { now: number }>();

const NAME = 92;
const box = ref<SVGSVGElement | null>(null);
const wide = useWide(box, 280, 400);
const LANE = 26;
const TOP = 22;
const end = computed(() => Math.max(props.now + 1, ...props.tasks.map((t) => t.end)));
const x = (minute: number) =>
    NAME + ((minute - props.now) / (end.value - props.now)) * (wide.value - NAME - 8);
const unique = (names: string[]) => [...new Set(names)];
const jobs = computed(() => unique(props.tasks.map((t) => t.job)));
const lanes = computed(() => [
    ...unique(props.tasks.map((t) => t.station)).map((station) => ({
        name: station,
        hands: false,
        bars: props.tasks
            .filter((t) => t.station === station)
            .map((t) => ({
                from: t.start,
                to: t.end,
                says: `${t.job} ${t.piece}, ${t.task}`,
                word: `${t.piece}`,
                job: jobs.value.indexOf(t.job),
            })),
    })),
    ...unique(props.hands.map((h) => h.person)).map((person) => ({
        name: person,
        hands: true,
        bars: props.hands
            .filter((h) => h.person === person)
            .map((h) => ({ from: h.from, to: h.to, says: h.what, word: '', job: -1 })),
    })),
]);
const tall = computed(() => TOP + lanes.value.length * LANE + 6);
/** told apart by shade and by pattern of the edge, not by hue alone */
const SHADES = ['var(--ember-strong)', 'var(--slate)', 'var(--ink)', '#877c6b', '#5f7350', '#8a5a83'];
const shade = (job: number) => (job < 0 ? 'var(--quiet)' : SHADES[job % SHADES.length]);
const dashed = (job: number) => (job >= SHADES.length ? '4 3' : undefined);
const label = computed(
    () =>
        `${props.tasks.length} tasks on ${unique(props.tasks.map((t) => t.station)).join(', ')}; ` +
        `hands of ${unique(props.hands.map((h) => h.person)).join(', ') || 'nobody'}`,
);
</script>

<template>
    <figure>
        <svg ref="box" :viewBox="`0 0 ${wide} ${tall}`" :height="tall" role="img" :aria-label="label">
            <g v-for="t in ticks(now, end, 5)" :key="t">
                <line :x1="x(t)" :x2="x(t)" :y1="TOP - 4" :y2="tall" class="tick" />
                <text :x="x(t)" y="12" class="when" text-anchor="middle">{{ t }}</text>
            </g>
            <g v-for="(lane, i) in lanes" :key="lane.name" :transform="`translate(0 ${TOP + i * LANE})`">
                <text x="0" :y="LANE / 2 + 5" :class="{ hands: lane.hands }">{{ lane.name }}</text>
                <g v-for="b in lane.bars" :key="`${b.from} ${b.says}`">
                    <title>{{ b.says }}, {{ b.from }} to {{ b.to }}</title>
                    <rect
                        :x="x(b.from)"
                        :y="lane.hands ? 8 : 3"
                        :width="Math.max(1.5, x(b.to) - x(b.from) - 1)"
                        :height="lane.hands ? LANE - 16 : LANE - 6"
                        :fill="shade(b.job)"
                        :stroke-dasharray="dashed(b.job)"
                        stroke="var(--paper)"
                    />
                    <text
                        v-if="b.word && x(b.to) - x(b.from) > 11"
                        :x="(x(b.from) + x(b.to)) / 2"
                        :y="LANE / 2 + 5"
                        text-anchor="middle"
                        class="in"
                    >
                        {{ b.word }}
                    </text>
                </g>
            </g>
        </svg>
        <figcaption>
            <span v-for="(job, i) in jobs" :key="job" class="job"
                ><i :style="{ background: shade(i) }" aria-hidden="true" />{{ job }}</span
            >
            <span class="job"><i :style="{ background: shade(-1) }" aria-hidden="true" />hands</span>
        </figcaption>
    </figure>
</template>

<style scoped>
svg {
    width: 100%;
    height: auto;
}
text {
    font-size: 12px;
    fill: var(--ink);
}
.when {
    font-size: 11px;
    fill: var(--quiet);
}
.hands {
    fill: var(--quiet);
}
.in {
    fill: var(--paper);
    font-weight: 700;
}
.tick {
    stroke: var(--line);
}
.job {
    display: inline-flex;
    align-items: center;
    gap: 6px;
    margin-right: 16px;
}
i {
    width: 14px;
    height: 14px;
    display: inline-block;
}
</style>
