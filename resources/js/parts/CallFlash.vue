<script setup lang="ts">
/** The whole screen, seen from across a loud shop. */
defineProps<{ on: boolean }>();
</script>

<template>
    <Teleport to="body"><div v-if="on" class="flash" aria-hidden="true" /></Teleport>
</template>

<style scoped>
/* Once a second: slower than what may harm who is sensitive to it. */
.flash {
    position: fixed;
    inset: 0;
    z-index: 3000;
    pointer-events: none;
    border: 16px solid #6c1055;
    background: rgb(108 16 85 / 28%);
    animation: flash 1s steps(2, jump-none) infinite;
}
@keyframes flash {
    50% {
        opacity: 0;
    }
}
@media (prefers-reduced-motion: reduce) {
    /* It stays, so it may cover nothing that is read. */
    .flash {
        border-width: 6px;
        background: none;
        animation: none;
    }
}
</style>
