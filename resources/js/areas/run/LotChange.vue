<script setup lang="ts">
import { computed, ref } from 'vue';
import { api } from '../../api/client';
import { newKey } from '../../api/queue';
import type { OtherLot, Run } from '../../api/types';
import { capital } from '../../parts/text';
import { show } from '../../parts/units';
import { sentence, useSend } from '../../parts/useSend';
import { useRunScreen } from './screen';
import { lotOf } from './words';

/**
 * The tub is empty and the next one is of another lot: what is loaded from now on comes off that one. The server asks the
 * safety rules of it as it asked of the first.
 */
const { id, run, procedure, load } = useRunScreen();
const open = ref(false);
const lots = ref<OtherLot[] | null>(null);
const { busy, fault, send } = useSend();
/** where something is loaded at all */
const feeds = computed(() => procedure.value?.entries.some((e) => e.effect === 'draw_lot'));
const now = computed(() => (run.value ? lotOf(run.value) : ''));
/** of a touch that was not answered: sent again it is the same touch */
const keys: Record<number, string> = {};

async function look() {
    open.value = true;
    lots.value = null;
    lots.value = (await send(() => api.list<OtherLot>(`runs/${id}/lots`))) ?? null;
}
async function take(lot: OtherLot) {
    keys[lot.id] ??= newKey();
    const taken = await send(() => api.post<Run>(`runs/${id}/lots`, { id: keys[lot.id], lot_id: lot.id }));
    if (!taken) return;
    delete keys[lot.id];
    open.value = false;
    await load();
}
</script>

<template>
    <v-btn v-if="feeds" variant="outlined" block @click="look">Another lot</v-btn>
    <v-dialog v-model="open" max-width="620">
        <v-card class="pa-5">
            <h2>From which lot now?</h2>
            <p class="my-2">
                {{ now }} goes in until now. Where a barrel still holds of it, the record says which piece has
                how much of which.
            </p>
            <p v-if="fault" role="alert" class="fault">{{ sentence(fault) }}</p>
            <p v-if="lots === null && !fault" class="quiet">Asking what stands there …</p>
            <p v-else-if="lots?.length === 0">No other lot of {{ run?.summary.polymer }} holds anything.</p>
            <ul v-else class="lots">
                <li v-for="l in lots" :key="l.id">
                    <span class="swatch" :style="{ background: l.swatch }" aria-hidden="true" />
                    <span class="said">
                        <strong>{{ l.code }}</strong> {{ l.colour }} {{ l.form }},
                        {{ show(l.held_g, 'mass', 0) }}
                        <span class="quiet">{{ [l.source, l.location].filter(Boolean).join(' · ') }}</span>
                        <span v-for="s in l.stops" :key="s" class="stop"
                            ><span aria-hidden="true">▲</span> {{ capital(s) }}</span
                        >
                    </span>
                    <v-btn v-if="l.stops.length === 0" color="primary" :disabled="busy" @click="take(l)"
                        >From this one</v-btn
                    >
                </li>
            </ul>
            <div class="acts">
                <v-btn variant="outlined" @click="open = false">Stay with {{ now }}</v-btn>
            </div>
        </v-card>
    </v-dialog>
</template>

<style scoped>
.lots {
    list-style: none;
    margin: 8px 0 0;
    padding: 0;
}
li {
    display: flex;
    align-items: center;
    gap: 12px;
    padding: 8px 0;
    border-top: 1px solid var(--line);
}
.swatch {
    flex: none;
    width: 22px;
    height: 22px;
    border: 1px solid var(--line);
    border-radius: 50%;
}
.said {
    flex: 1;
    min-width: 0;
}
.said > .quiet,
.stop {
    display: block;
}
.stop {
    color: var(--alarm);
}
.acts {
    display: flex;
    justify-content: flex-end;
    margin-top: 14px;
}
</style>
