<script setup lang="ts">
import type { Charge } from '../../api/types';
import { number } from '../../parts/units';

/** The parts of a charge, and which of them is at the scale. */
defineProps<{ charge: Charge; digits: number; g: (grams: number | null | undefined) => string }>();
const at = defineModel<number>({ required: true });
</script>

<template>
    <ol class="steps card" aria-label="What goes in">
        <li v-for="(c, i) in charge.components" :key="c.name">
            <button
                type="button"
                :class="{ on: i === at }"
                :aria-current="i === at ? 'step' : undefined"
                @click="at = i"
            >
                <i class="swatch" :style="{ background: c.swatch }" /><span
                    ><strong>{{ c.name }}</strong
                    ><br /><span class="num"
                        >{{ number(c.weighed_g, digits) }} of {{ g(c.target_g) }}</span
                    ></span
                ><span :class="['tag', c.state === 'good' ? 'good' : c.state === 'over' ? 'bad' : '']">{{
                    c.state === 'over' ? '▲ over' : c.state
                }}</span>
            </button>
        </li>
    </ol>
</template>

<style scoped>
.steps {
    list-style: none;
    margin: 0;
    padding: 6px;
}
.steps button {
    width: 100%;
    display: grid;
    grid-template-columns: auto 1fr auto;
    gap: 8px;
    align-items: center;
    text-align: left;
    background: none;
    border: 0;
    border-left: 4px solid transparent;
    color: inherit;
    font: inherit;
    padding: 10px 8px;
    min-height: 60px;
    cursor: pointer;
}
.steps .on {
    border-color: var(--ember);
    background: var(--still);
}
</style>
