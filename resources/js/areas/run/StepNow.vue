<script setup lang="ts">
import { computed } from 'vue';
import { runPictureOf } from '../../processes/panels';
import InspectionResult from '../check/InspectionResult.vue';
import ThicknessEntry from '../check/ThicknessEntry.vue';
import { title } from '../reckon/schema';
import CaptureCard from './CaptureCard.vue';
import ChargePicks from './ChargePicks.vue';
import HeardList from './HeardList.vue';
import InsideCard from './InsideCard.vue';
import RackCard from './RackCard.vue';
import { clockText } from '../../parts/units';
import { useRunScreen } from './screen';
import StepClock from './StepClock.vue';
import StepConfirm from './StepConfirm.vue';
import StepShows from './StepShows.vue';
import TrackLine from './TrackLine.vue';
import { valueWords } from './words';

/** The step that this screen is at: what to do and why, its clock, what goes on inside, what is asked for and what was said. */
const screen = useRunScreen();
const { id, run, procedure, now, focus, settling, step, thread, timer, waiting, model, tracked } = screen;
const { entries, reminder, pump, due, logged, grid, chargeEntry, looks, place, ask, log } = screen;
/** what goes on inside; each draws itself only while there is something of it to see */
const picture = computed(() =>
    thread.value?.step && !looks.value ? runPictureOf(run.value?.summary.process ?? '') : null,
);
</script>

<template>
    <section
        v-if="step && run && procedure"
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

        <p v-if="step.clock && thread?.step" class="counts mono" role="timer" aria-label="Time in this step">
            {{ clockText(now - thread.since) }}
        </p>
        <StepClock
            v-if="timer"
            :timer="timer"
            :now="now"
            :ready-at="
                model.planned.value.cool_min ? timer.started_at + 60 * model.planned.value.cool_min : null
            "
            :demould-c="Number(run.plan.demould_c)"
            :due="due"
            :reminder="reminder?.what ?? ''"
            :logged="logged(pump?.id ?? '').length"
            @more="ask('more')"
        />
        <TrackLine
            v-if="tracked && timer && timer.answered_at === null"
            :tracked="tracked"
            @more="(minutes, text) => log('extended', { timer: timer!.id, minutes, reason: text })"
        />
        <StepShows
            v-if="step.shows?.length"
            :names="step.shows"
            :run="run"
            :procedure="procedure"
            :small="Boolean(grid || timer)"
        />

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
        <RackCard />
        <CaptureCard v-if="run.summary.good > 0" :run="id" />
        <HeardList
            v-if="run.heard > 0"
            class="mt-4"
            :run="id"
            :piece="procedure.piece?.title"
            :pieces="run.heard"
            :live="run.summary.status === 'running'"
        />

        <StepConfirm />
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
</template>

<style scoped>
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
.counts {
    font-size: 3.2rem;
    line-height: 1.1;
}
.caution {
    color: var(--alarm);
    font-weight: 700;
    margin-top: 4px;
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
</style>
