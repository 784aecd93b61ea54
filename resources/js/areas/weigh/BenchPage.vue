<script setup lang="ts">
import { useQueryClient } from '@tanstack/vue-query';
import { useLocalStorage } from '@vueuse/core';
import { computed, onBeforeUnmount, onMounted, ref, shallowRef, watch } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { api } from '../../api/client';
import { newKey } from '../../api/queue';
import type { Charge, Lot, LotDetail } from '../../api/types';
import TypedField from '../../parts/TypedField.vue';
import { usePageKeys } from '../../parts/pageKeys';
import { onScan } from '../../parts/scan';
import { number, show, timeOfDay } from '../../parts/units';
import { sentence, useSend } from '../../parts/useSend';
import MixStrip from './MixStrip.vue';
import type { Reading, ScaleDriver } from './scale/driver';
import { ownPattern, PATTERNS, type LinePattern } from './scale/lines';
import { hasSerial, SerialScale } from './scale/serial';
import { SimulatedScale } from './scale/simulated';
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

// ── which lot
const lotId = ref<number | null>(null);
const stop = ref('');
const reason = ref('');
// Each part begins at its own first lot: the last part's lot would be the wrong one.
watch(at, () => {
    kept.value = null;
    reason.value = stop.value = '';
    lotId.value = now.value?.lots[0]?.id ?? null;
});
watch(now, () => {
    if (stop.value === '' && !lots.value.some((l) => l.id === lotId.value))
        lotId.value = now.value?.lots[0]?.id ?? null;
});
// A lot that is kept for another product goes in with a written reason only.
const kept = ref<Lot | null>(null);
const lots = computed(() => [...(now.value?.lots ?? []), ...(kept.value ? [kept.value] : [])]);
const lot = computed(
    () =>
        lots.value.find(
            (l) =>
                l.id === lotId.value &&
                (!l.reserved_for || l.id !== kept.value?.id || reason.value.trim().length > 4),
        ) ?? null,
);
async function scanned(code: string) {
    stop.value = '';
    kept.value = null;
    const known = now.value?.lots.find((l) => l.code === code);
    if (known) {
        lotId.value = known.id;
        return;
    }
    const other = await api.get<LotDetail>(`lots/${code}`).catch(() => null);
    if (other && other.lot.polymer === charge.value?.polymer && other.lot.mass_g > 0) {
        kept.value = other.lot;
        lotId.value = other.lot.id;
        return;
    }
    stop.value =
        other === null
            ? `There is no lot ${code}.`
            : other.lot.polymer !== charge.value?.polymer
              ? `Stop: ${code} is ${other.lot.polymer}, this charge is ${charge.value?.polymer}. Put it back.`
              : `${code} is empty.`;
    lotId.value = null;
}
const typedCode = ref('');
onBeforeUnmount(
    onScan((code) => {
        if (!weighing.value || !code.startsWith('L')) return false;
        void scanned(code);
        return true;
    }),
);

