<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query';
import { computed, ref } from 'vue';
import { api } from '../../api/client';
import { session } from '../../api/session';
import type { Product, ZipFile } from '../../api/types';
import { useFileIn } from './useFileIn';

/** How a shop works, out as one file and in from another: what would be new and what is otherwise here is seen first. */
const TITLES: Record<ZipFile['kind'], string> = {
    machines: 'Machines and moulds',
    products: 'Products',
    values: 'Own values of polymers',
    mixes: 'Mixes',
    setups: 'Set-ups',
    finishing: 'What is done after a run',
    procedures: 'How we work',
};
const lead = computed(() => session.person?.role === 'lead');
const { data: products } = useQuery({
    queryKey: ['products'],
    queryFn: () => api.list<Product>('products'),
});
const chosen = ref<number[]>([]);
const address = computed(
    () => `/api/v1/transfer/shop.zip?${chosen.value.map((id) => `products[]=${id}`).join('&')}`,
);

const {
    file,
    seen,
    problem,
    done,
    busy,
    choose: take,
    send,
} = useFileIn<{ items: ZipFile[] }>(
    () => 'transfer/shop',
    () => 'It is in.',
);
const files = computed(() => seen.value?.items ?? []);
const faults = computed(() => files.value.flatMap((f) => f.errors.map((e) => ({ ...e, kind: f.kind }))));
/** what is as it was is counted, not listed */
const changes = (f: ZipFile) => f.would.filter((line) => !/as it (was|is)/.test(line));
async function choose(of: File | null | undefined) {
    take(of);
    if (of) await send(true);
}
</script>

<template>
    <section class="card mt-4" aria-labelledby="zip">
        <h2 id="zip">To another shop, and from it</h2>
        <p class="quiet">
            Machines, moulds, products, set-ups, own values, mixes and how we work, as one zip. No stock, no
            runs and nobody's name go with it.
        </p>
        <details>
            <summary>{{ chosen.length === 0 ? 'All of the shop' : `Of ${chosen.length} products` }}</summary>
            <label v-for="p in products ?? []" :key="p.id">
                <input v-model="chosen" type="checkbox" :value="p.id" /> {{ p.name }}
            </label>
        </details>
        <v-btn variant="outlined" :href="address" download="shop.zip">Get the zip</v-btn>
        <template v-if="lead">
            <label class="from"
                ><span>{{ file ? file.name : 'One from another shop' }}</span
                ><input
                    type="file"
                    aria-label="Zip of a shop"
                    accept=".zip,application/zip"
                    @change="choose(($event.target as HTMLInputElement).files?.[0])"
            /></label>
            <p v-if="problem" role="alert" class="fault">{{ problem }}</p>
            <p v-if="done" role="status">
                <strong>{{ done }}</strong>
            </p>
            <template v-if="seen">
                <p role="status">
                    <strong>{{
                        faults.length === 0
                            ? 'Nothing is in yet. This would be done:'
                            : `${faults.length} things cannot go in. Nothing was changed.`
                    }}</strong>
                </p>
                <p v-for="(e, i) in faults" :key="i" class="fault">
                    {{ TITLES[e.kind] }}, row {{ e.row }}: {{ e.field }} {{ e.message }}
                </p>
                <div v-for="f in files" :key="f.kind">
                    <h3>{{ TITLES[f.kind] }}</h3>
                    <ul v-if="changes(f).length > 0">
                        <li v-for="(w, i) in changes(f).slice(0, 40)" :key="i">{{ w }}</li>
                    </ul>
                    <p v-if="f.would.length > changes(f).length" class="quiet">
                        {{ f.would.length - changes(f).length }} as they are here{{
                            changes(f).length > 40 ? `; ${changes(f).length - 40} more are not shown` : ''
                        }}
                    </p>
                </div>
                <v-btn v-if="faults.length === 0" color="primary" :loading="busy" @click="send(false)"
                    >Bring all of it in</v-btn
                >
            </template>
        </template>
    </section>
</template>

<style scoped>
label {
    display: flex;
    align-items: center;
    gap: 10px;
    min-height: var(--touch);
}
label input[type='checkbox'] {
    width: 22px;
    height: 22px;
    accent-color: var(--ember);
}
.from {
    margin-top: 10px;
    flex-wrap: wrap;
    font-weight: 650;
}
.from input {
    max-width: 100%;
}
</style>
