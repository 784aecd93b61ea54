<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query';
import { computed, ref } from 'vue';
import { useRoute } from 'vue-router';
import { api } from '../../api/client';
import { newKey } from '../../api/queue';
import { session } from '../../api/session';
import type { SourceDetail } from '../../api/types';
import TypedField from '../../parts/TypedField.vue';
import { dayText, number, show } from '../../parts/units';
import { sentence, useSend } from '../../parts/useSend';
import PictureField from './PictureField.vue';
import SortNav from './SortNav.vue';

const id = String(useRoute().params.id);
const queries = useQueryClient();
const { data } = useQuery({
    queryKey: ['source', id],
    queryFn: () => api.get<SourceDetail>(`sources/${id}`),
});
const { busy, fault, send } = useSend();
const kind = ref('');
const worked = ref<number | null>(null);
const note = ref('');
const picture = ref<string | null>(null);
const RUNGS: [string, string][] = [
    ['on_trial', 'On trial'],
    ['small_trial_passed', 'Small trial passed'],
    ['full_trial_passed', 'Full-size trial passed'],
    ['accepted', 'Accepted'],
];
const rung = computed(() => RUNGS.findIndex(([r]) => r === data.value?.source.state));
const step = computed(() => data.value?.steps.find((t) => t.kind === kind.value) ?? null);
const trial = computed(() => step.value?.needs_temperature ?? false);
let key = newKey();
async function noteIt() {
    const done = await send(() =>
        api.post<SourceDetail>(`sources/${id}/events`, {
            id: key,
            kind: kind.value,
            worked_at_c: trial.value ? worked.value : null,
            note: note.value,
            picture_id: picture.value,
        }),
    );
    if (!done) return;
    key = newKey();
    kind.value = note.value = '';
    worked.value = null;
    picture.value = null;
    queries.setQueryData(['source', id], done);
    await queries.invalidateQueries({ queryKey: ['sources'] });
}
</script>

