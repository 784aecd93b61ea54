<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import { parseQuantity } from '../../units/quantity';
import { fromShown, shownUnit, toShown, typed } from './schema';

/** A number that takes what people type: a plain one, "3/4 in" or "8,5 kg", each at once and whole. */
const props = defineProps<{ unit: string; placeholder?: string; invalid?: boolean; label?: string }>();
const value = defineModel<unknown>();
const text = ref('');
const editing = ref(false);
const shown = computed(() =>
    typeof value.value === 'number'
        ? String(Number(toShown(value.value, props.unit).toPrecision(7)))
        : String(value.value ?? ''),
);
watch(
    shown,
    () => {
        if (!editing.value) text.value = shown.value;
    },
    { immediate: true },
);
const hint = computed(() => {
    const n = Number(props.placeholder);
    return props.placeholder && Number.isFinite(n)
        ? String(Number(toShown(n, props.unit).toPrecision(5)))
        : (props.placeholder ?? '');
});
const plain = (t: string) => {
    const n = t
        .trim()
        .replace(/[\u00A0\u202F ]/g, '')
        .replace(',', '.')
        .replace('−', '-');
    return n !== '' && Number.isFinite(Number(n)) ? Number(n) : null;
};

function heard() {
    const n = plain(text.value);
    if (text.value.trim() === '') value.value = undefined;
    else if (n !== null) value.value = fromShown(n, props.unit);
    else {
        const as = typed(props.unit);
        const read = parseQuantity(text.value, as?.kind ?? 'number');
        // What cannot be read goes to the calculation as it stands, and is refused there by the name of its field.
        value.value = read.value === null ? text.value : read.value / (as?.base ?? 1);
    }
}
function finished() {
    editing.value = false;
    text.value = shown.value;
}
</script>

<template>
    <span class="num-in"
        ><input
            v-model="text"
            type="text"
            inputmode="text"
            autocomplete="off"
            :data-typed="typed(unit)?.kind"
            :data-value="value ?? ''"
            :placeholder="hint"
            :aria-invalid="invalid"
            :aria-label="label"
            @input="heard"
            @focus="editing = true"
            @blur="finished"
            @keydown.enter="($event.target as HTMLInputElement).blur()"
        /><em v-if="unit">{{ shownUnit(unit) }}</em></span
    >
</template>

<style scoped>
.num-in {
    display: flex;
    align-items: center;
    gap: 6px;
}
em {
    font-style: normal;
    color: var(--quiet);
    min-width: 38px;
    font-size: 0.88rem;
}
::placeholder {
    color: var(--quiet);
    opacity: 1;
}
input {
    width: 100%;
    min-width: 0;
    min-height: var(--touch);
    border: 1px solid var(--line);
    border-radius: 4px;
    background: var(--paper);
    color: var(--ink);
    font: inherit;
    padding: 0 10px;
    font-variant-numeric: tabular-nums;
    text-align: right;
    font-weight: 700;
}
input[aria-invalid='true'] {
    border: 2px solid var(--alarm);
}
</style>
