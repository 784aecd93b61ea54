<script setup lang="ts">
import type { components } from '../../api/schema';
import ResultDrawing from '../../areas/reckon/ResultDrawing.vue';
import { minutesText, number } from '../../parts/units';
import ValveDrawing from './ValveDrawing.vue';

/** The sheet under the heater with its earliest and latest, the pull, and the walls that come of it. */
defineProps<{ plan: components['schemas']['PlanVacuumFormingResult'] }>();
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
</style>
