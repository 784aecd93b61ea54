<script setup lang="ts">
import { computed } from 'vue';

/** How far a source is trusted, as rungs; what has no word beside it is read out. */
const props = defineProps<{ state: string }>();
const RUNGS = ['on_trial', 'small_trial_passed', 'full_trial_passed', 'accepted'];
const rung = computed(() => RUNGS.indexOf(props.state));
</script>

<template>
    <span class="trust"
        ><span class="rungs" aria-hidden="true"
            ><i v-for="(r, i) in RUNGS" :key="r" :class="{ on: i <= rung }"
        /></span>
        {{ state.replaceAll('_', ' ') }}</span
    >
</template>

<style scoped>
.trust {
    white-space: nowrap;
}
.rungs {
    display: inline-flex;
    gap: 3px;
    margin-right: 6px;
    vertical-align: -1px;
}
.rungs i {
    width: 12px;
    height: 12px;
    border: 1.5px solid currentColor;
    border-radius: 2px;
}
.rungs .on {
    background: var(--good);
    border-color: var(--good);
}
</style>
