<script setup lang="ts">
import { nextTick, onScopeDispose, watch } from 'vue';
import { useRoute } from 'vue-router';
import { forget } from '../../api/queue';
import { session } from '../../api/session';
import NumberPad from '../../parts/NumberPad.vue';
import AskDialog from './AskDialog.vue';
import RunHead from './RunHead.vue';
import RunLog from './RunLog.vue';
import RunOver from './RunOver.vue';
import RunSteps from './RunSteps.vue';
import RunStrip from './RunStrip.vue';
import { makeRunScreen } from './screen';
import StepActs from './StepActs.vue';
import StepMore from './StepMore.vue';
import StepNow from './StepNow.vue';
import { useRunKeys } from './useRunKeys';

const screen = makeRunScreen(String(useRoute().params.id));
const { run, over, procedure, now, focus, pick, step, waiting, refused, missing, logRun, stop, model } =
    screen;
const { wanted, mayClose, missingNow, open, correcting, before, correct, entered, shut } = screen;
const { asking, reason, minutes, answer } = screen;
const { cooling, point } = model;
onScopeDispose(stop);
useRunKeys(screen);
watch(
    () => run.value?.summary.step,
    async () => {
        await nextTick();
        document.querySelector('.steps .current')?.scrollIntoView({ block: 'nearest' });
    },
    { immediate: true },
);
</script>

<template>
    <div v-if="!run || !procedure" class="page">
        <p class="card">{{ missing || 'Opening the run …' }}</p>
    </div>
    <div v-else class="run">
        <RunHead />
        <RunSteps
            class="steps"
            :run="run"
            :procedure="procedure"
            :focus="focus"
            :now="now"
            :wanted="wanted"
            :may-close="mayClose"
            @pick="pick"
            @close="logRun('closing', {})"
        />

        <StepNow v-if="step && run.summary.status === 'running'" class="now" />
        <RunOver v-else class="now over-now" :run="run" :known="over" />

        <aside class="strip" tabindex="0" aria-label="Temperatures">
            <RunStrip :run="run" :procedure="procedure" :core-c="cooling && point ? point.core_c : null" />
            <StepMore v-if="step && run.summary.status === 'running'" />
        </aside>

        <StepActs v-if="step && run.summary.status === 'running'" class="main-acts" />

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
            :plausible="run.plausible"
            @done="entered"
            @close="shut"
        />
        <AskDialog
            v-model:reason="reason"
            v-model:minutes="minutes"
            :asking="asking"
            :missing="missingNow"
            :lead-only="step?.pass_anyway === 'lead' && session.person?.role !== 'lead'"
            :piece="`${procedure.piece?.title ?? 'piece'} ${focus.piece}`"
            @answer="answer"
            @close="shut"
        />
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
.now {
    background: var(--paper);
    padding: 12px 22px 8px;
    border-left: 1px solid var(--line);
    border-right: 1px solid var(--line);
    min-width: 0;
    overflow-y: auto;
}
.main-acts {
    grid-column: 2;
}
.strip {
    padding: 10px 0;
    grid-row: 2 / 4;
    grid-column: 3;
    overflow-y: auto;
}
/* At the window's edge: a ring around it would be cut off. */
.strip:focus-visible {
    outline-offset: -3px;
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
}
</style>
