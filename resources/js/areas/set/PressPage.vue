<script setup lang="ts">
import { computed, onMounted, ref, watch } from 'vue';
import { useRouter } from 'vue-router';
import { api, Refused } from '../../api/client';
import { refreshFloor } from '../../api/floor';
import { keepRun, newKey } from '../../api/queue';
import { session } from '../../api/session';
import type { Run } from '../../api/types';
import CrossSection from '../../parts/CrossSection.vue';
import HeatCurve from '../../parts/HeatCurve.vue';
import { usePageKeys } from '../../parts/pageKeys';
import { useLots } from '../../parts/useLots';
import QuantityField from '../../parts/QuantityField.vue';
import { clockText, minutesText, show } from '../../parts/units';
import { usePressDraft } from './pressDraft';
import SafetyGate from './SafetyGate.vue';

const router = useRouter();
const { draft, answers, shop, plan, sheet, problem, load, value, choose, blocks } = usePressDraft();
onMounted(load);

const thickness = value('thickness_mm');
const length = value('length_mm');
const width = value('width_mm');
const allowance = value('allowance_pct');
const platen = value('platen_c');
const pumpEvery = value('pump_every_min');
const soak = value('soak_min');
const shopRule = value('shop_kg_per_mm');
const from = (name: string) => plan.value?.origins[name] ?? '';
const hot = computed(() => shop.machines.filter((m) => m.kind === 'hot_press'));
const cold = computed(() => shop.machines.filter((m) => m.kind === 'cold_press'));
const product = computed(() => shop.products.find((p) => p.id === draft.value.product_id) ?? null);
const polymer = computed({
    get: () => draft.value.polymer ?? product.value?.polymer ?? null,
    set: (code) => {
        draft.value.polymer = code === product.value?.polymer ? null : code;
        delete draft.value.settings.platen_c;
        draft.value.lot_id = draft.value.charge_id = null;
    },
});
/** Lots of this polymer; with every lot shown, whichever a word finds. */
const others = ref(false);
const { find, lots: found } = useLots(() => (others.value ? null : polymer.value));
watch(found, (more) => {
    shop.lots = [...shop.lots.filter((l) => !more.some((o) => o.id === l.id)), ...more];
});
const charges = computed(() => shop.charges.filter((c) => c.polymer === polymer.value));
/** A weighed charge brings its lots with it; the one with the most in it names the run's lot. */
function takeCharge(id: string) {
    const charge = charges.value.find((c) => c.id === id);
    draft.value.charge_id = charge?.id ?? null;
    draft.value.lot_id = charge?.main_lot_id ?? null;
}
const pressable = computed(() =>
    shop.polymers.filter((p) => p.why_not_pressed === null && p.morphology !== null),
);
const lots = computed(() =>
    [
        ...found.value,
        ...shop.lots.filter((l) => l.id === draft.value.lot_id && !found.value.some((f) => f.id === l.id)),
    ]
        .filter((l) => others.value || l.polymer === polymer.value)
        .sort(
            (a, b) =>
                Number(b.polymer === polymer.value) - Number(a.polymer === polymer.value) || a.id - b.id,
        ),
);

const WEIGH: Record<string, [string, string]> = {
    true_density: ['By true density', 'our default: it knows the polymer'],
    as_water: ['Weighed as water', '1 g/cm³ for everything'],
    shop_rule: ["Shop's kg per mm", 'a rule for one press size'],
};
const rule = computed(() => draft.value.choices.heat_rule ?? plan.value?.choices.heat_rule ?? 'physics');
/** sets the target on the scale, not a picture beside it */
const chargeMethod = computed(
    () => draft.value.choices.charge_method ?? plan.value?.choices.charge_method ?? 'true_density',
);
/** by density it follows the slider at once; the other ways come with the whole answer */
const weighOut = computed(() =>
    chargeMethod.value === 'true_density'
        ? sheet.value?.charge_mass_g
        : Number(plan.value?.plan.charge_mass_g),
);
const doubtful = computed(() => (plan.value?.checks ?? []).filter((c) => c.state !== 'ok'));
const pumpSchool = computed(
    () => draft.value.choices.pump_school ?? plan.value?.choices.pump_school ?? 'every_minutes',
);

