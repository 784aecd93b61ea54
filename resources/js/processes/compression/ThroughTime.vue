<script setup lang="ts">
import { computed, ref } from 'vue';
import type { PressPlan } from '../../api/types';
import CrossSection from '../../parts/CrossSection.vue';
import HeatCurve from '../../parts/HeatCurve.vue';
import { clockText } from '../../parts/units';

/** The sheet through its thickness at any moment of the plan. */
const props = defineProps<{ plan: PressPlan }>();
const curve = computed(() => props.plan.plan.cycle.curve);
const turn = computed(() => 60 * (props.plan.plan.cycle.heat_min + props.plan.plan.cycle.soak_min));
const end = computed(() => curve.value[curve.value.length - 1]?.time_s ?? 1);
const share = ref(0.22);
const at = computed(() => share.value * end.value);
const point = computed(() =>
    curve.value.reduce(
        (best, p) => (Math.abs(p.time_s - at.value) < Math.abs(best.time_s - at.value) ? p : best),
        curve.value[0]!,
    ),
);
const loosest = computed(() => Math.max(...curve.value.map((p) => p.thickness_mm)));
</script>

<template>
    <section class="card" aria-labelledby="through">
        <h2 id="through">Through the thickness</h2>
        <div class="pics">
            <CrossSection v-if="point" :point="point" :loosest="loosest" :cold="at > turn" :height="190" />
            <HeatCurve
                :curve="curve"
                :turn="turn"
                :target="plan.plan.cycle.core_target_c"
                :demould="plan.plan.cycle.demould_c"
                :at="at"
                :height="190"
            />
        </div>
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
        <p>{{ plan.plan.explanation }}</p>
        <p class="quiet">{{ plan.plan.cycle.explanation }}</p>
        <p v-for="w in [...plan.plan.cycle.warnings, ...plan.plan.sheet.warnings]" :key="w" class="warn">
            <span aria-hidden="true">▲</span> {{ w }}
        </p>
    </section>
</template>
