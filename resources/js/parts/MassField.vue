<script setup lang="ts">
import { ref, watch } from 'vue';
import { api, Refused } from '../api/client';
import { show, shown, toShop } from './units';

/** A mass that takes what people type ("2,5 kg", "2500", "5 lb"); the core reads it, grams come out. */
const props = defineProps<{ label: string; note?: string }>();
const grams = defineModel<number | null>({ required: true });
const text = ref('');
const problem = ref('');
const editing = ref(false);
watch(grams, () => { if (!editing.value) text.value = grams.value === null ? '' : show(grams.value, 'mass', grams.value % 1 ? 1 : 0); }, { immediate: true });
const plain = (t: string) => { const n = t.trim().replace(',', '.'); return /^\d+(\.\d+)?$/.test(n) ? Number(n) : null; };
function heard() {
    const n = plain(text.value);
    if (text.value.trim() === '') grams.value = null;
    else if (n !== null) grams.value = toShop(n, 'mass');
}
async function read() {
    editing.value = false;
    problem.value = '';
    if (text.value.trim() !== '' && plain(text.value) === null) {
        try {
            grams.value = (await api.post<{ value: number }>('calc/quantity.parse', { text: text.value.replaceAll('\u00A0', ' ').replaceAll('\u202F', ''), dimension: 'mass', unit: shown('mass').unit })).value;
        } catch (error) {
            problem.value = error instanceof Refused ? error.message : 'The server does not answer.';
            return;
        }
    }
    text.value = grams.value === null ? '' : show(grams.value, 'mass', grams.value % 1 ? 1 : 0);
}
</script>

<template>
    <label>{{ props.label }}<input v-model="text" type="text" inputmode="decimal" autocomplete="off" :aria-invalid="problem !== ''" @input="heard" @focus="editing = true; ($event.target as HTMLInputElement).select()" @blur="read" @keydown.enter="read"><small v-if="problem || note" :class="{ fault: problem }">{{ problem || note }}</small></label>
</template>