const curve = computed(() => plan.value?.cycle.curve ?? []);
const turn = computed(() => 60 * ((plan.value?.cycle.heat_min ?? 0) + (plan.value?.cycle.soak_min ?? 0)));
const end = computed(() => curve.value[curve.value.length - 1]?.time_s ?? 1);
const share = ref(0.22);
const at = computed(() => share.value * end.value);
const point = computed(() =>
    curve.value.reduce(
        (best, p) => (Math.abs(p.time_s - at.value) < Math.abs(best.time_s - at.value) ? p : best),
        curve.value[0]!,
    ),
);
const loosest = computed(() => Math.max(...curve.value.map((p) => p.thickness_mm)));

const overrides = ref<Record<string, string>>({});
// Who starts has looked for themselves: another person's ticks and another lead's words are not theirs.
watch(
    () => session.person?.id,
    () => {
        Object.assign(answers, { people_protected: false, air_moving: false });
        overrides.value = {};
    },
);
const starting = ref(false);
const refused = ref('');
const standing = computed(() =>
    blocks.value.filter(
        (b) =>
            !(
                b.who_may_override === 'lead' &&
                session.person?.role === 'lead' &&
                (overrides.value[b.id] ?? '').trim().length >= 5
            ),
    ),
);
const mayStart = computed(
    () =>
        draft.value.lot_id !== null &&
        plan.value !== null &&
        problem.value === null &&
        standing.value.length === 0,
);
let startId = newKey();

async function start() {
    if (!mayStart.value) return;
    starting.value = true;
    refused.value = '';
    try {
        const run = await api.post<Run>('runs', {
            id: startId,
            ...draft.value,
            answers: { ...answers },
            confirmed_by: session.person?.id,
            overrides: Object.entries(overrides.value)
                .filter(([id, reason]) => reason.trim().length >= 5 && blocks.value.some((b) => b.id === id))
                .map(([id, reason]) => ({ id, reason })),
        });
        startId = newKey();
        draft.value.charge_id = null;
        await keepRun(run);
        await refreshFloor();
        await router.push(`/run/${run.summary.id}`);
    } catch (error) {
        refused.value =
            error instanceof Refused
                ? `${error.message}${error.message.endsWith('.') ? '' : '.'}`
                : 'The server does not answer. Nothing has been started: try again, it will not start twice.';
    } finally {
        starting.value = false;
    }
}

const kept = ref('');
async function keep() {
    if (!plan.value || !product.value) return;
    const settings = { ...plan.value.settings, ...plan.value.choices } as Record<string, unknown>;
    for (const name of ['length_mm', 'width_mm', 'thickness_mm', 'bulk_density_g_cm3']) delete settings[name];
    for (const name of Object.keys(settings)) if (settings[name] === null) delete settings[name];
    try {
        const recipe = await api.post<{ version: number }>(`products/${product.value.id}/recipes`, {
            machine_id: draft.value.machine_id,
            after_version: product.value.recipe?.version ?? 0,
            settings,
        });
        kept.value = `Kept as version ${recipe.version}.`;
        draft.value.settings = {};
        await load();
    } catch (error) {
        kept.value = error instanceof Refused ? error.message : 'The server does not answer.';
    }
}
usePageKeys('Setting up', () => [
    { key: 's', says: 'Start the run', where: 'Set', do: () => void start() },
    {
        key: 'r',
        says: 'Back to the recipe',
        where: 'Set',
        do: () => {
            draft.value.settings = {};
            draft.value.choices = {};
        },
    },
]);
</script>

