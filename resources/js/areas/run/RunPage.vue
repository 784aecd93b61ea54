<script setup lang="ts">
import { useWindowSize } from '@vueuse/core';
import { computed, nextTick, onScopeDispose, ref, watch } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { forget } from '../../api/queue';
import { session } from '../../api/session';
import type { Dimension, ProcedureEntry } from '../../api/types';
import { phase } from '../../offline/gates';
import { handsOf, isOfHeat, placeName } from '../../offline/hands';
import { useFoot } from '../../parts/foot';
import HeatStrip from '../../parts/HeatStrip.vue';
import type { ShopKey } from '../../parts/keys';
import NumberPad from '../../parts/NumberPad.vue';
import { usePageKeys } from '../../parts/pageKeys';
import TypedField from '../../parts/TypedField.vue';
import { clockText, minutesText, number, show, timeOfDay } from '../../parts/units';
import { runPictureOf } from '../../processes/panels';
import { title } from '../reckon/schema';
import ThicknessEntry from '../check/ThicknessEntry.vue';
import InspectionResult from '../check/InspectionResult.vue';
import ChargePicks from './ChargePicks.vue';
import { footSays, judgedBy, missingOf, verdictOf } from './focus';
import HeardList from './HeardList.vue';
import InsideCard from './InsideCard.vue';
import PieceBoard from './PieceBoard.vue';
import PumpTap from './PumpTap.vue';
import RunLog from './RunLog.vue';
import { useModel } from './useModel';
import TrackLine from './TrackLine.vue';
import { useRun } from './useRun';
import { useTracked } from './useTracked';
import { valueWords } from './words';

const route = useRoute();
const router = useRouter();
const id = String(route.params.id);
const {
    run,
    procedure,
    now,
    focus,
    settling,
    pick,
    hold,
    step,
    thread,
    timer,
    waiting,
    refused,
    missing,
    log,
    logAll,
    logRun,
    stop,
} = useRun(id);
onScopeDispose(stop);

const stages = computed(() =>
    (procedure.value?.stages ?? []).map((s) => ({
        ...s,
        steps: (run.value?.steps ?? []).filter((x) => x.stage === s.id),
        /** its steps are gone through by every piece: the pieces stand in their place */
        pieces: (procedure.value?.steps ?? []).some((x) => x.stage === s.id && phase(x) === 'piece'),
    })),
);
const confirmed = (item: string) => thread.value?.confirmed[step.value?.id ?? '']?.[item] !== undefined;
const entries = computed(() =>
    (step.value?.entries ?? [])
        .map((e) => procedure.value?.entries.find((x) => x.id === e))
        .filter((e): e is ProcedureEntry => !!e),
);
const reminder = computed(() => step.value?.reminders?.[0] ?? null);
/** what is logged again and again while the timer runs: pumped, looked */
const pump = computed(() => procedure.value?.entries.find((e) => e.id === reminder.value?.entry) ?? null);
const due = computed(() =>
    run.value && pump.value
        ? (handsOf(run.value).find(
              (h) => h.entry === pump.value?.id && (h.piece ?? null) === focus.value.piece,
          )?.at ?? null)
        : null,
);
/** of what this screen is about: another piece's is no answer here */
const logged = (entry: string) =>
    (run.value?.entries ?? []).filter((e) => e.entry === entry && (e.piece ?? null) === focus.value.piece);
const grid = computed(
    () => entries.value.find((e) => e.fields.some((f) => f.kind === 'thickness_grid')) ?? null,
);
/** what may be a weighed charge that waits at the scale */
const chargeEntry = computed(
    () => entries.value.find((e) => e.fields.some((f) => f.kind === 'charge')) ?? null,
);
const left = computed(() => (timer.value ? timer.value.ends_at - now.value : 0));
/** How much of the wait is over: by the clock where it is short, in minutes where it is long. */
const gone = computed(() => {
    const { started_at, minutes } = timer.value ?? { started_at: now.value, minutes: 0 };
    return minutes < 3
        ? `of ${clockText(60 * minutes)}`
        : `${Math.floor((now.value - started_at) / 60)} of ${minutesText(minutes)}`;
});
/** The step's gate asks for this entry and has not what it asks for: nothing yet, or nothing that will do */
const asked = (entry: string) =>
    step.value?.gate?.some(
        (g) => g.entry === entry && missingNow.value.some((lack) => lack.endsWith(g.says ?? '')),
    ) ?? false;
