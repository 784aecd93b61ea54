<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query';
import { useLocalStorage } from '@vueuse/core';
import { computed, ref, shallowRef, watch } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { api, Refused } from '../../api/client';
import type { Machine, Polymer, Product } from '../../api/types';
import CalcForm from './CalcForm.vue';
import ResultDrawing from './ResultDrawing.vue';
import {
    format,
    inner,
    kind,
    shownUnit,
    title,
    unitOf,
    type CalcSchema,
    type Entry,
    type Shape,
    type Values,
} from './schema';

interface KeptResult {
    id: number;
    name: string;
    title: string;
    input: Record<string, unknown>;
    result: Record<string, unknown>;
    at: number;
}
const route = useRoute();
const router = useRouter();
const { data: entries } = useQuery({
    queryKey: ['calc'],
    queryFn: () => api.list<Entry>('calc'),
    staleTime: Infinity,
});
const { data: polymers } = useQuery({
    queryKey: ['polymers'],
    queryFn: () => api.list<Polymer>('polymers'),
});
const codes = computed(() => (polymers.value ?? []).filter((p) => p.morphology !== null).map((p) => p.code));
const { data: machines } = useQuery({
    queryKey: ['machines'],
    queryFn: () => api.list<Machine>('machines'),
});
const { data: products } = useQuery({
    queryKey: ['products'],
    queryFn: () => api.list<Product>('products'),
});
const find = ref('');
const name = computed(() => String(route.params.name ?? ''));
const groups = computed(() => {
    const words = find.value.toLowerCase().split(/\s+/).filter(Boolean);
    const map = new Map<string, Entry[]>();
    for (const e of entries.value ?? [])
        if (words.every((w) => `${e.name} ${e.title} ${e.words} ${e.purpose}`.toLowerCase().includes(w)))
            map.set(e.group, [...(map.get(e.group) ?? []), e]);
    return [...map.entries()];
});
const entry = computed(() => entries.value?.find((e) => e.name === name.value) ?? null);
const schema = shallowRef<CalcSchema | null>(null);
const input = ref<Record<string, unknown>>({});
const result = shallowRef<Record<string, unknown> | null>(null);
const answered = shallowRef<Record<string, unknown>>({});
const fault = ref<{ field: string; message: string } | null>(null);
const kept = useLocalStorage<KeptResult[]>('dithermic.reckon', []);
const compared = computed(() => kept.value.filter((k) => k.name === name.value));
const said = ref('');

const encode = (value: unknown) =>
    btoa(unescape(encodeURIComponent(JSON.stringify(value))))
        .replaceAll('+', '-')
        .replaceAll('/', '_')
        .replaceAll('=', '');
const decode = (text: string) =>
    JSON.parse(decodeURIComponent(escape(atob(text.replaceAll('-', '+').replaceAll('_', '/'))))) as Record<
        string,
        unknown
    >;

watch(
    [name, entries, () => route.query.i],
    async ([next, list]) => {
        if (!next || !list) return;
        const given = typeof route.query.i === 'string' ? route.query.i : null;
        schema.value = null;
        result.value = null;
        fault.value = null;
        tookFrom.value = '';
        try {
            input.value = given
                ? decode(given)
                : JSON.parse(JSON.stringify(list.find((e) => e.name === next)?.example ?? {}));
        } catch {
            input.value = {};
        }
        schema.value = await api.get<CalcSchema>(`calc/${next}`);
    },
    { immediate: true },
);

const progress = ref<number | null>(null);
let asking = false;
let again = false;
async function ask() {
    // A file that is not chosen yet is nobody's fault.
    if (
        !schema.value ||
        ('file' in (schema.value.input.properties ?? {}) &&
            !/^[0-9a-f-]{36}$/.test(String(input.value.file ?? '')))
    )
        return;
    if (asking) {
        again = true;
        return;
    }
    asking = true;
    const asked = JSON.parse(JSON.stringify(input.value)) as Record<string, unknown>;
    const of = schema.value.name;
    try {
        const answer = await api.post<Record<string, unknown>>(`calc/${of}`, asked, undefined, (share) => {
            progress.value = share;
        });
        if (of === name.value) {
            answered.value = asked;
            result.value = answer;
            fault.value = null;
        }
    } catch (error) {
        fault.value =
            error instanceof Refused
                ? { field: error.field, message: error.message }
                : { field: '', message: 'The server does not answer.' };
    } finally {
        asking = false;
        progress.value = null;
        if (again) {
            again = false;
            void ask();
        }
    }
}
watch([input, schema], () => void ask(), { deep: true });

