<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query';
import { computed } from 'vue';
import { api } from '../../api/client';
import { session } from '../../api/session';
import type { Machine, MachineKind, Product } from '../../api/types';
import { show } from '../../parts/units';
import AccessCard from './AccessCard.vue';
import { factWords } from './facts';
import PeopleCard from './PeopleCard.vue';
import PolymerCard from './PolymerCard.vue';
import ShopWants from './ShopWants.vue';

const machines = useQuery({ queryKey: ['machines'], queryFn: () => api.list<Machine>('machines') });
const products = useQuery({ queryKey: ['products'], queryFn: () => api.list<Product>('products') });
const lead = computed(() => session.person?.role === 'lead');
const retired = useQuery({
    queryKey: ['machines', 'retired'],
    queryFn: () => api.list<Machine>('machines?retired=1'),
    enabled: lead,
});
const kinds = useQuery({
    queryKey: ['machine-kinds'],
    queryFn: () => api.list<MachineKind>('machine-kinds'),
});
const isMould = (m: Machine) => kinds.data.value?.find((k) => k.id === m.kind)?.is_mould ?? false;
const machinesOf = (moulds: boolean) => (machines.data.value ?? []).filter((m) => isMould(m) === moulds);
</script>

<template>
    <div class="page">
        <div class="page-head">
            <div>
                <h1>Shop</h1>
                <p class="quiet">People, machines and what is known of each polymer.</p>
            </div>
        </div>
        <ShopWants />
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
                    <p class="acts">
                        <v-btn v-if="lead" variant="outlined" to="/shop/products/new">Add a product</v-btn>
                        <v-btn variant="outlined" to="/goods">Goods on the shelf</v-btn>
                        <v-btn variant="outlined" to="/shop/procedures">How we work</v-btn>
                    </p>
                </section>
                <section class="card">
                    <h2>Machines</h2>
                    <div v-for="m in machinesOf(false)" :key="m.id" class="machine">
                        <p>
                            <router-link :to="`/shop/machines/${m.id}`"
                                ><strong>{{ m.name }}</strong></router-link
                            >
                            <span class="quiet of"
                                >{{ m.kind.replaceAll('_', ' ')
                                }}{{ m.last_polymer ? `, last ${m.last_polymer}` : '' }}</span
                            >
                        </p>
                        <p v-if="Object.keys(m.facts).length" class="quiet num">
                            {{ factWords(m, kinds.data.value ?? []) }}
                        </p>
                    </div>
                    <v-btn v-if="lead" variant="outlined" to="/shop/machines/new">Add a machine</v-btn>
                    <h3 v-if="machinesOf(true).length" class="mt-4">Moulds</h3>
                    <div v-for="m in machinesOf(true)" :key="m.id" class="machine">
                        <p>
                            <router-link :to="`/shop/machines/${m.id}`"
                                ><strong>{{ m.name }}</strong></router-link
                            >
                            <span class="quiet of">{{ m.kind.replaceAll('_', ' ') }}</span>
                        </p>
                        <p v-if="Object.keys(m.facts).length" class="quiet num">
                            {{ factWords(m, kinds.data.value ?? []) }}
                        </p>
                    </div>
                    <v-btn v-if="lead" variant="outlined" to="/shop/machines/new?mould">Add a mould</v-btn>
                    <details v-if="retired.data.value?.length" class="retired">
                        <summary>Out of use: {{ retired.data.value.length }}</summary>
                        <p v-for="m in retired.data.value" :key="m.id">
                            <router-link :to="`/shop/machines/${m.id}`">{{ m.name }}</router-link>
                        </p>
                    </details>
                    <p class="quiet">
                        Temperatures shown in {{ show(20, 'temperature').split('\u00A0')[1] }}. Installation
                        is for licensed trades.
                    </p>
                </section>
                <PolymerCard />
            </div>
            <div class="stack">
                <PeopleCard />
                <AccessCard v-if="lead" :machines="machinesOf(false)" />
            </div>
        </div>
    </div>
</template>

<style scoped>
.acts {
    display: flex;
    flex-wrap: wrap;
    gap: 8px;
}
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
    grid-template-columns: minmax(0, 1fr);
    gap: var(--gap);
}
.machine {
    padding: 8px 0;
    border-bottom: 1px solid var(--line);
}
@media (max-width: 1150px) {
    .two {
        grid-template-columns: minmax(0, 1fr);
    }
}
</style>
