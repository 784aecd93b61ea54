<script setup lang="ts">
import { computed } from 'vue';
import type { Run } from '../../api/types';
import type { useModel } from '../../areas/run/useModel';
import CrossSection from '../../parts/CrossSection.vue';
import HeatCurve from '../../parts/HeatCurve.vue';

/** The sheet between its platens as the model has it now. */
const props = defineProps<{ run: Run; model: ReturnType<typeof useModel> }>();
const { curve, turn, at, point, heating, cooling, followed } = props.model;
const loosest = computed(() => Math.max(1, ...curve.value.map((p) => p.thickness_mm)));
</script>

<template>
    <div v-if="point && heating" class="pics">
        <figure>
            <figcaption>{{ followed ? 'Now, as measured' : 'Now, by the model' }}</figcaption>
            <CrossSection :point="point" :loosest="loosest" :cold="cooling !== null" :height="150" />
        </figure>
        <figure>
            <figcaption>Middle, face and platen</figcaption>
            <HeatCurve
                :curve="curve"
                :turn="turn"
                :target="Number(run.plan.core_target_c)"
                :demould="Number(run.plan.demould_c)"
                :at="at"
                :height="150"
                word="now"
            />
        </figure>
    </div>
</template>

<style scoped>
.pics {
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: 16px;
    margin-top: 8px;
}
figure {
    margin: 0;
    min-width: 0;
}
figcaption {
    color: var(--quiet);
    font-size: 0.95rem;
    margin-bottom: 4px;
}
@media (max-width: 1180px) {
    .pics {
        grid-template-columns: 1fr;
    }
}
</style>
