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
const span = computed(() => windowOf(props.now, props.day.from));
const hours = computed(() => {
    const first = Math.ceil(span.value.from / 3600) * 3600;
    return Array.from({ length: 11 }, (_, i) => first + i * 3600).filter((t) => t <= span.value.to);
});
const at = (moment: number) => `${100 * placeIn(span.value, moment)}%`;
const lanes = computed(() => [
    ...props.day.lanes.map((lane) => {
        const stands = props.day.standstills.find((s) => s.machine_id === lane.id) ?? null;
        return { lane, hands: false, stands, still: stands && barIn(span.value, stands) };
    }),
    ...props.day.hands.map((lane) => ({ lane, hands: true, stands: null, still: null })),
]);
const under = (lane: DayLane, stands: Standstill | null) => {
    if (stands) return `stands ${timeOfDay(stands.from)} to ${timeOfDay(stands.to)}`;
    if (lane.here_from === null || lane.here_to === null) return lane.kind.replaceAll('_', ' ');
    return lane.here_to <= lane.here_from ? 'not here today' : `until ${timeOfDay(lane.here_to)}`;
};
const drag = ref<{ job: string; x: number; wide: number; by: number } | null>(null);
/** a finger that slips this far, px, has not dragged */
const SLIP = 6;
function began(event: PointerEvent, job: string | null) {
    if (job === null) return;
    const lane = (event.currentTarget as HTMLElement).parentElement;
    (event.currentTarget as HTMLElement).setPointerCapture(event.pointerId);
    drag.value = { job, x: event.clientX, wide: lane?.clientWidth ?? 1, by: 0 };
}
function moved(event: PointerEvent) {
    if (drag.value) drag.value = { ...drag.value, by: event.clientX - drag.value.x };
}
function ended() {
    const done = drag.value;
    drag.value = null;
    if (!done) return;
    const start = props.day.jobs.find((j) => j.id === done.job)?.starts ?? null;
    if (Math.abs(done.by) < SLIP || start === null) emit('choose', done.job);
    else emit('pin', done.job, draggedTo(span.value, start, done.by / done.wide, props.now));
}
const shift = (job: string | null) =>
    drag.value && job === drag.value.job ? `translateX(${drag.value.by}px)` : undefined;
</script>

<template>
    <div class="lanes" role="group" aria-label="The day by machine and person">
        <div class="axis" aria-hidden="true">
            <span v-for="t in hours" :key="t" :style="{ left: at(t) }">{{ timeOfDay(t) }}</span>
            <strong :style="{ left: at(now) }">now {{ timeOfDay(now) }}</strong>
        </div>
        <div
            v-for="{ lane, hands, stands, still } in lanes"
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
                <template v-for="(b, i) in lane.bars" :key="i">
                    <div
                        v-if="barIn(span, b)"
                        role="img"
                        :class="[
                            'bar',
                            lane.heat,
                            { coming: b.coming, on: b.job !== null && b.job === chosen },
                        ]"
                        :data-drag="b.job !== null && !hands"
                        :style="{
                            left: `${barIn(span, b)!.left}%`,
                            width: `${barIn(span, b)!.width}%`,
                            transform: hands ? undefined : shift(b.job),
                        }"
                        :title="`${b.says}, ${timeOfDay(b.from)} to ${timeOfDay(b.to)}`"
                        :aria-label="`${b.says}, ${timeOfDay(b.from)} to ${timeOfDay(b.to)}`"
                        @pointerdown="!hands && began($event, b.job)"
                        @pointermove="moved"
                        @pointerup="ended"
                        @pointercancel="drag = null"
                    >
                        <span v-if="barIn(span, b)!.width > 4">{{ b.says }}</span>
                    </div>
                </template>
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
