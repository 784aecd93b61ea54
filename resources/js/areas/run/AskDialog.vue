<script setup lang="ts">
import TypedField from '../../parts/TypedField.vue';
import type { Asked } from './asked';

/** What is asked before something that is not just the next step: why, and how much more time. */
defineProps<{
    asking: Asked | null;
    /** what the step still lacks */
    missing: string[];
    leadOnly: boolean;
    /** the piece that it is about, by its name and number */
    piece: string;
}>();
const reason = defineModel<string>('reason', { required: true });
const minutes = defineModel<number | null>('minutes', { required: true });
const emit = defineEmits<{ answer: []; close: [] }>();
</script>

<template>
    <v-dialog :model-value="asking !== null" max-width="520" @update:model-value="emit('close')">
        <v-card class="pa-5">
            <h2>
                {{
                    asking === 'anyway'
                        ? 'Go on anyway?'
                        : asking === 'stop'
                          ? 'Stop this run'
                          : asking === 'more'
                            ? 'Change the time'
                            : asking === 'scrap'
                              ? 'Not good'
                              : asking === 'drop'
                                ? `Take ${piece} out`
                                : 'Note'
                }}
            </h2>
            <p v-if="asking === 'anyway'" class="my-2">
                Still open: {{ missing.join('; ') }}.{{ leadOnly ? ' Only a lead may pass this.' : '' }}
            </p>
            <p v-if="asking === 'stop'" class="my-2">
                <span aria-hidden="true">▲</span> What is hot stays hot, and there may be melt in it: switch
                off, and cool it as the machine's manual says. What was logged stays; the run ends here.
            </p>
            <div v-if="asking === 'more'" class="fields my-3">
                <TypedField
                    v-model="minutes"
                    dimension="time"
                    signed
                    first
                    label="More time, or less with a minus"
                />
            </div>
            <v-textarea
                v-model="reason"
                :label="asking === 'note' ? 'What you saw' : 'Why'"
                rows="3"
                :autofocus="asking !== 'more'"
                class="my-3"
            />
            <div class="acts end">
                <v-btn variant="outlined" @click="emit('close')">Cancel</v-btn
                ><v-btn
                    :color="asking === 'stop' ? 'error' : 'primary'"
                    :disabled="reason.trim() === ''"
                    @click="emit('answer')"
                    >{{
                        asking === 'anyway'
                            ? 'Go on, with the reason'
                            : asking === 'stop'
                              ? 'Stop: what is hot stays hot'
                              : 'Log it'
                    }}</v-btn
                >
            </div>
        </v-card>
    </v-dialog>
</template>

<style scoped>
.acts {
    display: flex;
    gap: 10px;
    flex-wrap: wrap;
    align-items: stretch;
}
.end {
    justify-content: flex-end;
}
</style>
