<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query';
import { ref } from 'vue';
import { useRouter } from 'vue-router';
import { api } from '../../api/client';
import type { Source } from '../../api/types';
import { sentence, useSend } from '../../parts/useSend';
import SortNav from './SortNav.vue';

const router = useRouter();
const queries = useQueryClient();
const { data: sources } = useQuery({ queryKey: ['sources'], queryFn: () => api.list<Source>('sources') });
const name = ref('');
const note = ref('');
const { busy, fault, send } = useSend();
async function add() {
    const made = await send(() => api.post<Source>('sources', { name: name.value, note: note.value }));
    if (made) {
        await queries.invalidateQueries({ queryKey: ['sources'] });
        await router.push(`/sort/sources/${made.id}`);
    }
}
const RUNGS = ['on_trial', 'small_trial_passed', 'full_trial_passed', 'accepted'];
</script>

<template>
    <div class="page">
        <div class="page-head">
            <div>
                <h1>Sources</h1>
                <p class="quiet">A source earns trust: a small trial, a full-size trial, then it is stock.</p>
            </div>
        </div>
        <SortNav />
        <table class="rows card">
            <thead>
                <tr>
                    <th>Source</th>
                    <th>Trust</th>
                    <th>Note</th>
                </tr>
            </thead>
            <tbody>
                <tr
                    v-for="s in sources ?? []"
                    :key="s.id"
                    class="go"
                    @click="router.push(`/sort/sources/${s.id}`)"
                >
                    <td>
                        <router-link :to="`/sort/sources/${s.id}`" @click.stop>{{ s.name }}</router-link>
                    </td>
                    <td>
                        <span class="rungs" aria-hidden="true"
                            ><i v-for="(r, i) in RUNGS" :key="r" :class="{ on: i <= RUNGS.indexOf(s.state) }"
                        /></span>
                        {{ s.state.replaceAll('_', ' ') }}
                    </td>
                    <td>{{ s.note }}</td>
                </tr>
            </tbody>
        </table>
        <form class="card fields add" @submit.prevent="add">
            <label>New source<input v-model="name" maxlength="80" /></label
            ><label>Note<input v-model="note" maxlength="500" /></label>
            <div class="acts">
                <v-btn color="primary" type="submit" :loading="busy" :disabled="!name.trim()"
                    >Add, on trial</v-btn
                >
                <p v-if="fault" role="alert" class="fault">{{ sentence(fault) }}</p>
            </div>
        </form>
    </div>
</template>

<style scoped>
.add {
    margin-top: 16px;
}
.rungs {
    display: inline-flex;
    gap: 3px;
    margin-right: 8px;
    vertical-align: -1px;
}
.rungs i {
    width: 14px;
    height: 14px;
    border: 1.5px solid var(--ink);
    border-radius: 2px;
}
.rungs .on {
    background: var(--good);
    border-color: var(--good);
}
</style>
