<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query';
import { computed, ref } from 'vue';
import { api, Refused } from '../../api/client';
import { session } from '../../api/session';
import type { Machine, Polymer, Product, ReviewItem } from '../../api/types';
import HeatStrip from '../../parts/HeatStrip.vue';
import TypedField from '../../parts/TypedField.vue';
import { show } from '../../parts/units';
import AccessCard from './AccessCard.vue';
import PeopleCard from './PeopleCard.vue';

const client = useQueryClient();
const machines = useQuery({ queryKey: ['machines'], queryFn: () => api.get<Machine[]>('machines') });
const products = useQuery({ queryKey: ['products'], queryFn: () => api.get<Product[]>('products') });
const polymers = useQuery({ queryKey: ['polymers'], queryFn: () => api.get<Polymer[]>('polymers') });
const review = useQuery({
    queryKey: ['review'],
    queryFn: () => api.get<ReviewItem[]>('review'),
    enabled: computed(() => session.person?.role === 'lead'),
});
const code = ref('HDPE');
const polymer = computed(() => polymers.data.value?.find((p) => p.code === code.value) ?? null);
const lead = computed(() => session.person?.role === 'lead');
const FACTS: Record<string, [string, string]> = {
    heater_kw: ['heater in each platen', 'kW'],
    platen_kj_k: ['each platen holds', 'kJ/K'],
    loss_kw: ['loses idle', 'kW'],
    heat_min_per_mm: ['our rule, heating', 'min/mm'],
    cool_min_per_mm: ['our rule, cooling', 'min/mm'],
    cooling_w_k: ['each platen gets rid of', 'W/K'],
    coolant_c: ['coolant', '°C'],
    start_c: ['starts at', '°C'],
    plate_mm: ['plates', 'mm'],
    max_c: ['may be set to', '°C'],
    bed_length_mm: ['bed length', 'mm'],
    bed_width_mm: ['bed width', 'mm'],
    amps: ['draws', 'A'],
};
const factWords = (m: Machine) =>
    Object.entries(FACTS)
        .filter(([k]) => m.facts[k] !== undefined)
        .map(([k, [label, unit]]) => `${label} ${String(m.facts[k])} ${unit}`)
        .join(' · ');
const PATHS = [
    ['degradation_c.ceiling', 'Ceiling, °C'],
    ['demould_c.typical', 'Take out at, °C'],
    ['process.compression.platen_c.min', 'Window from, °C'],
    ['process.compression.platen_c.typical', 'Window usual, °C'],
    ['process.compression.platen_c.max', 'Window to, °C'],
    ['bulk_density_flake_g_cm3.typical', 'Loose flake, g/cm³'],
    ['density_solid_g_cm3.typical', 'Solid, g/cm³'],
] as const;
const path = ref<string>(PATHS[0][0]);
const value = ref<number | null>(null);
const reason = ref('');
const said = ref('');
async function set() {
    try {
        await api.post(`polymers/${code.value}/overrides`, {
            path: path.value,
            value: value.value,
            reason: reason.value,
        });
        said.value = 'Set. Every new answer uses it; runs that are over keep what they had.';
        value.value = null;
        reason.value = '';
        await client.invalidateQueries({ queryKey: ['polymers'] });
    } catch (error) {
        said.value = error instanceof Refused ? `It ${error.message}.` : 'The server does not answer.';
    }
}
</script>