// ── the scale
const which = useLocalStorage<'simulated' | 'serial' | 'hand'>('dithermic.scale', 'simulated');
const lineFormat = useLocalStorage<string>('dithermic.scale-lines', 'plain');
const own = useLocalStorage('dithermic.scale-own', {
    expression: '(?<value>\\d+\\.\\d+)',
    unit: 'g',
    stable: '',
    baud: 9600,
});
const driver = shallowRef<ScaleDriver | null>(null);
const reading = ref<Reading | null>(null);
const scaleFault = ref('');
const simulated = computed(() => (driver.value instanceof SimulatedScale ? driver.value : null));
const plugged = ref(true);
async function connect() {
    await driver.value?.stop();
    reading.value = null;
    scaleFault.value = '';
    driver.value = null;
    if (which.value === 'hand') return;
    try {
        const lines: LinePattern =
            lineFormat.value === 'own'
                ? ownPattern(own.value.expression, own.value.unit, own.value.stable)
                : (PATTERNS[lineFormat.value] ?? PATTERNS.plain!);
        const next =
            which.value === 'simulated'
                ? new SimulatedScale(charge.value?.scale_g ?? 1)
                : new SerialScale(lines, own.value.baud);
        await next.start(heard);
        driver.value = next;
        plugged.value = true;
    } catch (error) {
        scaleFault.value =
            error instanceof Error
                ? error.name === 'NotFoundError'
                    ? 'No scale was chosen.'
                    : error.message
                : 'The scale does not answer.';
    }
}
watch([which, () => charge.value?.id], () => {
    if (which.value !== 'serial' && charge.value) void connect();
    else void driver.value?.stop();
});
onBeforeUnmount(() => void driver.value?.stop());
const live = computed(() => reading.value?.grams ?? 0);
const would = computed(() => (now.value ? now.value.weighed_g + live.value : 0));
const share = (grams: number) =>
    `${Math.max(0, Math.min(100, (100 * grams) / (1.25 * (now.value?.target_g ?? 1))))}%`;
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
        void put(next.grams, which.value === 'serial' ? 'scale' : 'simulated');
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
    driver.value?.tare();
    if (reading.value) reading.value = { ...reading.value, grams: 0, stable: false };
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
const finish = () => send(async () => take(await api.post<Charge>(`charges/${id}/finish`, { id: newKey() })));
const back = ref('');
const giveBack = () =>
    send(async () =>
        take(await api.post<Charge>(`charges/${id}/return`, { id: newKey(), reason: back.value })),
    );
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
            if (reading.value?.stable)
                void put(reading.value.grams, which.value === 'serial' ? 'scale' : 'simulated');
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
                <ol class="steps card" aria-label="What goes in">
                    <li v-for="(c, i) in charge.components" :key="c.name">
                        <button
                            type="button"
                            :class="{ on: i === at }"
                            :aria-current="i === at ? 'step' : undefined"
                            @click="at = i"
                        >
                            <i class="swatch" :style="{ background: c.swatch }" /><span
                                ><strong>{{ c.name }}</strong
                                ><br /><span class="num"
                                    >{{ number(c.weighed_g, digits) }} of {{ g(c.target_g) }}</span
                                ></span
                            ><span
                                :class="[
                                    'tag',
                                    c.state === 'good' ? 'good' : c.state === 'over' ? 'bad' : '',
                                ]"
                                >{{ c.state === 'over' ? '▲ over' : c.state }}</span
                            >
                        </button>
                    </li>
                </ol>
                <section class="card now" :aria-label="`Weigh ${now.name}`">
                    <h2>
                        {{ now.name }}: {{ g(now.target_g) }}
                        <span class="quiet">± {{ g(now.tolerance_g) }}</span>
                    </h2>
                    <p :class="['live', 'mono', state]" role="status" aria-live="off">
                        {{
                            reading?.fault === 'overload'
                                ? 'overload'
                                : reading?.fault === 'unplugged'
                                  ? 'no scale'
                                  : which === 'hand'
                                    ? g(now.weighed_g)
                                    : g(would)
                        }}
                    </p>
                    <div
                        class="gauge"
                        role="img"
                        :aria-label="`${number(would, 1)} of ${number(now.target_g, 1)} g`"
                    >
                        <span
                            class="band"
                            :style="{
                                left: share(now.target_g - now.tolerance_g),
                                width: `calc(${share(now.target_g + now.tolerance_g)} - ${share(now.target_g - now.tolerance_g)})`,
                            }"
                        /><span
                            :class="['fill', state]"
                            :style="{
                                width: share(which === 'hand' ? now.weighed_g : would),
                                background: state === 'over' ? undefined : now.swatch,
                            }"
                        /><span class="mark" :style="{ left: share(now.target_g) }" />
                    </div>
                    <p class="word">
                        <template v-if="now.state === 'good'">In tolerance.</template
                        ><template v-else-if="reading?.fault">{{
                            reading.fault === 'overload'
                                ? 'Too heavy for this scale: take something off.'
                                : 'The scale is unplugged. Plug it in, or weigh by hand.'
                        }}</template
                        ><template v-else-if="state === 'good'">{{
                            reading?.stable ? 'Steady: it goes in by itself.' : 'There. Let it settle.'
                        }}</template
                        ><template v-else-if="state === 'over'"
                            >{{ number(would - now.target_g, digits) }} g too much.</template
                        ><template v-else>{{ number(now.target_g - would, digits) }} g to go.</template>
                    </p>
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
                        <template v-if="which !== 'hand'"
                            ><v-btn
                                color="primary"
                                :loading="busy"
                                :disabled="!reading?.stable || live === 0 || lot === null"
                                @click="put(live, which === 'serial' ? 'scale' : 'simulated')"
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
                    <h2>From which lot</h2>
                    <p v-if="now.lots.length === 0" class="fault">
                        No lot of {{ charge.polymer }} has anything in it.
                    </p>
                    <label v-for="(l, i) in lots" :key="l.id" :class="['lot', { on: l.id === lotId }]"
                        ><input v-model="lotId" type="radio" name="lot" :value="l.id" @change="stop = ''" /><i
                            class="swatch"
                            :style="{ background: l.swatch }"
                        /><span
                            ><strong>{{ l.code }}</strong> {{ l.colour }}<br /><span class="quiet"
                                >{{ l.location }}, {{ show(l.mass_g, 'mass')
                                }}{{ i === 0 && l !== kept ? ' · first in' : ''
                                }}<template v-if="l.reserved_for">
                                    · kept for {{ l.reserved_for }}</template
                                ></span
                            ></span
                        ></label
                    >
                    <label v-if="kept?.reserved_for" class="why"
                        >{{ kept.code }} is kept for {{ kept.reserved_for }}. Take it all the same,
                        because<input v-model="reason" maxlength="500"
                    /></label>
                    <form
                        class="scan"
                        @submit.prevent="
                            scanned(typedCode.toUpperCase());
                            typedCode = '';
                        "
                    >
                        <label>Scan or type<input v-model="typedCode" placeholder="L-0101" /></label>
                    </form>
                    <h2>Scale</h2>
                    <div class="which">
                        <label
                            v-for="[w, says] in [
                                ['simulated', 'Simulated'],
                                ['serial', 'Serial line'],
                                ['hand', 'By hand'],
                            ]"
                            :key="w"
                            ><input v-model="which" type="radio" name="scale" :value="w" /> {{ says }}</label
                        >
                    </div>
                    <div v-if="simulated" class="sim">
                        <button
                            v-for="n in [1000, 100, 10, 1, -10, -100]"
                            :key="n"
                            type="button"
                            @click="simulated.pour(n)"
                        >
                            {{ n > 0 ? '+' : '−' }}{{ Math.abs(n) }}</button
                        ><button type="button" @click="simulated.plugged = plugged = !plugged">
                            {{ plugged ? 'unplug' : 'plug in' }}
                        </button>
                    </div>
                    <div v-if="which === 'serial'" class="serial">
                        <label
                            >Its lines<select v-model="lineFormat">
                                <option v-for="(p, k) in PATTERNS" :key="k" :value="k">{{ p.title }}</option>
                                <option value="own">our own pattern</option>
                            </select></label
                        ><template v-if="lineFormat === 'own'"
                            ><label>Pattern<input v-model="own.expression" /></label
                            ><label
                                >Unit<select v-model="own.unit">
                                    <option>g</option>
                                    <option>kg</option>
                                    <option>lb</option>
                                    <option>oz</option>
                                </select></label
                            ><label
                                >Steady when<input
                                    v-model="own.stable"
                                    placeholder="always" /></label></template
                        ><label
                            >Baud<select v-model.number="own.baud">
                                <option v-for="b in [1200, 2400, 4800, 9600, 19200, 115200]" :key="b">
                                    {{ b }}
                                </option>
                            </select></label
                        ><v-btn size="small" variant="outlined" :disabled="!hasSerial()" @click="connect"
                            >Choose the scale</v-btn
                        >
                        <p v-if="!hasSerial()" class="quiet">
                            This browser has no serial line. Weigh by hand.
                        </p>
                    </div>
                    <p v-if="scaleFault" role="alert" class="fault">{{ scaleFault }}</p>
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
            <section class="card log">
                <h2>What went in</h2>
                <p v-if="charge.weighings.length === 0" class="quiet">Nothing yet.</p>
                <table v-else class="rows">
                    <tbody>
                        <tr v-for="w in charge.weighings" :key="w.id">
                            <td class="num">{{ timeOfDay(w.at) }}</td>
                            <td>{{ charge.components[w.component]?.name }}</td>
                            <td>
                                <router-link :to="`/sort/lots/${w.lot_id}`">{{ w.lot }}</router-link>
                            </td>
                            <td>
                                {{
                                    {
                                        hand: 'by hand',
                                        scale: 'from the scale',
                                        simulated: 'simulated scale',
                                    }[w.how]
                                }}<template v-if="w.reason">, {{ w.reason }}</template>
                            </td>
                            <td>{{ w.by }}</td>
                            <td class="n mono">{{ w.mass_g > 0 ? '+' : '−' }}{{ g(Math.abs(w.mass_g)) }}</td>
                        </tr>
                    </tbody>
                </table>
                <form
                    v-if="charge.status === 'weighing' || charge.status === 'waiting'"
                    class="fields"
                    @submit.prevent="giveBack"
                >
                    <label>Not needed after all, because<input v-model="back" maxlength="500" /></label>
                    <div class="acts">
                        <v-btn size="small" variant="outlined" type="submit" :disabled="!back.trim()"
                            >Give it back to its lots</v-btn
                        >
                    </div>
                </form>
            </section>
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
.steps {
    list-style: none;
    margin: 0;
    padding: 6px;
}
.steps button {
    width: 100%;
    display: grid;
    grid-template-columns: auto 1fr auto;
    gap: 8px;
    align-items: center;
    text-align: left;
    background: none;
    border: 0;
    border-left: 4px solid transparent;
    color: inherit;
    font: inherit;
    padding: 10px 8px;
    min-height: 60px;
    cursor: pointer;
}
.steps .on {
    border-color: var(--ember);
    background: var(--still);
}
.live {
    font-size: 5.2rem;
    line-height: 1.05;
}
.live.good {
    color: var(--good);
}
.live.over {
    color: var(--alarm);
}
.gauge {
    position: relative;
    height: 44px;
    border: 1.5px solid var(--ink);
    border-radius: 4px;
    overflow: hidden;
    background: var(--paper);
    margin: 6px 0;
}
.fill {
    position: absolute;
    inset: 0 auto 0 0;
    border-right: 2px solid var(--ink);
}
.fill.over {
    background: repeating-linear-gradient(45deg, var(--alarm) 0 8px, var(--alarm-soft) 8px 16px);
}
.band {
    position: absolute;
    inset: 0 auto;
    background: var(--slate-soft);
}
.mark {
    position: absolute;
    inset: 0 auto;
    width: 3px;
    background: var(--ink);
}
.word {
    font-size: 1.25rem;
    font-weight: 650;
    min-height: 1.6em;
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
.lot {
    display: grid;
    grid-template-columns: auto auto 1fr;
    gap: 8px;
    align-items: center;
    padding: 6px 4px;
    min-height: 52px;
    border-bottom: 1px solid var(--line);
    cursor: pointer;
}
.lot.on {
    background: var(--still);
}
.lot .swatch {
    margin: 0;
}
.lot input,
.which input {
    width: 20px;
    height: 20px;
    accent-color: var(--ember);
}
.scan label,
.serial label,
.why {
    display: grid;
    font-weight: 600;
    gap: 4px;
    margin: 8px 0;
}
.scan input,
.why input,
.serial input,
.serial select {
    min-height: 44px;
    border: 1px solid var(--line);
    border-radius: 4px;
    background: var(--paper);
    color: var(--ink);
    font: inherit;
    padding: 0 8px;
    width: 100%;
}
.which {
    display: flex;
    gap: 4px 12px;
    flex-wrap: wrap;
}
.which label {
    display: flex;
    gap: 6px;
    align-items: center;
    min-height: 44px;
}
.sim {
    display: grid;
    grid-template-columns: repeat(4, 1fr);
    gap: 6px;
}
.sim button {
    min-height: 44px;
    border: 1px solid var(--line);
    border-radius: 4px;
    background: var(--paper);
    color: inherit;
    font: 650 0.95rem var(--font);
    cursor: pointer;
}
.end {
    justify-content: flex-end;
}
.waits,
.log {
    margin-top: 12px;
}
@media (max-width: 1240px) {
    .bench {
        grid-template-columns: 190px minmax(0, 1fr) 240px;
    }
    .live {
        font-size: 4.2rem;
    }
}
@media (max-width: 1000px) {
    .bench {
        grid-template-columns: 1fr;
    }
}
</style>
