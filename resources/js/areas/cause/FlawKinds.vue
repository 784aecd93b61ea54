<script setup lang="ts">
import type { FlawMap } from '../../api/types';

/** Kinds of flaws that are marked, with how many; one is looked at. */
const chosen = defineModel<string | null>({ required: true });
defineProps<{ kinds: FlawMap['kinds']; first?: string | null }>();
</script>

<template>
    <div class="kinds">
        <v-btn
            v-for="k in kinds"
            :key="k.id"
            :variant="k.id === (chosen ?? first) ? 'flat' : 'outlined'"
            :color="k.id === (chosen ?? first) ? 'secondary' : undefined"
            :aria-pressed="k.id === (chosen ?? first)"
            @click="chosen = k.id"
            >{{ k.name }} <span class="num ml-2">{{ k.marks }}</span></v-btn
        >
    </div>
</template>

<style scoped>
.kinds {
    display: flex;
    flex-wrap: wrap;
    gap: 8px;
    margin: 8px 0;
}
</style>
