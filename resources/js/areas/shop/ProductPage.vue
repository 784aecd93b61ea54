<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query';
import { computed, reactive, ref, watch } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { api } from '../../api/client';
import { session } from '../../api/session';
import type { Machine, Polymer, Process, Product } from '../../api/types';
import { sentence, useSend } from '../../parts/useSend';
import FinishingCard from './FinishingCard.vue';
import NumberOf from './NumberOf.vue';

/** What the shop makes: its process, its polymer, and the numbers that the process asks of a product. */
const route = useRoute();
const router = useRouter();
const client = useQueryClient();
const id = computed(() => (route.params.id === 'new' ? null : Number(route.params.id)));
const lead = computed(() => session.person?.role === 'lead');
const products = useQuery({ queryKey: ['products'], queryFn: () => api.list<Product>('products') });
const processes = useQuery({ queryKey: ['processes'], queryFn: () => api.list<Process>('processes') });
const polymers = useQuery({ queryKey: ['polymers'], queryFn: () => api.list<Polymer>('polymers') });
const known = computed(() => products.data.value?.find((p) => p.id === id.value) ?? null);
const machines = useQuery({ queryKey: ['machines'], queryFn: () => api.list<Machine>('machines') });
const form = reactive({ name: '', process: '', polymer: 'HDPE', note: '', mould_id: null as number | null });
watch(
    () => processes.data.value,
    (all) => {
        if (form.process === '') form.process = all?.[0]?.id ?? '';
    },
    { immediate: true },
);
const said = ref<Record<string, number | null>>({});
// Filled in when it is first known and when it was changed: a list that is asked again wipes nothing that is being typed.
watch(
    () => `${known.value?.id} ${known.value?.revision}`,
    () => {
        const now = known.value;
        if (!now) return;
        const { name, process: by, polymer, note, mould_id } = now;
        Object.assign(form, { name, process: by, polymer, note, mould_id });
        said.value = { ...(now.dimensions as Record<string, number>) };
    },
    { immediate: true },
);
const process = computed(() => processes.data.value?.find((p) => p.id === form.process) ?? null);
const moulds = computed(() => {
    const kinds = (process.value?.roles ?? []).filter((r) => r.throughout).flatMap((r) => r.kinds);
    return (machines.data.value ?? []).filter((m) => kinds.includes(m.kind));
});
/** What describes the product goes first; how it is made is the recipe's, and may stay empty here. */
const fields = computed(() =>
    Object.entries(
        (process.value?.settings as { properties?: Record<string, Record<string, unknown>> } | undefined)
            ?.properties ?? {},
    ),
);
const workable = computed(() =>
    (polymers.data.value ?? []).filter((p) => p.morphology !== null && !(form.process in p.why_not)),
);
const { busy, fault, send } = useSend();
const save = () =>
    send(async () => {
        const body = { ...form, dimensions: said.value };
        if (id.value === null) await api.post('products', body);
        else await api.post(`products/${id.value}`, { ...body, after_revision: known.value?.revision });
        await client.invalidateQueries({ queryKey: ['products'] });
        await router.push('/shop');
    });
</script>

<template>
    <div class="page">
        <div class="page-head">
            <div>
                <h1>{{ id === null ? 'A new product' : (known?.name ?? 'Product') }}</h1>
                <p class="quiet">What it is goes here; how it is made is set up, and kept as its recipe.</p>
            </div>
            <a
                v-if="known?.template_sheets"
                :href="`/api/v1/products/${known.id}/template.pdf`"
                target="_blank"
                >Trim template at true size, {{ known.template_sheets }}
                {{ known.template_sheets === 1 ? 'sheet' : 'sheets' }}</a
            >
            <router-link to="/shop">Back to the shop</router-link>
        </div>
        <form class="card" @submit.prevent="save">
            <div class="who fields">
                <label
                    ><span>Name</span
                    ><input v-model="form.name" type="text" maxlength="80" required autocomplete="off"
                /></label>
                <label
                    ><span>Made by</span
                    ><select v-model="form.process" :disabled="id !== null">
                        <option v-for="p in processes.data.value" :key="p.id" :value="p.id">
                            {{ p.title }}
                        </option>
                    </select></label
                >
                <label
                    ><span>Polymer</span
                    ><select v-model="form.polymer">
                        <option v-for="p in workable" :key="p.code" :value="p.code">
                            {{ p.code }}, {{ p.name }}
                        </option>
                    </select></label
                >
                <label v-if="moulds.length"
                    ><span>Mould</span
                    ><select v-model="form.mould_id">
                        <option :value="null">none</option>
                        <option v-for="m in moulds" :key="m.id" :value="m.id">{{ m.name }}</option>
                    </select></label
                >
                <label
                    ><span>Note</span
                    ><input v-model="form.note" type="text" maxlength="500" autocomplete="off"
                /></label>
            </div>
            <div class="grid fields">
                <NumberOf
                    v-for="[name, schema] in fields"
                    :key="name"
                    :name="name"
                    :schema="schema"
                    :model-value="said[name] ?? null"
                    @update:model-value="(to) => (said[name] = to)"
                />
            </div>
            <p v-if="fault" class="fault" role="alert">{{ sentence(fault) }}</p>
            <v-btn v-if="lead" type="submit" color="primary" :loading="busy">{{
                id === null ? 'Enter it' : 'Keep'
            }}</v-btn>
            <p v-else class="quiet">A lead enters products.</p>
        </form>
        <FinishingCard v-if="known" :product="known.id" />
    </div>
</template>

<style scoped>
.who,
.grid {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(220px, 1fr));
    gap: 14px 18px;
    margin-bottom: 18px;
}
.who input,
.who select {
    width: 100%;
}
.fault {
    color: var(--alarm);
    font-weight: 650;
}
</style>
