<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query';
import { useRoute } from 'vue-router';
import { api } from '../../api/client';
import type { LotDetail } from '../../api/types';
import { dayText, show, timeOfDay } from '../../parts/units';

const id = String(useRoute().params.id);
const { data, isPending } = useQuery({ queryKey: ['lot', id], queryFn: () => api.get<LotDetail>(`lots/${id}`) });
</script>

<template>
    <div class="page">
        <p v-if="!data" class="card">{{ isPending ? 'Opening the lot …' : 'There is no such lot.' }}</p>
        <template v-else>
            <div class="page-head"><div><h1><i class="swatch big" :style="{ background: data.lot.swatch }" />{{ data.lot.code }}</h1><p class="quiet">{{ data.lot.polymer }}, {{ data.lot.colour }} {{ data.lot.form }} · {{ data.lot.location }} · from {{ data.lot.source.name }} ({{ data.lot.source.state.replaceAll('_', ' ') }})</p></div><p class="mono held">{{ show(data.lot.mass_g, 'mass') }}</p></div>
            <section class="card"><h2>Ledger</h2><p class="quiet">Newest first. Nothing here is ever changed; a correction is a line of its own.</p>
                <table class="rows"><thead><tr><th>When</th><th>What</th><th>Who</th><th class="n">In or out</th><th class="n">Then held</th></tr></thead>
                    <tbody><tr v-for="m in data.movements" :key="m.id"><td class="num">{{ dayText(m.at) }} {{ timeOfDay(m.at) }}</td><td>{{ m.kind }}<template v-if="m.run_id">, <router-link :to="`/learn/${m.run_id}`">run {{ m.run_number }}</router-link></template><template v-else-if="m.reason">, {{ m.reason }}</template></td><td>{{ m.by }}</td><td class="n mono">{{ m.mass_g > 0 ? '+' : '−' }}{{ show(Math.abs(m.mass_g), 'mass') }}</td><td class="n">{{ show(m.balance_g, 'mass') }}</td></tr></tbody></table>
            </section>
        </template>
    </div>
</template>

<style scoped>
.big { width: 30px; height: 30px; vertical-align: -4px; } .held { font-size: 2.2rem; }
</style>
