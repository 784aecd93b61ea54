<script setup lang="ts">
import { computed } from 'vue';
import type { Run } from '../../api/types';
import LineChart from '../../areas/reckon/drawings/LineChart.vue';
import type { ThreadState } from '../../offline/gates';
import { clockText, minutesText, number } from '../../parts/units';
import ValveDrawing from './ValveDrawing.vue';

/**
 * The sheet under the heater as the model has it, with now on it: what is wanted, and what is too much; when the pump of the
 * tank goes on; and how the valves stand at this step.
 */
const props = defineProps<{ run: Run; thread: ThreadState; now: number }>();
interface Sheet {
    curve: { time_s: number; hottest_c: number; mean_c: number; coldest_c: number }[];
    ready_s: number | null;
    limit_s: number | null;
    sheet_lower_c: number;
    sheet_normal_c: number;
    sheet_upper_c: number;
}
const sheet = computed(() => (props.run.setup.sheet ?? null) as Sheet | null);
const heat = computed(() => props.thread.timers.find((t) => t.id === 'heat' && t.answered_at === null));
const end = computed(() => sheet.value?.curve.at(-1)?.time_s ?? 0);
/** s of heat that looks have cost, or that it was given more: so far behind the plan it is */
const behind = computed(() => 60 * ((heat.value?.minutes ?? 0) - Number(props.run.plan.heat_min ?? 0)));
const now = computed(() =>
    Math.min(end.value, Math.max(0, props.now - (heat.value?.started_at ?? props.now) - behind.value)),
);
const NAMES = [
    ['hottest_c', 'Hottest'],
    ['mean_c', 'Mean'],
    ['coldest_c', 'Coldest'],
] as const;
const sets = computed(() =>
    NAMES.map(([key, name]) => ({
        name,
        xy: (sheet.value?.curve ?? []).map((p) => [p.time_s, p[key]] as const),
    })),
);
const levels = computed((): [string, number][] =>
    sheet.value
        ? [
              ['too hot', sheet.value.sheet_upper_c],
              ['too cold', sheet.value.sheet_lower_c],
          ]
        : [],
);
const span = computed(() => {
    const { ready_s: from, limit_s: to } = sheet.value ?? {};
    return from == null ? null : { name: 'go', from, to: Math.min(to ?? end.value, end.value) };
});
const valves = computed(() =>
    (
        (props.run.setup.valves ?? []) as { step: string; when: string; open: string[]; shut: string[] }[]
    ).filter((v) => v.step === props.thread.step),
);
const tank = computed(
    () => (props.run.setup.tank ?? null) as { start_s: number; fill_s: number; gauge_pct: number } | null,
);
/** s until its pump goes on; null where it fills by itself, or no sheet is under the heater */
const pumpIn = computed(() =>
    tank.value && heat.value
        ? heat.value.started_at + tank.value.start_s + Math.max(0, behind.value) - props.now
        : null,
);
</script>

<template>
    <LineChart
        v-if="heat && sheet && sheet.curve.length > 1"
        along="time"
        along-unit="s"
        up="sheet"
        up-unit="°C"
        :sets="sets"
        :levels="levels"
        :moments="[['now', now]]"
        :span="span"
        :height="150"
    />
    <p v-if="tank && pumpIn !== null" class="pump">
        <strong>{{ pumpIn > 0.5 ? `Pump on in ${clockText(pumpIn)}` : 'Pump on' }}</strong>
        {{ minutesText(tank.fill_s / 60) }} to fill the tank: full at {{ number(tank.gauge_pct, 0) }} % of
        what the air here allows, as the sheet is hot.
    </p>
    <div v-if="valves.length > 0" class="stand">
        <ValveDrawing v-for="v in valves" :key="v.when" :when="v.when" :open="v.open" :shut="v.shut" />
    </div>
</template>

<style scoped>
.pump {
    margin-top: 8px;
}
.stand {
    display: grid;
    grid-template-columns: repeat(auto-fit, minmax(240px, 1fr));
    gap: 4px 16px;
}
</style>
