<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query';
import { useLocalStorage } from '@vueuse/core';
import { computed, nextTick, ref, watch } from 'vue';
import { useRoute } from 'vue-router';
import { api, Refused } from '../../api/client';
import { every } from '../../api/news';
import { newKey } from '../../api/queue';
import type { Polymer, Sorting } from '../../api/types';
import TypedField from '../../parts/TypedField.vue';
import { usePageKeys } from '../../parts/pageKeys';
import { show, timeOfDay } from '../../parts/units';
import { sentence, useSend } from '../../parts/useSend';
import SortNav from './SortNav.vue';

interface Waiting {
    id: string;
    bin_id: number;
    pieces: number;
    mass_g: number;
    undoes?: string;
}
const route = useRoute();
const id = String(route.params.id);
const { data: batch, refetch } = useQuery({
    queryKey: ['sorting', id],
    queryFn: () => api.get<Sorting>(`sortings/${id}`),
    refetchInterval: () => every(5000),
});
const { data: polymers } = useQuery({
    queryKey: ['polymers'],
    queryFn: () => api.list<Polymer>('polymers'),
});
const state = ref<Sorting | null>(null);
watch(batch, (b) => {
    if (b && waiting.value.length === 0) state.value = b;
});
const open = computed(() => state.value?.status === 'open');

// At the speed of the hands: shown and kept here at once, sent one after the other, each once.
const waiting = useLocalStorage<Waiting[]>(`dithermic.sorting.${id}`, []);
// What an older screen kept here said `key`.
waiting.value = waiting.value.map((w) => ({ ...w, id: w.id ?? (w as unknown as { key: string }).key }));
const net = ref('');
let sending = false;
async function flush() {
    if (sending) return;
    sending = true;
    try {
        while (waiting.value.length > 0) {
            const { id: entryId, bin_id, pieces, mass_g, undoes } = waiting.value[0]!;
            state.value = await api.post<Sorting>(
                `sortings/${id}/entries`,
                undoes ? { id: entryId, undoes } : { id: entryId, bin_id, pieces, mass_g },
            );
            waiting.value = waiting.value.slice(1);
            net.value = '';
        }
    } catch (error) {
        if (error instanceof Refused) {
            net.value = sentence({ field: error.field, message: error.message });
            waiting.value = waiting.value.slice(1);
            void refetch();
        } else {
            net.value = `No server: ${waiting.value.length} kept here.`;
            window.setTimeout(() => void flush(), 3000);
        }
    } finally {
        sending = false;
    }
}
void flush();
function put(bin: number, pieces: number, mass = 0) {
    waiting.value = [...waiting.value, { id: newKey(), bin_id: bin, pieces, mass_g: mass }];
    void flush();
}
/** Takes back what was put in last, sent or not; what is under way to the server is taken back after it has arrived. */
function undo() {
    const gone = new Set(waiting.value.map((w) => w.undoes));
    const unsent = waiting.value.findLastIndex((w) => !w.undoes && !gone.has(w.id));
    if (unsent > 0) {
        waiting.value = waiting.value.filter((_, i) => i !== unsent);
        return;
    }
    const last = waiting.value[unsent] ?? state.value?.entries.find((e) => !e.undone && !gone.has(e.id));
    if (last) {
        waiting.value = [
            ...waiting.value,
            {
                id: newKey(),
                bin_id: last.bin_id,
                pieces: -last.pieces,
                mass_g: -last.mass_g,
                undoes: last.id,
            },
        ];
        void flush();
    }
}
const bins = computed(() =>
    (state.value?.bins ?? []).map((b) => {
        const more = waiting.value.filter((w) => w.bin_id === b.id);
        return {
            ...b,
            pieces: b.pieces + more.reduce((n, w) => n + w.pieces, 0),
            mass_g: b.mass_g + more.reduce((n, w) => n + w.mass_g, 0),
        };
    }),
);
const hand = ref(1);

const weighing = ref<number | null>(null);
const grams = ref<number | null>(null);
async function weigh(bin: number) {
    weighing.value = bin;
    grams.value = null;
    await nextTick();
    document.querySelector<HTMLInputElement>('.bin .in input')?.focus();
}
function take() {
    if (weighing.value !== null && grams.value) put(weighing.value, 0, grams.value);
    weighing.value = null;
}

