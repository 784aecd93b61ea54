<script setup lang="ts">
import { computed, ref } from 'vue';
import type { components } from '../../api/schema';
import TimeStrip from '../../parts/TimeStrip.vue';
import { show } from '../../parts/units';
import { useWide } from '../../parts/useWide';

/** The barrel cut open with what a shot takes of it, and the cycle from shot to shot. */
const props = defineProps<{ plan: components['schemas']['PlanInjectionResult'] }>();
const fraction = computed(() => props.plan.shot.barrel_fraction);
const shots = computed(() => Math.max(0, Math.min(24, props.plan.shot.shots_per_fill)));
const L = 78;
const box = ref<SVGSVGElement | null>(null);
const wide = useWide(box, 300, 620);
const R = computed(() => wide.value - 82);
const taken = computed(() => (R.value - L) * Math.min(1, fraction.value));
const fill = computed(() => props.plan.settings.find((s) => s.name === 'fill_s')?.value ?? 0);
const open = computed(() => props.plan.settings.find((s) => s.name === 'open_s')?.value ?? 0);
const cycle = computed(() => {
    const cool = Math.max(props.plan.hold_s, props.plan.cool_s);
    const ends = [
        fill.value,
        fill.value + props.plan.hold_s,
        fill.value + cool,
        fill.value + cool + open.value,
    ];
    const waits = props.plan.cycle_s - ends[3]!;
    return [
        { name: 'shoot', from: 0, to: ends[0]!, kind: 'hands' as const },
        { name: 'hold', from: ends[0]!, to: ends[1]!, kind: 'hands' as const },
        { name: 'cool', from: ends[1]!, to: ends[2]!, kind: 'cold' as const },
        { name: 'open', from: ends[2]!, to: ends[3]!, kind: 'hands' as const },
        ...(waits > 1
            ? [{ name: 'melt gets ready', from: ends[3]!, to: props.plan.cycle_s, kind: 'hot' as const }]
            : []),
    ].filter((s) => s.to > s.from);
});
</script>

<template>
    <div class="drawing">
        <svg
            ref="box"
            :viewBox="`0 -4 ${wide} 130`"
            height="130"
            role="img"
            :aria-label="`The barrel holds ${shots} shots; one takes ${Math.round(100 * fraction)} % of it.`"
        >
            <path :d="`M${L} 18H${R}V34H${L}ZM${L} 82H${R}V98H${L}Z`" class="steel" />
            <path :d="`M${R} 18L${R + 36} 44V72L${R} 98Z`" class="steel" />
            <rect :x="L" y="34" :width="R - L" height="48" class="melt" />
            <rect
                :x="R - taken"
                y="34"
                :width="taken"
                height="48"
                :class="['shot', { over: fraction > 1 }]"
            />
            <path
                v-for="k in Math.max(0, shots - 1)"
                :key="k"
                :d="`M${R - (k + 1) * taken} 34V82`"
                class="mark"
            />
            <rect :x="L - 70" y="40" width="70" height="36" class="plunger" />
            <path :d="`M${R + 36} 54H${R + 74}M${R + 64} 49L${R + 76} 54L${R + 64} 59`" class="out" />
            <text :x="R - Math.max(taken / 2, 30)" y="118" text-anchor="middle">
                one shot, {{ show(plan.shot.shot_mass_g, 'mass', 1) }}
            </text>
            <text :x="L" y="10">
                holds {{ show(plan.shot.barrel_capacity_g, 'mass') }}, {{ shots }}
                {{ shots === 1 ? 'shot' : 'shots' }}
            </text>
        </svg>
        <TimeStrip
            :rows="[{ name: 'One cycle', stretches: cycle }]"
            :end="plan.cycle_s"
            :says="`A cycle of ${Math.round(plan.cycle_s)} s: ${cycle.map((s) => `${s.name} ${Math.round(s.to - s.from)} s`).join(', ')}`"
        />
    </div>
</template>

<style scoped>
.drawing {
    display: grid;
    gap: 10px;
    margin-top: 12px;
}
svg {
    width: 100%;
    max-width: 760px;
    font-size: 13px;
}
text {
    fill: var(--ink);
}
.steel {
    fill: var(--line);
    stroke: var(--ink);
}
.melt {
    fill: color-mix(in srgb, var(--ember-strong) 22%, var(--paper));
    stroke: var(--ink);
}
.shot {
    fill: color-mix(in srgb, var(--ember-strong) 65%, var(--paper));
    stroke: var(--ink);
}
.shot.over {
    fill: var(--alarm);
}
.plunger {
    fill: var(--paper);
    stroke: var(--ink);
    stroke-width: 2;
}
.mark {
    stroke: var(--ink);
    stroke-dasharray: 3 3;
}
.out {
    stroke: var(--ember-strong);
    stroke-width: 3;
    fill: none;
}
</style>
