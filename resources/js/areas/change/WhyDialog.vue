<script setup lang="ts">
import { computed, ref, watch } from 'vue';

/** Why something is left out, or all of it given up: kept with the name of who says it. */
const props = defineProps<{ asking: string | null; busy: boolean }>();
const emit = defineEmits<{ close: []; why: [reason: string] }>();
const reason = ref('');
watch(
    () => props.asking,
    () => (reason.value = ''),
);
const all = computed(() => props.asking === 'all');
</script>

<template>
    <v-dialog :model-value="asking !== null" max-width="520" @update:model-value="emit('close')">
        <v-card class="pa-5">
            <h2>{{ all ? 'Give the change up' : 'Leave it out' }}</h2>
            <p class="my-2">
                {{
                    all
                        ? 'What is hot stays hot. What the machine holds stays known as it was last said.'
                        : 'A heat or a purging is left out by a lead only, and a purging between two that must not meet by nobody.'
                }}
            </p>
            <v-textarea v-model="reason" label="Why (kept)" rows="3" autofocus />
            <div class="acts">
                <v-btn variant="outlined" @click="emit('close')">Cancel</v-btn
                ><v-btn
                    :color="all ? 'error' : 'primary'"
                    :disabled="busy || reason.trim() === ''"
                    @click="emit('why', reason.trim())"
                    >{{ all ? 'Give it up' : 'Leave it out' }}</v-btn
                >
            </div>
        </v-card>
    </v-dialog>
</template>

<style scoped>
.acts {
    display: flex;
    gap: 10px;
    justify-content: flex-end;
}
</style>
