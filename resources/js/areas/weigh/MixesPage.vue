<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query';
import { computed, reactive, ref, watch } from 'vue';
import { api } from '../../api/client';
import type { components } from '../../api/schema';
import type { Mix, Polymer } from '../../api/types';
import TypedField from '../../parts/TypedField.vue';
import { number, show } from '../../parts/units';
import { useLots } from '../../parts/useLots';
import { sentence, useSend } from '../../parts/useSend';
import MixStrip from './MixStrip.vue';
import WeighNav from './WeighNav.vue';

type Blend = components['schemas']['ChargeBlendResult'];
const queries = useQueryClient();
const { data: mixes } = useQuery({ queryKey: ['mixes'], queryFn: () => api.list<Mix>('mixes') });
const { data: polymers } = useQuery({
    queryKey: ['polymers'],
    queryFn: () => api.list<Polymer>('polymers'),
});
const draft = reactive({
    name: '',
    polymer: 'HDPE',
    after_version: 0,
    note: '',
    components: [{ name: '', swatch: '#9aa0a2', parts: 1 as number | null, kind: 'colour' }],
});
const { lots } = useLots(() => draft.polymer);
const colours = computed(() => lots.value.filter((l) => l.polymer === draft.polymer && l.mass_g > 0));
function open(m: Mix) {
    Object.assign(draft, {
        name: m.name,
        polymer: m.polymer,
        after_version: m.version,
        note: m.note,
        components: m.components.map(({ name, swatch, parts: p, kind }) => ({
            name,
            swatch,
            parts: p,
            kind,
        })),
    });
    said.value = '';
}
function fresh() {
    Object.assign(draft, {
        name: '',
        after_version: 0,
        note: '',
        components: [{ name: '', swatch: '#9aa0a2', parts: 1, kind: 'colour' }],
    });
    said.value = '';
}
function named(i: number) {
    const c = draft.components[i]!;
    const l = colours.value.find((x) => x.colour === c.name);
    if (l) {
        c.swatch = l.swatch;
        if (l.generation > 0 || l.form === 'regrind') c.kind = 'regrind';
    }
}
const total = ref<number | null>(2170);
const step = ref(1);
const blend = ref<Blend | null>(null);
const weighed = computed(() => draft.components.filter((c) => c.name.trim() !== '' && Number(c.parts) > 0));
watch(
    [() => JSON.stringify(draft.components), () => draft.polymer, total, step],
    async () => {
        blend.value =
            weighed.value.length === 0 || !total.value
                ? null
                : await api
                      .post<Blend>('calc/charge.blend', {
                          polymer: draft.polymer,
                          total_mass_g: total.value,
                          scale_resolution_g: step.value,
                          components: weighed.value.map((c) => ({
                              name: c.name,
                              parts: Number(c.parts),
                              kind: c.kind,
                          })),
                      })
                      .catch(() => null);
    },
    { immediate: true },
);
/** The core's share of each part, in the order of the table; a part without a name or an amount has none yet. */
const parts = computed(() =>
    draft.components.map((c) => ({
        name: c.name,
        swatch: c.swatch,
        percent: blend.value?.components[weighed.value.indexOf(c)]?.percent ?? 0,
    })),
);
const said = ref('');
const { busy, fault, send } = useSend();
async function keep() {
    const made = await send(() =>
        api.post<Mix>('mixes', {
            ...draft,
            components: draft.components.map((c) => ({ ...c, parts: Number(c.parts) })),
        }),
    );
    if (!made) return;
    said.value = `Kept as version ${made.version}.`;
    draft.after_version = made.version;
    await queries.invalidateQueries({ queryKey: ['mixes'] });
}
</script>