/** of a timer, the time alone: what it is about stands above it */
const shortly = (lack: string) => (step.value?.timer ? lack.replace(/^.*: (\d+:\d\d to go)$/, '$1') : lack);
/** by the gates in the procedure's data, here as on the server */
const missingNow = computed(() => (run.value ? missingOf(run.value, focus.value, now.value) : []));
/** a verdict is all that is wanted: one touch */
const judged = computed(() => (run.value ? judgedBy(run.value, focus.value, now.value) : null));
async function judge(verdict: 'good' | 'scrap', why?: string, by = judged.value) {
    if (by) await logAll(verdictOf(by, verdict, why));
}
const wanted = computed(() => Number(run.value?.plan.pieces ?? 0));
const allDone = computed(
    () =>
        run.value !== null &&
        run.value.pieces.length > 0 &&
        run.value.pieces.every((p) => p.outcome !== 'open'),
);
const mayClose = computed(
    () =>
        run.value !== null &&
        run.value.summary.step === null &&
        !run.value.closing &&
        (run.value.pieces.length === 0 || allDone.value),
);

const tracked = useTracked(run, thread);
const model = useModel(run, thread, now, tracked);
const { cooling, point } = model;
/** what goes on inside; each draws itself only while there is something of it to see */
const picture = computed(() =>
    thread.value?.step && !looks.value ? runPictureOf(run.value?.summary.process ?? '') : null,
);
/** What was last read where heat goes in, and which way it went. */
const strip = computed(() => {
    // Once heat goes out what counts is the middle, and only the model knows that.
    if (cooling.value && point.value) return [{ label: 'core', c: point.value.core_c }];
    const hot = procedure.value?.entries.find((e) => isOfHeat(procedure.value!, e));
    const all = (run.value?.entries ?? []).filter((e) => e.entry === hot?.id);
    const [last, before] = [all.at(-1)?.values, all.at(-2)?.values] as (Record<string, number> | undefined)[];
    return (hot?.fields ?? [])
        .filter((f) => f.dimension === 'temperature' && typeof last?.[f.id] === 'number')
        .map((f) => ({
            label: f.label.split(/[ ,]/)[0]!.toLowerCase(),
            c: Number(last?.[f.id]),
            trend: typeof before?.[f.id] === 'number' ? Math.sign(last![f.id]! - before[f.id]!) : 0,
        }));
});
/** Something is measured or judged in this step. */
const looks = computed(() => entries.value.some((e) => e.effect === 'inspect' || e.effect === 'dispose'));
const { height: screen } = useWindowSize();
const stripHeight = computed(() => Math.max(240, Math.min(400, screen.value - 500)));
const place = computed(() => (run.value && step.value ? placeName(run.value, step.value.place) : ''));

const UNITS: [string, Dimension][] = [
    ['_c', 'temperature'],
    ['_mm', 'length'],
    ['_g', 'mass'],
    ['_min', 'time'],
];
/** What a step shows of the plan: in the person's units, and in the procedure's words. */
function told(name: string): { label: string; text: string } {
    const value = run.value?.plan[name];
    const dimension = UNITS.find(([end]) => name.endsWith(end))?.[1] ?? 'number';
    const text = name.endsWith('_s') ? `${number(Number(value), 0)} s` : show(Number(value), dimension);
    return {
        label: procedure.value?.words?.[name] ?? title(name),
        text: value === null || value === undefined ? '–' : text,
    };
}

