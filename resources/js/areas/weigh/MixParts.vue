<script setup lang="ts">
import TypedField from '../../parts/TypedField.vue';
import { number, show } from '../../parts/units';
import { KINDS, type MixDraft } from './useMix';

/** The parts of a mix: one more, one less, and what that is of the whole. */
const props = defineProps<{ mix: MixDraft }>();
const { draft, shares, step, drop, nudge } = props.mix;
</script>

<template>
    <ul class="parts" aria-label="Parts">
        <li v-for="(c, i) in draft.components" :key="i">
            <input v-model="c.swatch" type="color" :aria-label="`Swatch ${i + 1}`" />
            <input v-model="c.name" class="name" :aria-label="`Name ${i + 1}`" maxlength="60" />
            <span class="many">
                <button type="button" :aria-label="`One less of ${c.name}`" @click="nudge(i, -1)">−</button>
                <TypedField
                    v-model="c.parts"
                    bare
                    class="short"
                    dimension="number"
                    :label="`Parts ${i + 1}`"
                    :min="0.000001"
                />
                <button type="button" :aria-label="`One more of ${c.name}`" @click="nudge(i, 1)">+</button>
            </span>
            <span class="n mono">{{ number(shares[i]?.percent ?? 0, 1) }} %</span>
            <span class="n mono quiet">{{
                shares[i]?.rounded_g === null ? '' : show(shares[i]?.rounded_g, 'mass', step < 1 ? 1 : 0)
            }}</span>
            <select v-model="c.kind" :aria-label="`Is ${i + 1}`">
                <option v-for="k in KINDS" :key="k">{{ k }}</option>
            </select>
            <button type="button" class="plain" :aria-label="`Take out ${i + 1}`" @click="drop(i)">×</button>
        </li>
    </ul>
</template>

<style scoped>
.parts {
    list-style: none;
    padding: 0;
    margin: 0;
    display: grid;
    gap: 6px;
}
li {
    display: grid;
    grid-template-columns: 52px minmax(120px, 1.6fr) auto 78px 90px minmax(110px, 1fr) 44px;
    gap: 8px;
    align-items: center;
}
.parts :deep(input:not([type='color'])),
.parts select {
    width: 100%;
    min-height: var(--touch);
    border: 1px solid var(--line);
    border-radius: 4px;
    background: var(--paper);
    color: var(--ink);
    font: inherit;
    padding: 0 8px;
}
input[type='color'] {
    width: 52px;
    height: var(--touch);
    border: 1px solid var(--line);
    border-radius: 4px;
    background: var(--paper);
}
.many {
    display: flex;
}
.many button {
    width: var(--touch);
    height: var(--touch);
    border: 1px solid var(--line);
    border-radius: 4px;
    background: var(--still);
    color: inherit;
    font: 700 1.3rem var(--font);
    cursor: pointer;
}
.short {
    width: 70px;
}
.short :deep(input) {
    text-align: center;
}
.n {
    text-align: right;
    white-space: nowrap;
}
@media (max-width: 760px) {
    li {
        grid-template-columns: 52px 1fr auto;
        border-bottom: 1px solid var(--line);
        padding-bottom: 6px;
    }
    .n {
        text-align: left;
    }
}
</style>