const adding = ref(route.query.polymer !== undefined);
const what = ref(String(route.query.polymer ?? 'HDPE'));
const colour = ref('');
const swatch = ref('#9aa0a2');
const place = ref('');
const { busy, fault, send } = useSend();
const NAMED: Record<string, string> = {
    white: '#f4f2ec',
    black: '#262626',
    red: '#b3382c',
    blue: '#2f5f9e',
    green: '#4f8a3c',
    yellow: '#e0b73c',
    orange: '#d9772c',
    grey: '#8b8f92',
    clear: '#dfe8ea',
    brown: '#7a5640',
    natural: '#e8e2cf',
    pink: '#d795a6',
};
watch(colour, (c) => {
    const known = NAMED[c.trim().toLowerCase()];
    swatch.value = known ?? '#9aa0a2';
});
async function add() {
    const number = Math.max(0, ...bins.value.map((b) => b.place)) + 1;
    const waste = what.value === 'waste';
    const done = await send(() =>
        api.post<Sorting>(`sortings/${id}/bins`, {
            place: number,
            polymer: waste ? null : what.value,
            colour: waste ? 'waste' : colour.value || 'mixed',
            swatch: swatch.value,
            location: place.value,
        }),
    );
    if (done) {
        state.value = done;
        adding.value = false;
        colour.value = place.value = '';
    }
}
const reason = ref('');
let closing = newKey();
async function close() {
    const done = await send(() =>
        api.post<Sorting>(`sortings/${id}/close`, { id: closing, reason: reason.value }),
    );
    if (done) {
        state.value = done;
        closing = newKey();
    }
}
const share = (g: number) => `${Math.max(0, Math.min(100, (100 * g) / (state.value?.in_g ?? 1)))}%`;
usePageKeys('Sorting', () =>
    open.value
        ? [
              ...bins.value.slice(0, 9).map((b) => ({
                  key: 'qwertyuio'[b.place - 1] ?? '',
                  says: `${b.polymer ?? 'waste'}, ${b.colour}`,
                  where: 'Sort',
                  do: () => put(b.id, hand.value),
              })),
              { key: 'Backspace', says: 'Take the last back', where: 'Sort', do: undo },
          ]
        : [],
);
</script>

<template>
    <div class="page">
        <p v-if="!state" class="card">Opening the batch …</p>
        <template v-else>
            <div class="page-head">
                <div>
                    <h1>{{ state.about }}</h1>
                    <p class="quiet">
                        from {{ state.source.name }} ({{ state.source.state.replaceAll('_', ' ') }}),
                        {{ show(state.in_g, 'mass') }} in, begun {{ timeOfDay(state.started_at) }} by
                        {{ state.by }}
                    </p>
                </div>
                <div v-if="open" class="hands">
                    <div class="hand" role="group" aria-label="Pieces at a tap">
                        <button
                            v-for="n in [1, 2, 5, 10]"
                            :key="n"
                            type="button"
                            :aria-pressed="hand === n"
                            @click="hand = n"
                        >
                            {{ n }}
                        </button>
                    </div>
                    <v-btn variant="outlined" @click="undo">Take the last back</v-btn>
                </div>
            </div>
            <SortNav />
            <p v-if="net" role="status" class="fault">{{ net }}</p>
            <div v-if="open" class="bins">
                <article v-for="b in bins" :key="b.id" class="bin">
                    <button type="button" class="tap" @click="put(b.id, hand)">
                        <span
                            class="edge"
                            :style="{ background: b.polymer ? b.swatch : 'transparent' }"
                            :class="{ waste: !b.polymer }"
                        />
                        <span class="key" aria-hidden="true">{{ 'qwertyuio'[b.place - 1] }}</span>
                        <strong>{{ b.polymer ?? 'waste' }}</strong><span>{{
                            b.polymer ? b.colour : 'not sorted'
                        }}</span
                        ><span class="mono pieces">{{ b.pieces }}</span>
                        <span v-if="b.never_hot" class="tag bad">▲ never hot</span>
                    </button>
                    <div class="under">
                        <span class="mono">{{
                            b.mass_g > 0 ? show(b.mass_g, 'mass') : 'not weighed'
                        }}</span><button type="button" class="plain" @click="weigh(b.id)">Weigh</button>
                    </div>
                    <form v-if="weighing === b.id" class="fields in" @submit.prevent="take">
                        <TypedField dimension="mass" v-model="grams" label="Net mass" /><v-btn
                            type="submit"
                            color="primary"
                            size="small"
                            :disabled="!grams"
                            >In</v-btn
                        >
                    </form>
                </article>
                <button v-if="!adding" type="button" class="new" @click="adding = true">
                    + Open a container
                </button>
            </div>
            <form v-if="open && adding" class="card fields" @submit.prevent="add">
                <label
                    >Polymer<select v-model="what">
                        <option v-for="p in polymers ?? []" :key="p.code" :value="p.code">
                            {{ p.code }}, {{ p.name }}
                        </option>
                        <option value="waste">waste, not sorted</option>
                    </select></label
                >
                <template v-if="what !== 'waste'"
                    ><label
                        >Colour<input v-model="colour" list="colours" placeholder="white" /><datalist
                            id="colours"
                        >
                            <option v-for="(_, c) in NAMED" :key="c" :value="c" /></datalist></label
                    ><label>Swatch<input v-model="swatch" type="color" /></label
                    ><label>Goes to<input v-model="place" placeholder="Rack A4" /></label
                ></template>
                <div class="acts">
                    <v-btn color="primary" type="submit" :loading="busy">Open it</v-btn
                    ><v-btn variant="outlined" @click="adding = false">Leave</v-btn
                    ><router-link :to="`/sort/find?sorting=${id}`">Which polymer is it?</router-link>
                </div>
            </form>
            <section class="card balance" aria-label="Mass balance">
                <h2>Balance</h2>
                <div
                    class="scale"
                    role="img"
                    :aria-label="`${show(state.sorted_g, 'mass')} sorted, ${show(state.waste_g, 'mass')} waste, ${show(state.missing_g, 'mass')} missing of ${show(state.in_g, 'mass')}`"
                >
                    <span
                        v-for="b in bins.filter((x) => x.polymer && x.mass_g > 0)"
                        :key="b.id"
                        :style="{ width: share(b.mass_g), background: b.swatch }"
                        :title="`${b.polymer} ${b.colour}`"
                    /><span class="w" :style="{ width: share(state.waste_g) }" title="waste" />
                </div>
                <p>
                    <strong>{{ show(state.sorted_g, 'mass') }}</strong> sorted ·
                    <strong>{{ show(state.waste_g, 'mass') }}</strong> waste ·
                    <strong>{{ show(state.missing_g, 'mass') }}</strong> missing of
                    {{ show(state.in_g, 'mass') }}, ± {{ show(state.tolerance_g, 'mass') }}
                </p>
                <p :class="{ fault: !state.closes, goodword: state.closes }">{{ state.because }}</p>
                <div v-if="open" class="fields">
                    <label v-if="!state.closes" class="wide"
                        >Why it does not close<input v-model="reason"
                    /></label>
                    <div class="acts">
                        <v-btn color="primary" :loading="busy" @click="close"
                            >Close: containers become lots</v-btn
                        >
                        <p v-if="fault" role="alert" class="fault">{{ sentence(fault) }}</p>
                    </div>
                </div>
            </section>
            <section v-if="!open" class="card">
                <h2>Became lots</h2>
                <table class="rows">
                    <tbody>
                        <tr v-for="b in bins.filter((x) => x.lot_id)" :key="b.id">
                            <td>
                                <i class="swatch" :style="{ background: b.swatch }" /><router-link
                                    :to="`/sort/lots/${b.lot_id}`"
                                    >{{ b.lot }}</router-link
                                >
                            </td>
                            <td>{{ b.polymer }}, {{ b.colour }}</td>
                            <td>{{ b.pieces }} pieces</td>
                            <td class="n mono">{{ show(b.mass_g, 'mass') }}</td>
                            <td><a :href="`/api/v1/lots/${b.lot}/label.pdf`" target="_blank">Label</a></td>
                        </tr>
                    </tbody>
                </table>
            </section>
        </template>
    </div>
