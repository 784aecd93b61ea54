<script setup lang="ts">
import { computed, ref, shallowRef, watch } from 'vue';
import { api } from '../../api/client';
import { session } from '../../api/session';
import type { PressPlan } from '../../api/types';
import MachinePicks from '../../areas/set/MachinePicks.vue';
import { useThisSetting } from '../../areas/set/useSetting';
import CrossSection from '../../parts/CrossSection.vue';
import HeatCurve from '../../parts/HeatCurve.vue';
import QuantityField from '../../parts/QuantityField.vue';
import { clockText, minutesText, show } from '../../parts/units';

/** A pressed sheet: what can be moved, and the answer with its picture through the thickness. */
const props = defineProps<{ plan: PressPlan }>();
const { draft, value, choice, from, body } = useThisSetting();

const thickness = value('thickness_mm');
const length = value('length_mm');
const width = value('width_mm');
const allowance = value('allowance_pct');
const platen = value('platen_c');
const pumpEvery = value('pump_every_min');
const soak = value('soak_min');
const shopRule = value('shop_kg_per_mm');
const sheets = value('sheets');
const series = computed(() => props.plan.plan.series);

const WEIGH: Record<string, [string, string]> = {
    true_density: ['By true density', 'our default: it knows the polymer'],
    as_water: ['Weighed as water', '1 g/cm³ for everything'],
    shop_rule: ["Shop's kg per mm", 'a rule for one press size'],
};
const rule = choice('heat_rule');
/** sets the target on the scale, not a picture beside it */
const chargeMethod = choice('charge_method');
const pumpSchool = choice('pump_school');

// The charge is worked out in a fraction of the time of the whole answer: it follows the slider, the rest comes after.
const charge = shallowRef<PressPlan['plan']['sheet'] | null>(null);
const sheet = computed(() => charge.value ?? props.plan.plan.sheet);
const SHEET = [
    'length_mm',
    'width_mm',
    'thickness_mm',
    'allowance_pct',
    'trim_mm',
    'bulk_density_g_cm3',
    'frame_depth_mm',
    'shop_kg_per_mm',
];
let weighing = false;
watch(
    body,
    async () => {
        if (weighing) return;
        weighing = true;
        const known = props.plan;
        const set: Record<string, unknown> = { ...known.settings, ...draft.value.settings };
        const given = Object.fromEntries(
            SHEET.filter((k) => typeof set[k] === 'number').map((k) => [k, set[k]]),
        );
        const polymer = draft.value.polymer ?? known.polymer;
        const answer = await api
            .post<PressPlan['plan']['sheet']>('calc/charge.sheet', { polymer, ...given })
            .catch(() => null);
        weighing = false;
        if (props.plan === known) charge.value = answer;
    },
    { deep: true },
);
watch(
    () => props.plan,
    () => (charge.value = null),
);
/** by density it follows the slider at once; the other ways come with the whole answer */
const weighOut = computed(() =>
    chargeMethod.value === 'true_density' ? sheet.value.charge_mass_g : props.plan.plan.charge.mass_g,
);

const curve = computed(() => props.plan.plan.cycle.curve);
const turn = computed(() => 60 * (props.plan.plan.cycle.heat_min + props.plan.plan.cycle.soak_min));
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
</script>

