<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query';
import { computed } from 'vue';
import { api } from '../../api/client';
import { session } from '../../api/session';
import type { ProcedureWay, ReviewItem } from '../../api/types';
import CareDue from '../../parts/CareDue.vue';

/** What the shop waits for somebody to see to: machines to look after, ways to decide on, what is to be looked at again. */
const lead = computed(() => session.person?.role === 'lead');
const review = useQuery({
    queryKey: ['review'],
    queryFn: () => api.list<ReviewItem>('review'),
    enabled: lead,
});
const ways = useQuery({
    queryKey: ['procedures'],
    queryFn: () => api.list<ProcedureWay>('procedures'),
});
const proposed = computed(() => (ways.data.value ?? []).filter((w) => w.proposals.length > 0));
</script>

<template>
    <div class="wants">
        <CareDue />
        <section v-if="proposed.length > 0" class="card" aria-labelledby="to-decide">
            <h2 id="to-decide">{{ lead ? 'To decide' : 'Waits for a lead' }}</h2>
            <p v-for="w in proposed" :key="w.key">
                <router-link :to="`/shop/procedures/${w.key}`">{{ w.title }}</router-link>
                <span class="quiet of"
                    >{{
                        w.proposals.length === 1 ? 'proposed' : `${w.proposals.length} proposed, the newest`
                    }}
                    by {{ w.proposals[0]!.by }}</span
                >
            </p>
        </section>
        <section v-if="lead && review.data.value?.length" class="card review" aria-labelledby="review">
            <h2 id="review">To look at again ({{ review.data.value.length }})</h2>
            <p class="quiet">
                Let in before a rule got stricter. Nothing was changed: it is for a lead to decide.
            </p>
            <table class="rows">
                <tbody>
                    <tr v-for="r in review.data.value" :key="r.name + r.says">
                        <td>
                            <router-link v-if="r.lot_id" :to="r.link">{{ r.name }}</router-link><strong
                                v-else
                                >{{ r.name }}</strong
                            >
                        </td>
                        <td>{{ r.says }}</td>
                        <td>{{ r.do }}</td>
                    </tr>
                </tbody>
            </table>
        </section>
    </div>
</template>

<style scoped>
.wants {
    display: grid;
    gap: var(--gap);
    margin-bottom: var(--gap);
}
.wants:empty {
    display: none;
}
.of {
    margin-left: 8px;
}
</style>
