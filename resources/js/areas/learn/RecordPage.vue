<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query';
import { computed } from 'vue';
import { useRoute } from 'vue-router';
import { api } from '../../api/client';
import { loadRun } from '../../api/queue';
import type { Alarm, Procedure } from '../../api/types';
import { figureText } from '../../parts/figures';
import { countText } from '../../parts/text';
import { dayText, minutesText, show, timeOfDay } from '../../parts/units';
import MadeOf from '../run/MadeOf.vue';
import InspectionResult from '../check/InspectionResult.vue';
import HeardList from '../run/HeardList.vue';
import TraceCard from './TraceCard.vue';
import CasesOf from './CasesOf.vue';
import CaptureCard from '../run/CaptureCard.vue';
import LeftoversCard from '../run/LeftoversCard.vue';
import FlawsCard from '../cause/FlawsCard.vue';
import SamplesCard from '../check/SamplesCard.vue';
import FoundLater from './FoundLater.vue';
import LessonCard from './LessonCard.vue';
import LogTable from './LogTable.vue';
import PassportCard from './PassportCard.vue';
import PieceTable from './PieceTable.vue';
import { title as channelTitle } from '../reckon/schema';
import { howItWent, timedText } from './went';

const route = useRoute();
const id = String(route.params.id);
/** the piece whose label was scanned */
const scanned = route.query.piece ? Number(route.query.piece) : null;
const { data: run, isPending, refetch } = useQuery({ queryKey: ['run', id], queryFn: () => loadRun(id) });
const { data: alarms } = useQuery({
    queryKey: ['alarms', id],
    queryFn: () => api.list<Alarm>(`runs/${id}/alarms`),
});
const procedure = computed(() => (run.value?.procedure ?? null) as unknown as Procedure | null);
/** The methods it was run by, where practitioners differ. */
const chosen = computed(() =>
    Object.entries(procedure.value?.schools ?? {}).flatMap(([id, school]) => {
        const choice = school.choices.find((c) => c.id === run.value?.choices[id]);
        return choice ? [{ title: school.title, choice: choice.title }] : [];
    }),
);
/** Steps that start a clock or end one: what the trace shows as moments. */
const timed = computed(() =>
    (procedure.value?.steps ?? []).filter((s) => s.starts || s.timer).map((s) => s.id),
);
const went = computed(() => (run.value ? howItWent(run.value) : []));
/** of a run that is one pass, how long it really was beside the plan */
function doneText(timer: Procedure['timers'][number]): string {
    const own = went.value.length === 1 ? went.value[0]?.timed.find((t) => t.title === timer.title) : null;
    return own ? timedText(own) : minutesText(Number(run.value?.plan[timer.minutes]));
}
/** of a run of pieces: how many came of it */
const made = computed(() => (run.value ? countText(run.value.summary) : ''));
const marks = computed(() =>
    (run.value?.events ?? [])
        .filter((e) => e.type === 'step_done' && timed.value.includes(String(e.data.step)))
        .map((e) => ({
            key: e.key,
            at: e.at,
            title: procedure.value?.steps.find((s) => s.id === e.data.step)?.title ?? '',
        })),
);
/** A channel of a machine that the run came to later is named after its place there. */
const later = (name: string) =>
    (run.value?.summary.stations ?? []).slice(1).some((s) => name.startsWith(`${s.role}_`));
const overrides = computed(
    () => (run.value?.safety.overrides ?? []) as { id: string; by: string; reason: string }[],
);
</script>

