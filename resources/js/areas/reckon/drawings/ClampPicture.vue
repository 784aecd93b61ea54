<script setup lang="ts">
import { computed } from 'vue';
import { withUnit } from '../schema';

/** Melt pushes the halves apart, bolts hold them: how many share it, and how near each is to its proof load. */
const props = defineProps<{
    force: number;
    bolts: number | null;
    each: number | null;
    proof: number | null;
}>();
const drawn = computed(() => Math.min(8, props.bolts ?? 0));
const share = computed(() => (props.each !== null && props.proof !== null ? props.each / props.proof : null));
const x = (i: number) => 90 + (drawn.value === 1 ? 150 : (i * 300) / (drawn.value - 1));
</script>

<template>
    <svg
        viewBox="50 14 590 212"
        class="clamp"
        role="img"
        :aria-label="`${withUnit(force, 'kN')} push the mould open${each === null ? '' : `, ${withUnit(each, 'kN')} on each of ${bolts} bolts`}${share === null ? '' : `, ${Math.round(100 * share)} % of what a bolt stands`}`"
    >
        <rect x="60" y="40" width="360" height="56" class="half" />
        <rect x="60" y="126" width="360" height="56" class="half" />
        <path d="M120 96h240v30H120z" class="melt" />
        <g v-for="k in 5" :key="k">
            <path :d="`M${120 + 40 * k} 104v-22m-5 7l5-8 5 8`" class="push" />
            <path :d="`M${120 + 40 * k} 118v22m-5-7l5 8 5-8`" class="push" />
        </g>
        <g v-for="i in drawn" :key="i">
            <rect
                :x="x(i - 1) - 5"
                y="26"
                width="10"
                height="170"
                :class="['bolt', { weak: share !== null && share > 1 }]"
            />
            <rect :x="x(i - 1) - 11" y="24" width="22" height="16" class="nut" />
            <rect :x="x(i - 1) - 11" y="182" width="22" height="16" class="nut" />
        </g>
        <text x="240" y="216" text-anchor="middle">
            {{ withUnit(force, 'kN') }} hold it shut
            <template v-if="bolts && bolts > drawn">, {{ bolts }} bolts</template>
        </text>
        <g v-if="share !== null">
            <rect x="470" y="24" width="34" height="174" class="track" />
            <rect
                x="470"
                :y="198 - 174 * Math.min(1, share)"
                width="34"
                :height="174 * Math.min(1, share)"
                :class="['load', { weak: share > 1 }]"
            />
            <path d="M464 24h46" class="proof" />
            <text x="514" y="30">proof {{ withUnit(proof ?? 0, 'kN') }}</text>
            <text x="514" :y="Math.max(58, 202 - 174 * Math.min(1, share))" class="big">
                {{ Math.round(100 * share) }} %
            </text>
            <text x="487" y="216" text-anchor="middle">each bolt</text>
        </g>
    </svg>
</template>

<style scoped>
.clamp {
    width: 100%;
    max-height: 280px;
    font-family: var(--font);
    display: block;
}
text {
    font-size: 19px;
    fill: var(--quiet);
    font-variant-numeric: tabular-nums;
}
.big {
    font-weight: 700;
    font-size: 24px;
    fill: var(--ink);
}
.half {
    fill: var(--still);
    stroke: var(--ink);
    stroke-width: 1.5;
}
.melt {
    fill: var(--ember-strong);
}
.push {
    stroke: var(--ember-ink);
    stroke-width: 2;
    fill: none;
}
.bolt {
    fill: var(--slate);
}
.nut {
    fill: var(--ink);
}
.bolt.weak,
.load.weak {
    fill: var(--alarm);
}
.track {
    fill: var(--still);
}
.load {
    fill: var(--slate);
}
.proof {
    stroke: var(--ink);
    stroke-width: 2;
}
</style>
