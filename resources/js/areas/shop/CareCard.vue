<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query';
import { computed, ref } from 'vue';
import { api } from '../../api/client';
import { newKey } from '../../api/queue';
import { session } from '../../api/session';
import type { Care } from '../../api/types';
import TypedField from '../../parts/TypedField.vue';
import { dayText } from '../../parts/units';
import { sentence, useSend } from '../../parts/useSend';

/** What of a machine is looked after: due first. Anybody raises what they see; what comes again is a lead's to say. */
const props = defineProps<{ machine: number }>();
const client = useQueryClient();
const key = computed(() => ['care', props.machine]);
const care = useQuery({
    queryKey: key,
    queryFn: () => api.list<Care>(`machines/${props.machine}/care`),
});
const lead = computed(() => session.person?.role === 'lead');
const { fault, send } = useSend();
const adding = ref(false);
const said = ref({ title: '', why: '' });
const days = ref<number | null>(null);
const pieces = ref<number | null>(null);
let id = newKey();
const doing = ref<string | null>(null);
const note = ref('');

async function keep(path: string, body: object): Promise<boolean> {
    const kept = await send(() => api.post<unknown>(path, body));
    await client.invalidateQueries({ queryKey: ['care'] });
    return kept !== undefined;
}
async function add() {
    const again = lead.value ? { every_days: days.value, every_pieces: pieces.value } : {};
    if (!(await keep(`machines/${props.machine}/care`, { id, ...said.value, ...again }))) return;
    id = newKey();
    said.value = { title: '', why: '' };
    [days.value, pieces.value, adding.value] = [null, null, false];
}
let doneId = newKey();
async function done(c: Care) {
    if (!(await keep(`care/${c.id}/done`, { id: doneId, note: note.value }))) return;
    doneId = newKey();
    [doing.value, note.value] = [null, ''];
}
const STATES = { due: 'due', soon: 'soon', ok: 'in order' };
</script>

<template>
    <section class="card mt-4" aria-labelledby="care">
        <h2 id="care">Looking after it</h2>
        <p v-if="care.data.value?.length === 0" class="quiet">Nothing is asked.</p>
        <ul class="unmarked">
            <li v-for="c in care.data.value" :key="c.id">
                <span :class="['tag', c.state === 'due' ? 'bad' : c.state === 'ok' ? 'good' : '']">{{
                    STATES[c.state]
                }}</span>
                <div>
                    <strong>{{ c.title }}</strong> <span class="quiet">{{ c.says }}</span>
                    <p v-if="c.why">{{ c.why }}</p>
                    <p class="quiet">
                        {{
                            c.done[0]
                                ? `Last ${dayText(c.done[0].at)}, ${c.done[0].by}${c.done[0].note ? `: ${c.done[0].note}` : ''}`
                                : `Entered ${dayText(c.at)} by ${c.by}`
                        }}
                    </p>
                    <form v-if="doing === c.id" class="fields" @submit.prevent="done(c)">
                        <label class="wide"
                            ><span>What was found, where it matters</span
                            ><input v-model="note" maxlength="500"
                        /></label>
                        <div class="acts">
                            <v-btn type="submit" color="primary">It is done</v-btn
                            ><v-btn variant="text" @click="doing = null">Not now</v-btn>
                        </div>
                    </form>
                </div>
                <div class="does">
                    <v-btn v-if="doing !== c.id" variant="outlined" @click="doing = c.id">Done</v-btn
                    ><button
                        v-if="lead"
                        type="button"
                        class="plain"
                        @click="keep(`care/${c.id}/give-up`, {})"
                    >
                        No longer asked
                    </button>
                </div>
            </li>
        </ul>
        <p v-if="fault" role="alert">{{ sentence(fault) }}</p>
        <form v-if="adding" class="fields" @submit.prevent="add">
            <label class="wide"
                ><span>What</span><input v-model="said.title" maxlength="80" required
            /></label>
            <label class="wide"><span>Why, or where</span><input v-model="said.why" maxlength="500" /></label>
            <template v-if="lead">
                <TypedField v-model="pieces" label="Again every so many pieces" dimension="number" />
                <TypedField v-model="days" label="Again every so many days" dimension="number" />
            </template>
            <div class="acts">
                <v-btn type="submit" color="primary">Keep it</v-btn
                ><v-btn variant="text" @click="adding = false">Not now</v-btn>
            </div>
        </form>
        <v-btn v-else variant="outlined" class="mt-2" @click="adding = true">{{
            lead ? 'Add something' : 'I have seen something'
        }}</v-btn>
    </section>
</template>

<style scoped>
li {
    display: grid;
    grid-template-columns: 84px minmax(0, 1fr) auto;
    gap: 12px;
    padding: 10px 0;
    border-bottom: 1px solid var(--line);
    align-items: start;
}
.tag {
    justify-self: start;
}
.does {
    display: grid;
    gap: 6px;
    justify-items: end;
}
@media (max-width: 700px) {
    li {
        grid-template-columns: minmax(0, 1fr);
    }
    .does {
        justify-items: start;
    }
}
</style>
