<script setup lang="ts">
import { asText, counts, numbers, type FormField } from './field';
import NumberEntry from './NumberEntry.vue';
import { inner } from './schema';

/** One thing that a calculation asks, entered as what it is: a number, a choice, a list, a text. */
defineProps<{ f: FormField; called: string; polymers: string[]; faulty: boolean }>();
const value = defineModel<unknown>({ required: true });
/** what takes the whole width */
const LONG = ['json', 'numbers', 'words', 'counts'];
const set = (next: unknown) => (value.value = next);
function json(text: string) {
    try {
        set(text.trim() === '' ? '' : JSON.parse(text));
    } catch {
        set(text);
    }
}
</script>

<template>
    <label :class="{ long: LONG.includes(f.as), bad: faulty }">
        <span class="name"
            >{{ called }}<i v-if="f.needed" aria-hidden="true"> *</i
            ><small v-if="f.about">{{ f.about }}</small></span
        >
        <select
            v-if="f.as === 'polymer'"
            :value="value ?? ''"
            @change="set(($event.target as HTMLSelectElement).value)"
        >
            <option value="">none</option>
            <option v-for="p in polymers" :key="p">{{ p }}</option>
        </select>
        <select
            v-else-if="f.as === 'choice'"
            :value="value ?? inner(f.shape).default ?? ''"
            @change="set(($event.target as HTMLSelectElement).value)"
        >
            <option v-if="!f.needed && inner(f.shape).default === undefined" value="">none</option>
            <option
                v-for="e in (inner(f.shape).enum ?? []).filter((x) => x !== null)"
                :key="String(e)"
                :value="e"
            >
                {{ String(e).replaceAll('_', ' ') }}
            </option>
        </select>
        <input
            v-else-if="f.as === 'boolean'"
            type="checkbox"
            :checked="Boolean(value ?? inner(f.shape).default ?? false)"
            @change="set(($event.target as HTMLInputElement).checked)"
        />
        <NumberEntry
            v-else-if="f.as === 'number'"
            :model-value="value"
            :unit="f.unit"
            :placeholder="inner(f.shape).default === undefined ? '' : String(inner(f.shape).default)"
            :invalid="faulty"
            @update:model-value="(v) => set(v)"
        />
        <textarea
            v-else-if="f.as === 'json'"
            rows="3"
            spellcheck="false"
            :value="asText(f.as, value)"
            @change="json(($event.target as HTMLTextAreaElement).value)"
        />
        <textarea
            v-else-if="f.as === 'numbers'"
            rows="2"
            spellcheck="false"
            :aria-invalid="faulty"
            :value="asText(f.as, value)"
            @change="set(numbers(($event.target as HTMLTextAreaElement).value))"
        />
        <input
            v-else-if="f.as === 'words' || f.as === 'counts'"
            type="text"
            :value="asText(f.as, value)"
            @change="
                set(
                    f.as === 'counts'
                        ? counts(($event.target as HTMLInputElement).value)
                        : ($event.target as HTMLInputElement).value
                              .split(/[,;]+/)
                              .map((t) => t.trim())
                              .filter(Boolean),
                )
            "
        />
        <input
            v-else
            type="text"
            :value="value ?? ''"
            :aria-invalid="faulty"
            @input="set(($event.target as HTMLInputElement).value)"
        />
    </label>
</template>

<style scoped>
label {
    display: grid;
    grid-template-columns: minmax(0, 1fr) 150px;
    gap: 10px;
    align-items: center;
}
.long {
    grid-template-columns: 1fr;
    gap: 4px;
}
.name {
    font-weight: 600;
    line-height: 1.2;
}
small {
    display: block;
    font-weight: 400;
    color: var(--quiet);
    font-size: 0.82rem;
}
label :deep(input[type='text']),
select,
textarea {
    width: 100%;
    min-height: var(--touch);
    border: 1px solid var(--line);
    border-radius: 4px;
    background: var(--paper);
    color: var(--ink);
    font: inherit;
    padding: 0 10px;
    font-variant-numeric: tabular-nums;
}
textarea {
    padding: 8px 10px;
}
input[type='checkbox'] {
    width: 26px;
    height: 26px;
    accent-color: var(--ember);
    justify-self: end;
}
i {
    color: var(--alarm);
    font-style: normal;
}
.bad :deep(input),
.bad select,
.bad textarea {
    border: 2px solid var(--alarm);
}
</style>
