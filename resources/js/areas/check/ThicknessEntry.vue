<script setup lang="ts">
import { computed, nextTick, ref } from 'vue';
import { api } from '../../api/client';
import ThicknessMap from '../../parts/ThicknessMap.vue';
import { show, shown } from '../../parts/units';
import { useLatest } from '../../parts/useSend';
import { parseQuantity } from '../../units/quantity';

/** Nine thicknesses, corner to corner, and the mass; the map and the tilt follow while the numbers come in. */
const props = defineProps<{
    nominal: number;
    tolerance: number;
    length: number;
    width: number;
    polymer: string;
}>();
const emit = defineEmits<{
    done: [values: { mass_g: number; points: { x_mm: number; y_mm: number; t_mm: number }[] }];
}>();
const EDGE = 25;
const cells = ref<string[]>(Array(9).fill(''));
const mass = ref('');
const fields = ref<HTMLInputElement[]>([]);
const at = (i: number) => ({
    x_mm: [EDGE, props.length / 2, props.length - EDGE][i % 3]!,
    y_mm: [EDGE, props.width / 2, props.width - EDGE][Math.floor(i / 3)]!,
});
const read = (text: string, dimension: 'length' | 'mass') =>
    parseQuantity(text, dimension, shown(dimension).unit).value ?? NaN;
const points = computed(() =>
    cells.value
        .map((text, i) => ({ ...at(i), t_mm: read(text, 'length') }))
        .filter((p, i) => cells.value[i] !== '' && Number.isFinite(p.t_mm) && p.t_mm > 0),
);
const massG = computed(() => read(mass.value, 'mass'));
const complete = computed(
    () => points.value.length === 9 && mass.value !== '' && Number.isFinite(massG.value) && massG.value > 0,
);
interface Grid {
    range_mm: number;
    low_corner: string;
    advice: string[];
    bow_mm: number | null;
    verdict: string;
}
const { answer, fault } = useLatest(points, (signal) =>
    points.value.length < 3
        ? null
        : api.post<Grid>(
              'calc/quality.thickness_grid',
              { points: points.value, nominal_mm: props.nominal, tolerance_mm: props.tolerance },
              signal,
          ),
);
/** Three points may yet lie in one line, which is no fault of who is still typing. */
const problem = computed(() => (fault.value !== null && points.value.length > 3 ? fault.value.message : ''));
async function next(i: number) {
    await nextTick();
    fields.value[i + 1]?.focus();
    fields.value[i + 1]?.select();
}
const NAMES = [
    '−y −x corner',
    '−y middle',
    '−y +x corner',
    '−x middle',
    'centre',
    '+x middle',
    '+y −x corner',
    '+y middle',
    '+y +x corner',
];
</script>

<template>
    <form
        class="check"
        @submit.prevent="
            complete &&
            emit('done', {
                mass_g: Math.round(massG * 10) / 10,
                points: points.map((p) => ({ ...p, t_mm: Math.round(p.t_mm * 1000) / 1000 })),
            })
        "
    >
        <div>
            <p class="quiet">{{ shown('length').unit }}, {{ show(EDGE, 'length') }} in from the edges</p>
            <div class="nine">
                <input
                    v-for="(_, i) in cells"
                    :key="i"
                    :ref="
                        (el) => {
                            if (el) fields[i] = el as HTMLInputElement;
                        }
                    "
                    v-model="cells[i]"
                    type="text"
                    :aria-label="NAMES[i]"
                    autocomplete="off"
                    data-typed="length"
                    :data-value="cells[i] ? read(cells[i]!, 'length') : ''"
                    :aria-invalid="cells[i] !== '' && Number.isNaN(read(cells[i]!, 'length'))"
                    @keydown.enter.prevent="next(i)"
                />
            </div>
            <label class="mass"
                >Mass of the sheet, {{ shown('mass').unit
                }}<input
                    :ref="
                        (el) => {
                            if (el) fields[9] = el as HTMLInputElement;
                        }
                    "
                    v-model="mass"
                    type="text"
                    autocomplete="off"
                    data-typed="mass"
                    :data-value="mass ? massG : ''"
                    :aria-invalid="mass !== '' && Number.isNaN(massG)"
            /></label>
            <v-btn type="submit" color="secondary" size="large" block :disabled="!complete"
                >Log the check</v-btn
            >
        </div>
        <div class="map">
            <ThicknessMap
                v-if="points.length === 9"
                :points="points"
                :nominal="nominal"
                :tolerance="tolerance"
                :length="length"
                :width="width"
                :low="answer?.low_corner"
            />
            <p v-else class="quiet">{{ points.length }} of 9. Enter goes to the next.</p>
            <template v-if="answer && points.length === 9"
                ><p>
                    <strong>{{ show(answer.range_mm, 'length', 2) }} range, {{ answer.verdict }}</strong>
                </p>
                <p v-for="a in answer.advice" :key="a">{{ a }}</p></template
            >
            <p v-if="problem" class="bad">{{ problem }}</p>
        </div>
    </form>
</template>

<style scoped>
.check {
    display: grid;
    grid-template-columns: 290px minmax(0, 1fr);
    gap: 18px;
    margin-top: 6px;
}
.nine {
    display: grid;
    grid-template-columns: repeat(3, 1fr);
    gap: 8px;
    margin: 4px 0 12px;
}
input {
    width: 100%;
    min-height: var(--touch);
    text-align: center;
    font: inherit;
    font-size: 1.3rem;
    font-weight: 700;
    border: 1px solid var(--line);
    border-radius: 4px;
    background: var(--paper);
    color: var(--ink);
    font-variant-numeric: tabular-nums;
}
.mass {
    display: grid;
    grid-template-columns: 1fr 130px;
    align-items: center;
    gap: 10px;
    font-weight: 650;
    margin-bottom: 12px;
}
.map p {
    margin-top: 8px;
}
.bad {
    color: var(--alarm);
}
@media (max-width: 1100px) {
    .check {
        grid-template-columns: 1fr;
    }
}
</style>
