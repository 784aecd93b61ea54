<script setup lang="ts">
import { computed } from 'vue';
import ListEntry from './ListEntry.vue';
import MeshChoice from './MeshChoice.vue';
import NumberEntry from './NumberEntry.vue';
import { inner, kind, ofMaterial, title, unitOf, WHAT, type Shape, type Values } from './schema';

/** A form out of a calculation's own schema: numbers with their units, choices, nested groups and lists. */
const props = defineProps<{
    shape: Shape;
    path?: string;
    polymers: string[];
    fault: { field: string; message: string } | null;
}>();
const input = defineModel<Values>({ required: true });
/** How a field is entered, by what its schema says it is. */
function entry(name: string, shape: Shape): string {
    const s = inner(shape);
    if (name === 'polymer') return 'polymer';
    if (name === 'file') return 'mesh';
    if (s.enum) return 'choice';
    const k = kind(shape);
    if (k === 'array')
        return s.items?.properties
            ? 'list'
            : s.items?.type === 'number'
              ? 'numbers'
              : s.items?.type === 'string'
                ? 'words'
                : 'json';
    if (k === 'object') return s.properties ? 'group' : s.additionalProperties ? 'counts' : 'json';
    return k === 'integer' ? 'number' : k === 'any' ? 'json' : k;
}
// Whether a drawing's numbers come along is not a question for people.
const fields = computed(() =>
    Object.entries(props.shape.properties ?? {})
        .filter(([name]) => !name.startsWith('with_'))
        .map(([name, shape]) => ({
            name,
            shape,
            as: entry(name, shape),
            needed: props.shape.required?.includes(name) ?? false,
            own: !props.path && ofMaterial(name, shape),
            unit: unitOf(name, shape),
            about: (inner(shape).description ?? '').replace(/\s*\([^()]*\)$/, ''),
        })),
);
// What is needed, and what this question came with, stands open; the rest folds away.
const first = new Set(Object.keys(input.value));
const open = (f: { name: string; needed: boolean }) =>
    f.needed || first.has(f.name) || f.name === 'polymer' || props.path !== undefined;
const main = computed(() => fields.value.filter((f) => !f.own && open(f)));
const more = computed(() => fields.value.filter((f) => !f.own && !open(f)));
const own = computed(() => fields.value.filter((f) => f.own));
/** Two that would be called alike are told apart by what they measure. */
const called = (f: { name: string; unit: string }) =>
    fields.value.filter((x) => title(x.name) === title(f.name)).length > 1 && WHAT[f.unit]
        ? `${title(f.name)} ${WHAT[f.unit]}`
        : title(f.name);
const full = (name: string) => (props.path ? `${props.path}.${name}` : name);
const faulty = (name: string) =>
    props.fault !== null &&
    (props.fault.field === full(name) || props.fault.field.startsWith(`${full(name)}.`));

function set(name: string, value: unknown) {
    const next = { ...input.value };
    if (value === '' || value === undefined) delete next[name];
    else next[name] = value;
    input.value = next;
}
const parts = (text: string) =>
    text
        .split(/[;\s]+|,(?!\d)|(?<=\d),(?=\s)/)
        .map((t) => t.trim())
        .filter(Boolean);
const numbers = (text: string) =>
    parts(text).map((t) => {
        const n = Number(t.replace(',', '.').replace('−', '-'));
        return Number.isNaN(n) ? t : n;
    });
const counts = (text: string) =>
    Object.fromEntries(
        text
            .split(/[,;\n]+/)
            .map((t) => /^\s*(.+?)\s*[:= ]\s*(\d+)\s*$/.exec(t))
            .filter((m) => m !== null)
            .map((m) => [m[1]!.replaceAll(' ', '_'), Number(m[2])]),
    );
function json(name: string, text: string) {
    try {
        set(name, text.trim() === '' ? '' : JSON.parse(text));
    } catch {
        set(name, text);
    }
}
const asText = (as: string, value: unknown) =>
    value === undefined
        ? ''
        : as === 'counts'
          ? Object.entries(value as Values)
                .map(([k, v]) => `${k.replaceAll('_', ' ')}: ${String(v)}`)
                .join(', ')
          : Array.isArray(value) && as !== 'json'
            ? value.join(', ')
            : typeof value === 'string'
              ? value
              : JSON.stringify(value);
</script>

