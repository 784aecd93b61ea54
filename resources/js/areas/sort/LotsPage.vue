<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query';
import { computed, ref } from 'vue';
import { api } from '../../api/client';
import type { Lot } from '../../api/types';
import { show } from '../../parts/units';

const find = ref('');
const { data: lots, isPending } = useQuery({ queryKey: ['lots'], queryFn: () => api.get<Lot[]>('lots') });
const NEVER = ['UNKNOWN', 'PVC-U'];
const groups = computed(() => {
    const text = find.value.toLowerCase();
    const map = new Map<string, Lot[]>();
    for (const l of lots.value ?? []) if (`${l.code} ${l.polymer} ${l.colour} ${l.source.name}`.toLowerCase().includes(text)) map.set(l.polymer, [...(map.get(l.polymer) ?? []), l]);
    return [...map.entries()].sort((a, b) => Number(NEVER.includes(a[0])) - Number(NEVER.includes(b[0])) || a[0].localeCompare(b[0]));
});
const sum = (list: Lot[]) => list.reduce((s, l) => s + l.mass_g, 0);
</script>

<template>
    <div class="page">
        <div class="page-head"><div><h1>Sort</h1><p class="quiet">What is on the shelves, by polymer. A lot's mass is the sum of its ledger.</p></div><v-text-field v-model="find" label="Find a lot, colour or source" class="find" density="compact" /></div>
        <p v-if="isPending" class="card quiet">Looking over the shelves …</p>
        <p v-else-if="groups.length === 0" class="card">Nothing fits.</p>
        <section v-for="[polymer, list] in groups" :key="polymer" class="card group">
            <h2>{{ polymer === 'UNKNOWN' ? 'Not identified' : polymer }} <span class="num quiet">{{ show(sum(list), 'mass') }}</span> <span v-if="NEVER.includes(polymer)" class="tag bad">▲ never hot</span></h2>
            <table class="rows">
                <thead class="sr"><tr><th>Lot</th><th>Colour and form</th><th>Place</th><th>Source</th><th>Mass</th></tr></thead>
                <tbody><tr v-for="l in list" :key="l.id" class="go" @click="$router.push(`/sort/lots/${l.id}`)"><td class="code"><i class="swatch" :style="{ background: l.swatch }" /><router-link :to="`/sort/lots/${l.id}`" @click.stop>{{ l.code }}</router-link></td><td>{{ l.colour }} {{ l.form }}</td><td>{{ l.location }}</td><td>{{ l.source.name }} <span v-if="l.source.state !== 'accepted'" class="tag">{{ l.source.state.replaceAll('_', ' ') }}</span></td><td class="n mono">{{ show(l.mass_g, 'mass') }}</td></tr></tbody>
            </table>
        </section>
    </div>
</template>

<style scoped>
.find { max-width: 320px; min-width: 260px; } .group { margin-bottom: 12px; padding-bottom: 6px; } .code { width: 150px; font-weight: 700; } td:nth-child(2) { width: 26%; } td:nth-child(3) { width: 16%; }
.group h2 { display: flex; gap: 14px; align-items: center; }
</style>
