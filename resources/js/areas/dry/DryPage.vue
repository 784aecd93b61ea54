<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query';
import { computed, ref, watch } from 'vue';
import { api } from '../../api/client';
import { refreshFloor } from '../../api/floor';
import { newKey } from '../../api/queue';
import type { DryBoard, DryPlan, Lot } from '../../api/types';
import { useNow } from '../../parts/clock';
import TypedField from '../../parts/TypedField.vue';
import { clockText, dayText, number, show, timeOfDay } from '../../parts/units';
import { useLots } from '../../parts/useLots';
import { sentence, useLatest, useSend } from '../../parts/useSend';
import SortNav from '../sort/SortNav.vue';

const now = useNow();
const queries = useQueryClient();
const { data: board } = useQuery({
    queryKey: ['drying'],
    queryFn: () => api.get<DryBoard>('drying'),
    refetchInterval: 15000,
});
const { find, lots } = useLots();
const lot = ref<number | null>(null);
const dryer = ref<number | null>(null);
const air = ref<number | null>(null);
const wanted = ref('');
const loading = useSend();
watch(board, (b) => {
    dryer.value ??= b?.dryers[0]?.id ?? null;
});
const body = computed(() => ({
    lot_id: lot.value,
    air_c: air.value,
    wanted_at: wanted.value === '' ? null : new Date(wanted.value).getTime() / 1000,
}));
const { answer: plan, fault: unfit } = useLatest(body, () =>
    lot.value === null ? null : api.post<DryPlan>('drying', { preview: true, ...body.value }),
);
let id = newKey();
async function load() {
    const done = await loading.send(() => api.post('drying', { id, machine_id: dryer.value, ...body.value }));
    if (done === undefined) return;
    id = newKey();
    lot.value = null;
    wanted.value = '';
    await queries.invalidateQueries({ queryKey: ['drying'] });
    await refreshFloor();
}
const hopper = ref<'open' | 'closed'>('closed');
const humidity = ref<number | null>(50);
const taking = ref<string | null>(null);
async function out(drying: string) {
    const done = await loading.send(() =>
        api.post(`drying/${drying}/out`, { hopper: hopper.value, rh_pct: humidity.value }),
    );
    if (done === undefined) return;
    taking.value = null;
    await Promise.all([
        queries.invalidateQueries({ queryKey: ['drying'] }),
        queries.invalidateQueries({ queryKey: ['lot'] }),
    ]);
    await refreshFloor();
}
const share = (d: { started_at: number; ready_at: number }) =>
    `${Math.min(100, Math.max(1, (100 * (now.value - d.started_at)) / (d.ready_at - d.started_at)))}%`;
const dryable = computed(() =>
    lots.value.filter(
        (l) => !l.never_hot && l.mass_g > 0 && !board.value?.drying.some((d) => d.lot_id === l.id),
    ),
);
const left = (l: Lot) =>
    l.dry_minutes_left === null || !board.value
        ? null
        : l.dry_minutes_left - (now.value - board.value.server_time) / 60;
</script>

