<script setup lang="ts">
import { computed } from 'vue';
import TypedField from '../../parts/TypedField.vue';
import { dimensionOf } from '../set/ranges';
import { called } from './facts';

/** A number that the core's schema describes: its name, its unit and what it is, read as people type it. */
const props = defineProps<{ name: string; schema: Record<string, unknown> }>();
const value = defineModel<number | null>({ required: true });
const unit = computed(() => String(props.schema['x-unit'] ?? ''));
const dimension = computed(() => dimensionOf(unit.value));
const plain = computed(() => called(props.name, unit.value));
const label = computed(() =>
    dimension.value === 'number' && unit.value ? `${plain.value}, ${unit.value}` : plain.value,
);
/** what it is, without the unit that the label has */
const note = computed(() => String(props.schema.description ?? '').replace(/\s*\([^()]*\)$/, ''));
</script>

<template>
    <TypedField
        v-model="value"
        :label="label"
        :dimension="dimension"
        :note="note"
        :digits="dimension === 'number' ? 4 : undefined"
    />
</template>