<template>
    <div class="page">
        <div class="page-head">
            <div>
                <h1>Set up a sheet</h1>
                <p class="quiet">{{ product?.note || 'Move something: the answer follows.' }}</p>
            </div>
            <div class="pick">
                <label v-for="p in shop.products" :key="p.id" :class="{ on: p.id === draft.product_id }"
                    ><input
                        type="radio"
                        name="product"
                        :checked="p.id === draft.product_id"
                        @change="choose(p.id)"
                    />{{ p.name }}</label
                >
            </div>
        </div>
        <p v-if="problem" class="card problem" role="alert">
            <strong>{{ problem.field.replace('settings.', '').replaceAll('_', ' ') }}</strong>
            {{ problem.message }}
        </p>
        <div v-if="!plan" class="card quiet">
            {{
                shop.ready && shop.products.length === 0
                    ? 'No pressed product yet. A lead adds one under Shop.'
                    : 'Reckoning …'
            }}
        </div>
        <div v-else class="set">
            <section class="moves card" aria-label="What can be moved">
                <label class="sel"
                    ><span>Polymer</span
                    ><select v-model="polymer">
                        <option v-for="p in pressable" :key="p.code" :value="p.code">
                            {{ p.code }}, {{ p.name }}
                        </option>
                    </select></label
                >
                <QuantityField
                    v-model="thickness"
                    label="Thickness"
                    dimension="length"
                    :min="1"
                    :max="40"
                    :step="0.5"
                    :origin="from('thickness_mm')"
                />
                <QuantityField
                    v-model="length"
                    label="Length"
                    dimension="length"
                    :min="100"
                    :max="1500"
                    :step="10"
                    :digits="session.preferences.units === 'us' ? 2 : 0"
                    :origin="from('length_mm')"
                />
                <QuantityField
                    v-model="width"
                    label="Width"
                    dimension="length"
                    :min="100"
                    :max="1500"
                    :step="10"
                    :digits="session.preferences.units === 'us' ? 2 : 0"
                    :origin="from('width_mm')"
                />
                <QuantityField
                    v-model="allowance"
                    label="Allowance, %"
                    dimension="number"
                    :min="0"
                    :max="25"
                    :step="0.5"
                    :digits="1"
                    :origin="from('allowance_pct')"
                />
                <QuantityField
                    v-model="platen"
                    label="Platens"
                    dimension="temperature"
                    :min="Math.max(60, Math.ceil(plan.cycle.core_target_c) + 1)"
                    :max="320"
                    :origin="from('platen_c')"
                />
                <QuantityField
                    v-model="soak"
                    label="Soak"
                    dimension="time"
                    :min="0"
                    :max="20"
                    :step="0.5"
                    :origin="from('soak_min')"
                />
                <label class="sel"
                    ><span>Hot press</span
                    ><select v-model="draft.machine_id">
                        <option v-for="m in hot" :key="m.id" :value="m.id">
                            {{ m.name }}{{ m.running_run ? ', in use' : '' }}
                        </option>
                    </select></label
                >
                <label class="sel"
                    ><span>Cold press</span
                    ><select v-model="draft.cold_machine_id">
                        <option v-for="m in cold" :key="m.id" :value="m.id">{{ m.name }}</option>
                    </select></label
                >
                <div class="moved">
                    <v-btn
                        size="small"
                        variant="outlined"
                        :disabled="Object.keys(draft.settings).length === 0"
                        @click="
                            draft.settings = {};
                            draft.choices = {};
                        "
                        >Back to the recipe</v-btn
                    >
                    <v-btn
                        v-if="session.person?.role === 'lead'"
                        size="small"
                        variant="outlined"
                        @click="keep"
                        >Keep as recipe</v-btn
                    >
                    <p v-if="kept" role="status">{{ kept }}</p>
                </div>
            </section>

            <div class="answers">
                <section class="three" aria-label="The answer">
                    <div>
                        <p>Weigh out</p>
                        <strong class="mono">{{ show(weighOut, 'mass') }}</strong>
                        <p class="quiet">
                            ± {{ show(Number(plan.plan.charge_tolerance_g), 'mass') }}, flake stands
                            {{ show(sheet?.loose_height_mm, 'length') }} high<template
                                v-if="sheet?.fits_frame === false"
                                >, over the frame</template
                            >
                        </p>
                    </div>
                    <div class="hot">
                        <p>Heat and soak</p>
                        <strong class="mono">{{ clockText(60 * Number(plan.plan.heat_min)) }}</strong>
                        <p class="quiet">
                            {{
                                rule === 'physics'
                                    ? `middle at ${show(plan.cycle.core_target_c, 'temperature')} after ${minutesText(plan.cycle.heat_min)}`
                                    : 'by the rule you chose'
                            }}
                        </p>
                    </div>
                    <div class="cold">
                        <p>Cool</p>
                        <strong class="mono">{{ clockText(60 * Number(plan.plan.cool_min)) }}</strong>
                        <p class="quiet">
                            until nothing is above {{ show(plan.cycle.demould_c, 'temperature') }}
                        </p>
                    </div>
                </section>

                <section class="card" aria-labelledby="through">
                    <h2 id="through">Through the thickness</h2>
                    <div class="pics">
                        <CrossSection
                            v-if="point"
                            :point="point"
                            :loosest="loosest"
                            :cold="at > turn"
                            :height="190"
                        />
                        <HeatCurve
                            :curve="curve"
                            :turn="turn"
                            :target="plan.cycle.core_target_c"
                            :demould="plan.cycle.demould_c"
                            :at="at"
                            :height="190"
                        />
                    </div>
                    <label class="scrub"
                        ><span class="sr">Look at another moment</span
                        ><input
                            v-model.number="share"
                            type="range"
                            min="0"
                            max="1"
                            step="0.002"
                            :aria-valuetext="clockText(at)"
                        /><span class="mono">{{ clockText(at) }}</span></label
                    >
                    <p>{{ plan.cycle.explanation }}</p>
                    <p v-for="w in [...plan.cycle.warnings, ...plan.sheet.warnings]" :key="w" class="warn">
                        <span aria-hidden="true">▲</span> {{ w }}
                    </p>
                </section>

                <div class="two">
                    <section class="card" aria-labelledby="long">
                        <h2 id="long">How long</h2>
                        <p class="quiet">
                            Heat goes in with the square of the thickness; a rule per millimetre is right at
                            one thickness only. The choice is kept with the run.
                        </p>
                        <label
                            v-for="r in plan.timing.rules"
                            :key="r.id"
                            :class="['choice', { on: r.id === rule }]"
                        >
                            <input
                                type="radio"
                                name="rule"
                                :value="r.id"
                                :checked="r.id === rule"
                                @change="draft.choices.heat_rule = r.id"
                            />
                            <span
                                ><strong>{{ r.label }}</strong
                                ><br /><span class="num"
                                    >{{ minutesText(r.heat_min) }} heat,
                                    {{ minutesText(r.cool_min) }} cool</span
                                ><br /><span class="quiet"
                                    >Middle {{ show(r.core_end_of_heat_c, 'temperature') }} after heat,
                                    {{ show(r.core_end_of_cool_c, 'temperature') }} when opened.
                                    {{ r.verdict === 'ok' ? '' : r.note }}</span
                                ></span
                            >
                            <span
                                :class="[
                                    'tag',
                                    r.verdict === 'core cold' ? 'bad' : r.verdict === 'ok' ? 'good' : '',
                                ]"
                                >{{ r.verdict }}</span
                            >
                        </label>
                    </section>

                    <section class="card" aria-labelledby="much">
                        <h2 id="much">How much</h2>
                        <p class="quiet">Three ways of weighing, and what each would really give.</p>
                        <label
                            v-for="s in plan.weighing.schools"
                            :key="s.id"
                            :class="['choice school', { on: s.id === chargeMethod }]"
                        >
                            <input
                                type="radio"
                                name="charge-method"
                                :checked="s.id === chargeMethod"
                                @change="draft.choices.charge_method = s.id"
                            />
                            <div>
                                <strong>{{ WEIGH[s.id]?.[0] }}</strong><br /><span class="quiet">{{
                                    WEIGH[s.id]?.[1]
                                }}</span>
                            </div>
                            <div class="r">
                                <span class="mono">{{ show(s.charge_mass_g, 'mass') }}</span><br /><span
                                    :class="{ off: Math.abs(s.gives_thickness_mm / thickness - 1) > 0.02 }"
                                    >gives
                                    {{
                                        show(
                                            s.gives_thickness_mm,
                                            'length',
                                            session.preferences.units === 'us' ? 3 : 2,
                                        )
                                    }}</span
                                >
                            </div>
                        </label>
                        <QuantityField
                            v-if="plan.settings.shop_kg_per_mm !== null"
                            v-model="shopRule"
                            label="Shop's kg per mm"
                            dimension="number"
                            :min="0.01"
                            :max="3"
                            :step="0.01"
                            :digits="2"
                            :origin="from('shop_kg_per_mm')"
                        />
                        <h2 class="mt-4">When to pump</h2>
                        <label :class="['choice', { on: pumpSchool === 'every_minutes' }]"
                            ><input
                                type="radio"
                                name="pump"
                                :checked="pumpSchool === 'every_minutes'"
                                @change="draft.choices.pump_school = 'every_minutes'"
                            /><span
                                ><strong>Every few minutes</strong><br /><span class="quiet"
                                    >our default: a clock asks also when nobody looks</span
                                ></span
                            ></label
                        >
                        <QuantityField
                            v-if="pumpSchool === 'every_minutes'"
                            v-model="pumpEvery"
                            label="Every"
                            dimension="time"
                            :min="1"
                            :max="15"
                            :step="0.5"
                            :origin="from('pump_every_min')"
                        />
                        <label :class="['choice', { on: pumpSchool === 'watch_gauge' }]"
                            ><input
                                type="radio"
                                name="pump"
                                :checked="pumpSchool === 'watch_gauge'"
                                @change="draft.choices.pump_school = 'watch_gauge'"
                            /><span
                                ><strong>Whenever the gauge slackens</strong><br /><span class="quiet"
                                    >for who stays at the press</span
                                ></span
                            ></label
                        >
                    </section>
                </div>

                <section class="card" aria-labelledby="from">
                    <h2 id="from">Take it from</h2>
                    <div v-if="charges.length" class="lots">
                        <label
                            v-for="c in charges"
                            :key="c.id"
                            :class="['choice', { on: c.id === draft.charge_id }]"
                            ><input
                                type="radio"
                                name="lot"
                                :checked="c.id === draft.charge_id"
                                @change="takeCharge(c.id)"
                            /><span
                                ><strong>Charge {{ c.code }}</strong> {{ c.about }}<br /><span class="quiet"
                                    >weighed, {{ show(c.weighed_g, 'mass', 1) }}, by {{ c.by }}</span
                                ></span
                            ></label
                        >
                    </div>
                    <div class="lots">
                        <label
                            v-for="l in lots"
                            :key="l.id"
                            :class="['choice', { on: l.id === draft.lot_id && !draft.charge_id }]"
                        >
                            <input
                                type="radio"
                                name="lot"
                                :checked="l.id === draft.lot_id && !draft.charge_id"
                                @change="
                                    draft.lot_id = l.id;
                                    draft.charge_id = null;
                                "
                            />
                            <span
                                ><i class="swatch" :style="{ background: l.swatch }" /><strong>{{
                                    l.code
                                }}</strong>
                                {{ l.polymer }} {{ l.colour }} {{ l.form }}<br /><span class="quiet"
                                    >{{ show(l.mass_g, 'mass') }}, {{ l.source.name
                                    }}<template v-if="l.source.state !== 'accepted'"
                                        >, {{ l.source.state.replaceAll('_', ' ') }}</template
                                    ></span
                                ></span
                            >
                        </label>
                        <label class="fields find"
                            ><span class="sr">Find a lot</span
                            ><input
                                v-model="find"
                                type="search"
                                placeholder="Find: code, colour, place, source"
                        /></label>
                        <button class="others" type="button" @click="others = !others">
                            {{ others ? `Only ${polymer}` : 'Show every lot' }}
                        </button>
                    </div>
                </section>

                <section
                    v-if="plan.unknowns.length > 0 || doubtful.length > 0"
                    class="card"
                    aria-label="What this press can do"
                >
                    <p
                        v-for="c in doubtful"
                        :key="c.id"
                        class="doubt"
                        :role="c.state === 'block' ? 'alert' : undefined"
                    >
                        <span aria-hidden="true">▲</span> {{ c.says }}
                    </p>
                    <p v-for="u in plan.unknowns" :key="u.fact">
                        <strong>Not known: {{ u.fact }}.</strong> {{ u.effect }}
                    </p>
                </section>
                <SafetyGate
                    v-model:people="answers.people_protected"
                    v-model:air="answers.air_moving"
                    v-model:overrides="overrides"
                    v-model:scale="draft.scale"
                    :safety="plan.safety"
                    :lead="session.person?.role === 'lead'"
                />
            </div>
        </div>
        <div v-if="plan" class="start">
            <p v-if="refused" class="refused" role="alert"><span aria-hidden="true">▲</span> {{ refused }}</p>
            <p v-else-if="draft.lot_id === null">Choose the lot to take the charge from.</p>
            <p v-else-if="standing.length > 0">
                <span aria-hidden="true">▲</span> {{ standing[0]?.because }}
            </p>
            <p v-else>Nothing stops this run.</p>
            <v-btn color="primary" size="x-large" :disabled="!mayStart" :loading="starting" @click="start"
                >Start the run <span class="key ml-3">S</span></v-btn
            >
        </div>
    </div>
