<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query';
import { computed } from 'vue';
import { api } from '../../api/client';
import { every } from '../../api/news';
import { newKey } from '../../api/queue';
import type { Page, RackStrip } from '../../api/types';
import { clockText, minutesText, show } from '../../parts/units';
import { sentence, useSend } from '../../parts/useSend';
import { useRunScreen } from './screen';

/**
 * Hot strips that wait, oldest first, each as it is by the model; one that gains nothing any more says so. Who is fed with
 * them takes one by a touch: it leaves its rack, and its mass goes into this barrel. Both logs say it, or neither.
 */
const { id, run, now, focus, entries, load } = useRunScreen();
/** strips stand on a rack for so long; a run that is fed with them has a lot of them */
const own = computed(() => run.value?.plan.keep_min != null);
const asks = computed(() => own.value || run.value?.materials.some((m) => m.form === 'strip') === true);
const client = useQueryClient();
const key = computed(() => ['rack', id, run.value?.events.length]);
const { data } = useQuery({
    queryKey: key,
    queryFn: () => api.list<RackStrip>(`runs/${id}/rack`),
    enabled: asks,
    refetchInterval: () => every(15_000),
});
const loads = computed(() => !own.value && entries.value.some((e) => e.id === 'load'));
const { busy, fault, send } = useSend();
/** of a touch that was not answered: sent again it is the same touch */
const keys: Record<number, string> = {};
async function take(strip: RackStrip) {
    keys[strip.piece] ??= newKey();
    const left = await send(() =>
        api.post<Page<RackStrip>>(`runs/${id}/rack`, {
            id: keys[strip.piece],
            strip: strip.piece,
            piece: focus.value.next ? null : focus.value.piece,
        }),
    );
    if (left) client.setQueryData(key.value, left.items);
    await load();
}
</script>

<template>
    <section v-if="asks && data && data.length > 0" class="rack" aria-label="Rack of strips">
        <h3>Rack <span class="quiet">oldest first</span></h3>
        <ol>
            <li v-for="(s, i) in data" :key="s.piece" :class="{ cold: !s.gains }">
                <strong>Strip {{ s.piece }}</strong>
                <span class="mono">{{ clockText(now - s.cut_at) }}</span>
                <span>middle {{ show(s.core_c, 'temperature') }}</span>
                <span v-if="s.gains">soak {{ minutesText(s.soak_min) }}</span>
                <span v-else><span aria-hidden="true">▲</span> gains nothing any more</span>
                <v-btn v-if="loads" :color="i === 0 ? 'primary' : undefined" :disabled="busy" @click="take(s)"
                    >Load it: {{ show(s.mass_g, 'mass', 0) }}</v-btn
                >
            </li>
        </ol>
        <p v-if="fault" role="alert" class="fault">{{ sentence(fault) }}</p>
    </section>
</template>

<style scoped>
.rack {
    margin-top: 12px;
}
ol {
    list-style: none;
    margin: 4px 0 0;
    padding: 0;
}
li {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 4px 14px;
    padding: 4px 0;
    border-top: 1px solid var(--line);
    border-left: 6px solid var(--ember);
    padding-left: 10px;
}
li.cold {
    border-left-color: var(--alarm);
    color: var(--alarm);
}
li :deep(.v-btn) {
    margin-left: auto;
}
</style>
