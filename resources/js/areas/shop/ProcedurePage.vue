<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query';
import { computed, ref, watch } from 'vue';
import { useRoute } from 'vue-router';
import { api } from '../../api/client';
import { newKey } from '../../api/queue';
import type { OwnChange, ProcedureWay, StepNote } from '../../api/types';
import { dayText } from '../../parts/units';
import { sentence, useLatest, useSend } from '../../parts/useSend';
import { placeOf, pruned, rowsOf, withChange, type WayRow } from './ownWay';
import ProposedWay from './ProposedWay.vue';
import StepChange from './StepChange.vue';

/** One procedure step by step, and the shop's own way of it: change it here, see what it would be, propose it. */
const route = useRoute();
const client = useQueryClient();
const key = computed(() => String(route.params.key));
const path = computed(() => `procedures/${key.value}`);
const way = useQuery({
    queryKey: computed(() => ['procedures', key.value]),
    queryFn: () => api.get<ProcedureWay>(path.value),
});
const changes = ref<OwnChange[]>([]);
/** the approved way that the changes were begun on */
const after = ref(0);
const chosen = ref<{ step: string | null; at: number | null }>({ step: null, at: null });
const reason = ref('');
const runs = ref<{ id: string; number: number }[]>([]);
const said = ref('');
function startFrom(from: ProcedureWay, list: OwnChange[]) {
    changes.value = structuredClone(list.map((c) => ({ ...c })));
    after.value = from.after;
    chosen.value = { step: null, at: null };
    [reason.value, runs.value] = ['', []];
}
const changed = computed(
    () => way.data.value && JSON.stringify(changes.value) !== JSON.stringify(way.data.value.changes),
);
watch(
    () => way.data.value,
    (now, before) => {
        // What somebody is writing is theirs: it starts anew only with another procedure, or where nothing was written.
        if (
            now &&
            (before?.key !== now.key || JSON.stringify(before.changes) === JSON.stringify(changes.value))
        )
            startFrom(now, now.changes);
    },
    { immediate: true },
);
const rows = computed(() => rowsOf(way.data.value?.shipped.steps ?? [], changes.value));
const stageOf = (id: string) => way.data.value?.shipped.stages.find((s) => s.id === id)?.title ?? '';
const row = computed(() =>
    rows.value.find((r) =>
        chosen.value.step !== null ? r.step?.id === chosen.value.step : r.at === chosen.value.at && !r.step,
    ),
);
const choose = (r: WayRow) =>
    (chosen.value = r.step ? { step: r.step.id, at: null } : { step: null, at: r.at });
const writing = computed({
    get: (): OwnChange => row.value?.change ?? { step: row.value?.step?.id },
    set: (change: OwnChange) => {
        const at = change.step === undefined ? chosen.value.at : placeOf(changes.value, change.step);
        // While it is written a text may be as shipped; the whole is pruned when it is sent.
        changes.value = withChange(changes.value, at, change);
    },
});
function away() {
    const at = row.value?.at ?? null;
    if (at !== null) changes.value = withChange(changes.value, at, null);
    if (!row.value?.step) chosen.value = { step: null, at: null };
}
function add(r: WayRow) {
    const step = r.step?.id ?? r.change?.after;
    if (!step) return;
    changes.value = withChange(changes.value, null, { after: step, title: '', do: '' });
    chosen.value = { step: null, at: changes.value.length - 1 };
}
const sent = computed(() =>
    changes.value.flatMap((c) => {
        const shipped = way.data.value?.shipped.steps.find((s) => s.id === c.step);
        const left = pruned(c, shipped);
        return left ? [left] : [];
    }),
);
const preview = useLatest(
    () => JSON.stringify([key.value, sent.value]),
    () =>
        changed.value
            ? api.post<ProcedureWay>(`${path.value}/proposals`, {
                  preview: true,
                  after: after.value,
                  changes: sent.value,
              })
            : null,
);
let id = newKey();
const { busy, fault, send } = useSend();
async function propose() {
    const now = await send(() =>
        api.post<ProcedureWay>(`${path.value}/proposals`, {
            id,
            after: after.value,
            changes: sent.value,
            reason: reason.value,
            runs: runs.value.map((r) => r.id),
        }),
    );
    if (!now) return;
    id = newKey();
    startFrom(now, now.changes);
    said.value = 'Proposed. It is worked so when a lead has approved it.';
    await keep(now);
}
async function keep(now: ProcedureWay) {
    client.setQueryData(['procedures', key.value], now);
    await client.invalidateQueries({ queryKey: ['procedures'] });
}
async function decided(now: ProcedureWay) {
    said.value = now.proposals.length < (way.data.value?.proposals.length ?? 0) ? 'Decided.' : said.value;
    await keep(now);
    startFrom(now, now.changes);
}
/** What was noted at a step opens as something to confirm there, with the run that it was seen in. */
function take(note: StepNote) {
    const steps = way.data.value?.shipped.steps ?? [];
    const step = steps.find((s) => s.id === note.step) ?? steps[0];
    if (!step) return;
    const at = placeOf(changes.value, step.id);
    const had: OwnChange = at === null ? { step: step.id } : { ...changes.value[at] };
    const field = step.hands === 'none' ? 'cautions' : 'checks';
    changes.value = withChange(changes.value, at, {
        ...had,
        [field]: [...(had[field] ?? []), note.text.slice(0, 120)],
    });
    chosen.value = { step: step.id, at: null };
    reason.value ||= note.text;
    if (!runs.value.some((r) => r.id === note.run.id)) runs.value.push(note.run);
}
const stepTitle = (step: string | null) =>
    way.data.value?.worked.steps.find((s) => s.id === step)?.title ?? 'the run';
