<script setup lang="ts">
import { useQueryClient } from '@tanstack/vue-query';
import { useLocalStorage } from '@vueuse/core';
import { computed, onMounted, ref } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { api } from '../../api/client';
import { newKey } from '../../api/queue';
import type { Charge } from '../../api/types';
import TypedField from '../../parts/TypedField.vue';
import { usePageKeys } from '../../parts/pageKeys';
import { show } from '../../parts/units';
import { sentence, useSend } from '../../parts/useSend';
import ChargeLog from './ChargeLog.vue';
import ChargeSteps from './ChargeSteps.vue';
import LotChoice from './LotChoice.vue';
import MixStrip from './MixStrip.vue';
import type { Reading } from './scale/driver';
import { useScale } from './scale/useScale';
import ScaleChoice from './ScaleChoice.vue';
import ScaleGauge from './ScaleGauge.vue';
import { useLotChoice } from './useLotChoice';
import WeighNav from './WeighNav.vue';

const id = String(useRoute().params.id);
const router = useRouter();
const queries = useQueryClient();
const charge = ref<Charge | null>(null);
const missing = ref(false);
const take = (next: Charge) => {
    charge.value = next;
    void queries.invalidateQueries({ queryKey: ['charges'] });
    void queries.invalidateQueries({ queryKey: ['lot'] });
};
onMounted(() =>
    api
        .get<Charge>(`charges/${id}`)
        .then((c) => {
            charge.value = c;
            at.value = first(c);
        })
        .catch(() => (missing.value = true)),
);
const first = (c: Charge) => {
    const i = c.components.findIndex((x) => x.state !== 'good');
    return i < 0 ? c.components.length - 1 : i;
};
const at = ref(0);
const now = computed(() => charge.value?.components[at.value] ?? null);
const weighing = computed(() => charge.value?.status === 'weighing');
/** As many decimals as the scale tells. */
const digits = computed(() => {
    const step = charge.value?.scale_g ?? 1;
    return step >= 1 ? 0 : step >= 0.1 ? 1 : 2;
});
const g = (grams: number | null | undefined) => show(grams, 'mass', digits.value);
const done = computed(() => charge.value?.components.every((c) => c.state === 'good') ?? false);

const choice = useLotChoice(charge, at);
const { lotId, stop, reason, lot } = choice;
const scale = useScale(charge, heard);
const { which, driver, reading, how } = scale;
const live = computed(() => reading.value?.grams ?? 0);
const would = computed(() => (now.value ? now.value.weighed_g + live.value : 0));
const state = computed(() =>
    !now.value
        ? 'empty'
        : would.value < now.value.target_g - now.value.tolerance_g
          ? 'short'
          : would.value > now.value.target_g + now.value.tolerance_g
            ? 'over'
            : 'good',
);
/** Steady and in tolerance for this long: it goes in by itself. */
const HOLD_MS = 1500;
let steadySince = 0;
const auto = useLocalStorage('dithermic.scale-auto', true);
function heard(next: Reading) {
    reading.value = next;
    const right =
        next.stable &&
        next.fault === null &&
        next.grams > 0 &&
        state.value === 'good' &&
        lot.value !== null &&
        weighing.value &&
        !busy.value;
    if (!right) steadySince = 0;
    else if (steadySince === 0) steadySince = performance.now();
    else if (auto.value && performance.now() - steadySince > HOLD_MS) {
        steadySince = 0;
        void put(next.grams, how.value);
    }
}
const { busy, fault, send } = useSend();
let key = newKey();
async function put(grams: number, how: string) {
    if (!now.value || lotId.value === null || grams === 0) return;
    const from = at.value;
    const next = await send(() =>
        api.post<Charge>(`charges/${id}/weighings`, {
            id: key,
            component: from,
            lot_id: lotId.value,
            mass_g: Math.round(grams * 1000) / 1000,
            how,
            reason: reason.value,
        }),
    );
    if (!next) {
        if (fault.value?.field !== '') key = newKey();
        return;
    }
    key = newKey();
    scale.tare();
    take(next);
    if (next.components[from]?.state === 'good') at.value = first(next);
}
const byHand = ref<number | null>(null);
async function typed(sign: 1 | -1) {
    if (byHand.value) {
        await put(sign * byHand.value, 'hand');
        if (!fault.value) byHand.value = null;
    }
}
const rescale = (total: number) =>
    send(async () =>
        take(await api.post<Charge>(`charges/${id}/total`, { id: newKey(), total_g: total })),
    ).then(() => {
        if (charge.value) at.value = first(charge.value);
    });
