<script setup lang="ts">
import { computed } from 'vue';
import type { components } from '../../api/schema';
import { lineThrough, ticks } from '../../parts/chart';
import { minutesText } from '../../parts/units';

/** What a strip on its rack is worth as it gets older: the soak of a barrel that is fed with it, against a cold one. */
const props = defineProps<{ strips: components['schemas']['HeatStripFeedResult'] }>();
const [W, H, LEFT, BOTTOM, EDGE] = [520, 170, 44, 26, 8];
const lastMin = computed(() => Math.max(1, (props.strips.keeps_s ?? 0) / 60));
const mostMin = computed(() => props.strips.soak_cold_min * 1.05);
const x = (minutes: number) => LEFT + (minutes / lastMin.value) * (W - EDGE - LEFT);
const y = (minutes: number) => H - BOTTOM - (minutes / mostMin.value) * (H - BOTTOM - EDGE);
const path = computed(() => lineThrough(props.strips.ages.map((a) => [x(a.age_s / 60), y(a.soak_min)])));
const says = computed(
    () =>
        `Fed at once a full barrel soaks ${minutesText(props.strips.ages[0]?.soak_min ?? 0)}, cold it soaks ` +
        `${minutesText(props.strips.soak_cold_min)}; after ${minutesText((props.strips.keeps_s ?? 0) / 60)} on the rack ` +
        'a strip gains nothing any more',
);
</script>

<template>
    <figure>
        <svg :viewBox="`0 0 ${W} ${H}`" role="img" :aria-label="says">
            <line
                :x1="LEFT"
                :x2="W - 8"
                :y1="y(strips.soak_cold_min)"
                :y2="y(strips.soak_cold_min)"
                class="cold"
            />
            <text :x="LEFT + 6" :y="y(strips.soak_cold_min) + 16">fed cold</text>
            <path :d="path" class="hot" />
            <text v-for="t in ticks(0, lastMin)" :key="t" :x="x(t)" :y="H - 8" text-anchor="middle">
                {{ t }}
            </text>
            <g v-for="t in ticks(0, mostMin)" :key="`y${t}`">
                <line :x1="LEFT" :x2="W - 8" :y1="y(t)" :y2="y(t)" class="grid" />
                <text :x="LEFT - 6" :y="y(t) + 4" text-anchor="end">{{ t }}</text>
            </g>
        </svg>
        <figcaption class="quiet">
            {{ says }}. Minutes on the rack to the right, minutes of soak upward.
        </figcaption>
    </figure>
</template>

<style scoped>
figure {
    margin: 0;
}
svg {
    width: 100%;
    max-height: 200px;
}
text {
    font-size: 13px;
    fill: var(--quiet);
}
.grid {
    stroke: var(--line);
}
.cold {
    stroke: var(--slate);
    stroke-width: 2;
    stroke-dasharray: 6 5;
}
.hot {
    fill: none;
    stroke: var(--ember);
    stroke-width: 3;
}
</style>
