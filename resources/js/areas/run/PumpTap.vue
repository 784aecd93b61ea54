<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import type { ProcedureEntry } from '../../api/types';
import { shown, toShop } from '../../parts/units';

/**
 * One tap logs it. What is seen is a button for each choice; gauge and strokes stand ready from the last time and move with
 * plus and minus.
 */
const props = defineProps<{ entry: ProcedureEntry; last: Record<string, unknown>; due: boolean }>();
const emit = defineEmits<{ log: [values: Record<string, unknown>] }>();
const seen = computed(() => (props.entry.fields.length === 1 ? (props.entry.fields[0]?.choices ?? []) : []));
const values = ref<Record<string, number | null>>({});
watch(
    () => props.last,
    () => {
        values.value = Object.fromEntries(
            props.entry.fields.map((f) => [
                f.id,
                typeof props.last[f.id] === 'number'
                    ? Math.round(shown(f.dimension ?? 'number').from(Number(props.last[f.id])))
                    : null,
            ]),
        );
    },
    { immediate: true },
);
const step = (id: string, by: number) =>
    (values.value[id] = Math.max(1, (values.value[id] ?? (id.includes('gauge') ? 20 : 5)) + by));
function go() {
    const out: Record<string, number> = {};
    for (const f of props.entry.fields)
        if (values.value[f.id] != null)
            out[f.id] = Math.round(toShop(values.value[f.id]!, f.dimension ?? 'number') * 100) / 100;
    emit('log', out);
}
</script>

<template>
    <div v-if="seen.length > 0" class="seen" role="group" :aria-label="entry.fields[0]?.label">
        <v-btn
            v-for="choice in seen"
            :key="choice"
            :variant="last[entry.fields[0]!.id] === choice ? 'flat' : 'outlined'"
            :color="due ? 'primary' : undefined"
            size="large"
            @click="emit('log', { [entry.fields[0]!.id]: choice })"
            >{{ choice }}</v-btn
        >
    </div>
    <div v-else class="tap">
        <v-btn
            :color="due ? 'primary' : undefined"
            :variant="due ? 'flat' : 'outlined'"
            size="x-large"
            class="go"
            @click="go"
            >{{ entry.title }}<span class="key ml-3">{{ entry.key?.toUpperCase() }}</span></v-btn
        >
        <div v-for="f in entry.fields" :key="f.id" class="side">
            <span
                >{{ f.label
                }}<template v-if="f.dimension !== 'number'"
                    >, {{ shown(f.dimension ?? 'number').unit }}</template
                ></span
            >
            <div>
                <button
                    type="button"
                    :aria-label="`${f.label} less`"
                    @click="step(f.id, f.id.includes('gauge') ? -2 : -1)"
                >
                    −</button
                ><strong class="mono">{{ values[f.id] ?? '–' }}</strong
                ><button
                    type="button"
                    :aria-label="`${f.label} more`"
                    @click="step(f.id, f.id.includes('gauge') ? 2 : 1)"
                >
                    +
                </button>
            </div>
        </div>
    </div>
</template>

<style scoped>
.seen {
    display: grid;
    grid-template-columns: repeat(auto-fit, minmax(150px, 1fr));
    gap: 8px;
    flex: 1 1 100%;
}
.seen :deep(.v-btn) {
    height: auto;
    min-height: var(--touch);
}
.seen :deep(.v-btn__content) {
    white-space: normal;
}
.tap {
    display: flex;
    gap: 12px;
    align-items: stretch;
    flex: 1 1 100%;
}
.go {
    min-height: 68px !important;
    flex: 1 1 auto;
    font-size: 1.2rem !important;
}
.side {
    text-align: center;
    font-size: 0.86rem;
    color: var(--quiet);
}
.side div {
    display: flex;
    align-items: center;
    border: 1px solid var(--line);
    border-radius: 4px;
}
.side button {
    width: var(--touch);
    height: var(--touch);
    font-size: 1.5rem;
    background: var(--still);
    border: 0;
    color: var(--ink);
    cursor: pointer;
}
.side strong {
    min-width: 52px;
    font-size: 1.3rem;
    color: var(--ink);
}
</style>
