<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query';
import { computed, reactive, ref } from 'vue';
import { api } from '../../api/client';
import { newKey } from '../../api/queue';
import { session } from '../../api/session';
import type { BoughtPart } from '../../api/types';
import TypedField from '../../parts/TypedField.vue';
import { sentence, useSend } from '../../parts/useSend';

/** Screws, clips, felt: what is there of what the shop buys, what to order, and one thing at a time that is said of it. */
const client = useQueryClient();
const parts = useQuery({ queryKey: ['bought'], queryFn: () => api.list<BoughtPart>('parts') });
const lead = computed(() => session.person?.role === 'lead');
const shown = computed(() => (parts.data.value ?? []).filter((p) => !p.retired || lead.value));

type Act = 'came' | 'counted' | 'say';
const open = ref<{ part: BoughtPart | null; act: Act } | null>(null);
const count = ref<number | null>(null);
const reason = ref('');
const form = reactive({
    name: '',
    reorder_at: null as number | null,
    order_to: null as number | null,
    comes_days: null as number | null,
    retired: false,
});
let key = newKey();
const { busy, fault, send } = useSend();

function start(part: BoughtPart | null, act: Act) {
    open.value = { part, act };
    [count.value, reason.value, fault.value] = [null, '', null];
    const { name = '', reorder_at = null, order_to = null, comes_days = null, retired = false } = part ?? {};
    Object.assign(form, { name, reorder_at, order_to, comes_days, retired });
    key = newKey();
}
async function keep() {
    if (!open.value) return;
    const { part, act } = open.value;
    const kept = await send(() => {
        if (act !== 'say')
            return api.post(`parts/${part!.id}/movements`, {
                id: key,
                kind: act,
                count: count.value,
                reason: reason.value,
            });
        return part === null
            ? api.post('parts', form)
            : api.put(`parts/${part.id}`, { ...form, after_revision: part.revision });
    });
    await Promise.all(['bought', 'goods'].map((list) => client.invalidateQueries({ queryKey: [list] })));
    if (kept !== undefined) open.value = null;
}
const isOpen = (part: BoughtPart | null) => open.value !== null && open.value.part?.id === part?.id;
const days = (p: BoughtPart) =>
    p.comes_days === null ? '' : `, comes in ${p.comes_days} ${p.comes_days === 1 ? 'day' : 'days'}`;
const watched = (p: BoughtPart) =>
    p.reorder_at === null ? 'not watched' : `at ${p.reorder_at} or fewer, order up to ${p.order_to}`;
</script>

<template>
    <section aria-labelledby="bought">
        <div class="head">
            <h2 id="bought">Bought-in parts</h2>
            <v-btn v-if="lead" variant="outlined" @click="start(null, 'say')">Another part</v-btn>
        </div>
        <p v-if="parts.isSuccess.value && shown.length === 0 && open === null" class="card quiet">
            Screws, clips and felt that pieces are finished with:
            {{ lead ? 'enter them here' : 'a lead enters them' }}, and they go off their shelf by themselves.
        </p>
        <ul class="unmarked">
            <li
                v-for="p in [...(isOpen(null) ? [null] : []), ...shown]"
                :key="p?.id ?? 0"
                :class="['card', { wants: (p?.order ?? 0) > 0, quiet: p?.retired }]"
            >
                <template v-if="p">
                    <strong class="mono held">{{ p.held }}</strong>
                    <div class="what">
                        <strong>{{ p.name }}</strong>
                        <span v-if="p.used_by.length" class="quiet of">for {{ p.used_by.join(', ') }}</span>
                        <p v-if="p.retired">bought no more</p>
                        <p v-else-if="p.order > 0" class="short">
                            <span aria-hidden="true">▲</span> Order {{ p.order }}{{ days(p) }}
                            <span class="quiet">({{ watched(p) }})</span>
                        </p>
                        <p v-else class="quiet">{{ watched(p) }}{{ days(p) }}</p>
                    </div>
                    <div class="acts">
                        <v-btn variant="outlined" :aria-label="`Came in: ${p.name}`" @click="start(p, 'came')"
                            >Came in</v-btn
                        ><v-btn
                            variant="outlined"
                            :aria-label="`Count: ${p.name}`"
                            @click="start(p, 'counted')"
                            >Count</v-btn
                        ><v-btn
                            v-if="lead"
                            variant="outlined"
                            :aria-label="`When to order: ${p.name}`"
                            @click="start(p, 'say')"
                            >When to order</v-btn
                        >
                    </div>
                </template>
                <form v-if="open && isOpen(p)" class="fields form" @submit.prevent="keep">
                    <template v-if="open.act === 'say'">
                        <label
                            ><span>What it is called</span
                            ><input v-model="form.name" maxlength="80" required autocomplete="off"
                        /></label>
                        <TypedField
                            v-model="form.reorder_at"
                            label="Order more at, or fewer"
                            dimension="number"
                        />
                        <TypedField v-model="form.order_to" label="Up to how many" dimension="number" />
                        <TypedField v-model="form.comes_days" label="Comes in, days" dimension="number" />
                        <label v-if="p" class="tick"
                            ><input v-model="form.retired" type="checkbox" /><span
                                >Bought no more</span
                            ></label
                        >
                    </template>
                    <template v-else>
                        <TypedField
                            v-model="count"
                            :label="open.act === 'came' ? 'How many came?' : 'How many stand there?'"
                            dimension="number"
                        />
                        <label
                            ><span>{{
                                open.act === 'came' ? 'From whom' : 'Why it differs, where it does'
                            }}</span
                            ><input v-model="reason" maxlength="500"
                        /></label>
                    </template>
                    <p v-if="fault" role="alert">{{ sentence(fault) }}</p>
                    <div class="acts">
                        <v-btn type="submit" color="primary" :loading="busy">Keep it</v-btn
                        ><v-btn variant="text" @click="open = null">Not now</v-btn>
                    </div>
                </form>
            </li>
        </ul>
    </section>
</template>

<style scoped src="./goods.css"></style>
<style scoped>
.head {
    display: flex;
    justify-content: space-between;
    align-items: center;
    gap: 12px;
    margin: 26px 0 10px;
}
.held {
    font-size: 1.6rem;
}
.tick {
    display: flex;
    gap: 8px;
    align-items: center;
}
</style>
