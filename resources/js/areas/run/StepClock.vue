<script setup lang="ts">
import { computed } from 'vue';
import type { RunTimer } from '../../api/types';
import { clockText, minutesText, show, timeOfDay } from '../../parts/units';

/** The clock of a step: what is left, until when, and when hands are wanted before it is over. */
const props = defineProps<{
    timer: RunTimer;
    now: number;
    /** when the model has it ready, s since 1970 UTC */
    readyAt: number | null;
    demouldC: number;
    /** when what is asked for again and again is due */
    due: number | null;
    reminder: string;
    logged: number;
}>();
const emit = defineEmits<{ more: [] }>();
const left = computed(() => props.timer.ends_at - props.now);
/** How much of the wait is over: by the clock where it is short, in minutes where it is long. */
const gone = computed(() => {
    const { started_at, minutes } = props.timer;
    return minutes < 3
        ? `of ${clockText(60 * minutes)}`
        : `${Math.floor((props.now - started_at) / 60)} of ${minutesText(minutes)}`;
});
</script>

<template>
    <div class="clock">
        <p :class="['big', 'mono', { over: left < 0 }]" role="timer" :aria-label="`${clockText(left)} left`">
            {{ clockText(left) }}
        </p>
        <div class="beside">
            <p v-if="left > 0">
                <strong>until {{ timeOfDay(timer.ends_at) }}</strong>
                {{ gone }}
            </p>
            <p v-else><strong>Time is up</strong> since {{ timeOfDay(timer.ends_at) }}</p>
            <p v-if="timer.kind === 'cool' && readyAt !== null">
                By the model nothing is above
                {{ show(demouldC, 'temperature') }} from
                {{ timeOfDay(readyAt) }}
            </p>
            <p v-if="due !== null" :class="{ overdue: due < now }">
                <strong>{{
                    due < now ? `${reminder} now` : `${reminder} in ${clockText(due - now)}`
                }}</strong>
                {{ logged }} so far
            </p>
            <button type="button" class="plain" @click="emit('more')">Change the time</button>
        </div>
    </div>
</template>

<style scoped>
.clock {
    display: flex;
    gap: 0 18px;
    align-items: center;
    margin: 4px 0;
}
.big {
    font-size: 5.2rem;
    line-height: 1;
    flex: none;
    letter-spacing: -0.05em;
}
.big.over {
    color: var(--alarm);
}
.beside {
    display: grid;
    gap: 2px;
    font-size: 0.98rem;
    line-height: 1.3;
}
.overdue {
    color: var(--alarm);
}
.plain {
    background: none;
    border: 0;
    font: inherit;
    text-decoration: underline;
    cursor: pointer;
    color: inherit;
    text-align: left;
    min-height: 32px;
    padding: 0;
}
@media (max-width: 700px) {
    .big {
        font-size: 4.4rem;
    }
}
</style>
