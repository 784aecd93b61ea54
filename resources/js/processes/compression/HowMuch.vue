<script setup lang="ts">
import { session } from '../../api/session';
import type { PressPlan } from '../../api/types';
import { useThisSetting } from '../../areas/set/useSetting';
import QuantityField from '../../parts/QuantityField.vue';
import { show } from '../../parts/units';

/** The ways of weighing a sheet, what each would really give, and when to pump. */
defineProps<{ plan: PressPlan }>();
const { value, choice, from } = useThisSetting();
const thickness = value('thickness_mm');
const pumpEvery = value('pump_every_min');
const shopRule = value('shop_kg_per_mm');
/** sets the target on the scale, not a picture beside it */
const chargeMethod = choice('charge_method');
const pumpSchool = choice('pump_school');
const WEIGH: Record<string, [string, string]> = {
    true_density: ['By true density', 'our default: it knows the polymer'],
    as_water: ['Weighed as water', '1 g/cm³ for everything'],
    shop_rule: ["Shop's kg per mm", 'a rule for one press size'],
};
</script>

<template>
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
                <strong>{{ WEIGH[s.id]?.[0] }}</strong><br /><span class="quiet">{{ WEIGH[s.id]?.[1] }}</span>
            </div>
            <div class="r">
                <span class="mono">{{ show(s.charge_mass_g, 'mass') }}</span><br /><span
                    :class="{ off: Math.abs(s.gives_thickness_mm / thickness - 1) > 0.02 }"
                    >gives
                    {{
                        show(s.gives_thickness_mm, 'length', session.preferences.units === 'us' ? 3 : 2)
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
</template>