/** What the shop knows of a machine or a part, where this question asks for it by the same name; groups too, when all they need is known. */
function takeFrom(known: Values, shape: Shape, into: Values): [Values, string[]] {
    const next = { ...into };
    const taken: string[] = [];
    for (const [key, field] of Object.entries(shape.properties ?? {})) {
        const group = inner(field);
        if (known[key] !== undefined && known[key] !== null && kind(field) !== 'object') {
            next[key] = known[key];
            taken.push(key);
        } else if (
            kind(field) === 'object' &&
            group.properties &&
            (group.required ?? []).every(
                (k) => known[k] !== undefined || (into[key] as Values | undefined)?.[k] !== undefined,
            )
        ) {
            // Of what stood there only what is needed and not known stays: the rest was another machine's.
            const before = (into[key] ?? {}) as Values;
            const [inside, of] = takeFrom(
                known,
                group,
                Object.fromEntries(Object.entries(before).filter(([k]) => group.required?.includes(k))),
            );
            if (of.length > 0) {
                next[key] = inside;
                taken.push(...of);
            }
        }
    }
    return [next, taken];
}
/** Only what something here would answer is offered. */
const offers = (known: Values) =>
    schema.value ? takeFrom(known, schema.value.input, {})[1].length > 0 : false;
const ofMachine = (m: Machine): Values => ({ ...m.facts, name: m.name, last_polymer: m.last_polymer });
const ofPart = (p: Product): Values => ({ ...p.dimensions, polymer: p.polymer, process: p.process });
const usefulMachines = computed(() => (machines.value ?? []).filter((m) => offers(m.facts as Values)));
const usefulParts = computed(() =>
    (products.value ?? []).filter((p) => offers({ ...p.dimensions, process: p.process })),
);
const tookFrom = ref('');
function take(from: string, known: Values) {
    if (!schema.value) return;
    const [next, taken] = takeFrom(known, schema.value.input, input.value);
    input.value = next;
    tookFrom.value = `From ${from}: ${taken.map((k) => title(k).toLowerCase()).join(', ')}.`;
}
/** What an answer is good for elsewhere: a charge goes to the scale, a measured mesh to the shot, the clamp and the mould. */
const onward = computed(() => {
    const m = result.value;
    const grams = m?.charge_mass_g ?? m?.shot_mass_g;
    if (
        name.value.startsWith('charge.') &&
        typeof grams === 'number' &&
        typeof answered.value.polymer === 'string'
    )
        return [
            {
                to: {
                    path: '/weigh',
                    query: { g: String(Math.round(grams * 10) / 10), polymer: answered.value.polymer },
                },
                title: 'Weigh it out',
            },
        ];
    if (name.value !== 'mesh.measure' || !m) return [];
    const digits = (v: unknown) => Number(Number(v).toPrecision(5));
    const given = (of: string, values: Values) => ({
        to: {
            path: `/reckon/${of}`,
            query: {
                i: encode({ ...(entries.value?.find((e) => e.name === of)?.example ?? {}), ...values }),
            },
        },
        title: entries.value?.find((e) => e.name === of)?.title ?? of,
    });
    return [
        ...(m.volume_cm3 === null ? [] : [given('charge.shot', { part_volume_cm3: digits(m.volume_cm3) })]),
        given('force.clamp', { projected_area_cm2: digits(m.projected_area_cm2) }),
        ...(m.min_draft_deg === null
            ? []
            : [
                  given('forming.mould_check', {
                      draft_deg: Math.max(0, digits(m.min_draft_deg)),
                      male: answered.value.male !== false,
                  }),
              ]),
    ];
});

