<script setup lang="ts">
import type { PressPlan } from '../../api/types';
import { useThisSetting } from '../../areas/set/useSetting';
import { minutesText, show } from '../../parts/units';

/** The rules by which shops time a press, and what each would really give. */
defineProps<{ plan: PressPlan }>();
const rule = useThisSetting().choice('heat_rule');
</script>

<template>
    <section class="card" aria-labelledby="long">
        <h2 id="long">How long</h2>
        <p class="quiet">
            Heat goes in with the square of the thickness; a rule per millimetre is right at one thickness
            only. The choice is kept with the run.
        </p>
        <label v-for="r in plan.plan.timing.rules" :key="r.id" :class="['choice', { on: r.id === rule }]">
            <input type="radio" name="rule" :value="r.id" :checked="r.id === rule" @change="rule = r.id" />
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
            <span :class="['tag', r.verdict === 'core cold' ? 'bad' : r.verdict === 'ok' ? 'good' : '']">{{
                r.verdict
            }}</span>
        </label>
    </section>
</template>
