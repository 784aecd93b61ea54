<script setup lang="ts">
import { computed } from 'vue';
import CalcField from './CalcField.vue';
import { entryOf, type FormField } from './field';
import ListEntry from './ListEntry.vue';
import MeshChoice from './MeshChoice.vue';
import NumberEntry from './NumberEntry.vue';
import { inner, ofMaterial, title, unitOf, WHAT, type Shape, type Values } from './schema';

/** A form out of a calculation's own schema: numbers with their units, choices, nested groups and lists. */
const props = defineProps<{
    shape: Shape;
    path?: string;
    polymers: string[];
    fault: { field: string; message: string } | null;
}>();
const input = defineModel<Values>({ required: true });
// Whether a drawing's numbers come along is not a question for people.
const fields = computed<FormField[]>(() =>
    Object.entries(props.shape.properties ?? {})
        .filter(([name]) => !name.startsWith('with_'))
        .map(([name, shape]) => ({
            name,
            shape,
            as: entryOf(name, shape),
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
                <CalcField
                    v-else
                    :model-value="input[f.name]"
                    :f="f"
                    :called="called(f)"
                    :polymers="polymers"
                    :faulty="faulty(f.name)"
                    @update:model-value="(v: unknown) => set(f.name, v)"
                />
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
.name {
    font-weight: 600;
    line-height: 1.2;
}
input[type='text'],
select,
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