</script>

<template>
    <div class="page">
        <div class="page-head">
            <div>
                <h1>{{ way.data.value?.title ?? 'How we work' }}</h1>
                <p v-if="way.data.value" class="quiet">
                    Version {{ way.data.value.version
                    }}{{ way.data.value.own > 0 ? `, our own ${way.data.value.own}` : ', as shipped' }} ·
                    <router-link to="/shop/procedures">all procedures</router-link>
                </p>
            </div>
            <v-btn variant="outlined" :href="`/api/v1/procedures/${key}.pdf`" target="_blank"
                >Wall sheet</v-btn
            >
        </div>
        <p v-if="said" role="status" class="said">{{ said }}</p>
        <p v-if="way.data.value?.fault" class="card fault" role="alert">
            Our own way no longer goes with what is shipped, so runs are worked as shipped:
            {{ way.data.value.fault }}
        </p>
        <p v-if="way.isPending.value" class="card quiet">Looking it up …</p>
        <div v-if="way.data.value" class="two">
            <section class="card steps" aria-label="Steps">
                <ol class="unmarked">
                    <template v-for="(r, i) in rows" :key="r.step?.id ?? `own-${r.at}`">
                        <li v-if="r.stage !== rows[i - 1]?.stage" class="stage">{{ stageOf(r.stage) }}</li>
                        <li :class="['row', { ours: r.change, chosen: r === row }]">
                            <button type="button" class="name" :aria-pressed="r === row" @click="choose(r)">
                                <strong>{{ r.title || 'A step of our own' }}</strong>
                                <span v-if="r.change" class="tag good">{{
                                    r.step ? 'changed' : 'ours'
                                }}</span>
                                <span class="quiet what">{{ r.change?.do || r.step?.do }}</span>
                            </button>
                            <button
                                type="button"
                                class="plain add"
                                :aria-label="`Add a step after ${r.title}`"
                                @click="add(r)"
                            >
                                + step
                            </button>
                        </li>
                    </template>
                </ol>
            </section>
            <div class="stack">
                <StepChange
                    v-if="row"
                    :key="row.step?.id ?? `own-${row.at}`"
                    v-model="writing"
                    :procedure="way.data.value.shipped"
                    :shipped="row.step"
                    :fault="preview.fault.value"
                    @away="away"
                />
                <p v-else-if="!changed" class="card quiet">
                    Choose a step to read it whole and to say what we do otherwise. What ships is never taken
                    away: its gates, cautions and what it logs stay.
                </p>
                <form v-if="changed" class="card fields" aria-label="Propose" @submit.prevent="propose">
                    <h2 class="wide">What would be otherwise</h2>
                    <ul class="wide">
                        <li v-for="s in preview.answer.value?.says" :key="s">{{ s }}</li>
                        <li v-if="preview.answer.value?.says.length === 0">All as shipped again</li>
                    </ul>
                    <p v-for="d in preview.answer.value?.doubts" :key="d" class="doubt wide">▲ {{ d }}</p>
                    <p v-if="preview.fault.value" class="fault wide" role="alert">
                        {{ sentence(preview.fault.value) }}
                    </p>
                    <label class="wide"
                        ><span>Why (kept)</span
                        ><input v-model="reason" maxlength="500" autocomplete="off" required
                    /></label>
                    <p v-if="runs.length" class="quiet wide">
                        Seen in {{ runs.map((r) => `run ${r.number}`).join(', ') }}
                    </p>
                    <p v-if="fault" class="fault wide" role="alert">{{ sentence(fault) }}</p>
                    <div class="acts">
                        <v-btn
                            type="submit"
                            color="primary"
                            :loading="busy"
                            :disabled="preview.fault.value !== null || reason.trim() === ''"
                            >Propose it</v-btn
                        ><v-btn variant="text" @click="startFrom(way.data.value, way.data.value.changes)"
                            >Leave it</v-btn
                        >
                    </div>
                </form>
                <ProposedWay
                    v-for="p in way.data.value.proposals"
                    :key="p.id"
                    :way="key"
                    :proposal="p"
                    @decided="decided"
                    @look="startFrom(way.data.value, p.changes as OwnChange[])"
                />
                <section v-if="way.data.value.notes.length" class="card" aria-labelledby="step-notes">
                    <h2 id="step-notes">Noted while working</h2>
                    <div v-for="n in way.data.value.notes" :key="`${n.run.id}${n.at}`" class="note">
                        <p>
                            “{{ n.text }}”
                            <span class="quiet"
                                >{{ n.by }}, {{ dayText(n.at) }}, at {{ stepTitle(n.step) }},
                                <router-link :to="`/learn/${n.run.id}`"
                                    >run {{ n.run.number }}</router-link
                                ></span
                            >
                        </p>
                        <v-btn variant="outlined" size="small" @click="take(n)"
                            >Make it part of the way</v-btn
                        >
                    </div>
                </section>
                <section v-if="way.data.value.log.length" class="card" aria-labelledby="decided">
                    <h2 id="decided">Decided</h2>
                    <div v-for="e in way.data.value.log" :key="e.id" class="note">
                        <p>
                            <span :class="['tag', e.kind === 'approved' ? 'good' : 'bad']">{{
                                e.kind === 'approved' ? 'approved' : 'turned down'
                            }}</span>
                            {{ e.reason }} <span class="quiet">{{ e.by }}, {{ dayText(e.at) }}</span>
                            <br /><span class="quiet"
                                >{{ e.decided_by }}, {{ dayText(e.decided_at ?? e.at)
                                }}{{ e.decided_reason ? `: ${e.decided_reason}` : '' }}</span
                            >
                        </p>
                        <v-btn
                            variant="text"
                            size="small"
                            @click="startFrom(way.data.value, e.changes as OwnChange[])"
                            >Start from this</v-btn
                        >
                    </div>
                </section>
            </div>
        </div>
    </div>
