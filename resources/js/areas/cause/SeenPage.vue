<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query';
import { computed, ref } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { api } from '../../api/client';
import { loadRun, newKey } from '../../api/queue';
import type { Case, Defect, Procedure } from '../../api/types';
import { sentence, useSend } from '../../parts/useSend';
import { useDefects } from './useDefects';

/** What is wrong with a piece, by how it looks: one tap a defect, the worst first. */
const route = useRoute();
const router = useRouter();
const id = String(route.params.run);
const { data: run } = useQuery({ queryKey: ['run', id], queryFn: () => loadRun(id) });
const defects = useDefects(run);
const piece = ref<number | null>(Number(route.query.piece) || null);
const bad = computed(() => {
    const judging = ((run.value?.procedure ?? null) as unknown as Procedure | null)?.entries
        .filter((e) => e.effect === 'dispose')
        .map((e) => e.id);
    return (run.value?.pieces ?? []).filter((p) => {
        const said = run.value?.entries
            .filter((e) => judging?.includes(e.entry) && e.piece === p.piece)
            .at(-1);
        return p.outcome === 'dropped' || said?.values.verdict === 'scrap' || p.piece === piece.value;
    });
});
const seen = ref<Record<string, string>>({});
const search = ref('');
const shown = computed(() => {
    const words = search.value.toLowerCase().split(/\s+/).filter(Boolean);
    return (defects.data.value ?? []).filter((d) =>
        words.every((w) => `${d.name} ${d.looks_like}`.toLowerCase().includes(w)),
    );
});
function tap(d: Defect) {
    if (d.id in seen.value) {
        seen.value = Object.fromEntries(Object.entries(seen.value).filter(([known]) => known !== d.id));
    } else seen.value = { ...seen.value, [d.id]: 'scrap' };
}
const cautions = computed(() => [
    ...new Set((defects.data.value ?? []).filter((d) => d.id in seen.value).flatMap((d) => d.cautions)),
]);
const key = newKey();
const { busy, fault, send } = useSend();
async function open() {
    const made = await send(() =>
        api.post<Case>(`runs/${id}/cases`, {
            id: key,
            piece: piece.value,
            defects: Object.entries(seen.value).map(([defect, severity]) => ({ id: defect, severity })),
        }),
    );
    if (made) await router.replace(`/cause/${made.id}`);
}
</script>

<template>
    <div class="page">
        <div class="page-head">
            <div>
                <h1>What is wrong with it?</h1>
                <p v-if="run" class="quiet">
                    {{ run.summary.product }}, run {{ run.summary.number }} ·
                    {{ run.summary.stations[0]?.machine }}
                </p>
            </div>
            <div v-if="bad.length > 0" class="fields">
                <label class="which"
                    ><span>Which piece</span
                    ><select v-model="piece">
                        <option :value="null">the run as a whole</option>
                        <option v-for="p in bad" :key="p.piece" :value="p.piece">{{ p.piece }}</option>
                    </select></label
                >
            </div>
        </div>
        <div class="fields">
            <label class="search"
                ><span class="sr">Search</span
                ><input
                    v-model="search"
                    type="search"
                    placeholder="bubbles, short, warped …"
                    autocomplete="off"
            /></label>
        </div>
        <p v-if="defects.isPending.value" class="card quiet">Looking them up …</p>
        <ul class="unmarked defects">
            <li v-for="d in shown" :key="d.id" :class="['card', { on: d.id in seen }]">
                <button type="button" :aria-pressed="d.id in seen" @click="tap(d)">
                    <strong>{{ d.name }}</strong>
                    <span class="quiet">{{ d.looks_like }}</span>
                </button>
                <div v-if="d.id in seen" class="fields">
                    <label class="how"
                        ><span class="sr">How bad</span
                        ><select v-model="seen[d.id]">
                            <option value="cosmetic">still usable</option>
                            <option value="functional">of limited use</option>
                            <option value="scrap">not to be used</option>
                        </select></label
                    >
                </div>
            </li>
        </ul>
        <p v-if="defects.data.value && shown.length === 0" class="card quiet">
            Nothing here looks so. Try another word, or say it in the run's note.
        </p>
        <div class="foot">
            <p v-for="c in cautions" :key="c" class="caution"><span aria-hidden="true">▲</span> {{ c }}</p>
            <p v-if="fault" class="fault" role="alert">{{ sentence(fault) }}</p>
            <v-btn
                color="primary"
                size="x-large"
                :disabled="Object.keys(seen).length === 0"
                :loading="busy"
                @click="open"
                >Find the cause</v-btn
            >
        </div>
    </div>
</template>

<style scoped>
.search input {
    width: min(480px, 100%);
    margin-bottom: 14px;
}
.which {
    display: flex;
    gap: 10px;
    align-items: center;
}
.defects {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(min(300px, 100%), 1fr));
    gap: 10px;
}
.defects li {
    padding: 0;
    border-left: 6px solid transparent;
}
.defects li.on {
    border-left-color: var(--ember-strong);
    background: var(--ember-soft);
    color: var(--ember-ink);
}
.defects button {
    display: grid;
    gap: 4px;
    width: 100%;
    min-height: var(--touch);
    padding: 10px 12px;
    text-align: left;
    background: none;
    border: 0;
    color: inherit;
    font: inherit;
    cursor: pointer;
}
.defects li.on .quiet {
    color: inherit;
}
.how {
    display: block;
    padding: 0 12px 10px;
}
.foot {
    position: sticky;
    bottom: 0;
    display: grid;
    gap: 8px;
    justify-items: start;
    padding: 12px 0;
    background: var(--ground);
}
</style>
