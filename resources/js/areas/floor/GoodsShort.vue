<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query';
import { computed } from 'vue';
import { api } from '../../api/client';
import type { Proposal } from '../../api/types';
import { useNow } from '../../parts/clock';
import { momentText, timeOfDay } from '../../parts/units';
import { endOfShift } from './shift';

/** What runs short, as what could be made next: when it would be there, what that wants now, one tap from its set-up. */
const AGAIN_MS = 60_000;
const now = useNow();
const until = computed(() => endOfShift(now.value));
const proposals = useQuery({
    queryKey: computed(() => ['proposals', until.value]),
    queryFn: () => api.list<Proposal>(`proposals?until=${until.value}`),
    refetchInterval: AGAIN_MS,
    placeholderData: (before: Proposal[] | undefined) => before,
});
const when = (at: number) => momentText(at, now.value);
const setUp = (p: Proposal) =>
    `/set?product=${p.product_id}${p.counts && p.pieces > 1 ? `&${p.counts}=${p.pieces}` : ''}`;
</script>

<template>
    <section v-if="proposals.data.value?.length" class="card" aria-labelledby="short">
        <div class="head">
            <h2 id="short">To make</h2>
            <router-link to="/goods">All goods</router-link>
        </div>
        <ul class="unmarked">
            <li v-for="p in proposals.data.value" :key="p.product_id">
                <p>
                    <strong>{{ p.wants }} × {{ p.product }}</strong>
                    <span class="quiet held">{{ p.held }} on the shelf</span>
                </p>
                <p v-if="p.first_at !== null && p.all_at !== null">
                    First one {{ when(p.first_at) }}, all by {{ when(p.all_at) }}; {{ p.by_end }} by
                    {{ timeOfDay(until) }}
                    <span v-if="p.first.length > 0" class="now"
                        ><strong>Now:</strong> {{ p.first.join(', ') }}</span
                    >
                </p>
                <p v-else class="quiet">{{ p.holds.join('; ') }}</p>
                <router-link :to="setUp(p)">Set it up</router-link>
            </li>
        </ul>
    </section>
</template>

<style scoped>
.card {
    padding-block: 10px;
    margin-bottom: 8px;
}
li {
    display: grid;
    grid-template-columns: minmax(200px, 1fr) minmax(0, 2fr) auto;
    gap: 2px 18px;
    align-items: baseline;
}
.head {
    display: flex;
    justify-content: space-between;
    align-items: baseline;
}
.held {
    margin-left: 8px;
}
.now {
    display: inline-block;
    margin-left: 6px;
}
h2 {
    margin: 0 0 2px;
    font-size: 1rem;
}
@media (max-width: 800px) {
    li {
        grid-template-columns: minmax(0, 1fr);
        padding-bottom: 8px;
    }
}
</style>