/** What a drawing says better than a table. */
const DRAWN = [
    'curve',
    'layout',
    'matrix',
    'samples',
    'sections',
    'whatif',
    'utilisation',
    'causes',
    'cycle',
    'heat_input',
];
/** Lists of whole sentences. */
const sentences = computed(
    () =>
        Object.entries(result.value ?? {}).filter(
            ([k, v]) =>
                k !== 'warnings' &&
                Array.isArray(v) &&
                v.length > 0 &&
                v.every((x) => typeof x === 'string' && x.includes(' ')),
        ) as [string, string[]][],
);
const plain = (v: unknown) =>
    v === null || typeof v !== 'object' || (Array.isArray(v) && v.every((x) => typeof x !== 'object'));
const scalars = computed(() =>
    Object.entries(result.value ?? {})
        .filter(
            ([k, v]) =>
                !['explanation', 'warnings'].includes(k) &&
                v !== null &&
                plain(v) &&
                !sentences.value.some(([s]) => s === k),
        )
        .map(
            ([k, v]) =>
                [k, Array.isArray(v) ? v.map((x) => format(x, unit(k))).join(', ') || 'none' : v] as const,
        ),
);
const nested = computed(() =>
    Object.entries(result.value ?? {}).filter(
        ([k, v]) =>
            k !== 'warnings' &&
            !plain(v) &&
            ![
                ...DRAWN,
                ...(name.value === 'settings.recommend' ? ['settings', 'zone_profile', 'timers'] : []),
            ].includes(k),
    ),
);
const unit = (k: string) =>
    kind(schema.value?.result.properties?.[k] ?? {}) === 'number'
        ? unitOf(k, schema.value?.result.properties?.[k])
        : '';
const rows = (value: unknown): Record<string, unknown>[] =>
    Array.isArray(value)
        ? value.map((v) =>
              v !== null && typeof v === 'object' && !Array.isArray(v)
                  ? (v as Record<string, unknown>)
                  : { value: v },
          )
        : [value as Record<string, unknown>];
const columns = (value: unknown) => Object.keys(rows(value)[0] ?? {}).filter((k) => k !== 'profile');

