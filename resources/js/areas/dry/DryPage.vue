<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query';
import { computed, ref, watch } from 'vue';
import { useRoute } from 'vue-router';
import { api } from '../../api/client';
import { every } from '../../api/news';
import { refreshFloor } from '../../api/floor';
import { newKey } from '../../api/queue';
import type { DryBoard, DryPlan } from '../../api/types';
import { useNow } from '../../parts/clock';
import TypedField from '../../parts/TypedField.vue';
import { dayText, number, show, timeOfDay } from '../../parts/units';
import { useLots } from '../../parts/useLots';
import { sentence, useLatest, useSend } from '../../parts/useSend';
import SortNav from '../sort/SortNav.vue';
import DriedStanding from './DriedStanding.vue';
import InDryer from './InDryer.vue';

const now = useNow();
const queries = useQueryClient();
const { data: board } = useQuery({
    queryKey: ['drying'],
    queryFn: () => api.get<DryBoard>('drying'),
    refetchInterval: () => every(15_000),
});
const { find, lots } = useLots();
const lot = ref<number | null>(null);
/** A lot that its own page sends here. */
const asked = useRoute().query.lot;
if (typeof asked === 'string') {
    find.value = asked;
    watch(lots, (all) => (lot.value ??= all.find((l) => l.code === asked)?.id ?? null), { immediate: true });
}
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
const dryable = computed(() =>
    lots.value.filter(
        (l) => !l.never_hot && l.mass_g > 0 && !board.value?.drying.some((d) => d.lot_id === l.id),
    ),
);
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
                <InDryer
                    v-for="d in board?.drying.filter((x) => x.dryer === m.name) ?? []"
                    :key="d.id"
                    :d="d"
                    :now="now"
                />
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
                <DriedStanding v-else :board="board" :now="now" />
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
