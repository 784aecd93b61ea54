<script setup lang="ts">
/** Blanks laid out on the sheet that they are cut from. */
defineProps<{
    blanks: { x_mm: number; y_mm: number; length_mm: number; width_mm: number; turned: boolean }[];
    length: number;
    width: number;
}>();
</script>

<template>
    <svg
        :viewBox="`-4 -4 ${length + 8} ${width + 8}`"
        role="img"
        :aria-label="`${blanks.length} blanks laid out on the sheet`"
    >
        <rect :width="length" :height="width" class="stock" />
        <rect
            v-for="(b, i) in blanks"
            :key="i"
            :x="b.x_mm"
            :y="b.y_mm"
            :width="b.length_mm"
            :height="b.width_mm"
            :class="['blank', { turned: b.turned }]"
        />
    </svg>
</template>

<style scoped>
.stock {
    fill: var(--still);
    stroke: var(--ink);
    stroke-width: 3;
}
.blank {
    fill: var(--ember-soft);
    stroke: var(--ember);
    stroke-width: 3;
}
.blank.turned {
    fill: var(--slate-soft);
    stroke: var(--slate);
}
</style>