const lastIn = computed(
    () =>
        [...(charge.value?.weighings ?? [])]
            .reverse()
            .find((w) => w.component === at.value && w.mass_g > 0) ?? null,
);
const takeOut = (grams: number) => {
    if (lastIn.value) {
        lotId.value = lastIn.value.lot_id;
        void put(-grams, 'hand');
    }
};
/** What was put in wrongly comes out again, lot by lot, and is weighed anew. */
const wrong = computed(() => {
    const lots = new Map<number, number>();
    for (const w of charge.value?.weighings ?? [])
        if (w.component === at.value) lots.set(w.lot_id, (lots.get(w.lot_id) ?? 0) + w.mass_g);
    return [...lots].filter(([, grams]) => grams > 1e-6);
});
async function again() {
    const from = at.value;
    for (const [lot, grams] of wrong.value) {
        lotId.value = lot;
        await put(-grams, 'hand');
        if (fault.value) return;
        at.value = from;
    }
}
const finish = () => send(async () => take(await api.post<Charge>(`charges/${id}/finish`, { id: newKey() })));
const giveBack = (why: string) =>
    send(async () => take(await api.post<Charge>(`charges/${id}/return`, { id: newKey(), reason: why })));
function toRun() {
    if (!charge.value) return;
    const draft = JSON.parse(localStorage.getItem('dithermic.set') ?? '{}') as Record<string, unknown>;
    localStorage.setItem(
        'dithermic.set',
        JSON.stringify({
            ...draft,
            product_id: charge.value.product_id ?? draft.product_id,
            lot_id: charge.value.main_lot_id,
            charge_id: charge.value.id,
        }),
    );
    void router.push('/set');
}
usePageKeys('Weighing', () => [
    { key: 't', says: 'Tare', where: 'Weigh', do: () => driver.value?.tare() },
    {
        key: 'Enter',
        says: 'Take what the scale says',
        where: 'Weigh',
        do: () => {
            if (reading.value?.stable) void put(reading.value.grams, how.value);
        },
    },
]);
</script>

