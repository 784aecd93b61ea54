<script setup lang="ts">
import { ref, useId, watch } from 'vue';
import { api, Refused } from '../api/client';
import type { Dimension } from '../api/types';
import { show, shown } from './units';

/** A number that takes what people type ("3/4 in", "8,5 kg", "365 F") and a slider; the core reads it, units stay shown. */
const props = defineProps<{ label: string; dimension: Dimension; min: number; max: number; step?: number; origin?: string; digits?: number }>();
const value = defineModel<number>({ required: true });
const id = useId();
const text = ref('');
const problem = ref('');
const editing = ref(false);
watch(value, () => { if (!editing.value) { text.value = show(value.value, props.dimension, props.digits); problem.value = ''; } }, { immediate: true });
watch(() => shown(props.dimension).unit, () => (text.value = show(value.value, props.dimension, props.digits)));

async function read() {
    editing.value = false;
    if (text.value === show(value.value, props.dimension, props.digits)) return;
    try {
        const answer = await api.post<{ value: number }>('calc/quantity.parse', { text: text.value.replaceAll('\u00A0', ' ').replaceAll('\u202F', ''), dimension: props.dimension, unit: shown(props.dimension).unit || undefined });
        if (answer.value < props.min - 1e-9 || answer.value > props.max + 1e-9) {
            problem.value = `Between ${show(props.min, props.dimension, props.digits)} and ${show(props.max, props.dimension, props.digits)}.`;
            return;
        }
        problem.value = '';
        value.value = answer.value;
        text.value = show(answer.value, props.dimension, props.digits);
    } catch (error) {
        problem.value = error instanceof Refused ? error.message : 'The server does not answer.';
    }
}
</script>

<template>
    <div class="quantity">
        <div class="line">
            <label :for="id">{{ label }}</label>
            <input :id="id" v-model="text" type="text" autocomplete="off" :aria-invalid="problem !== ''" :aria-describedby="`${id}-note`" @focus="editing = true; ($event.target as HTMLInputElement).select()" @blur="read" @keydown.enter="($event.target as HTMLInputElement).blur()">
        </div>
        <input v-model.number="value" class="slide" type="range" :min="min" :max="max" :step="step ?? 1" :aria-label="`${label}, slider`">
        <p :id="`${id}-note`" :class="['note', { bad: problem }]">{{ problem || origin || '\u00A0' }}</p>
    </div>
</template>

<style scoped>
.quantity { margin-bottom: 10px; }
.line { display: flex; justify-content: space-between; align-items: center; gap: 10px; }
label { font-weight: 600; }
.line input { width: 124px; min-height: var(--touch); text-align: right; padding: 0 10px; border: 1px solid var(--line); border-radius: 4px; background: var(--paper); color: var(--ink); font: inherit; font-weight: 700; font-size: 1.1rem; font-variant-numeric: tabular-nums; }
.line input[aria-invalid='true'] { border: 2px solid var(--alarm); }
.slide { width: 100%; height: 30px; accent-color: var(--ember); margin: 2px 0 0; }
.note { font-size: .84rem; color: var(--quiet); min-height: 1.3em; margin-top: -2px; }
.note.bad { color: var(--alarm); font-weight: 700; }
</style>
