<script setup lang="ts">
import { computed, ref } from 'vue';
import type { Day, DayLane, Standstill } from '../../api/types';
import { timeOfDay } from '../../parts/units';
import { barIn, draggedTo, placeIn, windowOf } from './day';

/** The day as lanes: what was is solid, what comes is hatched. A job that comes is dragged to where it should begin. */
const props = defineProps<{ day: Day; now: number; chosen: string | null }>();
const emit = defineEmits<{
    choose: [job: string];
    pin: [job: string, at: number];
    person: [id: number];
    machine: [id: number];
}>();
/** the same as long as it is: nothing is laid out anew because a second went by */
const span = computed((before?: { from: number; to: number }) => {
    const next = windowOf(props.now, props.day.from);
    return before?.from === next.from && before.to === next.to ? before : next;
});
const hours = computed(() => {
    const first = Math.ceil(span.value.from / 3600) * 3600;
    return Array.from({ length: 11 }, (_, i) => first + i * 3600).filter((t) => t <= span.value.to);
});
const at = (moment: number) => `${100 * placeIn(span.value, moment)}%`;
/** What of a lane is in the window, where it lies and what it says: worked out once, not at every move of a finger. */
const barsOf = (lane: DayLane) =>
    lane.bars.flatMap((bar, key) => {
        const place = barIn(span.value, bar);
        if (place === null) return [];
        const says = `${bar.says}, ${timeOfDay(bar.from)} to ${timeOfDay(bar.to)}`;
        return [
            {
                bar,
                key,
                says,
                wide: place.width > 4,
                at: { left: `${place.left}%`, width: `${place.width}%` },
            },
        ];
    });
const lanes = computed(() => [
    ...props.day.lanes.map((lane) => {
        const stands = props.day.standstills.find((s) => s.machine_id === lane.id) ?? null;
        return { lane, bars: barsOf(lane), hands: false, stands, still: stands && barIn(span.value, stands) };
    }),
    ...props.day.hands.map((lane) => ({ lane, bars: barsOf(lane), hands: true, stands: null, still: null })),
]);
const under = (lane: DayLane, stands: Standstill | null) => {
    if (stands) return `stands ${timeOfDay(stands.from)} to ${timeOfDay(stands.to)}`;
    if (lane.here_from === null || lane.here_to === null) return lane.kind.replaceAll('_', ' ');
    return lane.here_to <= lane.here_from ? 'not here today' : `until ${timeOfDay(lane.here_to)}`;
};
const board = ref<HTMLElement | null>(null);
/** the job that is being dragged: its bars follow the finger by a property of the board, and nothing is drawn anew */
const dragged = ref<string | null>(null);
let held = { x: 0, wide: 1, by: 0 };
/** a finger that slips this far, px, has not dragged */
const SLIP = 6;
const follow = (by: number) => board.value?.style.setProperty('--by', `${by}px`);
function began(event: PointerEvent, job: string | null) {
    if (job === null) return;
    const bar = event.currentTarget as HTMLElement;
    bar.setPointerCapture(event.pointerId);
    held = { x: event.clientX, wide: bar.parentElement?.clientWidth ?? 1, by: 0 };
    follow(0);
    dragged.value = job;
}
function moved(event: PointerEvent) {
    if (dragged.value === null) return;
    held.by = event.clientX - held.x;
    follow(held.by);
}
function ended() {
    const job = dragged.value;
    dragged.value = null;
    if (job === null) return;
    const start = props.day.jobs.find((j) => j.id === job)?.starts ?? null;
    if (Math.abs(held.by) < SLIP || start === null) emit('choose', job);
    else emit('pin', job, draggedTo(span.value, start, held.by / held.wide, props.now));
}
</script>

