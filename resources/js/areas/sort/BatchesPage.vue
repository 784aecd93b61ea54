<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query';
import { ref } from 'vue';
import { useRouter } from 'vue-router';
import { api } from '../../api/client';
import { newKey } from '../../api/queue';
import type { Sorting, Source } from '../../api/types';
import TypedField from '../../parts/TypedField.vue';
import { dayText, show, timeOfDay } from '../../parts/units';
import { sentence, useSend } from '../../parts/useSend';
import SortNav from './SortNav.vue';

const router = useRouter();
const { data: sources } = useQuery({ queryKey: ['sources'], queryFn: () => api.list<Source>('sources') });
const { data: batches } = useQuery({ queryKey: ['sortings'], queryFn: () => api.list<Sorting>('sortings') });
const source = ref<number | null>(null);
const about = ref('');
const mass = ref<number | null>(null);
const scale = ref(5);
const { busy, fault, send } = useSend();
let id = newKey();
async function begin() {
    const begun = await send(() =>
        api.post<Sorting>('sortings', {
            id,
            source_id: source.value ?? sources.value?.[0]?.id,
            about: about.value || 'mixed tub',
            in_g: mass.value ?? 0,
            scale_g: scale.value,
        }),
    );
    if (begun) {
        id = newKey();
        await router.push(`/sort/batches/${begun.id}`);
    }
}
</script>

<template>
    <div class="page">
        <div class="page-head">
            <div>
                <h1>Sort a batch</h1>
                <p class="quiet">
                    Weigh the whole batch first. At the end, what went in is set against what came out.
                </p>
            </div>
        </div>
        <SortNav />
        <form class="card fields" @submit.prevent="begin">
            <label
                >From<select v-model="source">
                    <option :value="null" disabled>a source</option>
                    <option v-for="s in sources ?? []" :key="s.id" :value="s.id">{{ s.name }}</option>
                </select></label
            >
            <label>What it is<input v-model="about" placeholder="mixed tub" /></label>
            <TypedField dimension="mass" v-model="mass" label="Whole batch, net" />
            <label
                >Scale reads to, g<select v-model.number="scale">
                    <option v-for="s in [0.1, 1, 2, 5, 10, 20, 50]" :key="s" :value="s">{{ s }}</option>
                </select></label
            >
            <div class="acts">
                <v-btn color="primary" type="submit" :loading="busy" :disabled="!mass || source === null"
                    >Begin</v-btn
                >
                <p v-if="fault" role="alert" class="fault">{{ sentence(fault) }}</p>
            </div>
        </form>
        <section class="card list">
            <h2>Batches</h2>
            <p v-if="batches?.length === 0" class="quiet">None yet. Each stands here with its balance.</p>
            <table v-else class="rows">
                <thead>
                    <tr>
                        <th>Begun</th>
                        <th>What</th>
                        <th>From</th>
                        <th class="n">In</th>
                        <th class="n">Sorted</th>
                        <th class="n">Waste</th>
                        <th class="n">Missing</th>
                        <th></th>
                    </tr>
                </thead>
                <tbody>
                    <tr
                        v-for="b in batches ?? []"
                        :key="b.id"
                        class="go"
                        @click="router.push(`/sort/batches/${b.id}`)"
                    >
                        <td class="num">{{ dayText(b.started_at) }} {{ timeOfDay(b.started_at) }}</td>
                        <td>
                            <router-link :to="`/sort/batches/${b.id}`">{{ b.about }}</router-link>
                        </td>
                        <td>{{ b.source.name }}</td>
                        <td class="n">{{ show(b.in_g, 'mass') }}</td>
                        <td class="n">{{ show(b.sorted_g, 'mass') }}</td>
                        <td class="n">{{ show(b.waste_g, 'mass') }}</td>
                        <td class="n">{{ show(b.missing_g, 'mass') }}</td>
                        <td>
                            <span :class="['tag', b.status === 'open' ? 'hot' : b.closes ? 'good' : 'bad']">{{
                                b.status === 'open' ? 'open' : b.closes ? 'closes' : 'did not close'
                            }}</span>
                        </td>
                    </tr>
                </tbody>
            </table>
        </section>
    </div>
</template>

<style scoped>
.list {
    margin-top: 16px;
}
</style>
