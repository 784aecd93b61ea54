<script setup lang="ts">
import { computed } from 'vue';
import { inner, kind, MATERIAL, title, unitOf, type Shape } from './schema';

/** A form out of a calculation's own schema: numbers with their units, choices, nested groups; lists as JSON text. */
const props = defineProps<{ shape: Shape; path?: string; polymers: string[]; fault: { field: string; message: string } | null }>();
const input = defineModel<Record<string, unknown>>({ required: true });
const fields = computed(() => Object.entries(props.shape.properties ?? {}).map(([name, shape]) => ({ name, shape, kind: kind(shape), needed: props.shape.required?.includes(name) ?? false, own: !props.path && MATERIAL.includes(name) })));
// What is needed, and what this question came with, stands open; the rest folds away.
const first = new Set(Object.keys(input.value));
const open = (f: { name: string; needed: boolean }) => f.needed || first.has(f.name) || f.name === 'polymer' || props.path !== undefined;
const main = computed(() => fields.value.filter((f) => !f.own && open(f)));
const more = computed(() => fields.value.filter((f) => !f.own && !open(f)));
const about = (shape: Shape) => (inner(shape).description ?? '').replace(/\s*\([^()]*\)$/, '');
const own = computed(() => fields.value.filter((f) => f.own));
const full = (name: string) => (props.path ? `${props.path}.${name}` : name);
const faulty = (name: string) => props.fault !== null && (props.fault.field === full(name) || props.fault.field.startsWith(`${full(name)}.`));

function set(name: string, value: unknown) {
    const next = { ...input.value };
    if (value === '' || value === undefined) delete next[name];
    else next[name] = value;
    input.value = next;
}
function number(name: string, text: string) {
    const plain = text.trim().replace(',', '.').replace('−', '-');
    set(name, plain === '' ? '' : Number.isNaN(Number(plain)) ? text : Number(plain));
}
function json(name: string, text: string) {
    try { set(name, text.trim() === '' ? '' : JSON.parse(text)); } catch { set(name, text); }
}
const asJson = (value: unknown) => (value === undefined ? '' : typeof value === 'string' ? value : JSON.stringify(value, null, 1).replace(/\n\s+/g, ' ').replace(/\n/g, ' '));
</script>