<template>
    <div class="page">
        <div class="page-head">
            <div>
                <h1>Dry</h1>
                <p class="quiet">The longest wait of the day. Load early, plan the rest behind it.</p>
            </div>
        </div>
        <SortNav />
        <div class="board">
            <section v-for="m in board?.dryers ?? []" :key="m.id" class="card" :aria-label="m.name">
                <h2>{{ m.name }}</h2>
                <p v-if="!board?.drying.some((d) => d.dryer === m.name)" class="quiet">Empty.</p>
                <article
                    v-for="d in board?.drying.filter((x) => x.dryer === m.name) ?? []"
                    :key="d.id"
                    class="in"
                >
                    <div class="top">
                        <div>
                            <strong
                                ><i class="swatch" :style="{ background: d.swatch }" />{{ d.polymer }},
                                <router-link :to="`/sort/lots/${d.lot_id}`">{{ d.lot }}</router-link></strong
                            >
                            <p class="quiet">
                                {{ show(d.mass_g, 'mass') }} at {{ show(d.air_c, 'temperature') }} since
                                {{ timeOfDay(d.started_at) }}, {{ d.by
                                }}<template v-if="d.wanted_at">
                                    · wanted {{ dayText(d.wanted_at) }} {{ timeOfDay(d.wanted_at) }}</template
                                >
                            </p>
                        </div>
                        <div class="when">
                            <p :class="['mono', { ready: d.ready_at <= now }]">
                                {{ d.ready_at <= now ? 'dry' : clockText(d.ready_at - now) }}
                            </p>
                            <p class="quiet">
                                {{ d.ready_at <= now ? 'since' : 'until' }} {{ timeOfDay(d.ready_at) }}
                            </p>
                        </div>
                    </div>
                    <div class="bar-track"><span class="fill" :style="{ width: share(d) }" /></div>
                    <div v-if="taking === d.id" class="fields out">
                        <label
                            >It goes into<select v-model="hopper">
                                <option value="closed">a closed hopper or tin</option>
                                <option value="open">an open hopper</option>
                            </select></label
                        ><TypedField
                            v-model="humidity"
                            dimension="number"
                            label="Room humidity, %"
                            :min="1"
                            :max="100"
                        />
                        <div class="acts">
                            <v-btn
                                color="primary"
                                :loading="loading.busy.value"
                                :disabled="humidity === null"
                                @click="out(d.id)"
                                >{{ d.ready_at <= now ? 'It is out' : 'Take it out wet' }}</v-btn
                            >
                            <p v-if="d.ready_at > now" class="fault">
                                It is not dry yet: it will count as wet.
                            </p>
                        </div>
                    </div>
                    <v-btn v-else size="small" variant="outlined" @click="taking = d.id">Take it out</v-btn>
                </article>
            </section>
            <section class="card">
                <h2>Into the dryer</h2>
                <form class="fields" @submit.prevent="load">
                    <label
                        >Find a lot<input
                            v-model="find"
                            type="search"
                            placeholder="code, polymer, colour, place"
                    /></label>
                    <label class="wide"
                        >Lot<select v-model="lot">
                            <option :value="null" disabled>what is to be dried</option>
                            <option v-for="l in dryable" :key="l.id" :value="l.id">
                                {{ l.polymer }}, {{ l.code }}, {{ l.colour }} {{ l.form }},
                                {{ show(l.mass_g, 'mass') }}
                            </option>
                        </select></label
                    >
                    <label
                        >Dryer<select v-model="dryer">
                            <option v-for="m in board?.dryers ?? []" :key="m.id" :value="m.id">
                                {{ m.name }}
                            </option>
                        </select></label
                    >
                    <TypedField
                        v-model="air"
                        dimension="temperature"
                        label="Air"
                        :min="0"
                        :max="300"
                        :placeholder="plan?.air_c ? show(plan.air_c, 'temperature') : 'the usual'"
                    />
                    <label class="wide">Wanted by<input v-model="wanted" type="datetime-local" /></label>
                    <div v-if="plan" class="wide answer">
                        <p class="mono">
                            {{
                                plan.hours === null
                                    ? 'not this way'
                                    : plan.hours === 0
                                      ? 'no drying'
                                      : `${number(plan.hours, 1)} h`
                            }}
                        </p>
                        <p>{{ plan.because }}</p>
                        <p v-if="plan.hours && plan.ready_at">
                            Loaded now it is dry {{ dayText(plan.ready_at) }} at
                            {{ timeOfDay(plan.ready_at) }}.<strong v-if="plan.start_by">
                                Start by {{ dayText(plan.start_by) }} {{ timeOfDay(plan.start_by) }}.</strong
                            >
                        </p>
                        <p v-if="plan.start_by && plan.start_by < now" class="fault">
                            That is past: it will not be dry in time.
                        </p>
                    </div>
                    <div class="acts">
                        <v-btn
                            color="primary"
                            type="submit"
                            :loading="loading.busy.value"
                            :disabled="!plan || !plan.hours"
                            >Load it</v-btn
                        >
                        <p v-if="unfit ?? loading.fault.value" role="alert" class="fault">
                            {{ sentence((unfit ?? loading.fault.value)!) }}
                        </p>
                    </div>
                </form>
            </section>
            <section class="card wide">
                <h2>Dried, and standing</h2>
                <p v-if="!board?.standing.length" class="quiet">
                    Nothing. What comes out of the dryer takes up water again; how long it may stand shows
                    here.
                </p>
                <table v-else class="rows">
                    <thead>
                        <tr>
                            <th>Lot</th>
                            <th>Polymer</th>
                            <th>State</th>
                            <th class="n">May still stand</th>
                        </tr>
                    </thead>
                    <tbody>
                        <tr v-for="l in board.standing" :key="l.id">
                            <td>
                                <router-link :to="`/sort/lots/${l.id}`">{{ l.code }}</router-link>
                            </td>
                            <td>{{ l.polymer }}</td>
                            <td>
                                <span
                                    :class="[
                                        'tag',
                                        left(l) !== null && left(l)! <= 0
                                            ? 'bad'
                                            : l.dry_state === 'use now'
                                              ? 'hot'
                                              : 'cold',
                                    ]"
                                    >{{
                                        left(l) !== null && left(l)! <= 0 ? '▲ dry again' : l.dry_state
                                    }}</span
                                >
                            </td>
                            <td class="n mono">
                                {{
                                    left(l) === null
                                        ? 'as long as it likes'
                                        : left(l)! > 0
                                          ? clockText(60 * left(l)!)
                                          : 'over'
                                }}
                            </td>
                        </tr>
                    </tbody>
                </table>
            </section>
        </div>
        <p class="quiet foot">
            Hours are the library's at its usual air, twice as long for each 10 K colder, half for each 10 K
            hotter, flake a fifth quicker. What is not identified is not dried. Keep to the dryer's manual:
            dust and hot air burn. Polyamide parts are toughened afterwards by taking up water:
            <router-link to="/reckon/condition.polyamide">how long that takes</router-link>.
        </p>
    </div>
</template>

<style scoped>
.board {
    display: grid;
    grid-template-columns: 1.2fr 1fr;
    gap: 14px;
    align-items: start;
}
.wide {
    grid-column: 1 / -1;
}
.in {
    border-top: 1px solid var(--line);
    padding: 12px 0;
    display: grid;
    gap: 10px;
    justify-items: start;
}
.top {
    display: flex;
    justify-content: space-between;
    width: 100%;
    gap: 12px;
}
.when {
    text-align: right;
}
.when .mono {
    font-size: 2.3rem;
    line-height: 1;
}
.ready {
    color: var(--good);
}
.bar-track {
    width: 100%;
}
.fill {
    display: block;
    height: 100%;
    background: var(--ember);
}
.out {
    width: 100%;
}
.answer {
    border-left: 5px solid var(--ember);
    padding-left: 12px;
}
.answer .mono {
    font-size: 2.3rem;
    line-height: 1.1;
}
.foot {
    margin-top: 12px;
}
@media (max-width: 1100px) {
    .board {
        grid-template-columns: 1fr;
    }
}
</style>