const open = ref<ProcedureEntry | null>(null);
const correcting = ref<string | null>(null);
const before = ref<Record<string, unknown>>({});
function start(entry: ProcedureEntry) {
    if (entry === grid.value) return;
    before.value = {};
    correcting.value = null;
    hold(true);
    open.value = entry;
}
function correct(key: string) {
    const standing = run.value?.entries.find((e) => e.key === key);
    const entry = procedure.value?.entries.find((e) => e.id === standing?.entry);
    if (!standing || !entry) return;
    before.value = standing.values as Record<string, unknown>;
    correcting.value = key;
    hold(true);
    open.value = entry;
}
async function entered(values: Record<string, unknown>, reason: string) {
    const entry = open.value;
    if (!entry) return;
    const kept = correcting.value
        ? logRun('corrected', { event: correcting.value, values, reason })
        : log('logged', { entry: entry.id, values }, 'typed');
    shut();
    await kept;
}
function shut() {
    open.value = null;
    asking.value = null;
    reason.value = '';
    hold(false);
}

type Asked = 'anyway' | 'stop' | 'note' | 'more' | 'scrap' | 'drop';
const asking = ref<Asked | null>(null);
/** as it was when the question was asked: what is answered is that, whatever has moved since */
let about: { step?: string; timer?: string; judged: typeof judged.value } = { judged: null };
const reason = ref('');
const minutes = ref<number | null>(2);
function ask(what: Asked) {
    about = { step: step.value?.id, timer: timer.value?.id, judged: judged.value };
    reason.value = '';
    hold(true);
    asking.value = what;
}
async function advance() {
    if (!step.value || run.value?.summary.status !== 'running') return;
    if (missingNow.value.length > 0) {
        if (step.value.pass_anyway !== 'no') ask('anyway');
        return;
    }
    await log('step_done', { step: step.value.id });
}
const ANSWERS: Record<Asked, (text: string) => Promise<void>> = {
    anyway: (text) => log('step_done', { step: about.step, reason: text }),
    stop: (text) => logRun('aborted', { reason: text }),
    note: (text) => logRun('noted', { text }),
    more: (text) => log('extended', { timer: about.timer, minutes: minutes.value, reason: text }),
    scrap: (text) => judge('scrap', text, about.judged),
    drop: (text) => log('piece_dropped', { reason: text }),
};
async function answer() {
    const text = reason.value.trim();
    if (text === '' || !asking.value) return;
    const kept = ANSWERS[asking.value](text);
    shut();
    await kept;
}
watch(
    () => run.value?.summary.step,
    async () => {
        await nextTick();
        document.querySelector('.steps .current')?.scrollIntoView({ block: 'nearest' });
    },
    { immediate: true },
);
useFoot((long) => {
    if (settling.value || !run.value) return;
    if (long) return judged.value ? ask('scrap') : undefined;
    const said = footSays(run.value, focus.value, now.value);
    if (said) void logAll(said, 'signal');
});
usePageKeys('This run', () => {
    const list: ShopKey[] = [
        {
            key: 'Enter',
            says: judged.value ? 'Good' : (step.value?.button ?? 'Go on'),
            where: 'Run',
            do: () => void (judged.value ? judge('good') : advance()),
        },
        {
            key: 'n',
            says: 'Write a note',
            where: 'Run',
            do: () => ask('note'),
        },
    ];
    for (const e of entries.value)
        if (e.key && e !== grid.value)
            list.push({ key: e.key, says: e.title, where: 'Run', do: () => start(e) });
    for (const [i, c] of (step.value?.confirm ?? []).entries())
        list.push({
            key: 'abcdefg'[i] ?? 'a',
            says: c.text,
            where: 'Run',
            do: () => {
                if (!confirmed(c.id)) void log('confirmed', { step: step.value?.id, item: c.id });
            },
        });
    return list.map((k) => ({ ...k, do: () => void (settling.value || k.do()) }));
});
</script>

