<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query';
import { api } from '../../api/client';
import type { Polymer, Product } from '../../api/types';
import TypedField from '../../parts/TypedField.vue';
import { FORMS, type Delivery } from './delivery';

/** All that is said of a container; most of it is as it was the last time. */
const props = defineProps<{ delivery: Delivery }>();
const { lot, sheet } = props.delivery;
const { data: polymers } = useQuery({
    queryKey: ['polymers'],
    queryFn: () => api.list<Polymer>('polymers'),
});
const { data: products } = useQuery({
    queryKey: ['products'],
    queryFn: () => api.list<Product>('products'),
});
</script>

<template>
    <div class="fields">
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
        <label>Colour<input v-model="lot.colour" maxlength="60" /></label
        ><label>Swatch<input v-model="lot.swatch" type="color" /></label>
        <label>Place<input v-model="lot.location" maxlength="60" /></label>
        <label>Passes so far<input v-model.number="lot.generation" type="number" min="0" max="20" /></label>
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
    </div>
</template>
