<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query';
import { computed, ref } from 'vue';
import { api } from '../../api/client';
import { newKey } from '../../api/queue';
import { session } from '../../api/session';
import type { Goods } from '../../api/types';
import TypedField from '../../parts/TypedField.vue';
import { minutesText } from '../../parts/units';
import { sentence, useSend } from '../../parts/useSend';
import BoughtParts from './BoughtParts.vue';
import { titlesOf } from './goods';

/** What stands on the shelf, what wants making or finishing, and one row at a time that something is done with. */
const client = useQueryClient();
const goods = useQuery({ queryKey: ['goods'], queryFn: () => api.list<Goods>('goods') });
const lead = computed(() => session.person?.role === 'lead');

type Act = 'taken' | 'counted' | 'watch' | 'finished';
const TITLES: Record<Act, string> = {
    taken: 'How many go?',
    counted: 'How many stand there?',
    watch: 'When to make more',
    finished: 'How many are finished? −1 takes one back',
};
const WHY: Partial<Record<Act, string>> = {
    taken: 'For whom',
    counted: 'Why it differs, where it does',
    finished: 'Why, where some are taken back',
};
const open = ref<{ row: Goods; act: Act } | null>(null);
const count = ref<number | null>(null);
const reason = ref('');
const reorderAt = ref<number | null>(null);
const makeTo = ref<number | null>(null);
let key = newKey();
const said = ref('');
const { fault, send } = useSend();

/** the number that one most likely means */
const FIRST: Partial<Record<Act, (row: Goods) => number>> = {
    taken: () => 1,
    finished: (row) => row.can_finish,
};
function start(row: Goods, act: Act) {
    open.value = { row, act };
    [count.value, reason.value, fault.value, said.value] = [FIRST[act]?.(row) ?? null, '', null, ''];
    [reorderAt.value, makeTo.value] = [row.reorder_at, row.make_to];
    key = newKey();
}
async function keep() {
    if (!open.value) return;
    const { row, act } = open.value;
    const of = `products/${row.product_id}`;
    const told = { id: key, count: count.value, reason: reason.value };
    const shelf = { after_revision: row.revision, reorder_at: reorderAt.value, make_to: makeTo.value };
    const kept = await send(() => {
        if (act === 'watch') return api.post<Goods>(`${of}/shelf`, shelf);
        if (act === 'finished') return api.post<Goods>(`${of}/finished`, told);
        return api.post<Goods>(`${of}/goods`, { ...told, kind: act });
    });
    await Promise.all(['goods', 'bought'].map((list) => client.invalidateQueries({ queryKey: [list] })));
    if (!kept) return;
    const wait = kept.to_finish > 0 ? `, ${kept.to_finish} to finish` : '';
    said.value = `${kept.product}: ${kept.held} on the shelf${wait}.`;
    open.value = null;
}
const watched = (g: Goods) =>
    g.reorder_at === null ? 'not watched' : `at ${g.reorder_at} or fewer, make up to ${g.make_to}`;
</script>

<template>
    <div class="page">
        <div class="page-head">
            <div>
                <h1>Goods</h1>
                <p class="quiet">
                    Good pieces come here by themselves. What is finished and what goes out is said here.
                </p>
            </div>
        </div>
        <p v-if="said" role="status" class="said">{{ said }}</p>
        <p v-if="goods.isPending.value" class="card quiet">Looking at the shelf …</p>
        <ul class="unmarked">
            <li v-for="g in goods.data.value" :key="g.product_id" :class="['card', { wants: g.wants > 0 }]">
                <strong class="mono held">{{ g.held }}</strong>
                <div class="what">
                    <router-link :to="`/shop/products/${g.product_id}`"
                        ><strong>{{ g.product }}</strong></router-link
                    >
                    <span class="quiet of">{{ g.process.replaceAll('_', ' ') }}, {{ g.polymer }}</span>
                    <p v-if="g.wants > 0" class="short">
                        <span aria-hidden="true">▲</span> {{ g.wants }} to make
                        <span class="quiet">({{ watched(g) }})</span>
                    </p>
                    <p v-else class="quiet">{{ watched(g) }}</p>
                    <p v-if="g.to_finish > 0" class="waits">
                        <strong>{{ g.to_finish }} to finish</strong>: {{ titlesOf(g) }},
                        {{ minutesText(g.finish_min) }}
                        of hands
                    </p>
                    <p v-for="l in g.lacks" :key="l" class="short">
                        <span aria-hidden="true">▲</span> {{ l }}
                    </p>
                </div>
                <div class="acts">
                    <v-btn v-if="g.wants > 0" color="primary" :to="`/set?product=${g.product_id}`"
                        >Set up a run</v-btn
                    ><v-btn v-if="g.to_finish > 0" color="primary" @click="start(g, 'finished')">Finish</v-btn
                    ><v-btn variant="outlined" :disabled="g.held < 1" @click="start(g, 'taken')"
                        >Take out</v-btn
                    ><v-btn variant="outlined" @click="start(g, 'counted')">Count</v-btn
                    ><v-btn v-if="lead" variant="outlined" @click="start(g, 'watch')"
                        >When to make more</v-btn
                    >
                </div>
                <form v-if="open?.row.product_id === g.product_id" class="fields form" @submit.prevent="keep">
                    <template v-if="open.act === 'watch'">
                        <TypedField v-model="reorderAt" label="Make more at, or fewer" dimension="number" />
                        <TypedField v-model="makeTo" label="Up to how many" dimension="number" />
                    </template>
                    <template v-else>
                        <TypedField
                            v-model="count"
                            :label="TITLES[open.act]"
                            dimension="number"
                            :signed="open.act === 'finished'"
                        />
                        <label
                            ><span>{{ WHY[open.act] }}</span
                            ><input v-model="reason" maxlength="500"
                        /></label>
                    </template>
                    <p v-if="fault" role="alert">{{ sentence(fault) }}</p>
                    <div class="acts">
                        <v-btn type="submit" color="primary">Keep it</v-btn
                        ><v-btn variant="text" @click="open = null">Not now</v-btn>
                    </div>
                </form>
            </li>
        </ul>
        <BoughtParts />
    </div>
</template>

<style scoped src="./goods.css"></style>
<style scoped>
.said {
    font-weight: 650;
    margin-bottom: 10px;
}
</style>
