<script setup lang="ts">
/** The colours of a mix by share, and what they look like together. */
defineProps<{ parts: { name: string; swatch: string; percent: number }[]; preview?: string }>();
</script>

<template>
    <div
        class="strip"
        role="img"
        :aria-label="parts.map((p) => `${p.name} ${Math.round(p.percent)} %`).join(', ')"
    >
        <span
            v-for="p in parts"
            :key="p.name"
            :style="{ flexGrow: p.percent, background: p.swatch }"
            :title="`${p.name}, ${p.percent.toFixed(1)} %`"
        /><i v-if="preview" :style="{ background: preview }" title="together, from some way off" />
    </div>
</template>

<style scoped>
.strip {
    display: flex;
    height: 34px;
    border: 1px solid var(--ink);
    border-radius: 3px;
    overflow: hidden;
    min-width: 120px;
}
span {
    flex-basis: 0;
}
i {
    flex: 0 0 52px;
    border-left: 2px solid var(--ink);
}
</style>
