<script setup lang="ts">
import { computed, ref } from 'vue';
import type { CurvePoint } from '../../../api/types';
import CrossSection from '../../../parts/CrossSection.vue';
import HeatCurve from '../../../parts/HeatCurve.vue';
import { clockText } from '../../../parts/units';

/** A pressed sheet through its thickness, at any moment of its cycle. */
const props = defineProps<{
    cycle: {
        curve: CurvePoint[];
        heat_min: number;
        soak_min: number;
        core_target_c: number;
        demould_c: number;
    };
}>();
const share = ref(0.25);
const press = computed(() => props.cycle.curve);
const turn = computed(() => 60 * (props.cycle.heat_min + props.cycle.soak_min));
const at = computed(() => share.value * (press.value[press.value.length - 1]?.time_s ?? 1));
const point = computed(() =>
    press.value.reduce((b, p) => (Math.abs(p.time_s - at.value) < Math.abs(b.time_s - at.value) ? p : b)),
);
</script>

<template>
    <div class="pics">
        <CrossSection
            :point="point"
            :loosest="Math.max(...press.map((p) => p.thickness_mm))"
            :cold="at > turn"
            :height="170"
        />
        <HeatCurve
            :curve="press"
            :turn="turn"
            :target="cycle.core_target_c"
            :demould="cycle.demould_c"
            :at="at"
            :height="190"
        />
        <label class="scrub"
            ><span class="sr">Look at another moment</span
            ><input
                v-model.number="share"
                type="range"
                min="0"
                max="1"
                step="0.002"
                :aria-valuetext="clockText(at)"
            /><span class="mono">{{ clockText(at) }}</span></label
        >
    </div>
</template>

<style scoped>
.pics {
    display: grid;
    grid-template-columns: minmax(0, 1fr);
    gap: 10px;
}
.scrub {
    display: flex;
    gap: 12px;
    align-items: center;
}
.scrub input {
    flex: 1;
    accent-color: var(--ink);
    height: 30px;
}
</style>
