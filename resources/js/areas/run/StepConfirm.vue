<script setup lang="ts">
import { useRunScreen } from './screen';

/** What is looked at before it goes on, each by one touch. */
const { step, confirmed, log } = useRunScreen();
</script>

<template>
    <div v-if="step?.confirm" class="confirm">
        <button
            v-for="c in step.confirm"
            :key="c.id"
            type="button"
            :class="{ on: confirmed(c.id) }"
            :aria-pressed="confirmed(c.id)"
            @click="confirmed(c.id) || log('confirmed', { step: step?.id, item: c.id })"
        >
            <span class="box" aria-hidden="true">{{ confirmed(c.id) ? '✓' : '' }}</span>{{ c.text }}
        </button>
    </div>
</template>

<style scoped>
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
</style>
