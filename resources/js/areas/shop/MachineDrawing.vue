<script setup lang="ts">
import { computed } from 'vue';
import { machineDrawn } from '../../processes/machines';
import { title } from '../reckon/schema';

/** Where on a machine what is asked of it is measured, and how. */
const props = defineProps<{ kind: string; asked: string[] }>();
const drawn = computed(() => machineDrawn(props.kind));
const measures = computed(() =>
    (drawn.value?.measures ?? [])
        .filter((m) => props.asked.includes(m.fact))
        .map((m, i) => ({
            ...m,
            letter: 'ABCDEFGH'[i] ?? '',
            x: (m.line[0] + m.line[2]) / 2,
            y: (m.line[1] + m.line[3]) / 2,
        })),
);
</script>

<template>
    <details v-if="drawn && measures.length" class="drawing">
        <summary>How to measure it</summary>
        <div class="pair">
            <svg
                :viewBox="`0 0 ${drawn.size[0]} ${drawn.size[1]}`"
                role="img"
                :aria-label="`Where ${kind.replaceAll('_', ' ')} is measured; said beside it`"
            >
                <path v-for="d in drawn.cold" :key="d" :d="d" class="cold" />
                <path v-for="d in drawn.hot" :key="d" :d="d" class="hot" />
                <g v-for="m in measures" :key="m.fact">
                    <line :x1="m.line[0]" :y1="m.line[1]" :x2="m.line[2]" :y2="m.line[3]" />
                    <circle :cx="m.x" :cy="m.y" r="9" />
                    <text :x="m.x" :y="m.y + 4.5">{{ m.letter }}</text>
                </g>
            </svg>
            <dl>
                <template v-for="m in measures" :key="m.fact">
                    <dt>{{ m.letter }}</dt>
                    <dd>
                        <strong>{{ title(m.fact) }}</strong>: {{ m.how }}.
                    </dd>
                </template>
            </dl>
        </div>
    </details>
</template>

<style scoped>
.drawing {
    margin: 4px 0 14px;
}
summary {
    min-height: var(--touch);
    align-content: center;
    font-weight: 650;
    cursor: pointer;
}
.pair {
    display: grid;
    grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
    gap: var(--gap);
    align-items: center;
}
svg {
    width: 100%;
    max-height: 300px;
}
.cold {
    fill: var(--still);
    stroke: var(--ink);
    stroke-width: 1.2;
}
.hot {
    fill: var(--ember-soft);
    stroke: var(--ink);
    stroke-width: 1.2;
}
line {
    stroke: var(--ink);
    stroke-width: 2;
}
circle {
    fill: var(--ink);
}
text {
    fill: var(--paper);
    font-size: 12px;
    font-weight: 700;
    text-anchor: middle;
}
dl {
    display: grid;
    grid-template-columns: auto 1fr;
    gap: 6px 10px;
    margin: 0;
}
dt {
    font-weight: 700;
}
dd {
    margin: 0;
}
@media (max-width: 800px) {
    .pair {
        grid-template-columns: minmax(0, 1fr);
    }
}
</style>
