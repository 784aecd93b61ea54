<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query';
import { useLocalStorage } from '@vueuse/core';
import { computed, ref, watch } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { api } from '../../api/client';
import { newKey } from '../../api/queue';
import type { Evidence, Lot, Page, Ranking, SortingTest } from '../../api/types';
import { usePageKeys } from '../../parts/pageKeys';
import TypedField from '../../parts/TypedField.vue';
import { number } from '../../parts/units';
import { sentence, useSend } from '../../parts/useSend';
import OddsTable from './OddsTable.vue';
import SortNav from './SortNav.vue';
import TestDrawing from './TestDrawing.vue';

const route = useRoute();
const router = useRouter();
const { data: tests } = useQuery({
    queryKey: ['sorting-tests'],
    queryFn: () => api.list<SortingTest>('sorting-tests'),
    staleTime: Infinity,
});
const evidence = ref<Evidence[]>([]);
const without = useLocalStorage<string[]>('dithermic.tests-not-here', []);
const chosen = ref<string | null>(null);
const answer = ref<Ranking | null>(null);
const asking = useSend();
const keeping = useSend();
const kept = ref('');
const lot = computed(() => (route.query.lot ? String(route.query.lot) : null));
const sorting = computed(() => (route.query.sorting ? String(route.query.sorting) : null));

let turn = 0;
watch(
    [evidence, without],
    async () => {
        const mine = ++turn;
        kept.value = '';
        const next = await api
            .post<Ranking>('calc/identify.rank', { evidence: evidence.value, exclude_tests: without.value })
            .catch(() => null);
        if (mine === turn && next) {
            answer.value = next;
            chosen.value = null;
        }
    },
    { immediate: true, deep: true },
);

/** What the item was, once that is said: some tests are for some kinds only. */
const itemKind = computed(() => evidence.value.find((e) => e.test === 'item_kind')?.result ?? null);
const open = computed(() =>
    (tests.value ?? []).filter(
        (t) =>
            !evidence.value.some((e) => e.test === t.id) &&
            (t.only_for === null || (itemKind.value !== null && t.only_for.includes(itemKind.value))),
    ),
);
const NEVER_HOT = ['PVC-U', 'PVC-P', 'OTHER'];
const coldWord = computed(() => NEVER_HOT.includes(answer.value?.ranked[0]?.code ?? ''));
const test = computed(
    () => open.value.find((t) => t.id === (chosen.value ?? answer.value?.next_test?.test)) ?? null,
);
const name = (id: string) =>
    id === 'density' ? 'Density' : (tests.value?.find((t) => t.id === id)?.name ?? id);
const saw = (result: string) => {
    if (test.value) evidence.value = [...evidence.value, { test: test.value.id, result }];
};
const back = (id: string) => (evidence.value = evidence.value.filter((e) => e.test !== id));
const again = () => {
    evidence.value = [];
};
const decided = computed(() => answer.value !== null && answer.value.decision !== 'UNKNOWN');
const over = computed(
    () =>
        answer.value !== null &&
        !decided.value &&
        (answer.value.next_test === null ||
            (coldWord.value && (answer.value.ranked[0]?.probability ?? 0) > 0.97)),
);

const air = ref<number | null>(null);
const wet = ref<number | null>(null);
async function weighed() {
    const d = await asking.send(() =>
        api.post<{ density_g_cm3: number }>('calc/density.archimedes', {
            mass_air_g: air.value,
            mass_submerged_g: wet.value,
        }),
    );
    if (d)
        evidence.value = [
            ...evidence.value,
            { test: 'density', g_cm3: Math.round(d.density_g_cm3 * 1e4) / 1e4, se: 0.008 },
        ];
}

