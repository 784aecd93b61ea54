<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query';
import { computed, ref, watch } from 'vue';
import { api } from '../../api/client';
import { session } from '../../api/session';
import type { BoughtPart, Finishing } from '../../api/types';
import TypedField from '../../parts/TypedField.vue';
import { dayText, minutesText, timeOfDay } from '../../parts/units';
import { sentence, useSend } from '../../parts/useSend';

/** What is done to a piece after its run, in its order: minutes, hands and the parts that it takes. */
const COMMON = ['trim', 'drill', 'saw', 'sand', 'fit', 'pack'];
const props = defineProps<{ product: number }>();
const client = useQueryClient();
const key = computed(() => ['finishing', props.product]);
const found = useQuery({
    queryKey: key,
    queryFn: () => api.get<Finishing>(`products/${props.product}/finishing`),
});
const parts = useQuery({ queryKey: ['bought'], queryFn: () => api.list<BoughtPart>('parts') });
const lead = computed(() => session.person?.role === 'lead');
interface Draft {
    title: string;
    minutes: number | null;
    people: number;
    uses: { part_id: number; count: number | null }[];
}
const draft = ref<Draft[] | null>(null);
const after = ref(0);
const wait = ref<number | null>(0);
const none = computed(() => found.data.value?.operations.length === 0);
const { busy, fault, send } = useSend();

function edit() {
    const now = found.data.value;
    if (!now) return;
    after.value = now.after;
    wait.value = 0;
    fault.value = null;
    draft.value = now.operations.map((o) => ({ ...o, uses: o.uses.map((u) => ({ ...u })) }));
    if (draft.value.length === 0) add();
}
const add = () => draft.value?.push({ title: '', minutes: null, people: 1, uses: [] });
function use(of: Draft) {
    const first = (parts.data.value ?? []).find((p) => !p.retired);
    if (first) of.uses.push({ part_id: first.id, count: 1 });
}
// Another product: nothing that was typed for the one before.
watch(
    () => props.product,
    () => (draft.value = null),
);
async function keep() {
    const kept = await send(() =>
        api.post<Finishing>(`products/${props.product}/finishing`, {
            after: after.value,
            wait: none.value ? (wait.value ?? 0) : 0,
            operations: draft.value,
        }),
    );
    if (!kept) return;
    client.setQueryData(key.value, kept);
    await client.invalidateQueries({ queryKey: ['goods'] });
    draft.value = null;
}
const uses = (o: Finishing['operations'][number]) => o.uses.map((u) => `${u.count} × ${u.part}`).join(', ');
const choices = computed(() => (parts.data.value ?? []).filter((p) => !p.retired));
</script>

<template>
    <section v-if="found.data.value" class="card mt-4" aria-labelledby="finishing">
        <div class="head">
            <h2 id="finishing">After its run</h2>
            <v-btn v-if="lead && draft === null" variant="outlined" @click="edit">{{
                found.data.value.operations.length ? 'Change' : 'Say what is done to it'
            }}</v-btn>
        </div>
        <template v-if="draft === null">
            <p v-if="found.data.value.operations.length === 0" class="quiet">
                Nothing: a good piece is goods as it comes out.
            </p>
            <table v-else class="rows">
                <thead>
                    <tr>
                        <th>What</th>
                        <th>Each</th>
                        <th>Hands</th>
                        <th>Takes</th>
                    </tr>
                </thead>
                <tbody>
                    <tr v-for="(o, i) in found.data.value.operations" :key="i">
                        <td>{{ o.title }}</td>
                        <td class="num">{{ minutesText(o.minutes) }}</td>
                        <td class="num">{{ o.people }}</td>
                        <td>{{ uses(o) || '–' }}</td>
                    </tr>
                </tbody>
            </table>
            <p v-if="found.data.value.by && found.data.value.at" class="quiet">
                {{ found.data.value.by }}, {{ dayText(found.data.value.at) }}
            </p>
            <template v-if="found.data.value.log.length">
                <h3>Finished, newest first</h3>
                <p v-for="(f, i) in found.data.value.log" :key="i">
                    <span class="quiet">{{ dayText(f.at) }} {{ timeOfDay(f.at) }}</span>
                    {{ f.count < 0 ? `${-f.count} taken back` : f.count }}
                    <span class="quiet">{{ f.by }}{{ f.reason ? `: ${f.reason}` : '' }}</span>
                </p>
            </template>
        </template>
        <form v-else @submit.prevent="keep">
            <datalist id="operations"><option v-for="c in COMMON" :key="c" :value="c" /></datalist>
            <fieldset v-for="(o, i) in draft" :key="i" class="operation">
                <legend>{{ i + 1 }}</legend>
                <div class="fields">
                    <label
                        ><span>What is done</span
                        ><input
                            v-model="o.title"
                            list="operations"
                            maxlength="60"
                            required
                            autocomplete="off"
                    /></label>
                    <TypedField v-model="o.minutes" label="Minutes each" dimension="number" />
                    <label
                        ><span>Hands</span
                        ><select v-model.number="o.people">
                            <option v-for="n in 4" :key="n" :value="n">{{ n }}</option>
                        </select></label
                    >
                </div>
                <div v-for="(u, k) in o.uses" :key="k" class="fields use">
                    <TypedField v-model="u.count" label="Takes" dimension="number" />
                    <label
                        ><span>of which part</span
                        ><select v-model.number="u.part_id">
                            <option v-for="p in choices" :key="p.id" :value="p.id">{{ p.name }}</option>
                        </select></label
                    >
                    <button type="button" class="plain" @click="o.uses.splice(k, 1)">Not this part</button>
                </div>
                <div class="acts">
                    <button v-if="choices.length" type="button" class="plain" @click="use(o)">
                        It takes a bought-in part
                    </button>
                    <button type="button" class="plain" @click="draft.splice(i, 1)">Leave this out</button>
                </div>
            </fieldset>
            <div v-if="none" class="fields">
                <TypedField
                    v-model="wait"
                    label="Of those on the shelf, still to do"
                    dimension="number"
                    :min="0"
                />
            </div>
            <p v-if="fault" class="fault" role="alert">{{ sentence(fault) }}</p>
            <div class="acts">
                <v-btn type="submit" color="primary" :loading="busy">Keep</v-btn>
                <v-btn variant="outlined" @click="add">And then …</v-btn>
                <v-btn variant="text" @click="draft = null">Not now</v-btn>
            </div>
        </form>
    </section>
</template>

<style scoped>
.head {
    display: flex;
    justify-content: space-between;
    align-items: start;
    gap: 12px;
}
h3 {
    margin-top: 14px;
}
.operation {
    border: 0;
    border-top: 1px solid var(--line);
    padding: 10px 0;
}
.use {
    align-items: end;
    margin-top: 8px;
}
.acts {
    display: flex;
    flex-wrap: wrap;
    gap: 8px;
}
.fault {
    color: var(--alarm);
    font-weight: 650;
}
</style>
