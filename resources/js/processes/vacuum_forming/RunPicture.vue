<script setup lang="ts">
import { computed } from 'vue';
import type { Run } from '../../api/types';
import LineChart from '../../areas/reckon/drawings/LineChart.vue';
import type { ThreadState } from '../../offline/gates';

/** The sheet under the heater as the model has it, with now on it: what is wanted, and what is too much. */
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
const now = computed(() =>
    Math.min(end.value, Math.max(0, props.now - (heat.value?.started_at ?? props.now))),
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
</template>
