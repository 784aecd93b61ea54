<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query';
import { computed, ref, watch } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { api, Refused } from '../../api/client';
import { every } from '../../api/news';
import { newKey } from '../../api/queue';
import type { Charge, Mix, Polymer, Product, ProductCharge } from '../../api/types';
import TypedField from '../../parts/TypedField.vue';
import { dayText, number, show, timeOfDay } from '../../parts/units';
import { sentence, useSend } from '../../parts/useSend';
import MixStrip from './MixStrip.vue';
import WeighNav from './WeighNav.vue';

const route = useRoute();
const router = useRouter();
const queries = useQueryClient();
const { data: charges } = useQuery({
    queryKey: ['charges'],
    queryFn: () => api.list<Charge>('charges'),
    refetchInterval: () => every(15_000),
});
const { data: products } = useQuery({
    queryKey: ['products'],
    queryFn: () => api.list<Product>('products'),
});
const { data: mixes } = useQuery({ queryKey: ['mixes'], queryFn: () => api.list<Mix>('mixes') });
const { data: polymers } = useQuery({
    queryKey: ['polymers'],
    queryFn: () => api.list<Polymer>('polymers'),
});
const product = ref<number | null>(null);
const polymer = ref('HDPE');
const mix = ref<number | null>(null);
const total = ref<number | null>(route.query.g ? Number(route.query.g) : null);
const scale = ref(1);
const tolerance = ref<number | null>(1);
const why = ref('');
if (route.query.polymer) polymer.value = String(route.query.polymer);
const fitting = computed(() => (mixes.value ?? []).filter((m) => m.polymer === polymer.value));
/** A mix that its own page sends here. */
watch(
    mixes,
    (all) => {
        const sent = all?.find((m) => String(m.id) === route.query.mix);
        if (!sent || mix.value !== null) return;
        polymer.value = sent.polymer;
        mix.value = sent.id;
    },
    { immediate: true },
);
watch(polymer, () => {
    if (!fitting.value.some((m) => m.id === mix.value)) mix.value = null;
});

/** What one of the product weighs, by the plan that sets its run up. */
watch(product, async (id) => {
    const p = products.value?.find((x) => x.id === id);
    why.value = '';
    if (!p) return;
    polymer.value = p.polymer;
    try {
        const answer = await api.get<ProductCharge>(`products/${p.id}/charge`);
        total.value = answer.mass_g;
        why.value = answer.explanation;
        if (answer.tolerance_g !== null)
            tolerance.value = Math.round((1000 * answer.tolerance_g) / answer.mass_g) / 10;
    } catch (error) {
        total.value = null;
        why.value =
            error instanceof Refused
                ? `No charge is known: ${error.message}.`
                : 'The server does not answer.';
    }
});
const { busy, fault, send } = useSend();
let id = newKey();
async function begin() {
    const made = await send(() =>
        api.post<Charge>('charges', {
            id,
            product_id: product.value,
            polymer: polymer.value,
            mix_id: mix.value,
            total_g: total.value,
            scale_g: scale.value,
            tolerance_pct: tolerance.value,
        }),
    );
    if (made) {
        id = newKey();
        await queries.invalidateQueries({ queryKey: ['charges'] });
        await router.push(`/weigh/${made.id}`);
    }
}
const SAYS: Record<string, [string, string]> = {
    weighing: ['hot', 'at the scale'],
    waiting: ['good', 'waits for its run'],
    used: ['', 'used'],
    returned: ['', 'given back'],
};
</script>

<template>
    <div class="page">
        <div class="page-head">
            <div>
                <h1>Weigh</h1>
                <p class="quiet">
                    From the size of the thing to the mass on the scale, off the ledger of its lots.
                </p>
            </div>
        </div>
        <WeighNav />
        <form class="card fields" @submit.prevent="begin">
            <label
                >For<select v-model="product">
                    <option :value="null">no product</option>
                    <option v-for="p in products ?? []" :key="p.id" :value="p.id">{{ p.name }}</option>
                </select></label
            >
            <label
                >Polymer<select v-model="polymer">
                    <option v-for="p in (polymers ?? []).filter((x) => !x.never_hot)" :key="p.code">
                        {{ p.code }}
                    </option>
                </select></label
            >
            <label
                >Mix<select v-model="mix">
                    <option :value="null">one lot after the other</option>
                    <option v-for="m in fitting" :key="m.id" :value="m.id">
                        {{ m.name }}, version {{ m.version }}
                    </option>
                </select></label
            >
            <TypedField dimension="mass" v-model="total" label="Charge" :note="why" />
            <label
                >Scale reads to, g<select v-model.number="scale">
                    <option v-for="s in [0.01, 0.1, 1, 2, 5, 10]" :key="s" :value="s">{{ s }}</option>
                </select></label
            >
            <TypedField v-model="tolerance" dimension="number" label="Tolerance, %" :min="0.05" :max="20" />
            <div class="acts">
                <v-btn color="primary" type="submit" :loading="busy" :disabled="!total || tolerance === null"
                    >To the scale</v-btn
                >
                <p v-if="fault" role="alert" class="fault">{{ sentence(fault) }}</p>
            </div>
        </form>
        <section class="card list">
            <h2>Charges</h2>
            <p v-if="charges?.length === 0" class="quiet">
                None yet. A charge that was weighed waits here for its run.
            </p>
            <table v-else class="rows">
                <thead>
                    <tr>
                        <th>Charge</th>
                        <th>What</th>
                        <th>Colours</th>
                        <th class="n">Weighed</th>
                        <th class="n">Of</th>
                        <th>By</th>
                        <th></th>
                    </tr>
                </thead>
                <tbody>
                    <tr
                        v-for="c in charges ?? []"
                        :key="c.id"
                        class="go"
                        @click="router.push(`/weigh/${c.id}`)"
                    >
                        <td>
                            <router-link :to="`/weigh/${c.id}`" @click.stop>{{ c.code }}</router-link>
                        </td>
                        <td>{{ c.about }}, {{ c.polymer }}</td>
                        <td>
                            <MixStrip
                                :parts="
                                    c.components.map((x) => ({
                                        name: x.name,
                                        swatch: x.swatch,
                                        percent: (100 * x.target_g) / c.total_g,
                                    }))
                                "
                            />
                        </td>
                        <td class="n mono">{{ show(c.weighed_g, 'mass', 1) }}</td>
                        <td class="n">
                            {{ show(c.total_g, 'mass', number(c.total_g, 1).endsWith('0') ? 0 : 1) }}
                        </td>
                        <td>{{ c.by }}, {{ dayText(c.at) }} {{ timeOfDay(c.at) }}</td>
                        <td>
                            <span :class="['tag', SAYS[c.status]?.[0]]">{{ SAYS[c.status]?.[1] }}</span>
                        </td>
                    </tr>
                </tbody>
            </table>
        </section>
    </div>
</template>

<style scoped>
.list {
    margin-top: 14px;
}
</style>
