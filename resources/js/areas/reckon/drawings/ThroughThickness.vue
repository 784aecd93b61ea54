<script setup lang="ts">
import { computed, ref, useId } from 'vue';
import { heatColour } from '../../../parts/colour';
import { useWide } from '../../../parts/useWide';
import { format, shownUnit, withUnit } from '../schema';

/** A wall cut open from one face to the other: its colour is its temperature, the line over it says how warm, the scrubber when. */
const props = defineProps<{
    frames: { time_s: number; profile: { x_mm: number; c: number }[] }[];
    left: string;
    right: string;
    levels?: [string, number][];
}>();
const id = useId();
const box = ref<SVGSVGElement | null>(null);
const W = useWide(box);
const share = ref(0.5);
const last = computed(() => props.frames[props.frames.length - 1]!.time_s);
const frame = computed(() =>
    props.frames.reduce((b, f) =>
        Math.abs(f.time_s - share.value * last.value) < Math.abs(b.time_s - share.value * last.value) ? f : b,
    ),
);
const thick = computed(() => Math.max(...frame.value.profile.map((p) => p.x_mm), 1e-9));
const most = computed(() => Math.max(...props.frames.map((f) => Math.max(...f.profile.map((p) => p.x_mm)))));
const range = computed(() => {
    const all = [
        ...props.frames.flatMap((f) => f.profile.map((p) => p.c)),
        ...(props.levels ?? []).map((l) => l[1]),
    ];
    return [Math.min(...all), Math.max(...all)] as const;
});
const X = (x: number) => 56 + (x / most.value) * (W.value - 72);
const Y = (c: number) => 190 - ((c - range.value[0]) / (range.value[1] - range.value[0] || 1)) * 168;
const line = computed(() =>
    frame.value.profile
        .map((p, i) => `${i ? 'L' : 'M'}${X(p.x_mm).toFixed(1)} ${Y(p.c).toFixed(1)}`)
        .join(''),
);
const ends = computed(
    () => [frame.value.profile[0]!.c, frame.value.profile[frame.value.profile.length - 1]!.c] as const,
);
const middle = computed(
    () =>
        frame.value.profile.reduce((b, p) =>
            Math.abs(p.x_mm - thick.value / 2) < Math.abs(b.x_mm - thick.value / 2) ? p : b,
        ).c,
);
const clock = computed(() =>
    frame.value.time_s >= 600
        ? `${format(frame.value.time_s / 60)} min`
        : `${format(Math.round(frame.value.time_s * 10) / 10)} s`,
);
</script>

<template>
    <figure class="cut">
        <svg
            ref="box"
            :viewBox="`0 0 ${W} 220`"
            height="220"
            width="100%"
            role="img"
            :aria-label="`After ${clock}: ${left} ${withUnit(ends[0], '°C')}, middle ${withUnit(middle, '°C')}, ${right} ${withUnit(ends[1], '°C')}`"
        >
            <defs>
                <linearGradient :id="id" x1="0" x2="1">
                    <stop
                        v-for="(p, i) in frame.profile"
                        :key="i"
                        :offset="p.x_mm / thick"
                        :stop-color="heatColour(p.c)"
                    />
                </linearGradient>
            </defs>
            <rect x="56" y="22" :width="X(thick) - 56" height="168" :fill="`url(#${id})`" />
            <rect x="56" y="22" :width="X(thick) - 56" height="168" class="edge" />
            <g v-for="[name, c] in levels" :key="name">
                <path :d="`M56 ${Y(c)}H${X(most)}`" class="level" />
                <text x="62" :y="Y(c) - 4" class="on">{{ name }} {{ format(c, '°C') }}</text>
            </g>
            <path :d="line" class="under" />
            <path :d="line" class="over" />
            <text x="52" :y="Y(range[1]) + 9" text-anchor="end">
                {{ format(Math.round(range[1]), '°C') }}
            </text>
            <text x="52" :y="Y(range[0])" text-anchor="end">{{ format(Math.round(range[0]), '°C') }}</text>
            <text x="4" y="13">{{ shownUnit('°C') }}</text>
            <text x="56" y="208">{{ left }} {{ format(ends[0], '°C') }}</text>
            <text :x="(56 + X(thick)) / 2" y="208" text-anchor="middle">
                middle {{ format(middle, '°C') }}
            </text>
            <text :x="X(thick)" y="208" text-anchor="end">{{ right }} {{ format(ends[1], '°C') }}</text>
            <text :x="X(thick)" y="13" text-anchor="end">{{ withUnit(thick, 'mm') }}</text>
        </svg>
        <label class="scrub"
            ><span class="sr">Look at another moment</span
            ><input
                v-model.number="share"
                type="range"
                min="0"
                max="1"
                step="0.002"
                :aria-valuetext="clock"
            /><span class="mono">{{ clock }}</span></label
        >
    </figure>
</template>

<style scoped>
.cut {
    margin: 0;
}
svg {
    font-family: var(--font);
    display: block;
}
text {
    font-size: 12.5px;
    fill: var(--quiet);
    font-variant-numeric: tabular-nums;
}
.edge {
    fill: none;
    stroke: var(--ink);
    stroke-width: 1.5;
}
.level {
    stroke: #1d2326;
    stroke-dasharray: 3 4;
    opacity: 0.7;
}
.on {
    fill: #1d2326;
    paint-order: stroke;
    stroke: #fbfaf6;
    stroke-width: 4px;
}
.under {
    fill: none;
    stroke: #fbfaf6;
    stroke-width: 6;
    opacity: 0.85;
}
.over {
    fill: none;
    stroke: #1d2326;
    stroke-width: 2.4;
}
.scrub {
    display: flex;
    gap: 12px;
    align-items: center;
}
.scrub input {
    flex: 1;
    accent-color: var(--ink);
    height: 34px;
}
</style>
