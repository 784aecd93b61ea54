<script setup lang="ts">
import { computed } from 'vue';
import ThicknessMap from '../../parts/ThicknessMap.vue';
import { number, show } from '../../parts/units';

const props = defineProps<{ inspection: Record<string, unknown>; plan: Record<string, number | null> }>();
interface Kept {
    grid: {
        mean: number;
        range_mm: number;
        verdict: string;
        slope_mm_per_m: { x: number; y: number };
        bow_mm: number | null;
        low_corner: string;
        advice: string[];
        explanation: string;
    };
    porosity: { porosity_pct: number; verdict: string; explanation: string; apparent_density: number };
    points: { x_mm: number; y_mm: number; t_mm: number }[];
    mass_g: number;
}
const kept = computed(() => props.inspection as unknown as Kept);
</script>

<template>
    <p v-if="!('grid' in inspection)" class="said">
        <strong>{{ inspection.verdict }}</strong> {{ inspection.says }}
    </p>
    <div v-else class="result">
        <ThicknessMap
            :points="kept.points"
            :nominal="Number(plan.nominal_mm)"
            :tolerance="Number(plan.thickness_tolerance_mm)"
            :length="Number(plan.length_mm)"
            :width="Number(plan.width_mm)"
            :low="kept.grid.low_corner"
        />
        <dl>
            <div>
                <dt>Range</dt>
                <dd>
                    {{ show(kept.grid.range_mm, 'length', 2) }}
                    <span :class="['tag', kept.grid.verdict === 'ok' ? 'good' : 'bad']">{{
                        kept.grid.verdict
                    }}</span>
                </dd>
            </div>
            <div>
                <dt>Mean</dt>
                <dd>{{ show(kept.grid.mean, 'length', 2) }}</dd>
            </div>
            <div>
                <dt>Tilt x, y</dt>
                <dd>
                    {{ number(kept.grid.slope_mm_per_m.x, 2) }},
                    {{ number(kept.grid.slope_mm_per_m.y, 2) }} mm/m
                </dd>
            </div>
            <div>
                <dt>Bow</dt>
                <dd>{{ kept.grid.bow_mm === null ? '–' : show(kept.grid.bow_mm, 'length', 2) }}</dd>
            </div>
            <div>
                <dt>Mass</dt>
                <dd>{{ show(kept.mass_g, 'mass') }}</dd>
            </div>
            <div>
                <dt>Voids</dt>
                <dd>
                    {{ number(kept.porosity.porosity_pct, 1) }} %
                    <span :class="['tag', kept.porosity.verdict === 'sound' ? 'good' : 'bad']">{{
                        kept.porosity.verdict.replaceAll('_', ' ')
                    }}</span>
                </dd>
            </div>
        </dl>
        <p v-for="a in kept.grid.advice" :key="a" class="advice">{{ a }}</p>
        <p class="quiet advice">{{ kept.porosity.explanation }}</p>
    </div>
</template>

<style scoped>
.said strong {
    margin-right: 8px;
    text-transform: capitalize;
}
.result {
    display: grid;
    grid-template-columns: minmax(240px, 380px) minmax(230px, 1fr);
    gap: 8px 22px;
    margin-top: 12px;
}
dl {
    margin: 0;
}
dl div {
    display: flex;
    justify-content: space-between;
    border-bottom: 1px solid var(--line);
    padding: 6px 0;
}
dt {
    color: var(--quiet);
}
dd {
    margin: 0;
    font-weight: 700;
    font-variant-numeric: tabular-nums;
}
.advice {
    grid-column: 1 / -1;
}
@media (max-width: 900px) {
    .result {
        grid-template-columns: 1fr;
    }
}
</style>
