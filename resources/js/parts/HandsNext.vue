<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { floor, refreshFloor } from '../api/floor';
import { overlay } from '../offline/overlay';
import { queue, record } from '../api/queue';
import { session } from '../api/session';
import type { Hand } from '../api/types';
import { callsOf, inTurn, isFor, whoseOf } from '../offline/hands';
import CallFlash from './CallFlash.vue';
import { useNow } from './clock';
import { useEdge } from './edge';
import { heard } from './sound';
import { clockText, timeOfDay } from './units';
import { useCall, useLit } from './useCall';

const now = useNow();
const route = useRoute();
const router = useRouter();
const open = ref(false);
/** On a narrow screen it stands over the lower edge. */
const aside = ref<HTMLElement | null>(null);
useEdge(aside, '--foot', open);

/** The server's list, with the runs on which entries still wait here worked out anew. */
const all = computed<Hand[]>(() => {
    const touched = new Set(queue.waiting.filter((q) => q.refused === null).map((q) => q.run_id));
    const list = (floor.now?.hands ?? []).filter((h) => h.run_id === null || !touched.has(h.run_id));
    for (const id of touched) {
        const run = queue.runs[id];
        if (!run) continue;
        list.push(...callsOf(overlay(run, queue.waiting)));
    }
    return inTurn(list, now.value);
});
const me = computed(() => session.person?.name ?? '');
const own = computed(() => all.value.filter((h) => isFor(h, me.value, now.value)));
/** Who has nothing to do sees what the others have: a screen in the office watches for them all. */
const hands = computed(() => (own.value.length > 0 ? own.value : all.value));
const others = computed(() => all.value.filter((h) => !hands.value.includes(h)));
const first = computed(() => hands.value[0] ?? null);
/** Said where it is not, or not only, theirs. */
const names = (h: Hand) => {
    const rest = whoseOf(h).filter((name) => name !== me.value);
    if (rest.length === 0) return '';
    return whoseOf(h).includes(me.value) ? `With ${rest.join(', ')}.` : `For ${rest.join(', ')}.`;
};
const waits = (h: Hand) => h.timer !== null || h.entry !== null;
/** a moment to count to: what waits for hands since a while is wanted now */
const counts = (h: Hand) => waits(h) || h.at > now.value;
const overdue = (h: Hand) => waits(h) && h.at <= now.value;
/** Two at once: why this one first. */
const goesFirst = computed(() => {
    const [a, b] = hands.value;
    return a && b && a.waits && b.at <= now.value && a.presses > b.presses ? `First: ${a.waits}.` : '';
});
const ringing = computed(() => hands.value.some(overdue));
/** a clock that will call, or does */
const clocks = computed(() => hands.value.some(waits));
useLit(clocks);
const AGAIN_S = 4;
const flashes = useCall(ringing, now, AGAIN_S);

async function tap(h: Hand) {
    if (h.button && h.entry && h.run_id) {
        const piece = h.piece === null ? {} : { piece: h.piece };
        await record(h.run_id, 'logged', { entry: h.entry, values: {}, ...piece });
        await refreshFloor();
    } else await router.push(h.to);
}
watch(
    () => route.fullPath,
    () => {
        open.value = false;
        void refreshFloor();
    },
);
</script>