<template>
    <div class="page">
        <p v-if="!run || !procedure" class="card">
            {{
                isPending
                    ? 'Opening the record …'
                    : 'The server does not answer, and this record has not been opened here before.'
            }}
        </p>
        <template v-else>
            <div class="page-head">
                <div>
                    <h1>{{ run.summary.product }}, run {{ run.summary.number }}</h1>
                    <p class="quiet">
                        {{ dayText(run.summary.started_at) }} {{ timeOfDay(run.summary.started_at) }},
                        {{ run.summary.started_by }} · {{ run.summary.polymer }} from
                        <template v-for="(m, i) in run.materials ?? []" :key="m.lot_id"
                            >{{ i ? ', ' : ''
                            }}<router-link :to="`/sort/lots/${m.lot_id}`">{{ m.lot }}</router-link
                            ><template v-if="run.materials.length > 1 && m.mass_g !== null">
                                {{ ` ${show(m.mass_g, 'mass')}` }}</template
                            ></template
                        >
                        · {{ run.summary.stations.map((s) => s.machine).join(', ') }}
                    </p>
                </div>
                <div class="out">
                    <v-btn color="primary" :href="`/api/v1/runs/${id}.pdf`" target="_blank"
                        >Batch record, PDF</v-btn
                    ><v-btn variant="outlined" :href="`/api/v1/runs/${id}/label.pdf`" target="_blank"
                        >Label</v-btn
                    ><v-btn variant="outlined" :to="`/trace/run/${id}`">Made of</v-btn
                    ><v-btn variant="outlined" :href="`/api/v1/runs/${id}.json`" download>JSON</v-btn
                    ><v-btn variant="outlined" :href="`/api/v1/runs/${id}.csv`" download>CSV</v-btn>
                </div>
            </div>
            <div class="grid">
                <section class="card">
                    <h2>
                        Verdict
                        <span :class="['tag', run.summary.verdict === 'scrap' ? 'bad' : 'good']">{{
                            run.summary.verdict ?? (made || run.summary.status)
                        }}</span>
                    </h2>
                    <p v-if="run.summary.scrap_reason">{{ run.summary.scrap_reason }}</p>
                    <InspectionResult v-if="run.inspection" :inspection="run.inspection" :plan="run.plan" />
                    <p v-else class="quiet">Not checked.</p>
                    <p
                        v-for="a in run.pieces.length > 0 ? [] : (went[0]?.anyway ?? [])"
                        :key="a"
                        class="anyway"
                    >
                        <span aria-hidden="true">▲</span> Passed though something was open. {{ a }}
                    </p>
                    <p v-if="run.pieces.length > 0">
                        {{ run.summary.good }} good, {{ run.summary.bad }} not, of
                        {{ run.pieces.length }} begun.
                    </p>
                    <MadeOf :run="run" />
                    <!-- Before what is asked for yet: nothing comes in above a button while a finger is on its way. -->
                    <FoundLater
                        v-if="run.summary.status === 'finished'"
                        :run="run"
                        :procedure="procedure"
                        :scanned="scanned"
                        @kept="refetch"
                    />
                    <LessonCard v-if="run.summary.status === 'finished'" :run="id" />
                    <CasesOf :run="id" :bad="run.summary.verdict === 'scrap' || run.summary.bad > 0" />
                    <CaptureCard v-if="run.summary.good > 0" :run="id" />
                    <LeftoversCard v-if="run.summary.status !== 'running'" :run="id" />
                </section>
                <section class="card">
                    <h2>As planned</h2>
                    <dl>
                        <div v-for="f in run.summary.figures.filter((x) => !x.measured)" :key="f.id">
                            <dt>{{ f.label }}</dt>
                            <dd>{{ figureText(f) }}</dd>
                        </div>
                        <div v-for="t in procedure.timers" :key="t.id">
                            <dt>{{ t.title }}</dt>
                            <dd>{{ doneText(t) }}</dd>
                        </div>
                        <div v-for="c in chosen" :key="c.title">
                            <dt>{{ c.title }}</dt>
                            <dd>{{ c.choice }}</dd>
                        </div>
                        <div>
                            <dt>Procedure</dt>
                            <dd>
                                {{ procedure.id.replaceAll('_', ' ') }}, version {{ procedure.version
                                }}{{ procedure.own ? `, our own ${procedure.own}` : '' }}
                            </dd>
                        </div>
                        <div v-for="o in overrides" :key="o.id">
                            <dt>Overridden</dt>
                            <dd>{{ o.id.replaceAll('_', ' ') }}: {{ o.reason }} ({{ o.by }})</dd>
                        </div>
                    </dl>
                </section>
            </div>
            <FlawsCard class="mt-4" of="runs" :id="id" empty />
            <SamplesCard class="mt-4" of="runs" :id="id" />
            <PassportCard v-if="run.summary.good > 0" class="mt-4" :run="id" />
            <PieceTable v-if="run.pieces.length > 0" :run="run" :procedure="procedure" :scanned="scanned" />
            <HeardList
                v-if="run.heard > 0"
                class="mt-4"
                :run="id"
                :piece="procedure.piece?.title"
                :pieces="run.heard"
            />
            <TraceCard class="mt-4" :run="id" :marks="marks" :later="later" />
            <section v-if="alarms?.length" class="card mt-4">
                <h2>Alarms</h2>
                <p v-for="a in alarms" :key="a.id">
                    <span class="num">{{ timeOfDay(a.began_at) }}</span>{{
                        a.ended_at === null ? '' : ` to ${timeOfDay(a.ended_at)}`
                    }}: {{ a.machine }}, {{ channelTitle(a.channel).toLowerCase() }}:
                    <strong>{{ a.says }}</strong>{{ a.by ? `, ${a.by} saw to it` : ', nobody answered' }}
                </p>
            </section>
            <LogTable class="mt-4" :run="run" :procedure="procedure" />
        </template>
    </div>
</template>

<style scoped>
.anyway {
    color: var(--alarm);
    font-weight: 650;
}
.out {
    display: flex;
    flex-wrap: wrap;
    gap: 10px;
}
.grid {
    display: grid;
    grid-template-columns: 1.35fr 1fr;
    gap: var(--gap);
    align-items: start;
}
dl {
    margin: 8px 0 0;
}
dl div {
    display: flex;
    justify-content: space-between;
    gap: 12px;
    border-bottom: 1px solid var(--line);
    padding: 8px 0;
}
dt {
    color: var(--quiet);
}
dd {
    margin: 0;
    font-weight: 650;
    text-align: right;
}
@media (max-width: 1000px) {
    .grid {
        grid-template-columns: 1fr;
    }
}
</style>
