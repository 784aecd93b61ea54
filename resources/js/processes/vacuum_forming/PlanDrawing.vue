<script setup lang="ts">
import type { components } from '../../api/schema';
import ResultDrawing from '../../areas/reckon/ResultDrawing.vue';

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