<template>
    <div class="page">
        <p v-if="!data" class="card">Opening the source …</p>
        <template v-else>
            <div class="page-head">
                <div>
                    <h1>{{ data.source.name }}</h1>
                    <p class="quiet">{{ data.source.note }}</p>
                </div>
                <v-btn variant="outlined" :to="`/sort/deliver?source=${id}`">Take a delivery in</v-btn>
            </div>
            <SortNav />
            <ol class="ladder" aria-label="Trust">
                <li
                    v-for="([r, says], i) in RUNGS"
                    :key="r"
                    :class="{ done: i <= rung, here: i === rung }"
                    :aria-current="i === rung ? 'step' : undefined"
                >
                    {{ says }}
                </li>
            </ol>
            <p class="card may">
                May go into:
                <strong>{{
                    data.may
                        .map(
                            (m) =>
                                ({
                                    small_trial: 'a small trial',
                                    full_trial: 'a full-size trial',
                                    production: 'production',
                                })[m],
                        )
                        .join(', ')
                }}</strong>. The gate of every run asks.
            </p>
            <section class="facts" aria-label="What it has taught">
                <div class="card">
                    <p class="quiet">Taken in</p>
                    <strong class="mono">{{ show(data.delivered_g, 'mass') }}</strong>
                    <p class="quiet">{{ show(data.used_g, 'mass') }} used</p>
                </div>
                <div class="card">
                    <p class="quiet">Worked at</p>
                    <strong class="mono">{{
                        data.worked_from_c === null
                            ? '–'
                            : data.worked_from_c === data.worked_to_c
                              ? show(data.worked_from_c, 'temperature')
                              : `${show(data.worked_from_c, 'temperature')} to ${show(data.worked_to_c, 'temperature')}`
                    }}</strong>
                    <p class="quiet">good runs and trials</p>
                </div>
                <div class="card">
                    <p class="quiet">Scrap</p>
                    <strong class="mono">{{
                        data.scrap_pct === null ? '–' : `${number(data.scrap_pct, 0)} %`
                    }}</strong>
                    <p class="quiet">{{ data.scrap }} of {{ data.runs }} runs</p>
                </div>
                <div class="card">
                    <p class="quiet">Foreign matter</p>
                    <strong class="mono">{{
                        data.contamination_pct === null ? '–' : `${number(data.contamination_pct, 2)} %`
                    }}</strong>
                    <p class="quiet">of the samples looked through</p>
                </div>
            </section>
            <form class="card fields" @submit.prevent="noteIt">
                <h2 class="wide">What happened</h2>
                <div class="wide steps" role="group" aria-label="It is">
                    <v-btn
                        v-for="t in data.steps"
                        :key="t.kind"
                        :variant="kind === t.kind ? 'flat' : 'outlined'"
                        :aria-pressed="kind === t.kind"
                        :disabled="t.lead_only && session.person?.role !== 'lead'"
                        @click="kind = t.kind"
                        >{{ t.says
                        }}{{
                            t.lead_only && session.person?.role !== 'lead' ? ' (a lead does this)' : ''
                        }}</v-btn
                    >
                </div>
                <TypedField
                    v-if="trial"
                    v-model="worked"
                    dimension="temperature"
                    label="It worked at"
                    :min="20"
                    :max="450"
                />
                <label v-if="step" class="wide"
                    >{{ kind === 'delivery_failed' ? 'What was wrong' : 'Smell, colour, cleanliness, bubbles'
                    }}<input v-model="note" maxlength="1000"
                /></label>
                <PictureField v-if="trial" v-model="picture" label="Picture of the piece" />
                <div v-if="step" class="acts">
                    <v-btn
                        color="primary"
                        type="submit"
                        :disabled="!kind || (trial && worked === null)"
                        :loading="busy"
                        >Note it</v-btn
                    >
                    <p v-if="fault" role="alert" class="fault">{{ sentence(fault) }}</p>
                </div>
            </form>
            <div class="two">
                <section class="card">
                    <h2>Its story</h2>
                    <p v-if="data.events.length === 0" class="quiet">Nothing noted yet.</p>
                    <ol class="story">
                        <li v-for="e in data.events" :key="e.at">
                            <strong>{{ e.says }}</strong><template v-if="e.worked_at_c">
                                at {{ show(e.worked_at_c, 'temperature') }}</template
                            >
                            <span class="quiet">{{ dayText(e.at) }}, {{ e.by }}</span
                            ><br />{{ e.note
                            }}<img
                                v-if="e.picture_id"
                                :src="`/api/v1/pictures/${e.picture_id}`"
                                :alt="`${e.says}, the piece`"
                            />
                        </li>
                    </ol>
                </section>
                <section class="card">
                    <h2>Its lots</h2>
                    <table class="rows">
                        <tbody>
                            <tr v-for="l in data.lots" :key="l.id">
                                <td>
                                    <i class="swatch" :style="{ background: l.swatch }" /><router-link
                                        :to="`/sort/lots/${l.id}`"
                                        >{{ l.code }}</router-link
                                    >
                                </td>
                                <td>{{ l.polymer }}, {{ l.colour }} {{ l.form }}</td>
                                <td class="n mono">{{ show(l.mass_g, 'mass') }}</td>
                            </tr>
                        </tbody>
                    </table>
                </section>
            </div>
        </template>
    </div>
</template>

<style scoped>
.ladder {
    list-style: none;
    padding: 0;
    margin: 0 0 12px;
    display: grid;
    grid-template-columns: repeat(4, 1fr);
    gap: 6px;
}
.ladder li {
    padding: 12px 14px;
    border: 1.5px dashed var(--line);
    border-radius: 4px;
    color: var(--quiet);
    font-weight: 650;
}
.ladder .done {
    border: 1.5px solid var(--good);
    color: var(--good);
}
.ladder .here {
    background: var(--paper);
    font-weight: 700;
    box-shadow: inset 0 -4px 0 var(--good);
}
.may {
    padding: 12px 16px;
    margin-bottom: 12px;
}
.facts {
    display: grid;
    grid-template-columns: repeat(4, 1fr);
    gap: 12px;
    margin-bottom: 12px;
}
.facts strong {
    font-size: 1.5rem;
}
.wide {
    grid-column: 1 / -1;
}
.two {
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: 12px;
    margin-top: 12px;
}
.steps {
    display: flex;
    flex-wrap: wrap;
    gap: 8px;
}
.story {
    padding-left: 18px;
}
.story li {
    margin-bottom: 10px;
}
.story img {
    display: block;
    max-width: 220px;
    border: 1px solid var(--line);
    border-radius: 3px;
    margin-top: 6px;
}
@media (max-width: 1100px) {
    .facts,
    .ladder {
        grid-template-columns: 1fr 1fr;
    }
    .two {
        grid-template-columns: 1fr;
    }
}
</style>
