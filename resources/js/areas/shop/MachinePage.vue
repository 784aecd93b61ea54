<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query';
import { computed, reactive, ref, watch } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { api } from '../../api/client';
import { session } from '../../api/session';
import type { MachineDetail, MachineKind } from '../../api/types';
import { sentence, useSend } from '../../parts/useSend';
import { dayText, timeOfDay } from '../../parts/units';
import { title, unitOf, withUnit } from '../reckon/schema';
import CareCard from './CareCard.vue';
import ChannelsCard from './ChannelsCard.vue';
import PairCard from './PairCard.vue';
import MachineDrawing from './MachineDrawing.vue';
import MachineTaught from './MachineTaught.vue';
import MouldFits from './MouldFits.vue';
import NumberOf from './NumberOf.vue';

/** A machine of the shop: what is known of it, how and since when. The same page enters a new one. */
const route = useRoute();
const router = useRouter();
const client = useQueryClient();
const id = computed(() => (route.params.id === 'new' ? null : Number(route.params.id)));
const lead = computed(() => session.person?.role === 'lead');
const kinds = useQuery({
    queryKey: ['machine-kinds'],
    queryFn: () => api.list<MachineKind>('machine-kinds'),
});
const known = useQuery({
    queryKey: computed(() => ['machine', id.value]),
    queryFn: () => api.get<MachineDetail>(`machines/${id.value}`),
    enabled: computed(() => id.value !== null),
});
const detail = computed(() => (id.value === null ? null : (known.data.value ?? null)));
/** A mould hangs in another machine; whoever enters one chooses among moulds. */
const isMould = computed(() => detail.value?.kind.is_mould ?? route.query.mould !== undefined);
const offered = computed(() => (kinds.data.value ?? []).filter((k) => k.is_mould === isMould.value));
const name = ref('');
const kind = ref('');
watch(
    () => kinds.data.value,
    () => {
        if (kind.value === '') kind.value = offered.value[0]?.id ?? '';
    },
    { immediate: true },
);
const note = ref('');
type Value = number | string | null;
const said = reactive<Record<string, Value>>({});
const origin = reactive<Record<string, string>>({});
// Filled in when it is first known and when something was said of it; asking again wipes nothing that is being typed.
watch(
    () => `${detail.value?.machine.id} ${detail.value?.after}`,
    () => {
        const now = detail.value;
        if (!now) return;
        kind.value = now.machine.kind;
        for (const key of Object.keys(said)) delete said[key];
        for (const [fact, value] of Object.entries(now.machine.facts)) said[fact] = value as Value;
        for (const fact of now.log) origin[fact.name] = fact.origin;
    },
    { immediate: true },
);
/** One like another that is here: what its plate says and what was measured is taken over, what runs fitted is its own. */
const like = useQuery({
    queryKey: computed(() => ['machine', Number(route.query.like)]),
    queryFn: () => api.get<MachineDetail>(`machines/${Number(route.query.like)}`),
    enabled: computed(() => id.value === null && Number(route.query.like) > 0),
});
watch(
    () => like.data.value,
    (other) => {
        if (!other || id.value !== null) return;
        kind.value = other.machine.kind;
        note.value ||= `as ${other.machine.name}`;
        for (const [fact, value] of Object.entries(other.machine.facts)) {
            const known = other.log.findLast((f) => f.name === fact)?.origin;
            if (known === 'fitted') continue;
            said[fact] = value as Value;
            origin[fact] = known ?? 'plate';
        }
    },
    { immediate: true },
);
const facts = computed(() => {
    const of = detail.value?.kind ?? kinds.data.value?.find((k) => k.id === kind.value);
    return Object.entries((of?.facts ?? {}) as Record<string, Record<string, unknown>>);
});
const was = (fact: string): Value => (detail.value?.machine.facts[fact] as Value | undefined) ?? null;
/** what can be chosen from, where a fact is no number */
const choices = (schema: Record<string, unknown>) =>
    ((schema.enum as (string | null)[] | undefined) ?? []).filter((c) => c !== null);
