<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query';
import { computed, ref } from 'vue';
import { api } from '../../api/client';
import { newKey } from '../../api/queue';
import type { DayJob, HandOver } from '../../api/types';
import { useNow } from '../../parts/clock';
import { dayText, minutesText, momentText, show, timeOfDay } from '../../parts/units';
import { sentence, useSend } from '../../parts/useSend';
import { workDay } from './day';

/** From one shift to the next: written from log and plan, with a word of one's own; to read at the door, or to print. */
const AGAIN_MS = 60_000;
const HOURS = [4, 8, 12, 24];
const now = useNow();
const hours = ref(8);
const span = computed(() => workDay(now.value));
const found = useQuery({
    queryKey: computed(() => ['handover', hours.value, span.value.from, span.value.until]),
    queryFn: () =>
        api.get<HandOver>(
            `handover?since=${Math.floor(now.value - 3600 * hours.value)}&from=${span.value.from}&until=${span.value.until}`,
        ),
    refetchInterval: AGAIN_MS,
    placeholderData: (before: HandOver | undefined) => before,
});
const over = computed(() => found.data.value ?? null);
const word = ref('');
const { busy, fault, send } = useSend();
async function say() {
    const kept = await send(async () => {
        await api.post('handover/notes', { id: newKey(), text: word.value.trim() });
        return true;
    });
    if (!kept) return;
    word.value = '';
    await found.refetch();
}
const planned = (j: DayJob) =>
    j.starts === null
        ? (j.holds[0] ?? 'not in the plan')
        : `${timeOfDay(j.starts)} to ${timeOfDay(j.ends ?? j.starts)}${j.machine ? `, ${j.machine}` : ''}${j.lot ? `, ${j.lot}` : ''}`;
const wait = (at: number) => (at <= now.value ? 'now' : `in ${minutesText((at - now.value) / 60)}`);
const moment = (at: number) => momentText(at, now.value);
const print = () => window.print();
</script>