</template>

<style scoped>
.hands {
    display: flex;
    gap: 12px;
    align-items: center;
}
.hand {
    display: flex;
    border: 1px solid var(--ink);
    border-radius: 4px;
    overflow: hidden;
}
.hand button {
    min-width: 52px;
    min-height: var(--touch);
    border: 0;
    background: var(--paper);
    color: inherit;
    font: 700 1rem var(--font);
    cursor: pointer;
}
.hand [aria-pressed='true'] {
    background: var(--ink);
    color: var(--paper);
}
.bins {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(190px, 1fr));
    gap: 12px;
    margin-bottom: 14px;
}
.bin {
    border: 1px solid var(--line);
    border-radius: 4px;
    background: var(--paper);
    overflow: hidden;
}
.tap {
    position: relative;
    width: 100%;
    min-height: 138px;
    border: 0;
    background: none;
    color: inherit;
    font: inherit;
    text-align: left;
    padding: 12px 12px 8px 26px;
    display: grid;
    grid-template-columns: 1fr auto;
    align-content: start;
    cursor: pointer;
}
.tap:active {
    background: var(--still);
}
.tap strong {
    font-size: 1.5rem;
    line-height: 1.1;
    grid-column: 1;
}
.tap > span:nth-of-type(3) {
    grid-column: 1;
}
.tap .key {
    grid-column: 2;
    grid-row: 1;
}
.edge {
    position: absolute;
    inset: 0 auto 0 0;
    width: 14px;
    border-right: 1px solid var(--line);
}
.edge.waste {
    background: repeating-linear-gradient(45deg, var(--line) 0 6px, transparent 6px 12px) !important;
}
.pieces {
    grid-column: 1 / -1;
    font-size: 2.6rem;
    line-height: 1.1;
}
.tag {
    grid-column: 1 / -1;
    justify-self: start;
}
.under {
    display: flex;
    justify-content: space-between;
    align-items: center;
    padding: 0 6px 0 14px;
    border-top: 1px solid var(--line);
}
.in {
    padding: 8px 12px;
    grid-template-columns: 1fr;
}
.new {
    min-height: 138px;
    border: 2px dashed var(--line);
    border-radius: 4px;
    background: none;
    color: inherit;
    font: 650 1rem var(--font);
    cursor: pointer;
}
.balance {
    margin: 14px 0;
}
.scale {
    display: flex;
    height: 26px;
    border: 1px solid var(--ink);
    border-radius: 3px;
    overflow: hidden;
    margin: 8px 0;
    background: repeating-linear-gradient(45deg, var(--still) 0 8px, var(--paper) 8px 16px);
}
.scale span {
    border-right: 1px solid var(--ink);
}
.scale .w {
    background: var(--quiet);
}
.goodword {
    color: var(--good);
    font-weight: 700;
}
</style>