const isText = (schema: Record<string, unknown>) => [schema.type].flat().includes('string');
/** where it was known from: of what is said twice the newest counts */
const wasFrom = (fact: string) => detail.value?.log.findLast((f) => f.name === fact)?.origin;
function say(fact: string, to: Value) {
    said[fact] = to;
    if (to !== null) origin[fact] ??= 'measured';
}
const otherwise = (fact: string) =>
    (said[fact] ?? null) !== was(fact) || (was(fact) !== null && origin[fact] !== wasFrom(fact));
/** What is sent: of a new machine all that is said, of a known one what is said otherwise now. */
const changed = computed(() =>
    Object.fromEntries(
        facts.value
            .filter(([fact]) => otherwise(fact))
            .map(([fact]) => [
                fact,
                { value: said[fact] ?? null, origin: origin[fact] === 'plate' ? 'plate' : 'measured' },
            ]),
    ),
);
const { busy, fault, send } = useSend();
const save = () =>
    send(async () => {
        const body = { facts: changed.value, note: note.value };
        const kept =
            id.value === null
                ? await api.post<MachineDetail>('machines', { ...body, name: name.value, kind: kind.value })
                : await api.post<MachineDetail>(`machines/${id.value}/facts`, {
                      ...body,
                      after: detail.value?.after ?? 0,
                  });
        note.value = '';
        client.setQueryData(['machine', kept.machine.id], kept);
        await client.invalidateQueries({ queryKey: ['machines'] });
        await router.replace(`/shop/machines/${kept.machine.id}`);
    });
const retire = (retired: boolean) =>
    send(async () => {
        const kept = await api.post<MachineDetail>(`machines/${id.value}/retire`, { retired });
        client.setQueryData(['machine', kept.machine.id], kept);
        await client.invalidateQueries({ queryKey: ['machines'] });
        if (retired) await router.push('/shop');
    });
const ORIGINS: Record<string, string> = {
    plate: 'from its plate',
    measured: 'measured',
    fitted: 'fitted from runs',
    unknown: 'not known',
};
const valueText = (f: MachineDetail['log'][number]) =>
    typeof f.value === 'number' ? withUnit(f.value, unitOf(f.name)) : (f.value ?? '–');
const log = computed(() => [...(detail.value?.log ?? [])].reverse());
</script>

