<script setup lang="ts">
import { computed } from 'vue';
import type { components } from '../../api/schema';
import { number } from '../../parts/units';
import StripAges from './StripAges.vue';
import TimeStrip, { type Stretch } from '../../parts/TimeStrip.vue';

/**
 * Moulds in circulation, each in its row: where every one is while the machine fills the next. Strips by their age; of a
 * free profile its speed and its trough.
 */
const props = defineProps<{ plan: components['schemas']['PlanExtrusionResult'] }>();
const setting = (name: string) => Number(props.plan.settings.find((s) => s.name === name)?.value ?? 0);
const moulds = computed(() => Math.max(1, Math.min(8, Math.round(setting('moulds')))));
const end = computed(() => props.plan.cycle_s * (moulds.value + 1));
const rows = computed(() => {
    const fill = Number(props.plan.bar.fill_time_s ?? 0);
    return Array.from({ length: moulds.value }, (_, k) => {
        const from = k * props.plan.cycle_s;
        const parts: [string, number, Stretch['kind']][] = [
            ['fill', fill, 'hot'],
            ['chill', props.plan.chill_s ?? 0, 'cold'],
            ['swap', setting('swap_s'), 'hands'],
            ['tank', props.plan.strip_s ?? 0, 'cold'],
        ];
        let at = from;
        const stretches = parts
            .map(([name, seconds, kind]) => ({ name, from: at, to: (at += seconds), kind }))
            .filter((s) => s.to > s.from && s.from < end.value)
            .map((s) => ({ ...s, to: Math.min(s.to, end.value) }));
        return { name: `Mould ${k + 1}`, stretches };
    });
});
</script>

<template>
    <StripAges v-if="plan.strips" class="mt-3" :strips="plan.strips" />
    <dl v-else-if="plan.profile" class="mt-3 free">
        <div>
            <dt>Haul-off</dt>
            <dd>{{ number(plan.profile.haul_m_min, 2) }} m/min</dd>
        </div>
        <div>
            <dt>Drawn down by</dt>
            <dd>{{ number(plan.profile.draw_down, 2) }}</dd>
        </div>
        <div>
            <dt>Trough until its skin carries it</dt>
            <dd>
                {{
                    plan.profile.carries_m == null
                        ? 'never alone: support it'
                        : `${number(plan.profile.carries_m, 1)} m`
                }}
            </dd>
        </div>
        <div>
            <dt>Trough until its core is cold</dt>
            <dd>{{ plan.profile.through_m == null ? '–' : `${number(plan.profile.through_m, 1)} m` }}</dd>
        </div>
    </dl>
    <TimeStrip
        v-else
        class="mt-3"
        :rows="rows"
        :end="end"
        :says="`${moulds} moulds in circulation, a bar every ${Math.round(plan.cycle_s)} s`"
    />
    <p v-if="plan.take_off !== 'mould'" class="quiet">{{ plan.bars_shift }} a shift.</p>
    <p v-else class="quiet">
        {{ plan.bars_shift }} bars a shift from cold; with one mould more {{ plan.bars_shift_one_more }}. The
        {{ plan.held_by }} holds it back; more than {{ plan.moulds_needed }} moulds make no more.
    </p>
</template>