<template>
    <div v-if="!run || !procedure" class="page">
        <p class="card">{{ missing || 'Opening the run …' }}</p>
    </div>
    <div v-else class="run">
        <header class="top">
            <h1>{{ run.summary.product }}</h1>
            <p class="quiet">
                Run {{ run.summary.number }} ·
                {{ run.summary.stations.map((x) => x.machine).join(' then ') }} ·
                {{ run.summary.polymer }} from {{ run.summary.lot_code }} · started
                {{ timeOfDay(run.summary.started_at) }} by {{ run.summary.started_by }}
            </p>
            <v-btn
                v-if="run.summary.status === 'running'"
                size="small"
                variant="outlined"
                class="stop"
                @click="ask('stop')"
                >Stop the run</v-btn
            >
            <p v-for="c in run.contested" :key="c" role="alert" class="caution">
                <span aria-hidden="true">▲</span> {{ c }}: see which of them is in it.
            </p>
        </header>
        <nav class="steps" aria-label="Steps" tabindex="0">
            <section v-for="s in stages" :key="s.id">
                <h2>{{ s.title }}</h2>
                <PieceBoard
                    v-if="s.pieces"
                    :run="run"
                    :procedure="procedure"
                    :focus="focus"
                    :now="now"
                    :wanted="wanted"
                    :may-close="mayClose"
                    @pick="pick"
                    @close="logRun('closing', {})"
                />
                <ol v-else>
                    <li
                        v-for="x in s.steps"
                        :key="x.id"
                        :class="x.status"
                        :aria-current="x.status === 'current' ? 'step' : undefined"
                    >
                        <span class="mark" aria-hidden="true" /><span class="t"
                            >{{ x.title
                            }}<small v-if="x.reason"> ▲<span class="sr">passed anyway</span></small></span
                        ><small v-if="x.done_at" class="num" :title="`${x.done_by}`">{{
                            timeOfDay(x.done_at)
                        }}</small>
                    </li>
                </ol>
            </section>
        </nav>

        <section
            v-if="step && run.summary.status === 'running'"
            class="now"
            tabindex="0"
            aria-label="This step"
            :inert="settling"
        >
            <h2 class="title">
                <template v-if="focus.piece !== null"
                    >{{ title(procedure.piece?.title ?? 'piece') }} {{ focus.piece }}:
                </template>
                {{ step.title }}
                <span
                    :class="[
                        'tag',
                        'where',
                        procedure.places[step.place]?.heat === 'in'
                            ? 'hot'
                            : procedure.places[step.place]?.heat === 'out'
                              ? 'cold'
                              : '',
                    ]"
                    >{{ place }}{{ step.people > 1 ? `, ${step.people} people` : '' }}</span
                >
            </h2>
            <p class="do">{{ step.do }}</p>
            <p class="quiet">{{ step.why }}</p>
            <p v-for="c in step.cautions ?? []" :key="c" class="caution">
                <span aria-hidden="true">▲</span> {{ c }}
            </p>

            <div v-if="timer" class="clock">
                <p
                    :class="['big', 'mono', { over: left < 0 }]"
                    role="timer"
                    :aria-label="`${clockText(left)} left`"
                >
                    {{ clockText(left) }}
                </p>
                <div class="beside">
                    <p v-if="left > 0">
                        <strong>until {{ timeOfDay(timer.ends_at) }}</strong>
                        {{ gone }}
                    </p>
                    <p v-else><strong>Time is up</strong> since {{ timeOfDay(timer.ends_at) }}</p>
                    <p v-if="timer.kind === 'cool' && model.planned.value.cool_min">
                        By the model nothing is above
                        {{ show(Number(run.plan.demould_c), 'temperature') }} from
                        {{ timeOfDay(timer.started_at + 60 * model.planned.value.cool_min) }}
                    </p>
                    <p v-if="due !== null" :class="{ overdue: due < now }">
                        <strong>{{
                            due < now
                                ? `${reminder?.what} now`
                                : `${reminder?.what} in ${clockText(due - now)}`
                        }}</strong>
                        {{ logged(pump?.id ?? '').length }} so far
                    </p>
                    <button type="button" class="plain" @click="ask('more')">Change the time</button>
                </div>
            </div>
            <TrackLine
                v-if="tracked && timer && timer.answered_at === null"
                :tracked="tracked"
                @more="(minutes, text) => log('extended', { timer: timer!.id, minutes, reason: text })"
            />
            <div v-if="step.shows?.length" :class="['shows', { small: grid || timer }]">
                <p v-for="n in step.shows" :key="n">
                    <span>{{ told(n).label }}</span><strong class="mono">{{ told(n).text }}</strong>
                </p>
            </div>

            <component
                :is="picture"
                v-if="picture && thread"
                :run="run"
                :model="model"
                :thread="thread"
                :now="now"
            />
            <InsideCard
                v-if="run.inside"
                :inside="run.inside"
                :now="now"
                :title="run.summary.stations[0]?.machine ?? 'machine'"
                :stale="waiting.length > 0"
            />
            <HeardList
                v-if="run.heard > 0"
                class="mt-4"
                :run="id"
                :piece="procedure.piece?.title"
                :pieces="run.heard"
                :live="run.summary.status === 'running'"
            />

            <div v-if="step.confirm" class="confirm">
                <button
                    v-for="c in step.confirm"
                    :key="c.id"
                    type="button"
                    :class="{ on: confirmed(c.id) }"
                    :aria-pressed="confirmed(c.id)"
                    @click="confirmed(c.id) || log('confirmed', { step: step.id, item: c.id })"
                >
                    <span class="box" aria-hidden="true">{{ confirmed(c.id) ? '✓' : '' }}</span>{{ c.text }}
                </button>
            </div>
            <ChargePicks
                v-if="chargeEntry && logged(chargeEntry.id).length === 0"
                :run="id"
                @take="(values) => log('logged', { entry: chargeEntry?.id, values })"
            />
            <ThicknessEntry
                v-if="grid && logged(grid.id).length === 0"
                :nominal="Number(run.plan.nominal_mm)"
                :tolerance="Number(run.plan.thickness_tolerance_mm)"
                :length="Number(run.plan.length_mm)"
                :width="Number(run.plan.width_mm)"
                :polymer="run.summary.polymer"
                @done="(values) => log('logged', { entry: grid?.id, values })"
            />
            <InspectionResult
                v-if="looks && run.inspection && (run.checks.at(-1)?.piece ?? null) === focus.piece"
                :inspection="run.inspection"
                :plan="run.plan"
            />
            <p
                v-else-if="looks && entries.some((e) => e.effect === 'inspect' && logged(e.id).length > 0)"
                class="quiet"
            >
                The check is kept here and is reckoned as soon as the server answers.
            </p>

            <div
                v-for="e in entries.filter((x) => x !== grid && x !== pump && logged(x.id).length > 0)"
                :key="`v${e.id}`"
                class="was"
            >
                <span>{{ e.title }}</span><strong>{{
                    valueWords(procedure, e.id, logged(e.id).at(-1)?.values ?? {}).replace(/^: /, '')
                }}</strong>
            </div>
        </section>
        <section v-else class="now over-now" tabindex="0" aria-label="How it ended">
            <h2 class="title">
                {{
                    run.summary.status === 'aborted'
                        ? 'Stopped'
                        : run.summary.verdict === 'scrap'
                          ? 'Done: scrap'
                          : 'Done'
                }}
            </h2>
            <p v-if="run.summary.scrap_reason">{{ run.summary.scrap_reason }}</p>
            <p v-if="run.pieces.length > 0" class="do">
                {{ run.summary.good }} good, {{ run.summary.bad }} not.
            </p>
            <InspectionResult v-if="run.inspection" :inspection="run.inspection" :plan="run.plan" />
            <div class="acts">
                <v-btn color="primary" size="large" @click="router.push(`/learn/${id}`)"
                    >Open the record</v-btn
                ><v-btn variant="outlined" size="large" to="/set">Set up the next</v-btn>
            </div>
        </section>

        <aside class="strip" aria-label="Temperatures">
            <h2>{{ run.summary.polymer }}</h2>
            <p class="quiet">{{ cooling && point ? 'middle, by the model' : 'as last logged' }}</p>
            <HeatStrip
                :marks="run.marks"
                :set="cooling && point ? null : run.summary.set_c"
                :readings="strip"
                :height="stripHeight"
            />
            <div v-if="step && run.summary.status === 'running'" class="second" :inert="settling">
                <v-btn
                    v-for="e in entries.filter(
                        (x) =>
                            x !== grid && x !== pump && !(x.once && logged(x.id).length > 0) && !asked(x.id),
                    )"
                    :key="e.id"
                    variant="outlined"
                    block
                    @click="start(e)"
                    >{{ e.title }}<span v-if="e.key" class="key ml-2">{{ e.key.toUpperCase() }}</span></v-btn
                >
                <v-btn variant="outlined" block @click="ask('note')"
                    >Note<span class="key ml-2">N</span></v-btn
                >
                <v-btn
                    v-if="focus.piece !== null && !focus.next"
                    variant="outlined"
                    block
                    @click="ask('drop')"
                    >Take it out</v-btn
                >
            </div>
        </aside>

        <div v-if="step && run.summary.status === 'running'" class="acts main-acts" :inert="settling">
            <PumpTap
                v-if="pump"
                :entry="pump"
                :last="logged(pump.id).at(-1)?.values ?? {}"
                :due="due !== null && due - now < 30"
                @log="(values) => log('logged', { entry: pump?.id, values })"
            />
            <v-btn
                v-for="e in entries.filter(
                    (x) => x !== grid && asked(x.id) && !(judged && x.effect === 'dispose'),
                )"
                :key="e.id"
                class="asked"
                color="secondary"
                size="x-large"
                @click="start(e)"
                >{{ e.title }}<span v-if="e.key" class="key ml-2">{{ e.key.toUpperCase() }}</span></v-btn
            >
            <template v-if="judged">
                <v-btn class="advance" variant="outlined" size="x-large" @click="ask('scrap')">Not good</v-btn
                ><v-btn class="advance" color="primary" size="x-large" @click="judge('good')">Good</v-btn>
            </template>
            <v-btn
                v-else
                class="advance"
                :color="missingNow.length === 0 ? 'primary' : undefined"
                :variant="missingNow.length === 0 ? 'flat' : 'outlined'"
                size="x-large"
                :disabled="missingNow.length > 0 && (step.pass_anyway ?? 'no') === 'no'"
                @click="advance"
                ><span class="btn-in"
                    ><span>{{ step.button }}</span
                    ><small v-if="missingNow.length > 0"
                        >{{ shortly(missingNow[0] ?? '')
                        }}{{ missingNow.length > 1 ? ` and ${missingNow.length - 1} more` : '' }}</small
                    ></span
                ></v-btn
            >
        </div>

        <RunLog
            :run="run"
            :procedure="procedure"
            :waiting="waiting"
            :refused="refused"
            @correct="correct"
            @drop="forget"
        />

        <NumberPad
            :entry="open"
            :before="before"
            :correcting="correcting !== null"
            @done="entered"
            @close="shut"
        />
        <v-dialog :model-value="asking !== null" max-width="520" @update:model-value="shut">
            <v-card class="pa-5">
                <h2>
                    {{
                        asking === 'anyway'
                            ? 'Go on anyway?'
                            : asking === 'stop'
                              ? 'Stop this run'
                              : asking === 'more'
                                ? 'Change the time'
                                : asking === 'scrap'
                                  ? 'Not good'
                                  : asking === 'drop'
                                    ? `Take ${procedure.piece?.title ?? 'piece'} ${focus.piece} out`
                                    : 'Note'
                    }}
                </h2>
                <p v-if="asking === 'anyway'" class="my-2">
                    Still open: {{ missingNow.join('; ') }}.{{
                        step?.pass_anyway === 'lead' && session.person?.role !== 'lead'
                            ? ' Only a lead may pass this.'
                            : ''
                    }}
                </p>
                <p v-if="asking === 'stop'" class="my-2">
                    <span aria-hidden="true">▲</span> What is hot stays hot, and there may be melt in it:
                    switch off, and cool it as the machine's manual says. What was logged stays; the run ends
                    here.
                </p>
                <div v-if="asking === 'more'" class="fields my-3">
                    <TypedField
                        v-model="minutes"
                        dimension="time"
                        signed
                        first
                        label="More time, or less with a minus"
                    />
                </div>
                <v-textarea
                    v-model="reason"
                    :label="asking === 'note' ? 'What you saw' : 'Why'"
                    rows="3"
                    :autofocus="asking !== 'more'"
                    class="my-3"
                />
                <div class="acts end">
                    <v-btn variant="outlined" @click="shut">Cancel</v-btn
                    ><v-btn
                        :color="asking === 'stop' ? 'error' : 'primary'"
                        :disabled="reason.trim() === ''"
                        @click="answer"
                        >{{
                            asking === 'anyway'
                                ? 'Go on, with the reason'
                                : asking === 'stop'
                                  ? 'Stop: what is hot stays hot'
                                  : 'Log it'
                        }}</v-btn
                    >
                </div>
            </v-card>
        </v-dialog>
    </div>
