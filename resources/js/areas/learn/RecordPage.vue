<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query';
import { computed } from 'vue';
import { useRoute } from 'vue-router';
import { api } from '../../api/client';
import { loadRun } from '../../api/queue';
import type { Procedure } from '../../api/types';
import { figureText } from '../../parts/figures';
import { countText } from '../../parts/text';
import { dayText, minutesText, show, timeOfDay } from '../../parts/units';
import InspectionResult from '../check/InspectionResult.vue';
import { title } from '../reckon/schema';
import { eventWords } from '../run/words';

const id = String(useRoute().params.id);
const { data: run, isPending } = useQuery({ queryKey: ['run', id], queryFn: () => loadRun(id) });
const { data: readings } = useQuery({
    queryKey: ['readings', id],
    queryFn: () => api.get<Record<string, [number, number][]>>(`runs/${id}/readings`),
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
/** of a run of pieces: how many came of it */
const made = computed(() => (run.value ? countText(run.value.summary) : ''));
const series = computed(() => Object.entries(readings.value ?? {}).filter(([, points]) => points.length > 1));
const range = computed(() => {
    const all = series.value.flatMap(([, p]) => p);
    return {
        t0: Math.min(...all.map((p) => p[0])),
        t1: Math.max(...all.map((p) => p[0])),
        v1: Math.max(...all.map((p) => p[1])) + 10,
    };
});
const sx = (t: number) => 44 + ((t - range.value.t0) / (range.value.t1 - range.value.t0)) * 700;
const sy = (v: number) => 190 - (Math.max(0, v) / range.value.v1) * 174;
const marks = computed(() =>
    (run.value?.events ?? []).filter(
        (e) => e.type === 'step_done' && timed.value.includes(String(e.data.step)),
    ),
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
                                {{ show(m.mass_g, 'mass') }}</template
                            ></template
                        >
                        · {{ run.summary.stations.map((s) => s.machine).join(' then ') }}
                    </p>
                </div>
                <div class="out">
                    <v-btn color="primary" :href="`/api/v1/runs/${id}.pdf`" target="_blank"
                        >Batch record, PDF</v-btn
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
                    <p v-if="run.pieces.length > 0">
                        {{ run.summary.good }} good, {{ run.summary.bad }} not, of
                        {{ run.pieces.length }} begun.
                    </p>
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
                            <dd>{{ minutesText(Number(run.plan[t.minutes])) }}</dd>
                        </div>
                        <div v-for="c in chosen" :key="c.title">
                            <dt>{{ c.title }}</dt>
                            <dd>{{ c.choice }}</dd>
                        </div>
                        <div>
                            <dt>Procedure</dt>
                            <dd>{{ procedure.id }}, version {{ procedure.version }}</dd>
                        </div>
                        <div v-for="o in overrides" :key="o.id">
                            <dt>Overridden</dt>
                            <dd>{{ o.id.replaceAll('_', ' ') }}: {{ o.reason }} ({{ o.by }})</dd>
                        </div>
                    </dl>
                </section>
            </div>
            <section v-if="series.length > 0" class="card mt-4">
                <h2>Measured</h2>
                <svg
                    viewBox="0 0 760 214"
                    width="100%"
                    role="img"
                    aria-label="Platen temperatures over the run"
                >
                    <g v-for="v in [50, 100, 150, 200].filter((x) => x < range.v1)" :key="v">
                        <path :d="`M44 ${sy(v)}H744`" class="line" />
                        <text x="40" :y="sy(v) + 4" text-anchor="end">
                            {{ show(v, 'temperature').split('\u00A0')[0] }}
                        </text>
                    </g>
                    <g v-for="e in marks" :key="e.key">
                        <path :d="`M${sx(e.at)} 14V190`" class="mark" />
                        <text :x="sx(e.at) + 4" y="24">
                            {{ procedure.steps.find((s) => s.id === e.data.step)?.title }}
                        </text>
                    </g>
                    <path
                        v-for="([name, points], nth) in series"
                        :key="name"
                        :d="
                            points
                                .map(
                                    (p, i) => `${i ? 'L' : 'M'}${sx(p[0]).toFixed(1)} ${sy(p[1]).toFixed(1)}`,
                                )
                                .join('')
                        "
                        :class="['trace', `no-${nth}`, { later: later(name) }]"
                    />
                    <text
                        v-for="([name, points], i) in series"
                        :key="`n${name}`"
                        :x="600"
                        :y="206"
                        :dx="i * -190"
                    >
                        {{ later(name) ? '┄' : '━' }} {{ title(name).toLowerCase() }}, last
                        {{ show(points[points.length - 1]?.[1], 'temperature') }}
                    </text>
                </svg>
            </section>
            <section class="card mt-4">
                <h2>Log</h2>
                <table class="rows">
                    <thead>
                        <tr>
                            <th class="n">#</th>
                            <th>When</th>
                            <th>Who</th>
                            <th>What</th>
                        </tr>
                    </thead>
                    <tbody>
                        <tr v-for="e in run.events" :key="e.key" data-entry>
                            <td class="n">{{ e.seq }}</td>
                            <td class="num">{{ new Date(e.at * 1000).toLocaleTimeString('en-GB') }}</td>
                            <td>{{ e.by }}</td>
                            <td>{{ eventWords(e, procedure) }}</td>
                        </tr>
                    </tbody>
                </table>
            </section>
        </template>
    </div>
</template>

<style scoped>
.out {
    display: flex;
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
.line {
    stroke: var(--line);
}
.mark {
    stroke: var(--quiet);
    stroke-dasharray: 3 4;
}
text {
    font-size: 12px;
    fill: var(--quiet);
}
.trace {
    fill: none;
    stroke: var(--ember);
    stroke-width: 2;
}
.trace.no-1 {
    stroke: var(--ink);
    stroke-width: 1.3;
}
.trace.later {
    stroke: var(--slate);
    stroke-dasharray: 5 3;
}
@media (max-width: 1000px) {
    .grid {
        grid-template-columns: 1fr;
    }
}
</style>