async function keep() {
    const id = newKey();
    const held = await keeping.send(async () => {
        const decision = await api.post<Ranking>('identifications', { id, evidence: evidence.value });
        if (lot.value) {
            await api.post<Page<Lot>>(`lots/${lot.value}/acts`, {
                id: newKey(),
                kind: 'identify',
                identification_id: id,
            });
            await router.push(`/sort/lots/${lot.value}`);
        } else if (sorting.value)
            await router.push(`/sort/batches/${sorting.value}?polymer=${decision.decision}`);
        return decision;
    });
    if (held) kept.value = `Kept: ${held.decision}.`;
}
usePageKeys('Finding the polymer', () => [
    ...(test.value?.results ?? [])
        .slice(0, 9)
        .map((r, i) => ({ key: 'qwertyuio'[i]!, says: r, where: test.value?.name ?? '', do: () => saw(r) })),
    {
        key: 'Backspace',
        says: 'Take the last back',
        where: 'Find',
        do: () => (evidence.value = evidence.value.slice(0, -1)),
    },
]);
</script>

<template>
    <div class="page">
        <div class="page-head">
            <div>
                <h1>Find the polymer</h1>
                <p class="quiet">
                    One safe test after the other, the one that tells most first.
                    {{ lot ? `For lot ${lot}.` : '' }}
                </p>
            </div>
            <v-btn v-if="evidence.length" variant="outlined" @click="again">Another item</v-btn>
        </div>
        <SortNav />
        <ul v-if="evidence.length" class="chips" aria-label="Seen so far">
            <li v-for="e in evidence" :key="e.test">
                <span
                    >{{ name(e.test) }}:
                    <strong>{{ e.result ?? `${number(e.g_cm3 ?? 0, 3)} g/cm³` }}</strong></span
                ><button type="button" :aria-label="`Take back ${name(e.test)}`" @click="back(e.test)">
                    ×
                </button>
            </li>
        </ul>
        <div class="find">
            <section class="card ask" aria-label="The question">
                <template v-if="decided && answer">
                    <p class="quiet">It is</p>
                    <p class="verdict mono">{{ answer.family.join(' or ') }}</p>
                    <p>{{ answer.because }}</p>
                    <div class="acts">
                        <v-btn color="primary" :loading="keeping.busy.value" @click="keep">{{
                            lot ? 'The lot is that' : sorting ? 'To its container' : 'Keep this'
                        }}</v-btn><v-btn variant="outlined" @click="again">Another item</v-btn>
                    </div>
                </template>
                <template v-else-if="over && answer">
                    <p class="quiet">It is</p>
                    <p class="verdict mono never">UNKNOWN</p>
                    <p>{{ answer.because }}</p>
                    <p class="fault">Its own bin, never hot.</p>
                    <div class="acts">
                        <v-btn color="primary" :loading="keeping.busy.value" @click="keep">{{
                            sorting ? 'To the unknown bin' : 'Keep as unknown'
                        }}</v-btn><v-btn variant="outlined" @click="again">Another item</v-btn>
                    </div>
                </template>
                <template v-else-if="test">
                    <div class="how">
                        <TestDrawing :test="test.id" />
                        <div>
                            <h2>{{ test.name }}</h2>
                            <p>{{ test.how }}</p>
                            <p v-if="test.caution" class="fault">{{ test.caution }}</p>
                            <p v-if="answer?.next_test?.test === test.id" class="quiet">
                                {{ answer.next_test.because }}
                            </p>
                        </div>
                    </div>
                    <div :class="['results', { many: test.results.length > 8 }]">
                        <button
                            v-for="(r, i) in test.results"
                            :key="r"
                            type="button"
                            class="result"
                            @click="saw(r)"
                        >
                            <span v-if="i < 9" class="key" aria-hidden="true">{{ 'qwertyuio'[i] }}</span>{{
                                r
                            }}
                        </button>
                    </div>
                </template>
                <p v-else class="quiet">Asking …</p>
                <p v-if="kept" role="status">{{ kept }}</p>
                <p v-if="keeping.fault.value" role="alert" class="fault">
                    {{ sentence(keeping.fault.value) }}
                </p>
            </section>
            <section class="card" aria-label="How likely each is">
                <p v-if="answer?.conflict" role="alert" class="fault">{{ answer.conflict.because }}</p>
                <OddsTable :ranked="answer?.ranked ?? []" :never-hot="NEVER_HOT" />
                <p v-if="evidence.length && !decided && !over" class="quiet">{{ answer?.because }}</p>
            </section>
        </div>
        <section class="card more" aria-label="Other tests">
            <div>
                <h2>Another test</h2>
                <div class="others">
                    <button
                        v-for="t in open"
                        :key="t.id"
                        type="button"
                        :class="['plain', { on: t.id === test?.id }]"
                        @click="chosen = t.id"
                    >
                        {{ t.name }}
                    </button>
                </div>
            </div>
            <form v-if="!evidence.some((e) => e.test === 'density')" class="fields" @submit.prevent="weighed">
                <h2>By weighing in water</h2>
                <TypedField v-model="air" dimension="mass" label="In air" /><TypedField
                    v-model="wet"
                    dimension="mass"
                    signed
                    label="Hung in water"
                    note="minus when it floats"
                />
                <div class="acts">
                    <v-btn
                        size="small"
                        variant="outlined"
                        type="submit"
                        :disabled="air === null || wet === null"
                        >Take the density</v-btn
                    ><span v-if="asking.fault.value" role="alert" class="fault">{{
                        sentence(asking.fault.value)
                    }}</span>
                </div>
            </form>
            <div>
                <h2>Not to hand</h2>
                <div class="others">
                    <label v-for="t in tests ?? []" :key="t.id"
                        ><input v-model="without" type="checkbox" :value="t.id" /> {{ t.name }}</label
                    >
                </div>
            </div>
            <p class="quiet">
                No burn tests. Burning PVC gives off hydrochloric acid, ABS, PA and PU worse, and a flame
                tells less than these tests do. A liquid is checked with a known piece before it is believed.
            </p>
        </section>
    </div>
