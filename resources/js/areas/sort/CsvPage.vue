<script setup lang="ts">
import { useQueryClient } from '@tanstack/vue-query';
import { ref, watch } from 'vue';
import { api, Refused } from '../../api/client';
import { newKey } from '../../api/queue';
import SortNav from './SortNav.vue';

interface Outcome {
    rows: number;
    errors: { row: number; field: string; message: string }[];
    would: string[];
}
const KINDS: [string, string, string][] = [
    ['sources', 'Sources', 'name, note'],
    [
        'lots',
        'Lots',
        'source, polymer, form, colour, mass_g, and if you like swatch, location, tare_g; with a code, what it names is changed',
    ],
    ['movements', 'Corrections to lots', 'lot, mass_g, reason'],
    ['mixes', 'Mixes', 'mix, polymer, component, parts, and if you like swatch, kind'],
    [
        'machines',
        'Machines and moulds',
        'machine, kind, fact, value, and if you like origin: a row for each fact',
    ],
    [
        'products',
        'Products',
        'product, process, polymer, number, value, and if you like mould, note: a row for each number',
    ],
];
const queries = useQueryClient();
const kind = ref('lots');
const file = ref<File | null>(null);
const seen = ref<Outcome | null>(null);
const problem = ref('');
const done = ref('');
const busy = ref(false);
const progress = ref(0);
let id = newKey();
watch(kind, () => {
    file.value = null;
    seen.value = null;
    problem.value = done.value = '';
});
async function send(dry: boolean) {
    if (!file.value) return;
    busy.value = true;
    problem.value = done.value = '';
    try {
        const outcome = await api.upload<Outcome>(
            `transfer/${kind.value}`,
            file.value,
            (share) => {
                progress.value = share;
            },
            { id, preview: dry ? '1' : '0' },
        );
        seen.value = dry || outcome.errors.length > 0 ? outcome : null;
        if (!dry && outcome.errors.length === 0) {
            done.value = `${outcome.rows} rows are in.`;
            id = newKey();
            file.value = null;
            await queries.invalidateQueries();
        }
    } catch (error) {
        problem.value =
            error instanceof Refused
                ? `The file ${error.message}.`
                : 'The server does not answer; nothing was brought in.';
    } finally {
        busy.value = false;
        progress.value = 0;
    }
}
const choose = (chosen: File | null | undefined) => {
    file.value = chosen ?? null;
    seen.value = null;
    if (chosen) void send(true);
};
</script>

<template>
    <div class="page">
        <div class="page-head">
            <div>
                <h1>CSV in and out</h1>
                <p class="quiet">
                    Comma, semicolon or tab; decimal point or comma; UTF-8. All rows go in, or none.
                </p>
            </div>
        </div>
        <SortNav />
        <div class="two">
            <section class="card">
                <h2>Out</h2>
                <ul class="outs">
                    <li v-for="[k, says] in KINDS" :key="k">
                        <a :href="`/api/v1/transfer/${k}.csv`"
                            >{{ k === 'movements' ? 'Ledger' : says }}, {{ k }}.csv</a
                        >
                    </li>
                </ul>
            </section>
            <section class="card">
                <h2>In</h2>
                <div class="fields">
                    <label
                        >What it holds<select v-model="kind">
                            <option v-for="[k, says] in KINDS" :key="k" :value="k">{{ says }}</option>
                        </select></label
                    ><label
                        >CSV file<input
                            type="file"
                            accept=".csv,text/csv"
                            @change="choose(($event.target as HTMLInputElement).files?.[0])"
                    /></label>
                    <p class="wide quiet">Columns: {{ KINDS.find(([k]) => k === kind)?.[2] }}</p>
                </div>
                <p v-if="busy" class="quiet">
                    <progress :value="progress" max="1" aria-label="How much of the file is done" />
                    {{ Math.round(100 * progress) }} %
                </p>
                <p v-if="problem" role="alert" class="fault">{{ problem }}</p>
                <p v-if="done" role="status">
                    <strong>{{ done }}</strong>
                </p>
                <template v-if="seen">
                    <p role="status">
                        <strong>{{
                            seen.errors.length === 0
                                ? `${seen.rows} rows, all good. Nothing is in yet.`
                                : `${seen.errors.length} of ${seen.rows} rows cannot go in. Nothing was changed.`
                        }}</strong>
                    </p>
                    <table v-if="seen.errors.length" class="rows">
                        <thead>
                            <tr>
                                <th>Row</th>
                                <th>Column</th>
                                <th>What is wrong</th>
                            </tr>
                        </thead>
                        <tbody>
                            <tr v-for="(e, i) in seen.errors" :key="i">
                                <td class="num">{{ e.row }}</td>
                                <td>{{ e.field }}</td>
                                <td>{{ e.message }}</td>
                            </tr>
                        </tbody>
                    </table>
                    <template v-else
                        ><ul>
                            <li v-for="(w, i) in seen.would.slice(0, 12)" :key="i">{{ w }}</li>
                        </ul>
                        <p v-if="seen.would.length > 12" class="quiet">and {{ seen.rows - 12 }} more</p>
                        <v-btn color="primary" :loading="busy" @click="send(false)"
                            >Bring {{ seen.rows }} rows in</v-btn
                        ></template
                    >
                </template>
            </section>
        </div>
    </div>
</template>

<style scoped>
.two {
    display: grid;
    grid-template-columns: 1fr 2fr;
    gap: 14px;
}
.outs {
    list-style: none;
    padding: 0;
}
.outs a {
    display: inline-block;
    min-height: 44px;
    padding-top: 10px;
}
.wide {
    grid-column: 1 / -1;
}
@media (max-width: 1000px) {
    .two {
        grid-template-columns: 1fr;
    }
}
</style>
