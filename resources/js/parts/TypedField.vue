<script setup lang="ts">
import { onMounted, ref, watchEffect } from 'vue';
import type { Dimension } from '../api/types';
import { useTyped } from '../units/useTyped';
import { shown } from './units';

/** A quantity in a form: "2,1 kg", "3/4 in", "350F". What it cannot read it holds the form back for, and says why. */
const props = defineProps<{
    label: string;
    dimension: Dimension;
    note?: string;
    min?: number;
    max?: number;
    digits?: number;
    signed?: boolean;
    placeholder?: string;
    bare?: boolean;
    /** it is what its dialog asks first */
    first?: boolean;
}>();
const value = defineModel<number | null>({ required: true });
const field = ref<HTMLInputElement | null>(null);
const { text, bad, problem, editing, heard, left } = useTyped(
    value,
    () => props.dimension,
    () => props,
);
watchEffect(() => field.value?.setCustomValidity(bad.value));
onMounted(() => {
    if (props.first) field.value?.focus();
});

function began(event: FocusEvent) {
    editing.value = true;
    (event.target as HTMLInputElement).select();
}
</script>

<template>
    <label>
        <span :class="{ sr: bare }"
            >{{ label }}<template v-if="shown(dimension).unit">, {{ shown(dimension).unit }}</template></span
        >
        <input
            ref="field"
            :value="text"
            type="text"
            autocomplete="off"
            :placeholder="placeholder"
            :data-typed="dimension"
            :data-value="value ?? ''"
            :aria-invalid="problem !== ''"
            @input="heard(($event.target as HTMLInputElement).value)"
            @focus="began"
            @blur="left"
            @invalid="left"
        />
        <small v-if="problem || note" :class="{ fault: problem }">{{ problem || note }}</small>
    </label>
</template>