</template>

<style scoped>
.find {
    display: grid;
    grid-template-columns: minmax(0, 1.5fr) minmax(260px, 1fr);
    gap: 16px;
}
.how {
    display: grid;
    grid-template-columns: 200px 1fr;
    gap: 18px;
    align-items: start;
    margin-bottom: 14px;
}
.results {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(170px, 1fr));
    gap: 8px;
}
.result {
    min-height: 64px;
    border: 1.5px solid var(--ink);
    border-radius: 4px;
    background: var(--paper);
    color: var(--ink);
    font: inherit;
    font-weight: 700;
    font-size: 1.05rem;
    cursor: pointer;
    display: flex;
    align-items: center;
    gap: 10px;
    padding: 6px 12px;
    text-align: left;
}
.result:hover {
    background: var(--still);
}
.results.many {
    grid-template-columns: repeat(auto-fill, minmax(152px, 1fr));
    gap: 6px;
}
.many .result {
    min-height: 50px;
    font-size: 0.94rem;
    padding: 4px 8px;
    gap: 8px;
}
.glove .result {
    min-height: 76px;
}
.verdict {
    font-size: 3.2rem;
    line-height: 1.1;
}
.verdict.never {
    color: var(--alarm);
}
.acts {
    display: flex;
    gap: 10px;
    margin-top: 14px;
    flex-wrap: wrap;
}
.chips {
    list-style: none;
    padding: 0;
    margin: 0 0 12px;
    display: flex;
    flex-wrap: wrap;
    gap: 8px;
}
.chips li {
    display: flex;
    align-items: center;
    border: 1px solid var(--line);
    border-radius: 4px;
    background: var(--paper);
    padding-left: 12px;
}
.chips button {
    width: 44px;
    height: 44px;
    border: 0;
    background: none;
    color: inherit;
    font-size: 1.3rem;
    cursor: pointer;
}
.more {
    margin-top: 16px;
    display: grid;
    grid-template-columns: 1.2fr 1fr 1.2fr;
    gap: 20px;
}
.more > p {
    grid-column: 1 / -1;
}
.others {
    display: flex;
    flex-wrap: wrap;
    gap: 2px 10px;
}
.others label {
    min-height: 36px;
    display: inline-flex;
    align-items: center;
    gap: 6px;
}
.on {
    font-weight: 700;
}
.fields h2 {
    grid-column: 1 / -1;
}
.fields {
    grid-template-columns: 1fr 1fr;
    align-content: start;
}
@media (max-width: 1100px) {
    .find,
    .more {
        grid-template-columns: 1fr;
    }
    .how {
        grid-template-columns: 120px 1fr;
    }
}
</style>
