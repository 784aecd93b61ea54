<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query';
import { useDebounce } from '@vueuse/core';
import { computed, ref } from 'vue';
import { api } from '../../api/client';
import { minutesText, timeOfDay } from '../../parts/units';
import { byKind, type Points } from './trace';
import TraceChart from './TraceChart.vue';
import { CLOSER, useTraceView } from './useTraceView';

/** What instruments read over a run. A stretch of it is moved by dragging, drawn closer, and then read finer. */
const props = defineProps<{
    run: string;
    marks: { key: string; at: number; title: string }[];
    later: (channel: string) => boolean;
}>();
/** a stretch that is still being moved is not asked for, ms */
const SETTLES_MS = 250;
/** of what is shown, by a key */
const STEP = 0.2;
type Readings = Record<string, Points>;
const { data: whole } = useQuery({
    queryKey: ['readings', props.run],
    queryFn: () => api.get<Readings>(`runs/${props.run}/readings`),
    // Nobody watches the inside of a hundred thousand points.
    shallow: true,
});
const drawable = (of: Readings | undefined) =>
    Object.entries(of ?? {}).filter(([, points]) => points.length > 1);
const all = computed(() => drawable(whole.value));
const span = computed(() => ({
    from: Math.min(...all.value.map(([, points]) => points[0]![0])),
    to: Math.max(...all.value.map(([, points]) => points.at(-1)![0])),
}));
const { chosen, shown, pan, zoom, reset } = useTraceView(span);
const settled = useDebounce(chosen, SETTLES_MS);
const { data: finer } = useQuery({
    queryKey: computed(() => ['readings', props.run, settled.value]),
    queryFn: () =>
        api.get<Readings>(
            `runs/${props.run}/readings?from=${settled.value!.from - settledWide()}&to=${settled.value!.to + settledWide()}`,
        ),
    enabled: computed(() => settled.value !== null),
    placeholderData: (before: Readings | undefined) => before,
    shallow: true,
});
/** As much again on either side is there already when it is moved. */
const settledWide = () => settled.value!.to - settled.value!.from;
/** The finer points where they are, the others around them. */
const series = computed(() =>
    all.value.map(([name, points]): [string, Points] => {
        const near = settled.value === null ? [] : (finer.value?.[name] ?? []);
        if (near.length < 2) return [name, points];
        const [from, to] = [near[0]![0], near.at(-1)![0]];
        return [name, [...points.filter((p) => p[0] < from), ...near, ...points.filter((p) => p[0] > to)]];
    }),
);
const charts = computed(() => byKind(series.value));

const board = ref<HTMLElement | null>(null);
let held: { x: number; pointer: number } | null = null;
const seconds = (px: number) => (px / (board.value?.clientWidth ?? 1)) * (shown.value.to - shown.value.from);
function grab(event: PointerEvent) {
    if (chosen.value === null) return;
    held = { x: event.clientX, pointer: event.pointerId };
    board.value?.setPointerCapture(event.pointerId);
}
function move(event: PointerEvent) {
    if (held?.pointer !== event.pointerId) return;
    pan(-seconds(event.clientX - held.x));
    held.x = event.clientX;
}
const drop = () => (held = null);
function wheel(event: WheelEvent) {
    // Without a key held the page scrolls, as everywhere.
    if (!event.ctrlKey && !event.metaKey) return;
    event.preventDefault();
    const box = board.value!.getBoundingClientRect();
    zoom(event.deltaY < 0 ? CLOSER : 1 / CLOSER, (event.clientX - box.left) / box.width);
}
const KEYS: Record<string, () => void> = {
    ArrowLeft: () => pan(-STEP * (shown.value.to - shown.value.from)),
    ArrowRight: () => pan(STEP * (shown.value.to - shown.value.from)),
    '+': () => zoom(CLOSER),
    '-': () => zoom(1 / CLOSER),
    '0': reset,
};
function key(event: KeyboardEvent) {
    const act = KEYS[event.key];
    if (!act || event.ctrlKey || event.metaKey || event.altKey) return;
    event.preventDefault();
    act();
}
</script>

<template>
    <section v-if="all.length > 0" class="card" aria-labelledby="measured">
        <div class="head">
            <h2 id="measured">Measured</h2>
            <div class="acts no-print">
                <v-btn variant="outlined" @click="zoom(CLOSER)">Closer</v-btn>
                <v-btn variant="outlined" :disabled="chosen === null" @click="zoom(1 / CLOSER)">Wider</v-btn>
                <v-btn variant="outlined" :disabled="chosen === null" @click="reset">Whole run</v-btn>
            </div>
        </div>
        <p class="quiet" role="status">
            {{
                chosen === null
                    ? 'The whole run.'
                    : `${timeOfDay(shown.from)} to ${timeOfDay(shown.to)}, ${minutesText((shown.to - shown.from) / 60)}. Drag it to look beside.`
            }}
        </p>
        <div
            ref="board"
            :class="['board', { close: chosen !== null }]"
            tabindex="0"
            role="group"
            aria-label="What was measured: plus and minus draw it closer and wider, arrows move it"
            @keydown="key"
            @wheel="wheel"
            @pointerdown="grab"
            @pointermove="move"
            @pointerup="drop"
            @pointercancel="drop"
        >
            <TraceChart
                v-for="c in charts"
                :key="c.kind.title"
                :kind="c.kind"
                :series="c.series"
                :marks="marks"
                :from="shown.from"
                :to="shown.to"
                :later="later"
            />
        </div>
    </section>
</template>

<style scoped>
.head {
    display: flex;
    flex-wrap: wrap;
    gap: 10px;
    justify-content: space-between;
}
.acts {
    display: flex;
    flex-wrap: wrap;
    gap: 8px;
}
.board.close {
    cursor: grab;
    touch-action: pan-y;
}
</style>
