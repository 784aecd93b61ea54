<script setup lang="ts">
import { computed } from 'vue';
import { format, kind, shownUnit, title, unitOf, type CalcSchema } from './schema';
import type { KeptResult } from './useReckon';

/** Answers that were kept, side by side; first what was asked otherwise. */
const props = defineProps<{ compared: KeptResult[]; schema: CalcSchema }>();
const emit = defineEmits<{ open: [input: KeptResult['input']]; drop: [id: number] }>();
const unit = (k: string) =>
    kind(props.schema.result.properties?.[k] ?? {}) === 'number'
        ? unitOf(k, props.schema.result.properties?.[k])
        : '';
const keys = computed(() =>
    Object.keys(props.compared[0]?.result ?? {}).filter(
        (x) => !['explanation', 'warnings'].includes(x) && typeof props.compared[0]?.result[x] !== 'object',
    ),
);
</script>

<template>
    <section class="card">
        <h2>Kept, side by side</h2>
        <div class="scroll" tabindex="0" aria-label="Kept results">
            <table class="rows">
                <thead>
                    <tr>
                        <th></th>
                        <th v-for="(k, i) in compared" :key="k.id">
                            {{ i + 1 }}
                            <button
                                type="button"
                                class="plain"
                                :aria-label="`Open kept ${i + 1}`"
                                @click="emit('open', k.input)"
                            >
                                open
                            </button>
                            <button
                                type="button"
                                class="plain"
                                :aria-label="`Drop kept ${i + 1}`"
                                @click="emit('drop', k.id)"
                            >
                                drop
                            </button>
                        </th>
                    </tr>
                </thead>
                <tbody>
                    <tr v-for="key in keys" :key="key">
                        <th scope="row">
                            {{ title(key) }}<small v-if="unit(key)">, {{ shownUnit(unit(key)) }}</small>
                        </th>
                        <td v-for="k in compared" :key="k.id" class="num">
                            {{ format(k.result[key], unit(key)) }}
                        </td>
                    </tr>
                </tbody>
            </table>
        </div>
    </section>
</template>

<style scoped>
small {
    font-weight: 400;
    color: var(--quiet);
}
.scroll {
    overflow-x: auto;
}
.plain {
    background: none;
    border: 0;
    text-decoration: underline;
    font: inherit;
    cursor: pointer;
    color: inherit;
    min-height: 32px;
}
</style>
