<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query';
import { computed, ref, watch } from 'vue';
import { api } from '../../api/client';
import type { Machine, Product } from '../../api/types';
import { title, type CalcSchema, type Values } from './schema';
import { takeFrom } from './takeFrom';

/** Numbers of the shop's own machines and parts, where this question asks for them by the same name. */
const props = defineProps<{ schema: CalcSchema }>();
const input = defineModel<Values>({ required: true });
const { data: machines } = useQuery({
    queryKey: ['machines'],
    queryFn: () => api.list<Machine>('machines'),
});
const { data: products } = useQuery({
    queryKey: ['products'],
    queryFn: () => api.list<Product>('products'),
});
/** Only what something here would answer is offered. */
const offers = (known: Values) => takeFrom(known, props.schema.input, {})[1].length > 0;
const ofMachine = (m: Machine): Values => ({ ...m.facts, name: m.name, last_polymer: m.last_polymer });
/** a formed part says of its sheet and depth what calculations call thickness and height */
const dimensionsOf = ({ dimensions }: Product): Values => ({
    ...(dimensions.sheet_mm === undefined ? {} : { thickness_mm: dimensions.sheet_mm }),
    ...(dimensions.depth_mm === undefined ? {} : { height_mm: dimensions.depth_mm }),
    ...dimensions,
});
const ofPart = (p: Product): Values => ({ ...dimensionsOf(p), polymer: p.polymer, process: p.process });
const usefulMachines = computed(() => (machines.value ?? []).filter((m) => offers(m.facts as Values)));
const usefulParts = computed(() =>
    (products.value ?? []).filter((p) => offers({ ...dimensionsOf(p), process: p.process })),
);
const tookFrom = ref('');
function take(from: string, known: Values) {
    const [next, taken] = takeFrom(known, props.schema.input, input.value);
    input.value = next;
    tookFrom.value = `From ${from}: ${taken.map((k) => title(k).toLowerCase()).join(', ')}.`;
}
watch(
    () => props.schema,
    () => (tookFrom.value = ''),
);
</script>

<template>
    <div>
        <div v-if="usefulMachines.length + usefulParts.length > 0" class="from">
            <label v-if="usefulMachines.length"
                >Machine<select
                    @change="
                        (e) => {
                            const m = usefulMachines.find(
                                (x) => x.name === (e.target as HTMLSelectElement).value,
                            );
                            if (m) take(m.name, ofMachine(m));
                        }
                    "
                >
                    <option value="">none</option>
                    <option v-for="m in usefulMachines" :key="m.id">{{ m.name }}</option>
                </select></label
            ><label v-if="usefulParts.length"
                >Part and mould<select
                    @change="
                        (e) => {
                            const p = usefulParts.find(
                                (x) => x.name === (e.target as HTMLSelectElement).value,
                            );
                            if (p) take(p.name, ofPart(p));
                        }
                    "
                >
                    <option value="">none</option>
                    <option v-for="p in usefulParts" :key="p.id">{{ p.name }}</option>
                </select></label
            >
        </div>
        <p v-if="tookFrom" class="quiet" role="status">{{ tookFrom }}</p>
    </div>
</template>

<style scoped>
.from {
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: 10px;
    margin: 10px 0 4px;
}
.from label {
    font-weight: 600;
    display: grid;
    gap: 2px;
    min-width: 0;
}
.from select {
    width: 100%;
    min-height: var(--touch);
    border: 1px solid var(--line);
    border-radius: 4px;
    background: var(--still);
    color: var(--ink);
    font: inherit;
    padding: 0 8px;
}
</style>