<template>
    <div class="page">
        <div class="page-head">
            <div>
                <h1>Hand-over</h1>
                <p v-if="over" class="quiet">
                    {{ dayText(over.now) }}, {{ timeOfDay(over.now) }}: what was since
                    {{ moment(over.since) }}, and what comes.
                </p>
            </div>
            <div class="acts no-print">
                <v-btn
                    v-for="h in HOURS"
                    :key="h"
                    :variant="h === hours ? 'flat' : 'outlined'"
                    :color="h === hours ? 'secondary' : undefined"
                    :aria-pressed="h === hours"
                    @click="hours = h"
                    >{{ h }} h</v-btn
                ><v-btn color="primary" @click="print">Print it</v-btn>
            </div>
        </div>
        <p v-if="!over" class="card quiet">
            {{ found.isError.value ? 'The server does not answer.' : 'Looking it up …' }}
        </p>
        <div v-else class="two">
            <div class="stack">
                <section class="card" aria-labelledby="told">
                    <h2 id="told">To know</h2>
                    <form class="own no-print" @submit.prevent="say">
                        <textarea
                            v-model="word"
                            rows="2"
                            maxlength="1000"
                            aria-label="In your own words, for the next shift"
                            placeholder="In your own words, for the next shift"
                        /><v-btn type="submit" color="primary" :disabled="busy || word.trim() === ''"
                            >Say it</v-btn
                        >
                    </form>
                    <p v-if="fault" class="fault" role="alert">{{ sentence(fault) }}</p>
                    <ul>
                        <li v-for="(t, i) in over.told" :key="i" :class="{ mine: t.own }">
                            <span class="num">{{ moment(t.at) }}</span>
                            <span
                                ><strong>{{ t.says }}</strong
                                >{{ ' ' }}
                                <span class="quiet">
                                    {{ t.by ?? 'an instrument'
                                    }}<template v-if="!t.own"
                                        >,
                                        <router-link v-if="t.run_id" :to="`/learn/${t.run_id}`">{{
                                            t.about
                                        }}</router-link><template v-else>{{ t.about }}</template></template
                                    ></span
                                ></span
                            >
                        </li>
                    </ul>
                    <p v-if="over.told.length === 0" class="quiet">Nothing was noted, nothing stood still.</p>
                </section>
                <section class="card" aria-labelledby="made">
                    <h2 id="made">Made</h2>
                    <table v-if="over.made.length" class="rows">
                        <thead>
                            <tr>
                                <th>Product</th>
                                <th class="n">Good</th>
                                <th class="n">Not</th>
                                <th class="n">Runs</th>
                            </tr>
                        </thead>
                        <tbody>
                            <tr v-for="m in over.made" :key="m.product_id">
                                <th scope="row">{{ m.product }}</th>
                                <td class="n">{{ m.good }}</td>
                                <td class="n">{{ m.bad }}</td>
                                <td class="n">{{ m.runs }}</td>
                            </tr>
                        </tbody>
                    </table>
                    <p v-else class="quiet">Nothing was finished.</p>
                </section>
            </div>
            <div class="stack">
                <section class="card" aria-labelledby="hands">
                    <h2 id="hands">Wants hands</h2>
                    <ul>
                        <li v-for="(h, i) in over.hands" :key="i">
                            <span class="num">{{ wait(h.at) }}</span>
                            <span
                                ><router-link :to="h.to">{{ h.what }}</router-link
                                >, {{ h.machine }} <span class="quiet">{{ h.about }}</span></span
                            >
                        </li>
                    </ul>
                    <p v-if="over.hands.length === 0" class="quiet">Nothing.</p>
                </section>
                <section class="card" aria-labelledby="left">
                    <h2 id="left">As the machines are left</h2>
                    <ul>
                        <li v-for="m in over.machines" :key="m.machine_id">
                            <router-link
                                :to="m.run_id ? `/run/${m.run_id}` : `/shop/machines/${m.machine_id}`"
                                >{{ m.machine }}</router-link
                            >
                            <span
                                >{{ m.says
                                }}<template v-if="m.measured_c !== null"
                                    >, {{ show(m.measured_c, 'temperature') }}</template
                                ><template v-if="m.holds"> · {{ m.holds }} in it</template
                                ><template v-if="m.mould"> · {{ m.mould }} hangs</template></span
                            >
                        </li>
                    </ul>
                </section>
                <section class="card" aria-labelledby="next">
                    <h2 id="next">Comes next</h2>
                    <ul>
                        <li v-for="j in over.next" :key="j.id">
                            <span
                                ><strong>{{ j.count }} {{ j.product }}</strong
                                >{{ ' ' }} <span class="quiet">{{ planned(j) }}</span></span
                            >
                        </li>
                    </ul>
                    <p v-if="over.next.length === 0" class="quiet">Nothing is wanted.</p>
                    <v-btn variant="outlined" class="no-print" to="/plan">The plan of the day</v-btn>
                </section>
            </div>
        </div>
    </div>
</template>

<style scoped>
.two {
    display: grid;
    grid-template-columns: minmax(0, 1.2fr) minmax(0, 1fr);
    gap: var(--gap);
    align-items: start;
}
.stack {
    display: grid;
    grid-template-columns: minmax(0, 1fr);
    gap: var(--gap);
}
.acts,
.own {
    display: flex;
    flex-wrap: wrap;
    gap: 10px;
}
.own textarea {
    flex: 1 1 240px;
    border: 1px solid var(--line);
    border-radius: 3px;
    padding: 8px;
    font: inherit;
    color: inherit;
    background: var(--paper);
}
ul {
    list-style: none;
    padding: 0;
    margin: 8px 0;
}
li {
    display: grid;
    grid-template-columns: 74px minmax(0, 1fr);
    gap: 10px;
    padding: 7px 0;
    border-top: 1px solid var(--line);
}
li:has(> :only-child) {
    grid-template-columns: minmax(0, 1fr);
}
.mine {
    border-left: 6px solid var(--ember-strong);
    padding-left: 8px;
}
.fault {
    color: var(--alarm);
    font-weight: 650;
}
@media (max-width: 900px) {
    .two {
        grid-template-columns: minmax(0, 1fr);
    }
}
@media print {
    .two {
        grid-template-columns: 1fr 1fr;
    }
}
</style>