</template>

<style scoped>
.page {
    padding-bottom: 110px;
}
.pick {
    display: flex;
    gap: 8px;
}
.pick label {
    border: 1px solid var(--line);
    background: var(--paper);
    border-radius: 4px;
    min-height: var(--touch);
    padding: 0 16px;
    display: flex;
    align-items: center;
    font-weight: 650;
    cursor: pointer;
}
.pick input {
    position: absolute;
    opacity: 0;
}
.pick label.on {
    background: var(--bar);
    color: var(--on-bar);
}
.pick label:focus-within {
    outline: 3px solid var(--slate);
    outline-offset: 2px;
}
.problem {
    border-color: var(--alarm);
    margin-bottom: 12px;
}
.problem strong {
    color: var(--alarm);
    margin-right: 6px;
}
.set {
    display: grid;
    grid-template-columns: 290px minmax(0, 1fr);
    gap: var(--gap);
    align-items: start;
}
.moves {
    position: sticky;
    top: calc(var(--head) + 12px);
    max-height: calc(100vh - var(--head) - 24px);
    overflow-y: auto;
    padding-bottom: 90px;
}
.sel {
    display: flex;
    justify-content: space-between;
    align-items: center;
    gap: 10px;
    margin-bottom: 10px;
    font-weight: 600;
}
.sel select {
    min-height: var(--touch);
    border: 1px solid var(--line);
    border-radius: 4px;
    background: var(--paper);
    color: var(--ink);
    font: inherit;
    padding: 0 10px;
    max-width: 168px;
}
.moved {
    display: grid;
    gap: 8px;
    margin-top: 8px;
}
.answers {
    display: grid;
    gap: var(--gap);
}
.three {
    display: grid;
    grid-template-columns: repeat(3, 1fr);
    gap: 1px;
    background: var(--line);
    border: 1px solid var(--line);
    border-radius: 4px;
    overflow: hidden;
}
.three > div {
    background: var(--paper);
    padding: 12px 16px 14px;
    border-top: 6px solid var(--ink);
}
.three .hot {
    border-color: var(--ember-strong);
}
.three .cold {
    border-color: var(--slate);
}
.three strong {
    font-size: 2.35rem;
    line-height: 1.15;
    display: block;
    white-space: nowrap;
}
.pics {
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: 14px;
    margin: 10px 0 0;
}
.scrub {
    display: flex;
    align-items: center;
    gap: 12px;
    min-height: var(--touch);
}
.scrub input {
    flex: 1;
    accent-color: var(--ink);
    height: 30px;
}
.scrub .mono {
    min-width: 62px;
    text-align: right;
}
.warn {
    color: var(--alarm);
    font-weight: 650;
    margin-top: 6px;
}
.two {
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: var(--gap);
    align-items: start;
}
.choice {
    display: grid;
    grid-template-columns: auto 1fr auto;
    gap: 10px;
    align-items: start;
    padding: 10px;
    border: 1px solid var(--line);
    border-radius: 4px;
    margin-top: 8px;
    cursor: pointer;
    min-height: var(--touch);
}
.choice input {
    width: 22px;
    height: 22px;
    margin-top: 1px;
    accent-color: var(--ember);
}
.choice.on {
    border-color: var(--ink);
    box-shadow: inset 4px 0 0 var(--ember-strong);
}
.school {
    display: flex;
    justify-content: space-between;
    gap: 10px;
    padding: 9px 12px;
}
.school .r {
    text-align: right;
    white-space: nowrap;
}
.school .mono {
    font-size: 1.15rem;
}
.off {
    color: var(--alarm);
    font-weight: 700;
}
.school input {
    align-self: center;
}
.school > div:nth-of-type(1) {
    flex: 1;
}
.doubt {
    color: var(--alarm);
    font-weight: 700;
}
.lots {
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: 0 10px;
    align-items: stretch;
}
.find {
    grid-column: 1 / -1;
    display: block;
    max-width: 420px;
    margin-top: 8px;
}
.find input {
    width: 100%;
}
.others {
    min-height: var(--touch);
    font: inherit;
    font-weight: 650;
    background: none;
    border: 0;
    color: inherit;
    text-decoration: underline;
    cursor: pointer;
}
.start {
    position: fixed;
    left: 0;
    right: var(--rail);
    bottom: 0;
    background: var(--paper);
    border-top: 2px solid var(--ink);
    padding: 10px 22px;
    display: flex;
    justify-content: flex-end;
    align-items: center;
    gap: 18px;
    z-index: 900;
}
.start p {
    font-weight: 600;
}
.refused {
    color: var(--alarm);
}
@media (max-width: 1000px) {
    .set,
    .two,
    .pics,
    .lots {
        grid-template-columns: 1fr;
    }
    .moves {
        position: static;
        max-height: none;
    }
    .start {
        right: 0;
        bottom: 92px;
    }
    .three strong {
        font-size: 1.5rem;
    }
}
</style>