<template>
    <aside ref="aside" :class="['hands', 'no-print', { open }]" aria-label="Hands next">
        <h2 class="head">
            Hands next
            <button
                v-if="all.length > 1"
                class="more"
                type="button"
                :aria-expanded="open"
                @click="open = !open"
            >
                {{ open ? 'Less' : `All ${all.length}` }}
            </button>
        </h2>
        <div v-if="first" :class="['first', { late: overdue(first) }]">
            <p class="count mono" aria-hidden="true">
                {{ counts(first) ? clockText(first.at - now) : 'now' }}
            </p>
            <p v-if="overdue(first)" class="late-word"><span aria-hidden="true">▲</span> waiting for hands</p>
            <p class="what">{{ first.what }}: {{ first.machine }}</p>
            <p v-if="names(first)" class="whose">{{ names(first) }}</p>
            <p v-if="goesFirst" class="why turn">{{ goesFirst }}</p>
            <p class="why">{{ first.why }}{{ first.people > 1 ? ` ${first.people} people.` : '' }}</p>
            <p class="why">{{ first.about }}</p>
            <v-btn block color="primary" class="go" @click="tap(first)">{{
                first.button ?? (route.path === first.to ? 'You are there' : 'Go there')
            }}</v-btn>
        </div>
        <p v-else class="empty quiet">
            Nothing waits. Start a run and its next moments stand here, from every machine.
        </p>
        <button v-if="clocks && !heard" type="button" class="mute">
            <span aria-hidden="true">▲</span> Sound is off: touch once
        </button>
        <CallFlash :on="flashes" />
        <ol class="rest">
            <li
                v-for="h in [...hands.slice(1), ...others]"
                :key="h.to + h.step + (h.entry ?? '') + h.at"
                :class="{ theirs: others.includes(h) }"
            >
                <router-link :to="h.to">
                    <span :class="['mono', 'when', { 'late-text': overdue(h) }]">{{
                        !counts(h) ? 'now' : h.at - now > 7200 ? timeOfDay(h.at) : clockText(h.at - now)
                    }}</span>
                    <span
                        ><strong>{{ h.what }}: {{ h.machine }}</strong
                        ><br /><span class="quiet">{{ h.about }}</span
                        ><span v-if="names(h)" class="quiet"><br />{{ names(h) }}</span></span
                    >
                </router-link>
            </li>
        </ol>
    </aside>
</template>

<style scoped>
.hands {
    background: var(--paper);
    border-left: 1px solid var(--line);
    position: sticky;
    top: calc(var(--head) + var(--alarms, 0px));
    height: calc(100vh - var(--head) - var(--alarms, 0px));
    overflow-y: auto;
}
.head {
    padding: 16px 18px 12px;
    display: flex;
    justify-content: space-between;
}
.more {
    display: none;
}
.first {
    background: var(--bar);
    color: var(--on-bar);
    padding: 14px 18px 18px;
}
.first.late {
    background: #6c1055;
    animation: beat 1s steps(2, jump-none) infinite;
}
.mute {
    width: 100%;
    min-height: var(--touch);
    padding: 0 18px;
    border: 0;
    border-bottom: 1px solid var(--line);
    background: none;
    color: var(--alarm);
    font: inherit;
    font-weight: 700;
    text-align: left;
    cursor: pointer;
}
@keyframes beat {
    50% {
        background: #86186a;
    }
}
.count {
    font-size: 2.9rem;
    line-height: 1;
}
.late-word {
    font-weight: 700;
    margin-top: 4px;
}
.what {
    font-weight: 700;
    font-size: 1.1rem;
    margin-top: 8px;
}
.why {
    color: var(--on-bar-quiet);
    font-size: 0.95rem;
}
.first.late .why {
    color: #f7e3f1;
}
.whose {
    font-weight: 650;
    font-size: 0.95rem;
}
/* what is another's: there to be seen, not to be done */
.theirs strong {
    font-weight: 500;
}
.go {
    margin-top: 12px;
    min-height: 60px !important;
    font-size: 1.15rem !important;
}
.empty {
    padding: 0 18px;
}
.rest {
    list-style: none;
    margin: 0;
    padding: 0 18px;
}
.rest a {
    display: grid;
    grid-template-columns: minmax(84px, max-content) 1fr;
    gap: 12px;
    padding: 12px 0;
    border-bottom: 1px solid var(--line);
    text-decoration: none;
    font-size: 0.95rem;
    min-height: var(--touch);
}
.when {
    font-size: 1.25rem;
}
.late-text {
    color: var(--alarm);
}
@media (max-width: 1000px) {
    .hands {
        position: fixed;
        inset: auto 0 0 0;
        height: auto;
        max-height: 80vh;
        z-index: 1005;
        border-top: 1px solid var(--line);
    }
    .head {
        display: none;
    }
    .open .head {
        display: flex;
    }
    .more {
        display: inline-block;
        min-height: 44px;
        padding: 0 14px;
        border: 1px solid var(--line);
        border-radius: 4px;
    }
    .first {
        display: grid;
        grid-template-columns: auto 1fr auto;
        column-gap: 14px;
        align-items: center;
        padding: 10px 14px;
    }
    .first .why,
    .whose,
    .late-word {
        display: none;
    }
    .count {
        font-size: 1.8rem;
    }
    .what {
        margin: 0;
    }
    .go {
        margin: 0;
        width: auto;
    }
    .rest {
        display: none;
    }
    .open .rest {
        display: block;
    }
    .mute {
        text-align: center;
    }
}
</style>
