<script setup lang="ts">
import PumpTap from './PumpTap.vue';
import { useRunScreen } from './screen';

/** The main buttons of a step, always in view: what it asks for, a verdict, or on to the next. */
const screen = useRunScreen();
const { now, settling, step, entries, grid, pump, due, logged, asked, judged, missingNow, shortly } = screen;
const { log, start, ask, judgeGood, advance } = screen;
</script>

<template>
    <div v-if="step" class="acts main-acts" :inert="settling">
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
            ><v-btn class="advance" color="primary" size="x-large" @click="judgeGood()">Good</v-btn>
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
</template>

<style scoped>
.acts {
    display: flex;
    gap: 10px;
    flex-wrap: wrap;
    align-items: stretch;
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
</style>
