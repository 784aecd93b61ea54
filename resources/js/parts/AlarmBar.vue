<script setup lang="ts">
import { computed, ref } from 'vue';
import { api } from '../api/client';
import { floor, refreshFloor } from '../api/floor';
import { session } from '../api/session';
import type { Alarm } from '../api/types';
import { title } from '../areas/reckon/schema';
import CallFlash from './CallFlash.vue';
import { useNow } from './clock';
import { useEdge } from './edge';
import { clockText, timeOfDay } from './units';
import { useCall } from './useCall';
import { sentence, useSend } from './useSend';

/** What instruments told that they should not have, on every page until somebody has answered. */
const now = useNow();
const alarms = computed(() => floor.now?.alarms ?? []);
const unanswered = computed(() => alarms.value.filter((a) => a.by === null));
const loud = computed(() => unanswered.value.some((a) => a.ended_at === null));
const AGAIN_S = 15;
const flashes = useCall(loud, now, AGAIN_S);
const { busy, fault, send } = useSend();
async function answer(...of: Alarm[]) {
    for (const alarm of of) await send(() => api.post(`alarms/${alarm.id}/answer`, {}));
    await refreshFloor();
}
// What stands is always there; several that are well again take one line, so that a page is left under them.
const gone = computed(() => alarms.value.filter((a) => a.ended_at !== null));
const opened = ref(false);
const folds = computed(() => gone.value.length > 1);
const shown = computed(() => [
    ...alarms.value.filter((a) => a.ended_at === null),
    ...(folds.value && !opened.value ? [] : gone.value),
]);
const machines = computed(() => [...new Set(gone.value.map((a) => a.machine))].join(', '));
// A page that fills the screen fills what is left of it.
const bar = ref<HTMLElement | null>(null);
useEdge(bar, '--alarms');
const says = (a: Alarm) =>
    a.ended_at === null
        ? `for ${clockText(now.value - a.began_at)}`
        : `${timeOfDay(a.began_at)} to ${timeOfDay(a.ended_at)}, well again`;
</script>

<template>
    <CallFlash :on="flashes" />
    <aside
        v-if="alarms.length > 0"
        ref="bar"
        :class="['alarms', 'no-print', { loud }]"
        aria-label="Alarms"
        role="status"
    >
        <div
            v-for="a in shown"
            :key="a.id"
            :class="['alarm', { gone: a.ended_at !== null, taken: a.by !== null }]"
        >
            <span class="sign" aria-hidden="true">▲</span>
            <p>
                <router-link :to="a.run_id ? `/run/${a.run_id}` : `/shop/machines/${a.machine_id}`"
                    >{{ a.machine }}, {{ title(a.channel).toLowerCase() }}</router-link
                >: <strong>{{ a.says }}</strong> <span class="when">{{ says(a) }}</span>
            </p>
            <span v-if="a.by" class="by">{{
                a.by === session.person?.name ? 'You see to it' : `${a.by} sees to it`
            }}</span>
            <v-btn v-else variant="outlined" :disabled="busy" @click="answer(a)">{{
                a.ended_at === null ? 'I see to it' : 'Seen'
            }}</v-btn>
        </div>
        <div v-if="folds" class="alarm gone">
            <span class="sign" aria-hidden="true">▲</span>
            <p>
                <strong>{{ gone.length }} that are well again</strong>:
                <span class="when">{{ machines }}</span>
            </p>
            <v-btn variant="outlined" :aria-expanded="opened" @click="opened = !opened">{{
                opened ? 'Fold' : 'Show'
            }}</v-btn>
            <v-btn v-if="opened" variant="outlined" :disabled="busy" @click="answer(...gone)">All seen</v-btn>
        </div>
        <p v-if="fault" role="alert">{{ sentence(fault) }}</p>
    </aside>
</template>

<style scoped>
.alarms {
    background: var(--alarm-soft);
    border-bottom: 2px solid var(--alarm);
    color: var(--alarm);
    padding: 4px 18px;
    position: sticky;
    top: var(--head);
    z-index: 4;
    max-height: 60vh;
    overflow-y: auto;
}
.alarm {
    display: flex;
    flex-wrap: wrap;
    gap: 4px 14px;
    align-items: center;
    min-height: 48px;
}
.alarm p {
    flex: 1 1 300px;
    font-size: 1.05rem;
}
.alarm a {
    color: inherit;
    font-weight: 650;
}
.sign {
    font-size: 1.3rem;
}
.gone .sign,
.taken .sign {
    visibility: hidden;
}
.when,
.by {
    color: var(--ink);
}
@media (max-width: 1000px) {
    .alarms {
        position: static;
    }
}
@media (prefers-reduced-motion: no-preference) {
    .loud .sign {
        animation: look 1s steps(2, jump-none) infinite;
    }
}
@keyframes look {
    to {
        opacity: 0.15;
    }
}
</style>
