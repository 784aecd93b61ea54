<script setup lang="ts">
import type { FlawMap } from '../../api/types';

/** Kinds of flaws that are marked, with how many; one is looked at. */
const chosen = defineModel<string | null>({ required: true });
defineProps<{ kinds: FlawMap['kinds']; first?: string | null }>();
</script>

<template>
    <div class="kinds">
        <button
            v-for="k in kinds"
            :key="k.id"
            type="button"
            :aria-pressed="k.id === (chosen ?? first)"
            @click="chosen = k.id"
        >
            {{ k.name }} <span class="num">{{ k.marks }}</span>
        </button>
    </div>
</template>

<style scoped>
.kinds {
    display: flex;
    flex-wrap: wrap;
    gap: 8px;
    margin: 8px 0;
}
button {
    min-height: var(--touch);
    padding: 0 14px;
    border: 1.5px solid var(--ink);
    border-radius: 4px;
    background: var(--paper);
    color: var(--ink);
    font: inherit;
    font-weight: 650;
    cursor: pointer;
}
button[aria-pressed='true'] {
    background: var(--ink);
    color: var(--paper);
}
</style>