<template>
    <div class="page">
        <div class="page-head">
            <div>
                <h1>Mixes</h1>
                <p class="quiet">
                    A colour idea as parts, kept by name. A change is the next version; what was weighed keeps
                    its own.
                </p>
            </div>
            <v-btn variant="outlined" @click="fresh">A new mix</v-btn>
        </div>
        <WeighNav />
        <div class="two">
            <section class="card">
                <h2>Kept</h2>
                <p v-if="mixes?.length === 0" class="quiet">None yet.</p>
                <button
                    v-for="m in mixes ?? []"
                    :key="m.id"
                    type="button"
                    :class="['kept', { on: m.name === draft.name }]"
                    @click="open(m)"
                >
                    <strong>{{ m.name }}</strong>
                    <span class="quiet">{{ m.polymer }}, version {{ m.version }}, {{ m.by }}</span>
                    <MixStrip :parts="m.components" :preview="m.preview" />
                </button>
            </section>
            <form class="card" @submit.prevent="keep">
                <div class="fields">
                    <label>Name<input v-model="draft.name" maxlength="80" /></label
                    ><label
                        >Polymer<select v-model="draft.polymer">
                            <option v-for="p in (polymers ?? []).filter((x) => !x.never_hot)" :key="p.code">
                                {{ p.code }}
                            </option>
                        </select></label
                    ><label class="wide">Note<input v-model="draft.note" maxlength="500" /></label>
                </div>
                <MixStrip class="big" :parts="parts" />
                <table class="parts">
                    <thead>
                        <tr>
                            <th>Colour or lot</th>
                            <th>Swatch</th>
                            <th>Parts</th>
                            <th class="n">Share</th>
                            <th>Is</th>
                            <th class="n">On the scale</th>
                            <th><span class="sr">take out</span></th>
                        </tr>
                    </thead>
                    <tbody>
                        <tr v-for="(c, i) in draft.components" :key="i">
                            <td>
                                <input
                                    v-model="c.name"
                                    :aria-label="`Name ${i + 1}`"
                                    list="mix-colours"
                                    @change="named(i)"
                                />
                            </td>
                            <td><input v-model="c.swatch" type="color" :aria-label="`Swatch ${i + 1}`" /></td>
                            <td>
                                <TypedField
                                    v-model="c.parts"
                                    bare
                                    class="short"
                                    dimension="number"
                                    :label="`Parts ${i + 1}`"
                                    :min="0.000001"
                                />
                            </td>
                            <td class="n mono">{{ number(parts[i]?.percent ?? 0, 1) }} %</td>
                            <td>
                                <select v-model="c.kind" :aria-label="`Is ${i + 1}`">
                                    <option>colour</option>
                                    <option>virgin</option>
                                    <option>regrind</option>
                                    <option>masterbatch</option>
                                </select>
                            </td>
                            <td class="n mono">
                                {{
                                    show(
                                        blend?.components.find((b) => b.name === c.name)?.rounded_g,
                                        'mass',
                                        step < 1 ? 1 : 0,
                                    )
                                }}
                            </td>
                            <td>
                                <button
                                    type="button"
                                    class="plain"
                                    :aria-label="`Take out ${i + 1}`"
                                    @click="draft.components.splice(i, 1)"
                                >
                                    ×
                                </button>
                            </td>
                        </tr>
                    </tbody>
                </table>
                <datalist id="mix-colours">
                    <option v-for="l in colours" :key="l.id" :value="l.colour">{{ l.code }}</option>
                </datalist>
                <button
                    type="button"
                    class="plain"
                    @click="draft.components.push({ name: '', swatch: '#9aa0a2', parts: 1, kind: 'colour' })"
                >
                    Add a part
                </button>
                <div class="fields">
                    <TypedField dimension="mass" v-model="total" label="For a charge of" /><label
                        >Scale reads to, g<select v-model.number="step">
                            <option v-for="s in [0.01, 0.1, 1, 2, 5, 10]" :key="s" :value="s">{{ s }}</option>
                        </select></label
                    >
                </div>
                <p v-if="blend" :class="{ fault: blend.components.some((b) => !b.weighable) }">
                    {{ blend.explanation }}
                </p>
                <p v-if="blend?.let_down">Let-down ratio {{ number(blend.let_down, 1) }} : 1.</p>
                <p v-for="w in blend?.warnings ?? []" :key="w" class="fault">{{ w }}</p>
                <div class="acts">
                    <v-btn
                        color="primary"
                        type="submit"
                        :loading="busy"
                        :disabled="
                            !draft.name.trim() ||
                            draft.components.some((c) => !c.name.trim() || !(Number(c.parts) > 0))
                        "
                        >Keep as version {{ draft.after_version + 1 }}</v-btn
                    >
                    <p v-if="said" role="status">{{ said }}</p>
                    <p v-if="fault" role="alert" class="fault">{{ sentence(fault) }}</p>
                </div>
            </form>
        </div>
    </div>
</template>

<style scoped>
.two {
    display: grid;
    grid-template-columns: minmax(240px, 1fr) 2.2fr;
    gap: 14px;
    align-items: start;
}
.kept {
    display: block;
    width: 100%;
    text-align: left;
    border: 1px solid var(--line);
    border-radius: 4px;
    background: none;
    color: inherit;
    font: inherit;
    padding: 10px 12px;
    margin-top: 8px;
    cursor: pointer;
}
.kept .quiet {
    display: block;
    margin-bottom: 6px;
}
.kept.on {
    border-color: var(--ink);
    box-shadow: inset 4px 0 0 var(--ember);
}
.big {
    height: 64px;
    margin: 14px 0;
}
.wide {
    grid-column: 1 / -1;
}
.parts {
    width: 100%;
    border-collapse: collapse;
}
.parts th {
    text-align: left;
    font-size: 0.88rem;
    color: var(--quiet);
    font-weight: 600;
    padding: 2px 6px 2px 0;
}
.parts td {
    padding: 3px 6px 3px 0;
}
.n {
    text-align: right !important;
}
.parts :deep(input:not([type='color'])),
.parts select {
    width: 100%;
    min-height: var(--touch);
    border: 1px solid var(--line);
    border-radius: 4px;
    background: var(--paper);
    color: var(--ink);
    font: inherit;
    padding: 0 8px;
}
.parts input[type='color'] {
    width: 52px;
    height: var(--touch);
    border: 1px solid var(--line);
    border-radius: 4px;
    background: var(--paper);
}
.parts td:first-child {
    min-width: 130px;
}
.parts .short {
    display: block;
    width: 76px;
}
.parts select {
    min-width: 128px;
}
.parts .n {
    white-space: nowrap;
}
.acts {
    display: flex;
    gap: 12px;
    align-items: center;
    margin-top: 12px;
}
@media (max-width: 1100px) {
    .two {
        grid-template-columns: 1fr;
    }
}
</style>
