<script setup lang="ts">
import { computed } from 'vue';
import CalcForm from './CalcForm.vue';
import NumberEntry from './NumberEntry.vue';
import { inner, kind, title, unitOf, shownUnit, type Shape, type Values } from './schema';

/** A list as rows: a table when its items are short and plain, a form for each when they are not. */
const props = defineProps<{
    name: string;
    shape: Shape;
    path: string;
    polymers: string[];
    fault: { field: string; message: string } | null;
}>();
const list = defineModel<Values[]>({ required: true });
const item = computed(() => inner(props.shape).items ?? {});
const fields = computed(() =>
    Object.entries(item.value.properties ?? {}).map(([name, shape]) => ({
        name,
        shape,
        kind: kind(shape),
        words: kind(shape) === 'array',
    })),
);
const table = computed(
    () =>
        fields.value.length <= 8 &&
        fields.value.every(
            (f) => f.kind !== 'object' && (f.kind !== 'array' || inner(f.shape).items?.type === 'string'),
        ),
);
const used = computed(() =>
    fields.value.filter(
        (f) => item.value.required?.includes(f.name) || list.value.some((row) => row[f.name] !== undefined),
    ),
);
const spare = computed(() => fields.value.filter((f) => !used.value.includes(f)));
const bad = (i: number, f: string) => props.fault?.field === `${props.path}.${i}.${f}`;

function set(i: number, name: string, value: unknown) {
    list.value = list.value.map((row, k) => {
        if (k !== i) return row;
        const next = { ...row };
        if (value === '' || value === undefined) delete next[name];
        else next[name] = value;
        return next;
    });
}
const add = () =>
    (list.value = [
        ...list.value,
        JSON.parse(JSON.stringify(list.value[list.value.length - 1] ?? {})) as Values,
    ]);
const drop = (i: number) => (list.value = list.value.filter((_, k) => k !== i));
const words = (text: string) =>
    text
        .split(/[,;]+/)
        .map((w) => w.trim())
        .filter(Boolean);
</script>

