<script setup lang="ts">
import { useQueryClient } from '@tanstack/vue-query';
import { ref } from 'vue';
import { api } from '../../api/client';
import { refreshFloor } from '../../api/floor';
import type { DryBoard } from '../../api/types';
import TypedField from '../../parts/TypedField.vue';
import { clockText, dayText, show, timeOfDay } from '../../parts/units';
import { useSend } from '../../parts/useSend';

/** What dries in a dryer: how long still, and taking it out. */
const props = defineProps<{ d: DryBoard['drying'][number]; now: number }>();
const queries = useQueryClient();
const hopper = ref<'open' | 'closed'>('closed');
const humidity = ref<number | null>(50);
const taking = ref(false);
const { busy, send } = useSend();
async function out() {
    const done = await send(() =>
        api.post(`drying/${props.d.id}/out`, { hopper: hopper.value, rh_pct: humidity.value }),
    );
    if (done === undefined) return;
    taking.value = false;
    await Promise.all([
        queries.invalidateQueries({ queryKey: ['drying'] }),
        queries.invalidateQueries({ queryKey: ['lot'] }),
    ]);
    await refreshFloor();
}
const share = (d: { started_at: number; ready_at: number }) =>
    `${Math.min(100, Math.max(1, (100 * (props.now - d.started_at)) / (d.ready_at - d.started_at)))}%`;
</script>

<template>
    <article class="in">
        <div class="top">
            <div>
                <strong
                    ><i class="swatch" :style="{ background: d.swatch }" />{{ d.polymer }},
                    <router-link :to="`/sort/lots/${d.lot_id}`">{{ d.lot }}</router-link></strong
                >
                <p class="quiet">
                    {{ show(d.mass_g, 'mass') }} at {{ show(d.air_c, 'temperature') }} since
                    {{ timeOfDay(d.started_at) }}, {{ d.by
                    }}<template v-if="d.wanted_at">
                        · wanted {{ dayText(d.wanted_at) }} {{ timeOfDay(d.wanted_at) }}</template
                    >
                </p>
            </div>
            <div class="when">
                <p :class="['mono', { ready: d.ready_at <= now }]">
                    {{ d.ready_at <= now ? 'dry' : clockText(d.ready_at - now) }}
                </p>
                <p class="quiet">{{ d.ready_at <= now ? 'since' : 'until' }} {{ timeOfDay(d.ready_at) }}</p>
            </div>
        </div>
        <div class="bar-track"><span class="fill" :style="{ width: share(d) }" /></div>
        <div v-if="taking" class="fields out">
            <label
                >It goes into<select v-model="hopper">
                    <option value="closed">a closed hopper or tin</option>
                    <option value="open">an open hopper</option>
                </select></label
            ><TypedField v-model="humidity" dimension="number" label="Room humidity, %" :min="1" :max="100" />
            <div class="acts">
                <v-btn color="primary" :loading="busy" :disabled="humidity === null" @click="out">{{
                    d.ready_at <= now ? 'It is out' : 'Take it out wet'
                }}</v-btn>
                <p v-if="d.ready_at > now" class="fault">It is not dry yet: it will count as wet.</p>
            </div>
        </div>
        <v-btn v-else size="small" variant="outlined" @click="taking = true">Take it out</v-btn>
    </article>
</template>

<style scoped>
.in {
    border-top: 1px solid var(--line);
    padding: 12px 0;
    display: grid;
    gap: 10px;
    justify-items: start;
}
.top {
    display: flex;
    justify-content: space-between;
    width: 100%;
    gap: 12px;
}
.when {
    text-align: right;
}
.when .mono {
    font-size: 2.3rem;
    line-height: 1;
}
.ready {
    color: var(--good);
}
.bar-track {
    width: 100%;
}
.fill {
    display: block;
    height: 100%;
    background: var(--ember);
}
.out {
    width: 100%;
}
</style>