</template>

<style scoped>
.run {
    display: grid;
    grid-template-columns: 204px minmax(0, 1fr) 252px;
    grid-template-rows: auto minmax(0, 1fr) auto auto;
    height: calc(100vh - var(--head) - var(--alarms, 0px));
    min-height: 640px;
}
.top {
    grid-column: 1 / -1;
    display: flex;
    align-items: baseline;
    gap: 4px 16px;
    flex-wrap: wrap;
    padding: 4px 18px;
    background: var(--paper);
    border-bottom: 1px solid var(--line);
}
.top h1 {
    font-size: 1.3rem;
}
.stop {
    margin-left: auto;
    align-self: center;
}
.steps section:has(.count) {
    padding-right: 10px;
}
.steps {
    padding: 4px 0 8px 18px;
    grid-row: 2 / 4;
    overflow-y: auto;
}
.steps h2 {
    font-size: 0.9rem;
    color: var(--quiet);
    font-weight: 600;
    margin: 8px 0 2px;
}
ol {
    list-style: none;
    margin: 0;
    padding: 0;
}
.steps li {
    display: flex;
    gap: 10px;
    padding: 4px 8px 4px 0;
    line-height: 1.2;
    color: var(--quiet);
}
.steps .t {
    flex: 1;
}
.steps small {
    font-size: 0.84rem;
    padding-right: 4px;
}
.mark {
    width: 10px;
    height: 10px;
    margin-top: 4px;
    flex: none;
    background: #b6ae9e;
}
.steps .done .mark {
    background: var(--ink);
}
.steps .done {
    color: var(--ink);
}
.steps .current {
    background: var(--paper);
    color: var(--ink);
    font-weight: 700;
    margin-left: -10px;
    padding-left: 10px;
    border-radius: 4px 0 0 4px;
    font-size: 1.05rem;
}
.steps .current .mark {
    background: var(--ember-strong);
    width: 12px;
    height: 12px;
}
.now {
    background: var(--paper);
    padding: 12px 22px 8px;
    border-left: 1px solid var(--line);
    border-right: 1px solid var(--line);
    min-width: 0;
    overflow-y: auto;
}
.title {
    font-size: 1.8rem;
    line-height: 1.15;
}
.where {
    vertical-align: 5px;
    font-size: 0.95rem;
    margin-left: 6px;
}
.do {
    font-size: 1.1rem;
    font-weight: 600;
    margin-top: 2px;
}
.caution {
    color: var(--alarm);
    font-weight: 700;
    margin-top: 4px;
}
.clock {
    display: flex;
    gap: 0 18px;
    align-items: center;
    margin: 4px 0;
}
.big {
    font-size: 5.2rem;
    line-height: 1;
    flex: none;
    letter-spacing: -0.05em;
}
.big.over {
    color: var(--alarm);
}
.beside {
    display: grid;
    gap: 2px;
    font-size: 0.98rem;
    line-height: 1.3;
}
.overdue {
    color: var(--alarm);
}
.plain {
    background: none;
    border: 0;
    font: inherit;
    text-decoration: underline;
    cursor: pointer;
    color: inherit;
    text-align: left;
    min-height: 32px;
    padding: 0;
}
.shows {
    display: flex;
    gap: 34px;
    margin: 12px 0;
    flex-wrap: wrap;
}
.shows span {
    display: block;
    color: var(--quiet);
}
.shows strong {
    font-size: 2.6rem;
    line-height: 1.1;
}
.shows.small {
    margin: 2px 0;
}
.shows.small p {
    display: flex;
    gap: 8px;
    align-items: baseline;
}
.shows.small strong {
    font-size: 1.2rem;
}
.confirm {
    display: grid;
    gap: 10px;
    margin: 16px 0;
    max-width: 560px;
}
.confirm button {
    display: flex;
    align-items: center;
    gap: 14px;
    min-height: calc(var(--touch) + 14px);
    border: 2px solid var(--line);
    border-radius: 4px;
    background: var(--paper);
    color: var(--ink);
    font: inherit;
    font-size: 1.12rem;
    font-weight: 650;
    padding: 0 16px;
    cursor: pointer;
    text-align: left;
}
.confirm .on {
    border-color: var(--good);
}
.box {
    width: 30px;
    height: 30px;
    border: 2px solid var(--ink);
    border-radius: 4px;
    display: grid;
    place-items: center;
    font-size: 1.3rem;
}
.confirm .on .box {
    background: var(--good);
    border-color: var(--good);
    color: var(--paper);
}
.was {
    display: flex;
    gap: 12px;
    margin-top: 10px;
    font-size: 1.05rem;
}
.was span {
    color: var(--quiet);
}
.strip {
    padding: 10px 0;
    grid-row: 2 / 4;
    grid-column: 3;
    overflow-y: auto;
}
.second {
    display: grid;
    gap: 8px;
    padding: 8px 14px 0;
}
.strip h2,
.strip > p {
    padding-left: 14px;
}
.acts {
    display: flex;
    gap: 10px;
    flex-wrap: wrap;
    align-items: stretch;
}
.end {
    justify-content: flex-end;
}
.main-acts {
    grid-column: 2;
    background: var(--paper);
    border: solid var(--line);
    border-width: 0 1px;
    padding: 6px 22px 12px;
}
.asked {
    flex: 1 1 200px;
}
.advance,
.asked {
    min-height: 68px !important;
    font-size: 1.15rem !important;
}
.advance {
    flex: 2 1 240px;
    min-height: 68px !important;
    font-size: 1.15rem !important;
}
.advance :deep(.v-btn__content) {
    white-space: normal;
}
.btn-in {
    display: grid;
    gap: 1px;
}
.btn-in small {
    font-weight: 500;
    font-size: 0.9rem;
}
.main-acts[inert] {
    opacity: 0.45;
}
.over-now .acts {
    margin-top: 16px;
}
@media (max-width: 1180px) {
    .run {
        grid-template-columns: 170px minmax(0, 1fr);
        height: auto;
        grid-template-rows: none;
    }
    .strip {
        grid-column: 2;
        grid-row: auto;
    }
    .strip > h2,
    .strip > p,
    .strip > svg {
        display: none;
    }
    .second {
        grid-template-columns: repeat(auto-fit, minmax(140px, 1fr));
    }
}
@media (max-width: 700px) {
    .run {
        grid-template-columns: minmax(0, 1fr);
    }
    .steps {
        display: none;
    }
    .main-acts,
    .strip,
    .now {
        grid-column: 1;
    }
    .big {
        font-size: 4.4rem;
    }
}
</style>
