<script setup lang="ts">
import { computed, ref, useId, watch } from 'vue';
import type { Dimension } from '../api/types';
import { useTyped } from '../units/useTyped';

/** A number that takes what people type ("3/4 in", "8,5 kg", "365 F") and a slider; units stay shown. */
const props = defineProps<{
    label: string;
    dimension: Dimension;
    min: number;
    max: number;
    step?: number;
    origin?: string;
    digits?: number;
}>();
const value = defineModel<number>({ required: true });
const id = useId();
// What is typed counts when it can be read and lies within the slider; until then the last value stands.
const typed = ref<number | null>(value.value);
const { text, bad, problem, editing, heard, left, write } = useTyped(
    typed,
    () => props.dimension,
    () => props,
);
watch(value, (now) => {
    if (now !== typed.value) {
        typed.value = now;
        if (!editing.value) write();
    }
});
watch(typed, (now) => {
    if (now !== null && now !== value.value) value.value = now;
});
const slider = computed({
    get: () => value.value,
    set: (v) => {
        editing.value = false;
        value.value = Number(v);
    },
});

function began(event: FocusEvent) {
    editing.value = true;
    (event.target as HTMLInputElement).select();
}
function ended() {
    if (text.value.trim() === '') typed.value = value.value;
    left();
}
</script>

<template>
    <div class="quantity">
        <div class="line">
            <label :for="id">{{ label }}</label>
            <input
                :id="id"
                :value="text"
                type="text"
                autocomplete="off"
                :data-typed="dimension"
                :data-value="bad ? '' : value"
                :aria-invalid="problem !== ''"
                :aria-describedby="`${id}-note`"
                @input="heard(($event.target as HTMLInputElement).value)"
                @focus="began"
                @blur="ended"
                @keydown.enter="($event.target as HTMLInputElement).blur()"
            />
        </div>
        <input
            v-model.number="slider"
            class="slide"
            type="range"
            :min="min"
            :max="max"
            :step="step ?? 1"
            :aria-label="`${label}, slider`"
        />
        <p :id="`${id}-note`" :class="['note', { bad: problem }]">{{ problem || origin || '\u00A0' }}</p>
    </div>
</template>

<style scoped>
.quantity {
    margin-bottom: 10px;
}
.line {
    display: flex;
    justify-content: space-between;
    align-items: center;
    gap: 10px;
}
label {
    font-weight: 600;
}
.line input {
    width: 124px;
    min-height: var(--touch);
    text-align: right;
    padding: 0 10px;
    border: 1px solid var(--line);
    border-radius: 4px;
    background: var(--paper);
    color: var(--ink);
    font: inherit;
    font-weight: 700;
    font-size: 1.1rem;
    font-variant-numeric: tabular-nums;
}
.line input[aria-invalid='true'] {
    border: 2px solid var(--alarm);
}
.slide {
    width: 100%;
    height: 30px;
    accent-color: var(--ember);
    margin: 2px 0 0;
}
.note {
    font-size: 0.84rem;
    color: var(--quiet);
    min-height: 1.3em;
    margin-top: -2px;
}
.note.bad {
    color: var(--alarm);
    font-weight: 700;
}
</style>
