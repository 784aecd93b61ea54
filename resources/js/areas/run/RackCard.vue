<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query';
import { computed } from 'vue';
import { api } from '../../api/client';
import { recordAll } from '../../api/queue';
import type { RackStrip } from '../../api/types';
import { clockText, minutesText, show } from '../../parts/units';
import { useRunScreen } from './screen';

/**
 * Hot strips that wait, oldest first, each as it is by the model; one that gains nothing any more says so. Who is fed with
 * them takes one by a touch: it leaves its rack, and its mass goes into this barrel.
 */
const { id, run, now, entries, log } = useRunScreen();
/** strips stand on a rack for so long; a run that is fed with them has a lot of them */
const own = computed(() => run.value?.plan.keep_min != null);
const asks = computed(() => own.value || run.value?.materials.some((m) => m.form === 'strip') === true);
const client = useQueryClient();
const { data } = useQuery({
    queryKey: computed(() => ['rack', id, run.value?.events.length]),
    queryFn: () => api.list<RackStrip>(`runs/${id}/rack`),
    enabled: asks,
    refetchInterval: 15_000,
});
const loads = computed(() => !own.value && entries.value.some((e) => e.id === 'load'));
async function take(strip: RackStrip) {
    const piece = strip.piece;
    await recordAll(strip.run_id, [
        { type: 'logged', data: { entry: 'disposition', values: { verdict: 'good' }, piece } },
        { type: 'step_done', data: { step: 'fed', piece } },
    ]);
    await log('logged', { entry: 'load', values: { mass_g: strip.mass_g } });
    await client.invalidateQueries({ queryKey: ['rack', id] });
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
                <v-btn v-if="loads" :color="i === 0 ? 'primary' : undefined" @click="take(s)"
                    >Load it: {{ show(s.mass_g, 'mass', 0) }}</v-btn
                >
            </li>
        </ol>
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