<template>
    <div class="form">
        <component :is="i === 0 ? 'div' : 'details'" v-for="(list, i) in [main, more].filter((l, k) => k === 0 || l.length > 0)" :key="i">
            <summary v-if="i === 1">More that can be said</summary>
            <div v-for="f in list" :key="f.name" :class="['row', f.kind, { bad: faulty(f.name) }]">
                <template v-if="f.kind === 'object' && inner(f.shape).properties">
                    <fieldset><legend>{{ title(f.name) }} <button v-if="!f.needed && input[f.name]" type="button" class="plain" @click="set(f.name, '')">leave out</button><button v-else-if="!f.needed" type="button" class="plain" @click="set(f.name, {})">give it</button></legend>
                        <CalcForm v-if="f.needed || input[f.name]" :model-value="(input[f.name] ?? {}) as Record<string, unknown>" :shape="inner(f.shape)" :path="full(f.name)" :polymers="polymers" :fault="fault" @update:model-value="(v) => set(f.name, v)" /></fieldset>
                </template>
                <label v-else>
                    <span class="name">{{ title(f.name) }}<i v-if="f.needed" aria-hidden="true"> *</i><small v-if="about(f.shape)">{{ about(f.shape) }}</small></span>
                    <select v-if="f.name === 'polymer'" :value="input[f.name] ?? ''" @change="set(f.name, ($event.target as HTMLSelectElement).value)"><option value="">none</option><option v-for="p in polymers" :key="p">{{ p }}</option></select>
                    <select v-else-if="inner(f.shape).enum" :value="input[f.name] ?? inner(f.shape).default ?? ''" @change="set(f.name, ($event.target as HTMLSelectElement).value)"><option v-if="!f.needed && inner(f.shape).default === undefined" value="">none</option><option v-for="e in (inner(f.shape).enum ?? []).filter((x) => x !== null)" :key="String(e)" :value="e">{{ String(e).replaceAll('_', ' ') }}</option></select>
                    <input v-else-if="f.kind === 'boolean'" type="checkbox" :checked="Boolean(input[f.name] ?? inner(f.shape).default ?? false)" @change="set(f.name, ($event.target as HTMLInputElement).checked)">
                    <textarea v-else-if="f.kind === 'array' || f.kind === 'object' || f.kind === 'any'" rows="3" spellcheck="false" :value="asJson(input[f.name])" @change="json(f.name, ($event.target as HTMLTextAreaElement).value)" />
                    <span v-else-if="f.kind === 'number' || f.kind === 'integer'" class="num-in"><input type="text" inputmode="decimal" :value="input[f.name] ?? ''" :placeholder="inner(f.shape).default === undefined ? '' : String(inner(f.shape).default)" :aria-invalid="faulty(f.name)" @input="number(f.name, ($event.target as HTMLInputElement).value)"><em>{{ unitOf(f.name, f.shape) }}</em></span>
                    <input v-else type="text" :value="input[f.name] ?? ''" :aria-invalid="faulty(f.name)" @input="set(f.name, ($event.target as HTMLInputElement).value)">
                </label>
                <p v-if="faulty(f.name) && kind(f.shape) !== 'object'" class="fault" role="alert">{{ fault?.field === full(f.name) ? '' : `${fault?.field.slice(full(f.name).length + 1)} ` }}{{ fault?.message }}</p>
            </div>
        </component>
        <details v-if="own.length > 0"><summary>Properties of your own</summary>
            <label v-for="f in own" :key="f.name" class="row"><span class="name">{{ title(f.name) }}</span>
                <select v-if="inner(f.shape).enum" :value="input[f.name] ?? ''" @change="set(f.name, ($event.target as HTMLSelectElement).value)"><option value="">the polymer's</option><option v-for="e in (inner(f.shape).enum ?? []).filter((x) => x !== null)" :key="String(e)" :value="e">{{ e }}</option></select>
                <span v-else class="num-in"><input type="text" inputmode="decimal" :value="input[f.name] ?? ''" placeholder="the polymer's" @input="number(f.name, ($event.target as HTMLInputElement).value)"><em>{{ unitOf(f.name, f.shape) }}</em></span></label>
        </details>
    </div>
</template>

<style scoped>
.row { margin-bottom: 8px; } label { display: grid; grid-template-columns: minmax(0, 1fr) 140px; gap: 10px; align-items: center; } .array label, .any label { grid-template-columns: 1fr; gap: 4px; }
.name { font-weight: 600; line-height: 1.2; } small { display: block; font-weight: 400; color: var(--quiet); font-size: .82rem; }
input[type='text'], select, textarea { width: 100%; min-height: var(--touch); border: 1px solid var(--line); border-radius: 4px; background: var(--paper); color: var(--ink); font: inherit; padding: 0 10px; font-variant-numeric: tabular-nums; } textarea { font-family: var(--mono); font-size: .86rem; padding: 8px 10px; }
input[type='checkbox'] { width: 26px; height: 26px; accent-color: var(--ember); justify-self: end; }
.num-in { display: flex; align-items: center; gap: 6px; } .num-in input { text-align: right; font-weight: 700; } em { font-style: normal; color: var(--quiet); min-width: 38px; font-size: .88rem; } ::placeholder { color: var(--quiet); opacity: 1; } i { color: var(--alarm); font-style: normal; }
fieldset { border: 1px solid var(--line); border-radius: 4px; padding: 8px 12px; min-width: 0; } legend { font-weight: 700; padding: 0 6px; } .plain { background: none; border: 0; text-decoration: underline; font: inherit; font-weight: 400; cursor: pointer; color: inherit; min-height: 32px; }
.bad input, .bad select, .bad textarea { border: 2px solid var(--alarm); } .fault { color: var(--alarm); font-weight: 650; margin-top: 2px; }
summary { cursor: pointer; font-weight: 650; min-height: 44px; padding-top: 10px; }
</style>
