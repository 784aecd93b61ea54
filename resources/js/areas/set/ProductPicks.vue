<script setup lang="ts">
import { useMediaQuery } from '@vueuse/core';
import { computed } from 'vue';
import type { Process, Product } from '../../api/types';

/** What may be made, by the process that makes it: all at a glance, or one list where a glance has no room for them. */
const props = defineProps<{
    shelves: { process: Process; products: Product[] }[];
    chosen: number | null;
}>();
const emit = defineEmits<{ choose: [id: number] }>();
/** more than so many are looked for, not looked at */
const AT_A_GLANCE = 24;
const phone = useMediaQuery('(max-width: 700px)');
const many = computed(() => props.shelves.reduce((sum, s) => sum + s.products.length, 0) > AT_A_GLANCE);
</script>

<template>
    <label v-if="phone || many" class="sel"
        ><span>Make</span
        ><select :value="chosen" @change="emit('choose', Number(($event.target as HTMLSelectElement).value))">
            <optgroup v-for="s in shelves" :key="s.process.id" :label="s.process.title">
                <option v-for="p in s.products" :key="p.id" :value="p.id">{{ p.name }}</option>
            </optgroup>
        </select></label
    >
    <div v-else class="shelves">
        <fieldset v-for="s in shelves" :key="s.process.id" class="pick">
            <legend>{{ s.process.title }}</legend>
            <label v-for="p in s.products" :key="p.id" :class="{ on: p.id === chosen }"
                ><input
                    type="radio"
                    name="product"
                    :checked="p.id === chosen"
                    @change="emit('choose', p.id)"
                />{{ p.name }}</label
            >
        </fieldset>
    </div>
</template>