<template>
    <div class="page">
        <div class="page-head">
            <div>
                <h1>Shop</h1>
                <p class="quiet">People, machines and what is known of each polymer.</p>
            </div>
        </div>
        <section v-if="lead && review.data.value?.length" class="card review" aria-labelledby="review">
            <h2 id="review">To look at again ({{ review.data.value.length }})</h2>
            <p class="quiet">
                Let in before a rule got stricter. Nothing was changed: it is for a lead to decide.
            </p>
            <table class="rows">
                <tbody>
                    <tr v-for="r in review.data.value" :key="r.name + r.says">
                        <td>
                            <router-link v-if="r.lot_id" :to="r.link">{{ r.name }}</router-link><strong
                                v-else
                                >{{ r.name }}</strong
                            >
                        </td>
                        <td>{{ r.says }}</td>
                        <td>{{ r.do }}</td>
                    </tr>
                </tbody>
            </table>
        </section>
        <div class="two">
            <div class="stack">
                <section class="card">
                    <h2>Products</h2>
                    <p v-for="p in products.data.value" :key="p.id">
                        <router-link :to="`/shop/products/${p.id}`"
                            ><strong>{{ p.name }}</strong></router-link
                        >
                        <span class="quiet of">{{ p.process.replaceAll('_', ' ') }}, {{ p.polymer }}</span>
                    </p>
                    <v-btn v-if="lead" variant="outlined" to="/shop/products/new">Add a product</v-btn>
                </section>
                <section class="card">
                    <h2>Machines</h2>
                    <div v-for="m in machines.data.value" :key="m.id" class="machine">
                        <p>
                            <router-link :to="`/shop/machines/${m.id}`"
                                ><strong>{{ m.name }}</strong></router-link
                            >
                            <span class="quiet of"
                                >{{ m.kind.replaceAll('_', ' ')
                                }}{{ m.last_polymer ? `, last ${m.last_polymer}` : '' }}</span
                            >
                        </p>
                        <p v-if="Object.keys(m.facts).length" class="quiet num">{{ factWords(m) }}</p>
                    </div>
                    <v-btn v-if="lead" variant="outlined" to="/shop/machines/new">Add a machine</v-btn>
                    <p class="quiet">
                        Temperatures shown in {{ show(20, 'temperature').split('\u00A0')[1] }}. Installation
                        is for licensed trades.
                    </p>
                </section>
                <section class="card">
                    <h2>Polymers</h2>
                    <label class="sel"
                        >Polymer
                        <select v-model="code">
                            <option v-for="p in polymers.data.value" :key="p.code" :value="p.code">
                                {{ p.code }}, {{ p.name }}
                            </option>
                        </select></label
                    >
                    <div v-if="polymer" class="poly">
                        <HeatStrip :marks="polymer.marks" :height="360" />
                        <div>
                            <p v-for="(why, process) in polymer.why_not" :key="process" class="bad">
                                <span aria-hidden="true">▲</span> No
                                {{ String(process).replaceAll('_', ' ') }}.
                                {{ why }}
                            </p>
                            <p>
                                {{ polymer.morphology ?? 'no known structure'
                                }}<template v-if="polymer.density_g_cm3"
                                    >, {{ polymer.density_g_cm3 }} g/cm³ solid,
                                    {{ polymer.bulk_density_g_cm3 }} loose</template
                                >
                            </p>
                            <p v-for="(note, process) in polymer.notes" :key="process" class="quiet">
                                {{ note }}
                            </p>
                            <ul>
                                <li v-for="h in polymer.hazards" :key="h">{{ h }}</li>
                            </ul>
                            <p v-if="polymer.overridden.length" class="tag">
                                your shop's: {{ polymer.overridden.join(', ') }}
                            </p>
                            <form v-if="lead" class="over" @submit.prevent="set">
                                <h3>Set our own value</h3>
                                <label
                                    >What
                                    <select v-model="path">
                                        <option v-for="[p, t] in PATHS" :key="p" :value="p">{{ t }}</option>
                                    </select></label
                                >
                                <TypedField
                                    :key="path"
                                    v-model="value"
                                    :dimension="path.endsWith('_g_cm3.typical') ? 'number' : 'temperature'"
                                    :label="path.endsWith('_g_cm3.typical') ? 'Value, g/cm³' : 'Value'"
                                /><v-text-field v-model="reason" label="Why (kept)" /><v-btn
                                    type="submit"
                                    color="primary"
                                    :disabled="value === null || !reason"
                                    >Set</v-btn
                                >
                                <p v-if="said" role="status">{{ said }}</p>
                            </form>
                            <p v-else class="quiet">A lead can set the shop's own values here.</p>
                        </div>
                    </div>
                </section>
            </div>
            <div class="stack">
                <PeopleCard />
                <AccessCard v-if="lead" :machines="machines.data.value ?? []" />
            </div>
        </div>
    </div>
</template>

<style scoped>
.of {
    margin-left: 8px;
}
.two {
    display: grid;
    grid-template-columns: 1.2fr 1fr;
    gap: var(--gap);
    align-items: start;
}
.stack {
    display: grid;
    gap: var(--gap);
}
.sel,
.over label {
    font-weight: 600;
    display: block;
    margin: 10px 0;
}
select {
    min-height: var(--touch);
    border: 1px solid var(--line);
    border-radius: 4px;
    background: var(--paper);
    color: var(--ink);
    font: inherit;
    padding: 0 10px;
    margin-left: 8px;
    max-width: 260px;
}
.over label {
    display: grid;
    gap: 4px;
}
.over select {
    margin: 0;
}
.over :deep(label input) {
    min-height: var(--touch);
    border: 1px solid var(--line);
    border-radius: 4px;
    background: var(--paper);
    color: var(--ink);
    font: inherit;
    padding: 0 10px;
    width: 100%;
}
.poly {
    display: grid;
    grid-template-columns: 250px 1fr;
    gap: 18px;
}
.poly p {
    margin-bottom: 8px;
}
ul {
    padding-left: 18px;
    margin: 0 0 8px;
}
.bad {
    color: var(--alarm);
    font-weight: 700;
}
.over {
    display: grid;
    gap: 10px;
    margin-top: 14px;
}
h3 {
    font-size: 1rem;
}
.machine {
    padding: 8px 0;
    border-bottom: 1px solid var(--line);
}
@media (max-width: 1150px) {
    .two,
    .poly {
        grid-template-columns: 1fr;
    }
}
</style>
