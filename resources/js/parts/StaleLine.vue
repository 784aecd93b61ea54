<script setup lang="ts">
import { computed } from 'vue';
import { floor } from '../api/floor';
import { queue } from '../api/queue';
import { useNow } from './clock';
import { unlessPressed } from './pressed';
import { minutesText, timeOfDay } from './units';

/** While the server is away: from when it is what stands on this screen. */
const now = useNow();
const ago = computed(() => {
    const minutes = Math.floor((now.value - (floor.now?.server_time ?? now.value)) / 60);
    return minutes < 1 ? 'just now' : minutes < 60 ? `${minutes} min ago` : `${minutesText(minutes)} ago`;
});
const away = unlessPressed(() => !queue.online);
</script>

<template>
    <p v-if="away && floor.now" class="stale no-print" role="status">
        The server does not answer: what stands here is as it was at {{ timeOfDay(floor.now.server_time) }},
        {{ ago }}. What you log is kept.
    </p>
</template>

<style scoped>
.stale {
    padding: 8px 22px;
    background: var(--alarm-soft);
    font-weight: 600;
}
</style>
