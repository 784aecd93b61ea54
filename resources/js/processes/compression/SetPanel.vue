<script setup lang="ts">
import { computed } from 'vue';
import { session } from '../../api/session';
import type { PressPlan } from '../../api/types';
import MachinePicks from '../../areas/set/MachinePicks.vue';
import { useThisSetting } from '../../areas/set/useSetting';
import QuantityField from '../../parts/QuantityField.vue';
import { clockText, minutesText, show } from '../../parts/units';
import HowLong from './HowLong.vue';
import HowMuch from './HowMuch.vue';
import ThroughTime from './ThroughTime.vue';
import { useCharge } from './useCharge';

/** A pressed sheet: what can be moved, and the answer with its picture through the thickness. */
const props = defineProps<{ plan: PressPlan }>();
const { value, choice, from } = useThisSetting();

const thickness = value('thickness_mm');
const length = value('length_mm');
const width = value('width_mm');
const allowance = value('allowance_pct');
const platen = value('platen_c');
const soak = value('soak_min');
const sheets = value('sheets');
const series = computed(() => props.plan.plan.series);

const rule = choice('heat_rule');
const { sheet, weighOut } = useCharge(() => props.plan);
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

        <ThroughTime :plan="plan" />

        <div class="two">
            <HowLong :plan="plan" />
            <HowMuch :plan="plan" />
        </div>
    </div>
</template>
