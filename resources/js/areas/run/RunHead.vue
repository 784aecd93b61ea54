<script setup lang="ts">
import { computed } from 'vue';
import type { Procedure } from '../../api/types';
import { timeOfDay } from '../../parts/units';
import RunBreak from './RunBreak.vue';
import { useRunScreen } from './screen';
import { lotOf } from './words';

/** Which run this is, and the way out of it. */
const { run, ask } = useRunScreen();
const piece = computed(() => (run.value?.procedure as Procedure | undefined)?.piece?.title ?? 'piece');
</script>

<template>
    <header v-if="run" class="top">
        <h1>{{ run.summary.product }}</h1>
        <p class="quiet">
            Run {{ run.summary.number }} · {{ run.summary.stations.map((x) => x.machine).join(' then ') }} ·
            {{ run.summary.polymer }} from {{ lotOf(run) }} · started
            {{ timeOfDay(run.summary.started_at) }} by {{ run.summary.started_by }}
        </p>
        <RunBreak />
        <v-btn
            v-if="run.summary.status === 'running'"
            size="small"
            variant="outlined"
            class="stop"
            @click="ask('stop')"
            >Stop the run</v-btn
        >
        <p v-for="t in run.troubles" :key="t" role="alert" class="caution">
            <span aria-hidden="true">▲</span> {{ t }}: every {{ piece }} made so is marked, until it is
            mended.
        </p>
        <p v-for="c in run.contested" :key="c" role="alert" class="caution">
            <span aria-hidden="true">▲</span> {{ c }}: see which of them is in it.
        </p>
    </header>
</template>

<style scoped>
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
.top .quiet {
    flex: 1 1 220px;
    min-width: 0;
}
.stop {
    align-self: center;
}
.caution {
    color: var(--alarm);
    font-weight: 700;
    margin-top: 4px;
}
</style>