<template>
    <div class="page">
        <p v-if="!charge" class="card">{{ missing ? 'There is no such charge.' : 'Opening the charge …' }}</p>
        <template v-else>
            <div class="page-head">
                <div>
                    <h1>{{ charge.code }}</h1>
                    <p class="quiet">
                        {{ charge.about }} · {{ charge.polymer }} · {{ g(charge.total_g) }} · by
                        {{ charge.by }}
                    </p>
                </div>
                <MixStrip
                    class="strip"
                    :parts="
                        charge.components.map((x) => ({
                            name: x.name,
                            swatch: x.swatch,
                            percent: (100 * x.target_g) / charge!.total_g,
                        }))
                    "
                />
            </div>
            <WeighNav />
            <p v-for="c in charge.cautions" :key="c" class="fault">{{ c }}</p>
            <div v-if="weighing && now" class="bench">
                <ChargeSteps v-model="at" :charge="charge" :digits="digits" :g="g" />
                <section class="card now" :aria-label="`Weigh ${now.name}`">
                    <h2>
                        {{ now.name }}: {{ g(now.target_g) }}
                        <span class="quiet">± {{ g(now.tolerance_g) }}</span>
                    </h2>
                    <ScaleGauge
                        :now="now"
                        :reading="reading"
                        :would="would"
                        :state="state"
                        :by-hand="which === 'hand'"
                        :digits="digits"
                        :g="g"
                    />
                    <p v-if="stop" role="alert" class="stop">▲ {{ stop }}</p>
                    <p v-if="fault" role="alert" class="fault">{{ sentence(fault) }}</p>
                    <div v-if="now.state === 'over'" class="over">
                        <p class="fault">{{ now.advice }}</p>
                        <div class="acts">
                            <v-btn variant="outlined" @click="takeOut(now.take_out_g ?? 0)"
                                >{{ g(now.take_out_g) }} taken out</v-btn
                            ><v-btn variant="outlined" @click="rescale(now.scale_up_to_g ?? 0)"
                                >Make {{ g(now.scale_up_to_g) }} instead</v-btn
                            >
                        </div>
                    </div>
                    <div class="acts">
                        <v-btn v-if="wrong.length" variant="outlined" :loading="busy" @click="again"
                            >Weigh {{ now.name }} again</v-btn
                        ><template v-if="which !== 'hand'"
                            ><v-btn
                                color="primary"
                                :loading="busy"
                                :disabled="!reading?.stable || live === 0 || lot === null"
                                @click="put(live, how)"
                                >Take {{ g(live) }}</v-btn
                            ><v-btn variant="outlined" @click="driver?.tare()">Tare</v-btn
                            ><label class="auto"
                                ><input v-model="auto" type="checkbox" /> goes in by itself when steady</label
                            ></template
                        >
                    </div>
                    <form class="fields hand" @submit.prevent="typed(1)">
                        <TypedField dimension="mass" v-model="byHand" label="By hand" />
                        <div class="acts">
                            <v-btn
                                type="submit"
                                :color="which === 'hand' ? 'primary' : undefined"
                                :variant="which === 'hand' ? 'flat' : 'outlined'"
                                :disabled="!byHand || lot === null"
                                >In</v-btn
                            ><v-btn
                                variant="outlined"
                                :disabled="!byHand || lotId === null"
                                @click="typed(-1)"
                                >Out again</v-btn
                            >
                        </div>
                    </form>
                </section>
                <section class="card side">
                    <LotChoice :charge="charge" :now="now" :choice="choice" />
                    <ScaleChoice :scale="scale" />
                    <p v-if="charge.premix" class="quiet">{{ (charge.premix as { says?: string }).says }}</p>
                </section>
            </div>
            <div v-if="weighing" class="acts end">
                <v-btn color="primary" size="large" :disabled="!done" :loading="busy" @click="finish">{{
                    done ? 'The charge is weighed' : 'Bring every part into tolerance'
                }}</v-btn>
            </div>
            <section v-if="charge.status === 'waiting'" class="card waits">
                <h2>It waits for its run</h2>
                <p>
                    Put the label on it:
                    <a :href="`/api/v1/charges/${charge.id}/label.pdf`" target="_blank">PDF</a>,
                    <a :href="`/api/v1/charges/${charge.id}/label.svg`" target="_blank">SVG</a>.
                </p>
                <div class="acts"><v-btn color="primary" @click="toRun">Set its run up</v-btn></div>
            </section>
            <p v-if="charge.status === 'used'" class="card">
                It went into <router-link :to="`/learn/${charge.run_id}`">its run</router-link>.
            </p>
            <ChargeLog :charge="charge" :g="g" @back="giveBack" />
        </template>
    </div>
</template>

<style scoped>
.strip {
    width: 260px;
}
.bench {
    display: grid;
    grid-template-columns: 230px minmax(0, 1fr) 270px;
    gap: 12px;
    align-items: start;
}
.stop {
    background: var(--alarm-soft);
    border: 2px solid var(--alarm);
    color: var(--alarm);
    font-weight: 700;
    font-size: 1.25rem;
    padding: 12px;
    border-radius: 4px;
}
.acts {
    display: flex;
    gap: 10px;
    flex-wrap: wrap;
    align-items: center;
    margin: 8px 0;
}
.auto {
    display: flex;
    align-items: center;
    gap: 6px;
    min-height: 44px;
}
.hand {
    border-top: 1px solid var(--line);
    padding-top: 10px;
    grid-template-columns: 160px 1fr;
}
.end {
    justify-content: flex-end;
}
.waits {
    margin-top: 12px;
}
@media (max-width: 1240px) {
    .bench {
        grid-template-columns: 190px minmax(0, 1fr) 240px;
    }
}
@media (max-width: 1000px) {
    .bench {
        grid-template-columns: 1fr;
    }
}
</style>
