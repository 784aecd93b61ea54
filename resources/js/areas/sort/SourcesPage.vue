<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query';
import { ref } from 'vue';
import { useRouter } from 'vue-router';
import { api } from '../../api/client';
import type { Source, SourceCard } from '../../api/types';
import { dayText, show } from '../../parts/units';
import { sentence, useSend } from '../../parts/useSend';
import SortNav from './SortNav.vue';
import TrustRungs from './TrustRungs.vue';

const router = useRouter();
const queries = useQueryClient();
const { data: sources } = useQuery({
    queryKey: ['sources'],
    queryFn: () => api.list<SourceCard>('sources'),
});
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
/** What its ladder asks for: a trial of what is here of it, a lead's word, or only the next delivery. */
const TRIAL: Record<string, string> = {
    on_trial: 'Set a small trial',
    small_trial_passed: 'Set a full-size trial',
};
const every = (s: SourceCard) => {
    if (s.brought[0] === undefined) return 'brought nothing yet';
    const days = s.every_days === null ? '' : `, every ${Math.round(s.every_days)} days`;
    return `last ${dayText(s.brought[0].at)}${days}`;
};
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
        <div class="cards">
            <article v-for="s in sources ?? []" :key="s.id" class="card" :aria-label="s.name">
                <div class="top">
                    <h2>
                        <router-link :to="`/sort/sources/${s.id}`">{{ s.name }}</router-link>
                    </h2>
                    <strong class="mono">{{ show(s.held_g, 'mass') }}</strong>
                </div>
                <p><TrustRungs :state="s.state" /></p>
                <p v-if="s.brought.length" class="brought">
                    <span v-for="b in s.brought.slice(0, 4)" :key="b.code"
                        ><i class="swatch" :style="{ background: b.swatch }" />{{ b.polymer }}, {{ b.colour }}
                        {{ b.form }}</span
                    >
                </p>
                <p class="quiet">{{ every(s) }}</p>
                <p v-if="s.note" class="quiet">{{ s.note }}</p>
                <div class="acts">
                    <v-btn
                        v-if="TRIAL[s.state] && s.trial_lot"
                        color="primary"
                        :to="`/set?lot=${s.trial_lot}`"
                        >{{ TRIAL[s.state] }}</v-btn
                    >
                    <v-btn
                        v-else-if="s.state === 'full_trial_passed'"
                        color="primary"
                        :to="`/sort/sources/${s.id}`"
                        >Accept it</v-btn
                    >
                    <v-btn
                        :variant="TRIAL[s.state] && !s.trial_lot ? 'flat' : 'outlined'"
                        :to="`/sort/deliver?source=${s.id}`"
                        >Take a delivery in</v-btn
                    >
                </div>
            </article>
            <form class="card fields new" @submit.prevent="add">
                <h2 class="wide">Somebody new</h2>
                <label class="wide">New source<input v-model="name" maxlength="80" /></label
                ><label class="wide">Note<input v-model="note" maxlength="500" /></label>
                <div class="acts">
                    <v-btn color="primary" type="submit" :loading="busy" :disabled="!name.trim()"
                        >Add, on trial</v-btn
                    >
                    <p v-if="fault" role="alert" class="fault">{{ sentence(fault) }}</p>
                </div>
            </form>
        </div>
    </div>
</template>

<style scoped>
.cards {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(310px, 1fr));
    gap: var(--gap);
}
article {
    display: grid;
    gap: 6px;
    align-content: start;
}
article p {
    margin: 0;
}
.top {
    display: flex;
    justify-content: space-between;
    gap: 12px;
    font-size: 1.1rem;
}
.brought {
    display: flex;
    flex-wrap: wrap;
    gap: 2px 14px;
}
.acts {
    display: flex;
    flex-wrap: wrap;
    gap: 8px;
    margin-top: 6px;
}
.new {
    border-style: dashed;
    align-content: start;
}
.wide {
    grid-column: 1 / -1;
}
</style>