</template>

<style scoped>
.two {
    display: grid;
    grid-template-columns: minmax(0, 1fr) minmax(0, 1.15fr);
    gap: var(--gap);
    align-items: start;
}
.stack {
    display: grid;
    gap: var(--gap);
}
.stage {
    font-weight: 700;
    color: var(--quiet);
    padding: 10px 0 4px;
}
.row {
    display: grid;
    grid-template-columns: minmax(0, 1fr) auto;
    gap: 8px;
    border-bottom: 1px solid var(--line);
    border-left: 4px solid transparent;
    padding-left: 8px;
}
.row.ours {
    border-left-color: var(--good);
}
.row.chosen {
    background: var(--still);
}
.name {
    text-align: left;
    background: none;
    border: 0;
    color: inherit;
    font: inherit;
    padding: 8px 0;
    min-height: var(--touch);
    cursor: pointer;
}
.what {
    display: block;
    font-size: 0.94rem;
}
.add {
    min-height: var(--touch);
    padding: 0 10px;
}
.note {
    display: grid;
    grid-template-columns: minmax(0, 1fr) auto;
    gap: 10px;
    align-items: start;
    padding: 8px 0;
    border-bottom: 1px solid var(--line);
}
.doubt {
    color: var(--ember-ink);
    font-weight: 650;
}
ul.wide {
    margin: 0;
    padding-left: 18px;
}
@media (max-width: 1000px) {
    .two {
        grid-template-columns: minmax(0, 1fr);
    }
}
</style>