function keep() {
    if (!result.value) return;
    kept.value.push({
        id: Date.now(),
        name: name.value,
        title: entry.value?.title ?? name.value,
        input: answered.value,
        result: JSON.parse(
            JSON.stringify({ ...result.value, curve: undefined, sections: undefined, samples: undefined }),
        ) as Record<string, unknown>,
        at: Date.now(),
    });
}
async function link() {
    await router.replace({ query: { i: encode(input.value) } });
    await navigator.clipboard?.writeText(location.href).catch(() => undefined);
    said.value = 'The address above opens exactly this. It is copied.';
}
function save(type: 'json' | 'csv') {
    const flat = (o: Record<string, unknown>, p = ''): [string, unknown][] =>
        Object.entries(o).flatMap(([k, v]) =>
            v !== null && typeof v === 'object'
                ? flat(v as Record<string, unknown>, `${p}${k}.`)
                : [[`${p}${k}`, v] as [string, unknown]],
        );
    const cell = (v: unknown) => {
        const t = String(v ?? '');
        return `"${(typeof v === 'string' && /^[=+\-@]/.test(t) ? `'${t}` : t).replaceAll('"', '""')}"`;
    };
    const text =
        type === 'json'
            ? JSON.stringify({ calc: name.value, input: answered.value, result: result.value }, null, 2)
            : [
                  ['side', 'field', 'value'],
                  ...flat(answered.value).map(([k, v]) => ['input', k, v]),
                  ...flat(result.value ?? {}).map(([k, v]) => ['result', k, v]),
              ]
                  .map((row) => row.map(cell).join(','))
                  .join('\r\n');
    const a = document.createElement('a');
    a.href = URL.createObjectURL(
        new Blob([text], { type: type === 'json' ? 'application/json' : 'text/csv' }),
    );
    a.download = `${name.value}.${type}`;
    a.click();
    URL.revokeObjectURL(a.href);
}
</script>

<template>
    <div class="page">
        <div class="page-head">
            <div>
                <h1>Reckon</h1>
                <p class="quiet">A scratch bench: an answer without a job. Nothing here is logged.</p>
            </div>
        </div>
        <div class="bench">
            <nav class="card list" aria-label="Calculations">
                <label class="sr" for="find">What do you want to know</label
                ><input id="find" v-model="find" type="search" placeholder="Weigh, melt, pump …" />
                <section v-for="[group, list] in groups" :key="group">
                    <h2>{{ group }}</h2>
                    <router-link
                        v-for="e in list"
                        :key="e.name"
                        :to="`/reckon/${e.name}`"
                        :class="{ on: e.name === name }"
                        :aria-current="e.name === name ? 'page' : undefined"
                        >{{ e.title }}</router-link
                    >
                </section>
                <p v-if="entries && groups.length === 0" class="quiet">Nothing fits. Try one word of it.</p>
            </nav>
            <div v-if="!name" class="card">
                <h2>Choose a question at the left</h2>
                <p class="quiet">Each opens with numbers that work; move them and the answer follows.</p>
            </div>
            <template v-else-if="schema && entry">
                <section class="card ask" aria-label="What is known">
                    <h2>{{ entry.title }}</h2>
                    <p class="quiet">{{ entry.purpose }}</p>
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
                    <CalcForm
                        v-model="input"
                        :shape="schema.input"
                        :polymers="codes"
                        :fault="fault"
                        class="mt-3"
                    />
                </section>
                <div class="answers">
                    <section class="card" aria-label="The answer" aria-live="polite">
                        <p v-if="fault" class="fault" role="alert">
                            <span aria-hidden="true">▲</span>
                            <strong>{{ fault.field.replaceAll('_', ' ') }}</strong> {{ fault.message }}
                        </p>
                        <div v-if="result" :class="{ stale: fault }">
                            <p class="says">{{ result.explanation }}</p>
                            <p v-for="w in result.warnings as string[]" :key="w" class="fault">
                                <span aria-hidden="true">▲</span> {{ w }}
                            </p>
                            <ResultDrawing :name="name" :input="answered" :result="result" />
                            <dl v-if="scalars.length">
                                <div v-for="[k, v] in scalars" :key="k">
                                    <dt>{{ title(k) }}</dt>
                                    <dd class="num">
                                        {{ format(v, unit(k)) }} <small>{{ shownUnit(unit(k)) }}</small>
                                    </dd>
                                </div>
                            </dl>
                            <div v-for="[k, list] in sentences" :key="k" class="table">
                                <h3>{{ title(k) }}</h3>
                                <ul>
                                    <li v-for="s in list" :key="s">{{ s }}</li>
                                </ul>
                            </div>
                            <div v-for="[k, v] in nested" :key="k" class="table">
                                <h3>
                                    {{ title(k) }}<small v-if="unitOf(k)">, {{ shownUnit(unitOf(k)) }}</small>
                                </h3>
                                <div class="scroll" tabindex="0" :aria-label="title(k)">
                                    <table class="rows">
                                        <thead>
                                            <tr>
                                                <th v-for="c in columns(v)" :key="c">
                                                    {{ title(c)
                                                    }}<small v-if="unitOf(c)"
                                                        >, {{ shownUnit(unitOf(c)) }}</small
                                                    >
                                                </th>
                                            </tr>
                                        </thead>
                                        <tbody>
                                            <tr v-for="(row, i) in rows(v).slice(0, 40)" :key="i">
                                                <td v-for="c in columns(v)" :key="c" class="num">
                                                    {{ format(row[c], unitOf(c) || unitOf(k)) }}
                                                </td>
                                            </tr>
                                        </tbody>
                                    </table>
                                </div>
                            </div>
                        </div>
                        <p v-if="onward.length > 0" class="onward">
                            Go on with it:
                            <router-link v-for="o in onward" :key="o.title" :to="o.to">{{
                                o.title
                            }}</router-link>
                        </p>
                        <p v-if="(!result && !fault) || progress !== null" class="quiet">
                            {{ name === 'mesh.measure' ? 'Reading every facet …' : 'Reckoning …'
                            }}<template v-if="progress !== null"
                                ><progress :value="progress" max="1" aria-label="How far the answer is" />
                                {{ Math.round(100 * progress) }} %</template
                            >
                        </p>
                        <div class="acts">
                            <v-btn color="primary" :disabled="!result || fault !== null" @click="keep"
                                >Keep</v-btn
                            ><v-btn variant="outlined" @click="link">Link to this</v-btn
                            ><v-btn variant="outlined" :disabled="!result" @click="save('json')">JSON</v-btn
                            ><v-btn variant="outlined" :disabled="!result" @click="save('csv')">CSV</v-btn>
                        </div>
                        <p v-if="said" role="status" class="quiet">{{ said }}</p>
                    </section>
                    <section v-if="compared.length > 0" class="card">
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
                                                @click="input = JSON.parse(JSON.stringify(k.input))"
                                            >
                                                open
                                            </button>
                                            <button
                                                type="button"
                                                class="plain"
                                                :aria-label="`Drop kept ${i + 1}`"
                                                @click="kept = kept.filter((x) => x.id !== k.id)"
                                            >
                                                drop
                                            </button>
                                        </th>
                                    </tr>
                                </thead>
                                <tbody>
                                    <tr
                                        v-for="key in Object.keys(compared[0]?.result ?? {}).filter(
                                            (x) =>
                                                !['explanation', 'warnings'].includes(x) &&
                                                typeof compared[0]?.result[x] !== 'object',
                                        )"
                                        :key="key"
                                    >
                                        <th scope="row">
                                            {{ title(key)
                                            }}<small v-if="unit(key)">, {{ shownUnit(unit(key)) }}</small>
                                        </th>
                                        <td v-for="k in compared" :key="k.id" class="num">
                                            {{ format(k.result[key], unit(key)) }}
                                        </td>
                                    </tr>
                                </tbody>
                            </table>
                        </div>
                    </section>
                </div>
            </template>
        </div>
    </div>
</template>

<style scoped>
.bench {
    display: grid;
    grid-template-columns: 200px minmax(320px, 5fr) minmax(0, 8fr);
    gap: 14px;
    align-items: start;
}
.bench > .card:nth-child(2):last-child {
    grid-column: 2 / -1;
}
.list {
    position: sticky;
    top: calc(var(--head) + var(--alarms, 0px) + 12px);
    max-height: calc(100vh - var(--head) - var(--alarms, 0px) - 24px);
    overflow-y: auto;
    padding: 10px;
}
.list h2 {
    font-size: 0.9rem;
    color: var(--quiet);
    margin: 12px 0 2px;
}
.list a {
    display: block;
    padding: 8px 8px;
    text-decoration: none;
    border-radius: 3px;
    line-height: 1.2;
}
.list a.on {
    background: var(--bar);
    color: var(--on-bar);
    font-weight: 650;
}
#find {
    width: 100%;
    min-height: var(--touch);
    border: 1px solid var(--line);
    border-radius: 4px;
    padding: 0 10px;
    font: inherit;
    background: var(--paper);
    color: var(--ink);
}
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
.onward {
    margin-top: 12px;
    display: flex;
    gap: 14px;
    flex-wrap: wrap;
}
.ask {
    min-width: 0;
}
.answers {
    display: grid;
    grid-template-columns: minmax(0, 1fr);
    gap: 14px;
    min-width: 0;
}
.says {
    font-size: 1.12rem;
    font-weight: 600;
}
.stale {
    opacity: 0.5;
}
.fault {
    color: var(--alarm);
    font-weight: 650;
    margin-bottom: 6px;
}
dl {
    margin: 12px 0 0;
}
dl div {
    display: flex;
    justify-content: space-between;
    gap: 12px;
    border-bottom: 1px solid var(--line);
    padding: 6px 0;
}
dt {
    color: var(--quiet);
}
dd {
    margin: 0;
    font-weight: 700;
    font-size: 1.08rem;
    text-align: right;
}
small {
    font-weight: 400;
    color: var(--quiet);
}
.table {
    margin-top: 14px;
}
h3 {
    font-size: 1rem;
}
ul {
    padding-left: 20px;
    margin: 4px 0 0;
}
li {
    margin-bottom: 3px;
}
.scroll {
    overflow-x: auto;
}
.acts {
    display: flex;
    gap: 10px;
    margin-top: 16px;
    flex-wrap: wrap;
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
@media (max-width: 1180px) {
    .bench {
        grid-template-columns: 1fr;
    }
    .list {
        position: static;
        max-height: 260px;
    }
}
</style>