<template>
    <div ref="board" class="lanes" role="group" aria-label="The day by machine and person">
        <div class="axis" aria-hidden="true">
            <span v-for="t in hours" :key="t" :style="{ left: at(t) }">{{ timeOfDay(t) }}</span>
            <strong :style="{ left: at(now) }">now {{ timeOfDay(now) }}</strong>
        </div>
        <div
            v-for="{ lane, bars, hands, stands, still } in lanes"
            :key="`${hands}${lane.id}`"
            :class="['lane', { hands }]"
        >
            <div class="name">
                <button
                    type="button"
                    class="plain"
                    @click="hands ? emit('person', lane.id) : emit('machine', lane.id)"
                >
                    <strong>{{ lane.name }}</strong>
                </button>
                <small class="quiet">{{ under(lane, stands) }}</small>
            </div>
            <div class="time">
                <i v-for="t in hours" :key="t" class="hour" :style="{ left: at(t) }" />
                <div
                    v-if="stands && still"
                    class="stands"
                    role="img"
                    :aria-label="`${lane.name} stands${stands.why ? `: ${stands.why}` : ''}`"
                    :style="{ left: `${still.left}%`, width: `${still.width}%` }"
                >
                    <span>{{ stands.why || 'stands' }}</span>
                </div>
                <div
                    v-for="{ bar, key, says, wide, at: place } in bars"
                    :key="key"
                    role="img"
                    :class="[
                        'bar',
                        lane.heat,
                        {
                            coming: bar.coming,
                            on: bar.job !== null && bar.job === chosen,
                            dragged: !hands && bar.job !== null && bar.job === dragged,
                        },
                    ]"
                    :data-drag="bar.job !== null && !hands"
                    :style="place"
                    :title="says"
                    :aria-label="says"
                    @pointerdown="!hands && began($event, bar.job)"
                    @pointermove="moved"
                    @pointerup="ended"
                    @pointercancel="dragged = null"
                >
                    <span v-if="wide">{{ bar.says }}</span>
                </div>
                <i v-if="placeIn(span, now) < 1" class="line" :style="{ left: at(now) }" />
            </div>
        </div>
    </div>
</template>

<style scoped>
.lanes {
    background: var(--paper);
    border: 1px solid var(--line);
    border-radius: 4px;
    padding: 6px 0 4px;
    overflow: hidden;
}
.axis {
    position: relative;
    height: 40px;
    margin-left: 132px;
}
.axis span,
.axis strong {
    position: absolute;
    bottom: 2px;
    transform: translateX(-50%);
    font-size: 0.86rem;
    font-variant-numeric: tabular-nums;
    color: var(--quiet);
}
.axis strong {
    bottom: 20px;
    color: var(--ink);
    white-space: nowrap;
}
.lane {
    display: grid;
    grid-template-columns: 132px minmax(0, 1fr);
    min-height: 46px;
    border-top: 1px solid var(--line);
}
.lane.hands {
    min-height: 40px;
}
.name {
    padding: 4px 8px 4px 14px;
    line-height: 1.2;
    overflow: hidden;
}
.name .plain {
    padding: 0;
    min-height: 24px;
    text-align: left;
}
.name small {
    display: block;
}
.time {
    position: relative;
    overflow: hidden;
}
.dragged {
    transform: translateX(var(--by));
}
.stands {
    position: absolute;
    top: 0;
    bottom: 0;
    border: 2px solid var(--ink);
    background: var(--still);
    overflow: hidden;
    white-space: nowrap;
    padding: 0 6px;
    display: flex;
    align-items: center;
    font-size: 0.86rem;
    font-weight: 650;
}
.hour,
.line {
    position: absolute;
    top: 0;
    bottom: 0;
    width: 1px;
    background: var(--line);
}
.line {
    width: 3px;
    background: var(--ink);
    pointer-events: none;
}
.bar {
    position: absolute;
    top: 4px;
    bottom: 4px;
    min-height: 0;
    padding: 0;
    border: 0;
    border-left: 1px solid var(--paper);
    overflow: hidden;
    white-space: nowrap;
    text-align: left;
    font: inherit;
    font-size: 0.86rem;
    font-weight: 650;
    color: #fff;
    text-decoration: none;
    display: flex;
    align-items: center;
    touch-action: pan-y;
}
.bar span {
    padding: 0 6px;
}
.in {
    background: #b53a12;
}
.out {
    background: #17607c;
}
.hands.bar,
.none {
    background: #867d6c;
}
.coming {
    color: var(--ink);
}
[data-drag='true'] {
    cursor: grab;
}
.in.coming {
    background:
        repeating-linear-gradient(115deg, var(--ember-soft) 0 8px, transparent 8px 14px),
        color-mix(in srgb, var(--ember-soft) 55%, transparent);
}
.out.coming {
    background:
        repeating-linear-gradient(115deg, var(--slate-soft) 0 8px, transparent 8px 14px),
        color-mix(in srgb, var(--slate-soft) 55%, transparent);
}
.hands.coming,
.none.coming {
    background:
        repeating-linear-gradient(115deg, var(--still) 0 8px, transparent 8px 14px),
        color-mix(in srgb, var(--still) 55%, transparent);
}
.bar.on {
    outline: 3px solid var(--ink);
    outline-offset: -3px;
}
@media (max-width: 700px) {
    .lane {
        grid-template-columns: 92px minmax(0, 1fr);
    }
    .axis {
        margin-left: 92px;
    }
    .axis span:nth-child(even) {
        display: none;
    }
}
</style>