<template>
    <div class="page">
        <div class="page-head">
            <div>
                <h1>
                    {{
                        id === null
                            ? isMould
                                ? 'A new mould'
                                : 'A new machine'
                            : (detail?.machine.name ?? 'Machine')
                    }}
                </h1>
                <p class="quiet">
                    What nobody knows stays empty: the plan says so, and answers for no ideal machine.
                </p>
            </div>
            <router-link to="/shop">Back to the shop</router-link>
        </div>
        <form class="card" @submit.prevent="save">
            <div v-if="id === null" class="who fields">
                <label
                    ><span>Name</span
                    ><input v-model="name" type="text" maxlength="60" required autocomplete="off"
                /></label>
                <label
                    ><span>Kind</span
                    ><select v-model="kind">
                        <option v-for="k in offered" :key="k.id" :value="k.id">{{ k.title }}</option>
                    </select></label
                >
            </div>
            <p v-if="facts.length === 0" class="quiet">Nothing is asked of a {{ kind }} but its name.</p>
            <MachineDrawing :kind="kind" :asked="facts.map(([fact]) => fact)" />
            <div class="grid fields">
                <div v-for="[fact, schema] in facts" :key="fact" class="fact">
                    <label v-if="choices(schema).length"
                        ><span>{{ title(fact) }}</span
                        ><select
                            :value="said[fact] ?? ''"
                            :aria-describedby="`about-${fact}`"
                            @change="say(fact, ($event.target as HTMLSelectElement).value || null)"
                        >
                            <option value="">not known</option>
                            <option v-for="c in choices(schema)" :key="c" :value="c">
                                {{ c.replaceAll('_', ' ') }}
                            </option></select
                        ><small :id="`about-${fact}`" class="quiet">{{ schema.description }}</small></label
                    >
                    <label v-else-if="isText(schema)"
                        ><span>{{ title(fact) }}</span
                        ><input
                            type="text"
                            maxlength="300"
                            autocomplete="off"
                            :value="said[fact] ?? ''"
                            :aria-describedby="`about-${fact}`"
                            @change="say(fact, ($event.target as HTMLInputElement).value.trim() || null)"
                        /><small :id="`about-${fact}`" class="quiet">{{ schema.description }}</small></label
                    >
                    <NumberOf
                        v-else
                        :name="fact"
                        :schema="schema"
                        :model-value="(said[fact] as number | null) ?? null"
                        @update:model-value="(to) => say(fact, to)"
                    />
                    <label v-if="(said[fact] ?? null) !== null" class="origin"
                        ><span class="sr">{{ title(fact) }}: where from</span
                        ><select v-model="origin[fact]">
                            <option v-if="!origin[fact]" :value="undefined">nobody said from where</option>
                            <option value="measured">measured</option>
                            <option value="plate">from its plate</option>
                            <option v-if="origin[fact] === 'fitted'" value="fitted">fitted from runs</option>
                        </select></label
                    >
                </div>
            </div>
            <div class="fields">
                <label class="note"
                    ><span>Note</span
                    ><input
                        v-model="note"
                        type="text"
                        maxlength="500"
                        placeholder="how it was measured"
                        autocomplete="off"
                /></label>
            </div>
            <p v-if="detail?.made != null" class="quiet">
                Made in it here: <strong class="num">{{ detail.made }}</strong>, counted by the runs.
            </p>
            <p v-if="detail?.machine.retired" class="quiet">
                Out of use: no run can be set up on it. Its runs stay.
            </p>
            <p v-if="fault" class="fault" role="alert">{{ sentence(fault) }}</p>
            <div v-if="lead" class="acts">
                <v-btn
                    type="submit"
                    color="primary"
                    :loading="busy"
                    :disabled="id !== null && Object.keys(changed).length === 0"
                    >{{ id === null ? 'Enter it' : 'Keep' }}</v-btn
                >
                <v-btn
                    v-if="detail"
                    variant="outlined"
                    :disabled="busy"
                    @click="retire(!detail.machine.retired)"
                    >{{ detail.machine.retired ? 'Bring it back' : 'Retire it' }}</v-btn
                >
                <v-btn
                    v-if="detail"
                    variant="outlined"
                    :to="`/shop/machines/new?like=${detail.machine.id}${isMould ? '&mould' : ''}`"
                    >Another like it</v-btn
                >
            </div>
            <p v-else class="quiet">A lead enters machines and moulds, and what is known of them.</p>
        </form>
        <MachineTaught v-if="detail?.learns" :machine="detail" />
        <ChannelsCard v-if="detail" :machine="detail.machine.id" />
        <PairCard v-if="detail && !detail.kind.is_mould" :machine="detail.machine.id" />
        <CareCard v-if="detail" :machine="detail.machine.id" />
        <MouldFits v-if="detail?.kind.is_mould" :mould="detail.machine.id" :after="detail.after" />
        <section v-if="log.length" class="card mt-4" aria-labelledby="said">
            <h2 id="said">What was said of it</h2>
            <table class="rows">
                <thead>
                    <tr>
                        <th>When</th>
                        <th>What</th>
                        <th class="n">Value</th>
                        <th>From</th>
                        <th>Who</th>
                    </tr>
                </thead>
                <tbody>
                    <tr v-for="f in log" :key="f.id">
                        <td>{{ dayText(f.at) }} {{ timeOfDay(f.at) }}</td>
                        <td>
                            {{ title(f.name) }}<br /><span class="quiet">{{ f.note }}</span>
                        </td>
                        <td class="n">{{ valueText(f) }}</td>
                        <td>{{ ORIGINS[f.origin] }}</td>
                        <td>{{ f.by ?? '' }}</td>
                    </tr>
                </tbody>
            </table>
        </section>
    </div>
</template>

<style scoped>
.who,
.grid {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(230px, 1fr));
    gap: 14px 18px;
    margin-bottom: 14px;
}
.fact {
    display: grid;
    gap: 4px;
    align-content: start;
}
.origin select {
    min-height: 36px;
}
.note {
    display: block;
    max-width: 520px;
}
.note input,
.who input,
.who select {
    width: 100%;
}
.fault {
    color: var(--alarm);
    font-weight: 650;
}
.acts {
    display: flex;
    gap: 10px;
    margin-top: 14px;
}
</style>
