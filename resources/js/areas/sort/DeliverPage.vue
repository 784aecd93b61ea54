<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query';
import { computed, ref } from 'vue';
import { useRouter } from 'vue-router';
import { api } from '../../api/client';
import { newKey } from '../../api/queue';
import type { Lot, Polymer, Product, Source } from '../../api/types';
import TypedField from '../../parts/TypedField.vue';
import { show } from '../../parts/units';
import { sentence, useSend } from '../../parts/useSend';
import PictureField from './PictureField.vue';
import SortNav from './SortNav.vue';

const router = useRouter();
const queries = useQueryClient();
const { data: sources } = useQuery({ queryKey: ['sources'], queryFn: () => api.list<Source>('sources') });
const { data: polymers } = useQuery({
    queryKey: ['polymers'],
    queryFn: () => api.list<Polymer>('polymers'),
});
const { data: products } = useQuery({
    queryKey: ['products'],
    queryFn: () => api.list<Product>('products'),
});
const lot = ref({
    source_id: null as number | null,
    polymer: 'UNKNOWN',
    form: 'flake',
    colour: '',
    swatch: '#9aa0a2',
    location: '',
    generation: 0,
    reserved_for_id: null as number | null,
});
const gross = ref<number | null>(null);
const tare = ref<number | null>(null);
const net = computed(() => (gross.value === null ? null : gross.value - (tare.value ?? 0)));
const sheet = ref<{
    length_mm: number | null;
    width_mm: number | null;
    thickness_mm: number | null;
    film_side: string;
    finish: string;
}>({ length_mm: 1250, width_mm: 650, thickness_mm: 3, film_side: 'good side', finish: '' });
const picture = ref<string | null>(null);
const FORMS = ['item', 'flake', 'pellet', 'sheet', 'offcut', 'regrind', 'densified film'];
const { busy, fault, send } = useSend();
let id = newKey();
async function take() {
    const made = await send(() =>
        api.post<Lot>('lots', {
            id,
            ...lot.value,
            mass_g: net.value ?? 0,
            tare_g: tare.value,
            picture_id: picture.value,
            sheet: lot.value.form === 'sheet' ? sheet.value : null,
        }),
    );
    if (!made) return;
    id = newKey();
    await queries.invalidateQueries({ queryKey: ['lots'] });
    await router.push(`/sort/lots/${made.id}`);
}
</script>

<template>
    <div class="page">
        <div class="page-head">
            <div>
                <h1>Take a delivery in</h1>
                <p class="quiet">
                    Label the container before it is filled. What is not known is UNKNOWN, and stays cold.
                </p>
            </div>
        </div>
        <SortNav />
        <form class="card fields" @submit.prevent="take">
            <label
                >From<select v-model="lot.source_id">
                    <option :value="null" disabled>a source</option>
                    <option v-for="s in sources ?? []" :key="s.id" :value="s.id">
                        {{ s.name }}, {{ s.state.replaceAll('_', ' ') }}
                    </option>
                </select></label
            >
            <label
                >Polymer<select v-model="lot.polymer">
                    <option v-for="p in polymers ?? []" :key="p.code" :value="p.code">
                        {{ p.code }}, {{ p.name }}
                    </option>
                </select></label
            >
            <label
                >Form<select v-model="lot.form">
                    <option v-for="f in FORMS" :key="f">{{ f }}</option>
                </select></label
            >
            <label
                >Passes so far<input v-model.number="lot.generation" type="number" min="0" max="20"
            /></label>
            <label>Colour<input v-model="lot.colour" maxlength="60" /></label
            ><label>Swatch<input v-model="lot.swatch" type="color" /></label>
            <label>Place<input v-model="lot.location" maxlength="60" /></label>
            <label
                >Kept for<select v-model="lot.reserved_for_id">
                    <option :value="null">anything</option>
                    <option v-for="p in products ?? []" :key="p.id" :value="p.id">{{ p.name }}</option>
                </select></label
            >
            <template v-if="lot.form === 'sheet'">
                <TypedField
                    v-model="sheet.length_mm"
                    dimension="length"
                    label="Length"
                    :min="1"
                    :max="10000"
                /><TypedField
                    v-model="sheet.width_mm"
                    dimension="length"
                    label="Width"
                    :min="1"
                    :max="10000"
                /><TypedField
                    v-model="sheet.thickness_mm"
                    dimension="length"
                    label="Thickness"
                    :min="0.05"
                    :max="200"
                />
                <label
                    >Protective film<select v-model="sheet.film_side">
                        <option>none</option>
                        <option>good side</option>
                        <option>both</option>
                    </select></label
                ><label>Finish<input v-model="sheet.finish" maxlength="40" /></label>
            </template>
            <TypedField dimension="mass" v-model="gross" label="On the scale" /><TypedField
                dimension="mass"
                v-model="tare"
                label="Container, tare"
                :note="
                    net === null
                        ? ''
                        : net > 0
                          ? `net ${show(net, 'mass')}`
                          : 'heavier than what is on the scale'
                "
            />
            <PictureField v-model="picture" label="Swatch picture" />
            <div class="acts">
                <v-btn
                    color="primary"
                    type="submit"
                    :loading="busy"
                    :disabled="lot.source_id === null || !net || net <= 0 || !lot.colour.trim()"
                    >Take it in</v-btn
                ><router-link to="/sort/find">Which polymer is it?</router-link>
                <p v-if="fault" role="alert" class="fault">{{ sentence(fault) }}</p>
            </div>
        </form>
    </div>
</template>