<template>
    <div class="form">
        <component
            :is="i === 0 ? 'div' : 'details'"
            v-for="(list, i) in [main, more].filter((l, k) => k === 0 || l.length > 0)"
            :key="i"
        >
            <summary v-if="i === 1">More that can be said</summary>
            <div v-for="f in list" :key="f.name" :class="['row', f.as, { bad: faulty(f.name) }]">
                <fieldset v-if="f.as === 'group'">
                    <legend>
                        {{ title(f.name) }}
                        <button
                            v-if="!f.needed && input[f.name]"
                            type="button"
                            class="plain"
                            @click="set(f.name, '')"
                        >
                            leave out</button
                        ><button v-else-if="!f.needed" type="button" class="plain" @click="set(f.name, {})">
                            give it
                        </button>
                    </legend>
                    <CalcForm
                        v-if="f.needed || input[f.name]"
                        :model-value="(input[f.name] ?? {}) as Values"
                        :shape="inner(f.shape)"
                        :path="full(f.name)"
                        :polymers="polymers"
                        :fault="fault"
                        @update:model-value="(v) => set(f.name, v)"
                    />
                </fieldset>
                <ListEntry
                    v-else-if="f.as === 'list'"
                    :model-value="(Array.isArray(input[f.name]) ? input[f.name] : []) as Values[]"
                    :name="f.name"
                    :shape="f.shape"
                    :path="full(f.name)"
                    :polymers="polymers"
                    :fault="fault"
                    @update:model-value="(v) => set(f.name, v)"
                />
                <MeshChoice
                    v-else-if="f.as === 'mesh'"
                    :model-value="(input[f.name] ?? '') as string"
                    @update:model-value="(v) => set(f.name, v)"
                />
                <label v-else>
                    <span class="name"
                        >{{ called(f) }}<i v-if="f.needed" aria-hidden="true"> *</i
                        ><small v-if="f.about">{{ f.about }}</small></span
                    >
                    <select
                        v-if="f.as === 'polymer'"
                        :value="input[f.name] ?? ''"
                        @change="set(f.name, ($event.target as HTMLSelectElement).value)"
                    >
                        <option value="">none</option>
                        <option v-for="p in polymers" :key="p">{{ p }}</option>
                    </select>
                    <select
                        v-else-if="f.as === 'choice'"
                        :value="input[f.name] ?? inner(f.shape).default ?? ''"
                        @change="set(f.name, ($event.target as HTMLSelectElement).value)"
                    >
                        <option v-if="!f.needed && inner(f.shape).default === undefined" value="">
                            none
                        </option>
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
                        :checked="Boolean(input[f.name] ?? inner(f.shape).default ?? false)"
                        @change="set(f.name, ($event.target as HTMLInputElement).checked)"
                    />
                    <NumberEntry
                        v-else-if="f.as === 'number'"
                        :model-value="input[f.name]"
                        :unit="f.unit"
                        :placeholder="
                            inner(f.shape).default === undefined ? '' : String(inner(f.shape).default)
                        "
                        :invalid="faulty(f.name)"
                        @update:model-value="(v) => set(f.name, v)"
                    />
                    <textarea
                        v-else-if="f.as === 'json'"
                        rows="3"
                        spellcheck="false"
                        :value="asText(f.as, input[f.name])"
                        @change="json(f.name, ($event.target as HTMLTextAreaElement).value)"
                    />
                    <textarea
                        v-else-if="f.as === 'numbers'"
                        rows="2"
                        spellcheck="false"
                        :aria-invalid="faulty(f.name)"
                        :value="asText(f.as, input[f.name])"
                        @change="set(f.name, numbers(($event.target as HTMLTextAreaElement).value))"
                    />
                    <input
                        v-else-if="f.as === 'words' || f.as === 'counts'"
                        type="text"
                        :value="asText(f.as, input[f.name])"
                        @change="
                            set(
                                f.name,
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
                        :value="input[f.name] ?? ''"
                        :aria-invalid="faulty(f.name)"
                        @input="set(f.name, ($event.target as HTMLInputElement).value)"
                    />
                </label>
                <p v-if="faulty(f.name) && f.as !== 'group'" class="fault" role="alert">
                    {{
                        fault?.field === full(f.name)
                            ? ''
                            : `${fault?.field.slice(full(f.name).length + 1).replaceAll('_', ' ')} `
                    }}{{ fault?.message }}
                </p>
            </div>
        </component>
        <details v-if="own.length > 0">
            <summary>Properties of your own</summary>
            <label v-for="f in own" :key="f.name" class="row"
                ><span class="name">{{ title(f.name) }}</span>
                <select
                    v-if="f.as === 'choice'"
                    :value="input[f.name] ?? ''"
                    @change="set(f.name, ($event.target as HTMLSelectElement).value)"
                >
                    <option value="">the polymer's</option>
                    <option
                        v-for="e in (inner(f.shape).enum ?? []).filter((x) => x !== null)"
                        :key="String(e)"
                        :value="e"
                    >
                        {{ e }}
                    </option>
                </select>
                <NumberEntry
                    v-else
                    :model-value="input[f.name]"
                    :unit="f.unit"
                    placeholder="the polymer's"
                    :invalid="faulty(f.name)"
                    @update:model-value="(v) => set(f.name, v)"
            /></label>
        </details>
    </div>
</template>

<style scoped>
.row {
    margin-bottom: 8px;
}
label {
    display: grid;
    grid-template-columns: minmax(0, 1fr) 150px;
    gap: 10px;
    align-items: center;
}
.json label,
.numbers label,
.words label,
.counts label {
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
input[type='text'],
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
fieldset {
    border: 1px solid var(--line);
    border-radius: 4px;
    padding: 8px 12px;
    min-width: 0;
}
legend {
    font-weight: 700;
    padding: 0 6px;
}
.plain {
    background: none;
    border: 0;
    text-decoration: underline;
    font: inherit;
    font-weight: 400;
    cursor: pointer;
    color: inherit;
    min-height: 32px;
}
.bad > label input,
.bad > label select,
.bad > label textarea {
    border: 2px solid var(--alarm);
}
.fault {
    color: var(--alarm);
    font-weight: 650;
    margin-top: 2px;
}
summary {
    cursor: pointer;
    font-weight: 650;
    min-height: 44px;
    padding-top: 10px;
}
</style>
