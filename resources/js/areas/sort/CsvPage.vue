<script setup lang="ts">
import { computed, ref } from 'vue';
import { columnsOf, KINDS, kindOf } from './csvFile';
import ShopZip from './ShopZip.vue';
import SortNav from './SortNav.vue';
import { useFileIn } from './useFileIn';

interface Outcome {
    rows: number;
    errors: { row: number; field: string; message: string }[];
    would: string[];
}
const kind = ref<string | null>(null);
const known = computed(() => KINDS.find((k) => k.id === kind.value) ?? null);
const over = ref(false);
const {
    file,
    seen,
    problem,
    done,
    busy,
    progress,
    choose: take,
    send,
} = useFileIn<Outcome>(
    () => `transfer/${kind.value}`,
    (told) => `${told.rows} rows are in.`,
);
/** A file says by its columns what it holds; where it does not, a person says it. */
async function choose(chosen: File | null | undefined) {
    over.value = false;
    take(chosen);
    if (!chosen) return;
    const columns = columnsOf(await chosen.slice(0, 4096).text());
    kind.value = kindOf(columns)?.id ?? null;
    if (kind.value) await send(true);
    else
        problem.value = `By its columns (${columns.join(', ')}) it is none of what the shop knows: say what it holds.`;
}
async function say(id: string) {
    kind.value = id;
    seen.value = null;
    await send(true);
}
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
                <h2>Out, to look at or to change</h2>
                <ul class="outs">
                    <li v-for="k in KINDS" :key="k.id">
                        <a :href="`/api/v1/transfer/${k.id}.csv`">{{ k.out ?? k.says }}</a>
                        <small class="quiet"
                            >{{ k.columns.join(', ')
                            }}{{ k.also ? `, and if you like ${k.also.join(', ')}` : ''
                            }}{{ k.note ? `; ${k.note}` : '' }}</small
                        >
                    </li>
                </ul>
            </section>
            <section
                :class="['card', 'in', { over }]"
                @dragover.prevent="over = true"
                @dragleave="over = false"
                @drop.prevent="choose($event.dataTransfer?.files[0])"
            >
                <h2>In, as it went out or as you have it</h2>
                <label class="drop"
                    ><span>{{ file ? file.name : 'Drop a file here, or choose one' }}</span
                    ><input
                        type="file"
                        aria-label="CSV file"
                        accept=".csv,text/csv"
                        @change="choose(($event.target as HTMLInputElement).files?.[0])"
                /></label>
                <div v-if="file" class="kinds" role="group" aria-label="What it holds">
                    <v-btn
                        v-for="k in KINDS"
                        :key="k.id"
                        size="small"
                        :variant="k.id === kind ? 'flat' : 'outlined'"
                        :aria-pressed="k.id === kind"
                        @click="say(k.id)"
                        >{{ k.says }}</v-btn
                    >
                </div>
                <p v-if="known?.note" class="quiet">{{ known.note }}</p>
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
        <ShopZip />
    </div>
</template>

<style scoped>
.two {
    display: grid;
    grid-template-columns: minmax(0, 1fr) minmax(0, 2fr);
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
.outs li {
    border-bottom: 1px solid var(--line);
    padding: 4px 0 8px;
}
.outs small {
    display: block;
}
.in.over {
    border-color: var(--ember);
    box-shadow: inset 0 0 0 2px var(--ember);
}
.drop {
    display: grid;
    grid-template-columns: minmax(0, 1fr);
    gap: 12px;
    justify-items: center;
    padding: 26px;
    margin: 10px 0;
    border: 2px dashed var(--line);
    border-radius: 4px;
    font-size: 1.1rem;
    font-weight: 650;
    cursor: pointer;
}
.drop input {
    max-width: 100%;
}
.kinds {
    display: flex;
    flex-wrap: wrap;
    gap: 6px;
    margin-bottom: 8px;
}
@media (max-width: 1000px) {
    .two {
        grid-template-columns: minmax(0, 1fr);
    }
}
</style>
