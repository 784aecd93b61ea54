<script setup lang="ts">
import { computed, ref } from 'vue';
import type { Case, RankedCause } from '../../api/types';

/** The causes as bars, likeliest first, each with what speaks for and against it. */
const SHOWN = 4;
const props = defineProps<{ about: Case }>();
const all = ref(false);
const causes = computed(() => props.about.ranking.causes.slice(0, all.value ? undefined : SHOWN));
const open = ref<string | null>(null);
const share = (c: RankedCause) => `${Math.round(100 * c.probability)}%`;
const counts = (c: RankedCause) => props.about.shop.find((s) => s.cause === c.name);
</script>

<template>
    <section class="card" aria-labelledby="causes">
        <h2 id="causes">What is behind it</h2>
        <ol class="unmarked">
            <li v-for="c in causes" :key="c.id">
                <button
                    type="button"
                    :aria-expanded="open === c.id"
                    @click="open = open === c.id ? null : c.id"
                >
                    <span class="bar" :style="{ width: share(c) }" aria-hidden="true" />
                    <strong>{{ c.name }}</strong><span class="mono">{{
                        share(c).replace('%', '\u00A0%')
                    }}</span>
                </button>
                <p class="quiet evidence">
                    <span v-for="e in c.for" :key="`f${e.of}`" class="for">+ {{ e.says }}</span
                    ><span v-for="e in c.against" :key="`a${e.of}`" class="against">− {{ e.says }}</span
                    ><span v-if="counts(c)" class="for"
                        >here {{ counts(c)!.confirmed }} times it was, {{ counts(c)!.failed }} times not</span
                    >
                </p>
                <p v-if="open === c.id">{{ c.why }}</p>
            </li>
        </ol>
        <button v-if="about.ranking.causes.length > SHOWN" type="button" class="plain" @click="all = !all">
            {{ all ? 'Fewer' : `${about.ranking.causes.length - SHOWN} less likely` }}
        </button>
    </section>
</template>

<style scoped>
li {
    padding: 4px 0 8px;
}
button[aria-expanded] {
    position: relative;
    display: flex;
    justify-content: space-between;
    gap: 12px;
    align-items: center;
    width: 100%;
    min-height: var(--touch);
    padding: 6px 12px;
    background: var(--still);
    border: 0;
    color: inherit;
    font: inherit;
    text-align: left;
    cursor: pointer;
    overflow: hidden;
}
.bar {
    position: absolute;
    inset: 0 auto 0 0;
    background: var(--ember-soft);
}
button strong,
button .mono {
    position: relative;
}
.evidence {
    display: flex;
    flex-wrap: wrap;
    gap: 2px 14px;
    font-size: 0.92rem;
    padding: 2px 12px 0;
}
.for {
    color: var(--ink);
}
</style>