<template>
    <section class="moves card" aria-label="What can be moved">
        <slot name="material" />
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
            v-model="sheets"
            label="Sheets in this run"
            dimension="number"
            :min="1"
            :max="30"
            :step="1"
            :digits="0"
            :origin="from('sheets')"
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
            :min="Math.max(60, Math.ceil(plan.plan.cycle.core_target_c) + 1)"
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
        <MachinePicks />
        <slot name="moved" />
    </section>

    <div class="answers">
        <section class="three" aria-label="The answer">
            <div>
                <p>Weigh out</p>
                <strong class="mono">{{ show(weighOut, 'mass') }}</strong>
                <p class="quiet">
                    ± {{ show(Number(plan.plan.targets.charge_tolerance_g), 'mass') }}, flake stands
                    {{ show(sheet?.loose_height_mm, 'length') }} high<template
                        v-if="sheet?.fits_frame === false"
                        >, over the frame</template
                    >
                </p>
            </div>
            <div class="hot">
                <p>Heat and soak</p>
                <strong class="mono">{{ clockText(60 * Number(plan.plan.targets.heat_min)) }}</strong>
                <p class="quiet">
                    {{
                        rule === 'physics'
                            ? `middle at ${show(plan.plan.cycle.core_target_c, 'temperature')} after ${minutesText(plan.plan.cycle.heat_min)}`
                            : 'by the rule you chose'
                    }}
                </p>
            </div>
            <div class="cold">
                <p>Cool</p>
                <strong class="mono">{{ clockText(60 * Number(plan.plan.targets.cool_min)) }}</strong>
                <p class="quiet">
                    until nothing is above {{ show(plan.plan.cycle.demould_c, 'temperature') }}
                </p>
            </div>
        </section>

        <p v-if="series" class="card series">
            <strong
                >{{ series.sheets }} sheets, one every {{ minutesText(series.takt_min) }}: in about
                {{ minutesText(series.total_min) }}.</strong
            >
            One heats while one cools. The {{ series.held_by }} press sets the pace; one after another it
            would take {{ minutesText(series.alone_min) }}.
        </p>

        <slot />

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
                    :target="plan.plan.cycle.core_target_c"
                    :demould="plan.plan.cycle.demould_c"
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
            <p>{{ plan.plan.explanation }}</p>
            <p class="quiet">{{ plan.plan.cycle.explanation }}</p>
            <p v-for="w in [...plan.plan.cycle.warnings, ...plan.plan.sheet.warnings]" :key="w" class="warn">
                <span aria-hidden="true">▲</span> {{ w }}
            </p>
        </section>

        <div class="two">
            <section class="card" aria-labelledby="long">
                <h2 id="long">How long</h2>
                <p class="quiet">
                    Heat goes in with the square of the thickness; a rule per millimetre is right at one
                    thickness only. The choice is kept with the run.
                </p>
                <label
                    v-for="r in plan.plan.timing.rules"
                    :key="r.id"
                    :class="['choice', { on: r.id === rule }]"
                >
                    <input
                        type="radio"
                        name="rule"
                        :value="r.id"
                        :checked="r.id === rule"
                        @change="rule = r.id"
                    />
                    <span
                        ><strong>{{ r.label }}</strong
                        ><br /><span class="num"
                            >{{ minutesText(r.heat_min) }} heat, {{ minutesText(r.cool_min) }} cool</span
                        ><br /><span class="quiet"
                            >Middle {{ show(r.core_end_of_heat_c, 'temperature') }} after heat,
                            {{ show(r.core_end_of_cool_c, 'temperature') }} when opened.
                            {{ r.verdict === 'ok' ? '' : r.note }}</span
                        ></span
                    >
                    <span
                        :class="['tag', r.verdict === 'core cold' ? 'bad' : r.verdict === 'ok' ? 'good' : '']"
                        >{{ r.verdict }}</span
                    >
                </label>
            </section>

            <section class="card" aria-labelledby="much">
                <h2 id="much">How much</h2>
                <p class="quiet">Three ways of weighing, and what each would really give.</p>
                <label
                    v-for="s in plan.plan.weighing.schools"
                    :key="s.id"
                    :class="['choice school', { on: s.id === chargeMethod }]"
                >
                    <input
                        type="radio"
                        name="charge-method"
                        :checked="s.id === chargeMethod"
                        @change="chargeMethod = s.id"
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
                        @change="pumpSchool = 'every_minutes'"
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
                        @change="pumpSchool = 'watch_gauge'"
                    /><span
                        ><strong>Whenever the gauge slackens</strong><br /><span class="quiet"
                            >for who stays at the press</span
                        ></span
                    ></label
                >
            </section>
        </div>
    </div>
</template>