<template>
    <fieldset class="list">
        <legend>
            {{ title(name) }} <small>{{ list.length }}</small>
        </legend>
        <div v-if="table" class="scroll" tabindex="0" :aria-label="title(name)">
            <table>
                <thead>
                    <tr>
                        <th v-for="f in used" :key="f.name" scope="col">
                            {{ title(f.name)
                            }}<small v-if="unitOf(f.name, f.shape)"
                                >, {{ shownUnit(unitOf(f.name, f.shape)) }}</small
                            >
                        </th>
                        <th><span class="sr">take out</span></th>
                    </tr>
                </thead>
                <tbody>
                    <tr v-for="(row, i) in list" :key="i">
                        <td v-for="f in used" :key="f.name" :class="f.kind">
                            <select
                                v-if="f.name === 'polymer' || inner(f.shape).enum"
                                :aria-label="`${title(f.name)} ${i + 1}`"
                                :aria-invalid="bad(i, f.name)"
                                :value="row[f.name] ?? inner(f.shape).default ?? ''"
                                @change="set(i, f.name, ($event.target as HTMLSelectElement).value)"
                            >
                                <option v-if="!item.required?.includes(f.name)" value="" />
                                <option
                                    v-for="e in f.name === 'polymer'
                                        ? polymers
                                        : (inner(f.shape).enum ?? []).filter((x) => x !== null)"
                                    :key="String(e)"
                                    :value="e"
                                >
                                    {{ String(e).replaceAll('_', ' ') }}
                                </option>
                            </select>
                            <input
                                v-else-if="f.kind === 'boolean'"
                                type="checkbox"
                                :aria-label="`${title(f.name)} ${i + 1}`"
                                :checked="Boolean(row[f.name] ?? inner(f.shape).default ?? false)"
                                @change="set(i, f.name, ($event.target as HTMLInputElement).checked)"
                            />
                            <NumberEntry
                                v-else-if="f.kind === 'number' || f.kind === 'integer'"
                                :model-value="row[f.name]"
                                unit=""
                                :label="`${title(f.name)} ${i + 1}`"
                                :invalid="bad(i, f.name)"
                                @update:model-value="(v) => set(i, f.name, v)"
                            />
                            <input
                                v-else
                                type="text"
                                :aria-label="`${title(f.name)} ${i + 1}`"
                                :aria-invalid="bad(i, f.name)"
                                :value="f.words ? ((row[f.name] ?? []) as string[]).join(', ') : row[f.name]"
                                @change="
                                    set(
                                        i,
                                        f.name,
                                        f.words
                                            ? words(($event.target as HTMLInputElement).value)
                                            : ($event.target as HTMLInputElement).value,
                                    )
                                "
                            />
                        </td>
                        <td>
                            <button
                                type="button"
                                class="drop"
                                :aria-label="`Take out ${i + 1}`"
                                @click="drop(i)"
                            >
                                ×
                            </button>
                        </td>
                    </tr>
                </tbody>
            </table>
        </div>
        <template v-else
            ><fieldset v-for="(row, i) in list" :key="i" class="one">
                <legend>
                    {{ i + 1 }} <button type="button" class="plain" @click="drop(i)">take out</button>
                </legend>
                <CalcForm
                    :model-value="row"
                    :shape="item"
                    :path="`${path}.${i}`"
                    :polymers="polymers"
                    :fault="fault"
                    @update:model-value="(v) => (list = list.map((x, k) => (k === i ? v : x)))"
                /></fieldset
        ></template>
        <button type="button" class="plain" @click="add">Add one</button>
        <span v-if="table && spare.length && list.length" class="more"
            ><button
                v-for="f in spare"
                :key="f.name"
                type="button"
                class="plain"
                @click="
                    set(
                        0,
                        f.name,
                        f.kind === 'boolean'
                            ? true
                            : f.kind === 'number' || f.kind === 'integer'
                              ? (inner(f.shape).default ?? 0)
                              : (inner(f.shape).enum?.[0] ?? (f.words ? [] : ' ')),
                    )
                "
            >
                + {{ title(f.name).toLowerCase() }}
            </button></span
        >
    </fieldset>
</template>

<style scoped>
fieldset {
    border: 1px solid var(--line);
    border-radius: 4px;
    padding: 6px 10px;
    min-width: 0;
    margin: 0;
}
.one {
    margin-bottom: 8px;
}
legend {
    font-weight: 700;
    padding: 0 6px;
}
small {
    font-weight: 400;
    color: var(--quiet);
    font-size: 0.82rem;
}
.scroll {
    overflow-x: auto;
}
table {
    border-collapse: collapse;
    width: 100%;
}
th {
    font-weight: 600;
    text-align: left;
    font-size: 0.84rem;
    padding: 2px 4px;
    white-space: nowrap;
}
td {
    padding: 2px 3px;
    min-width: 62px;
}
td.string,
td.array {
    min-width: 92px;
}
td:last-child {
    min-width: 0;
    width: 36px;
}
input[type='text'],
select {
    width: 100%;
    min-height: 40px;
    border: 1px solid var(--line);
    border-radius: 4px;
    background: var(--paper);
    color: var(--ink);
    font: inherit;
    padding: 0 6px;
}
[aria-invalid='true'] {
    border: 2px solid var(--alarm);
}
:deep(.num-in input) {
    min-height: 40px;
    padding: 0 6px;
}
input[type='checkbox'] {
    width: 24px;
    height: 24px;
    accent-color: var(--ember);
}
.drop {
    width: 36px;
    height: 40px;
    border: 0;
    background: none;
    color: inherit;
    font-size: 1.3rem;
    cursor: pointer;
}
.plain {
    background: none;
    border: 0;
    text-decoration: underline;
    font: inherit;
    font-weight: 400;
    cursor: pointer;
    color: inherit;
    min-height: 36px;
    padding: 0 6px 0 0;
}
.more {
    color: var(--quiet);
    font-size: 0.9rem;
}
</style>
