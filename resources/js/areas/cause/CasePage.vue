<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query';
import { computed } from 'vue';
import { useRoute } from 'vue-router';
import { api } from '../../api/client';
import { newKey } from '../../api/queue';
import type { Case } from '../../api/types';
import { dayText, number, timeOfDay } from '../../parts/units';
import { sentence, useSend } from '../../parts/useSend';
import CauseList from './CauseList.vue';
import ChangesMade from './ChangesMade.vue';
import KnownCard from './KnownCard.vue';
import QuestionCard from './QuestionCard.vue';
import './cause.css';
import { changeWords, outcomeWords, standing, takeWords } from './case';

/** One bad piece: what is likeliest, one question, one change, and whether that was it. */
const route = useRoute();
const id = computed(() => String(route.params.id));
const client = useQueryClient();
const found = useQuery({
    queryKey: computed(() => ['case', id.value]),
    queryFn: () => api.get<Case>(`cases/${id.value}`),
});
const about = computed(() => found.data.value ?? null);
const question = computed(() => about.value?.ranking.next_question ?? null);
const change = computed(() => about.value?.ranking.next_change ?? null);
const waiting = computed(() => (about.value ? standing(about.value.changes) : []));
const { busy, fault, send } = useSend();
let key = newKey();
async function add(kind: string, said: object = {}) {
    const now = await send(() =>
        api.post<Case>(`cases/${id.value}/entries`, {
            id: key,
            after: about.value?.after ?? 0,
            kind,
            ...said,
        }),
    );
    key = newKey();
    if (now) client.setQueryData(['case', id.value], now);
    else await found.refetch();
}
</script>

<template>
    <div class="page">
        <p v-if="!about" class="card quiet">
            {{ found.isPending.value ? 'Looking it up …' : 'There is no such case.' }}
        </p>
        <template v-else>
            <div class="page-head">
                <div>
                    <h1>{{ about.defects.map((d) => d.name).join(', ') }}</h1>
                    <p class="quiet">
                        <router-link :to="`/learn/${about.run.id}`"
                            >{{ about.product }}, run {{ about.run.number }}</router-link
                        >{{ about.piece === null ? '' : `, piece ${about.piece}` }} · {{ about.machine }} ·
                        {{ dayText(about.at) }}, {{ about.by }}
                    </p>
                </div>
                <v-btn v-if="!about.closed" variant="text" @click="add('closed')">Close it</v-btn>
                <span v-else class="tag">closed</span>
            </div>
            <p v-for="c in about.ranking.cautions" :key="c" class="card caution">
                <span aria-hidden="true">▲</span> {{ c }}
            </p>
            <p v-if="fault" class="card fault" role="alert">{{ sentence(fault) }}</p>
            <div class="two">
                <CauseList :about="about" />
                <div class="stack">
                    <section v-if="waiting.length > 0" class="card cause judge" aria-labelledby="judge">
                        <h2 id="judge">Was that it?</h2>
                        <p v-for="m in waiting" :key="m.at">
                            <strong>{{ changeWords(m) }}</strong> at {{ timeOfDay(m.at) }}
                            <span v-if="m.unclear" class="tag bad">cause unknown</span>
                        </p>
                        <p>{{ outcomeWords(about) }}</p>
                        <div class="big">
                            <v-btn
                                size="x-large"
                                :color="about.says_worked === true ? 'primary' : undefined"
                                :variant="about.says_worked === true ? 'flat' : 'outlined'"
                                :disabled="busy"
                                @click="add('judged', { worked: true })"
                                >It worked</v-btn
                            ><v-btn
                                size="x-large"
                                :color="about.says_worked === false ? 'primary' : undefined"
                                :variant="about.says_worked === false ? 'flat' : 'outlined'"
                                :disabled="busy"
                                @click="add('judged', { worked: false })"
                                >It did not</v-btn
                            >
                        </div>
                        <p class="quiet">
                            One change at a time tells what it was. A second one now can be made, and neither
                            will.
                        </p>
                    </section>
                    <section
                        v-if="change && !about.closed"
                        :class="['card', 'cause', { change: waiting.length === 0 }]"
                        aria-labelledby="change"
                    >
                        <h2 id="change">Change one thing</h2>
                        <p class="do">{{ changeWords(change) }}</p>
                        <p>{{ change.because }}</p>
                        <p class="quiet">{{ change.note }}</p>
                        <p class="quiet">Not past: {{ change.limit }}. Takes {{ change.effort }}.</p>
                        <div class="big">
                            <v-btn
                                v-if="about.take"
                                size="x-large"
                                color="primary"
                                :disabled="busy"
                                @click="add('changed', { parameter: change.parameter, keep: true })"
                                >Into the next set-up</v-btn
                            ><v-btn
                                size="x-large"
                                :color="about.take ? undefined : 'primary'"
                                :variant="about.take ? 'outlined' : 'flat'"
                                :disabled="busy"
                                @click="
                                    add('changed', {
                                        parameter: change.parameter,
                                        from: change.from,
                                        to: change.to,
                                    })
                                "
                                >{{ about.take ? 'Changed by hand' : 'It is done' }}</v-btn
                            >
                        </div>
                        <p v-if="about.take" class="quiet">{{ takeWords(about.take) }}</p>
                    </section>
                    <QuestionCard
                        v-if="question && !about.closed"
                        :key="question.id"
                        :question="question"
                        :bands="about.bands"
                        :title="change ? 'To be surer' : 'First'"
                        :busy="busy"
                        @answer="add"
                    />
                    <p v-if="!question && !change && !about.closed" class="card">
                        {{ about.ranking.explanation }}
                    </p>
                    <p v-for="w in about.ranking.warnings" :key="w" class="card quiet">{{ w }}</p>
                    <KnownCard :about="about" />
                    <ChangesMade
                        v-if="about.changes.length > 0"
                        :changes="about.changes"
                        :busy="busy"
                        @back="add('withdrawn')"
                    />
                    <section v-if="about.shop.length > 0" class="card" aria-labelledby="shop-saw">
                        <h2 id="shop-saw">What this shop has seen</h2>
                        <p v-for="s in about.shop" :key="`${s.defect}${s.cause}`">
                            {{ s.cause }}: {{ s.confirmed }} times it was, {{ s.failed }} times not
                            <span class="quiet"
                                >(started from {{ number(100 * s.shipped, 0) }} %, now
                                {{ number(100 * s.prior, 0) }} %)</span
                            >
                        </p>
                    </section>
                </div>
            </div>
        </template>
    </div>
</template>

<style scoped>
.two {
    display: grid;
    grid-template-columns: minmax(0, 1fr) minmax(0, 1.1fr);
    gap: var(--gap);
    align-items: start;
}
.stack {
    display: grid;
    gap: var(--gap);
}
.change,
.judge {
    border-left: 6px solid var(--ember-strong);
}
.caution {
    margin-bottom: 10px;
}
@media (max-width: 1000px) {
    .two {
        grid-template-columns: minmax(0, 1fr);
    }
    .stack {
        order: -1;
    }
}
</style>
