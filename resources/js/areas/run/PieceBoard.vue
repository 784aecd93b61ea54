<script setup lang="ts">
import { computed } from 'vue';
import type { Piece, Procedure, Run } from '../../api/types';
import { clockText } from '../../parts/units';
import { nextTaken, type Focus } from './focus';

/** The pieces of a run: those under way, each on its own clock, how many are good, and the next. */
const props = defineProps<{
    run: Run;
    procedure: Procedure;
    focus: Focus;
    now: number;
    wanted: number;
    mayClose: boolean;
}>();
const emit = defineEmits<{ pick: [focus: Focus]; close: [] }>();
const name = computed(() => props.procedure.piece?.title ?? 'piece');
const open = computed(() => props.run.pieces.filter((p) => p.outcome === 'open'));
/** By their verdicts, those that still wait here included. */
const verdicts = computed(() => {
    const judging = props.procedure.entries.filter((e) => e.effect === 'dispose').map((e) => e.id);
    return props.run.entries.filter((e) => judging.includes(e.entry)).map((e) => String(e.values.verdict));
});
const good = computed(() => verdicts.value.filter((v) => v === 'good').length);
const dropped = computed(() => props.run.pieces.filter((p) => p.outcome === 'dropped').length);
const bad = computed(() => verdicts.value.length - good.value + dropped.value);
const next = computed(() => props.run.pieces.length + 1);
const lack = computed(() => nextTaken(props.run));
const titleOf = (piece: Piece) => props.procedure.steps.find((s) => s.id === piece.step)?.title ?? '';
const leftOf = (piece: Piece) => {
    const step = props.procedure.steps.find((s) => s.id === piece.step);
    const timer = piece.timers.find((t) => t.id === step?.timer && t.answered_at === null);
    return timer ? timer.ends_at - props.now : null;
};
</script>

<template>
    <p class="count">
        <strong class="mono">{{ good }}</strong> good<template v-if="wanted > 0"> of {{ wanted }}</template
        ><template v-if="bad > 0">, {{ bad }} not</template>
    </p>
    <ul>
        <li v-for="p in open" :key="p.piece">
            <button
                type="button"
                :class="{ on: !focus.next && focus.piece === p.piece }"
                :aria-pressed="!focus.next && focus.piece === p.piece"
                @click="emit('pick', { piece: p.piece, next: false })"
            >
                <strong>{{ name }} {{ p.piece }}</strong>
                <span>{{ titleOf(p) }}</span>
                <span v-if="leftOf(p) !== null" :class="['mono', { over: leftOf(p)! < 0 }]">{{
                    clockText(leftOf(p)!)
                }}</span>
            </button>
        </li>
        <li v-if="lack === null">
            <button
                type="button"
                :class="{ on: focus.next }"
                :aria-pressed="focus.next"
                @click="emit('pick', { piece: next, next: true })"
            >
                <strong>Next: {{ name }} {{ next }}</strong>
            </button>
        </li>
    </ul>
    <button v-if="mayClose" type="button" class="close" @click="emit('close')">
        No more {{ name }}s: shut down
    </button>
</template>

<style scoped>
.count {
    margin: 2px 0 6px;
}
.count .mono {
    font-size: 1.5rem;
}
ul {
    list-style: none;
    margin: 0;
    padding: 0;
    display: grid;
    gap: 6px;
}
button {
    width: 100%;
    min-height: var(--touch);
    text-align: left;
    display: grid;
    gap: 2px;
    padding: 6px 10px;
    border: 1px solid var(--line);
    border-radius: 4px;
    background: var(--paper);
    color: var(--ink);
    font: inherit;
    cursor: pointer;
}
button strong {
    text-transform: capitalize;
}
button.on {
    border-color: var(--ink);
    box-shadow: inset 4px 0 0 var(--ember-strong);
}
.over {
    color: var(--alarm);
    font-weight: 700;
}
.close {
    margin-top: 10px;
    font-weight: 650;
}
</style>
