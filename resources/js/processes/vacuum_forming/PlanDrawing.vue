<script setup lang="ts">
import { computed } from 'vue';
import type { components } from '../../api/schema';
import ResultDrawing from '../../areas/reckon/ResultDrawing.vue';
import { minutesText, number } from '../../parts/units';
import ValveDrawing from './ValveDrawing.vue';

/** The sheet under the heater with its earliest and latest, the pull, and the walls that come of it. */
const props = defineProps<{ plan: components['schemas']['PlanVacuumFormingResult'] }>();

/** where each part stands on the blank, mm */
const bed = computed(() => {
    const { bed: layout, targets, blank_length_mm, blank_width_mm } = props.plan;
    if (!layout) return [];
    const { along, across, length_mm, width_mm } = layout;
    const set = Object.fromEntries(props.plan.settings.map((s) => [s.name, s.value]));
    const [width, height] = [
        set.base_diameter_mm ?? set.length_mm ?? 0,
        set.base_diameter_mm ?? set.width_mm ?? 0,
    ];
    const step = (of: number, part: number, many: number) => (many > 1 ? (of - part) / (many - 1) : 0);
    return Array.from({ length: Number(targets.parts_per_piece ?? 1) }, (_, i) => ({
        x: (blank_length_mm - length_mm) / 2 + (i % along) * step(length_mm, width, along),
        y: (blank_width_mm - width_mm) / 2 + Math.floor(i / along) * step(width_mm, height, across),
        width,
        height,
        rx: set.base_diameter_mm ? width / 2 : 0,
    }));
});
</script>

<template>
    <div class="pictures">
        <figure v-if="plan.sheet">
            <figcaption>The sheet under the heater</figcaption>
            <ResultDrawing name="heat.vacuum_sheet" :input="{}" :result="plan.sheet" />
        </figure>
        <figure>
            <figcaption>Its wall, from the rim down</figcaption>
            <ResultDrawing name="forming.wall" :input="{}" :result="plan.wall" />
        </figure>
        <figure v-if="bed.length > 1">
            <figcaption>The blank, with {{ bed.length }} on one bed</figcaption>
            <svg
                :viewBox="`-4 -4 ${plan.blank_length_mm + 8} ${plan.blank_width_mm + 8}`"
                class="bed"
                role="img"
                :aria-label="`${bed.length} parts on a blank of ${number(plan.blank_length_mm, 0)} by ${number(plan.blank_width_mm, 0)} mm`"
            >
                <rect :width="plan.blank_length_mm" :height="plan.blank_width_mm" class="blank" />
                <rect v-for="(at, i) in bed" :key="i" v-bind="at" class="part" />
            </svg>
        </figure>
        <figure v-if="plan.pull.length > 1">
            <figcaption>The pull</figcaption>
            <ResultDrawing
                name="vacuum.two_stage"
                :input="{ form_within_s: plan.sheet?.form_within_s }"
                :result="{ curve: plan.pull, seconds_to_target: plan.pull_s }"
            />
        </figure>
    </div>
    <details v-if="plan.valves.length > 0" class="mt-3">
        <summary>Valves, in their order</summary>
        <p v-if="plan.tank" class="quiet">
            {{
                plan.tank.start_s >= 0
                    ? `Pump on ${minutesText(plan.tank.start_s / 60)} after the sheet goes under the heater`
                    : `Pump on ${minutesText(-plan.tank.start_s / 60)} before the sheet goes under the heater`
            }}: full at {{ number(plan.tank.gauge_pct, 0) }} % on the gauge of what the air here allows, just
            as it is wanted.
        </p>
        <div class="pictures">
            <ValveDrawing
                v-for="v in plan.valves"
                :key="v.when"
                :when="v.when"
                :open="v.open"
                :shut="v.shut"
            />
        </div>
    </details>
</template>

<style scoped>
.pictures {
    display: grid;
    grid-template-columns: repeat(auto-fit, minmax(280px, 1fr));
    gap: 14px;
    margin-top: 12px;
}
figure {
    margin: 0;
    min-width: 0;
}
figcaption {
    font-weight: 650;
    margin-bottom: 4px;
}
.bed {
    width: 100%;
    max-height: 220px;
}
.blank {
    fill: var(--paper);
    stroke: var(--ink);
    vector-effect: non-scaling-stroke;
}
.part {
    fill: var(--line);
    stroke: var(--cold, var(--ink));
    vector-effect: non-scaling-stroke;
}
</style>
