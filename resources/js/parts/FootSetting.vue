<script setup lang="ts">
import { useEventListener } from '@vueuse/core';
import { pedal } from './foot';

/** Which key the foot switch at this screen sends: pressed once, it is known. */
const open = defineModel<boolean>({ required: true });
const NEVER = ['Tab', 'Escape', 'Enter', 'Space', 'ShiftLeft', 'ControlLeft', 'AltLeft', 'MetaLeft'];
useEventListener(
    window,
    'keydown',
    (event) => {
        if (!open.value || NEVER.includes(event.code) || event.code === '') return;
        event.preventDefault();
        event.stopPropagation();
        pedal.value = event.code;
    },
    { capture: true },
);
</script>

<template>
    <v-dialog v-model="open" max-width="420">
        <v-card class="pa-6">
            <h2>Foot switch</h2>
            <p>
                A switch that sends a key of a keyboard. Press it now: in a run it then says what the main
                button says; held for a moment, that the piece is not good.
            </p>
            <p class="mono now" role="status">{{ pedal === '' ? 'none yet' : pedal }}</p>
            <div class="acts">
                <v-btn variant="outlined" :disabled="pedal === ''" @click="pedal = ''">No switch here</v-btn>
                <v-btn color="primary" @click="open = false">Done</v-btn>
            </div>
        </v-card>
    </v-dialog>
</template>

<style scoped>
.now {
    font-size: 1.4rem;
    margin: 12px 0;
}
.acts {
    display: flex;
    gap: 10px;
    justify-content: flex-end;
}
</style>
