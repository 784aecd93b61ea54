<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query';
import { computed, ref } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { api } from '../../api/client';
import type { Polymer } from '../../api/types';
import AnswerTables from './AnswerTables.vue';
import { save } from './asFile';
import CalcForm from './CalcForm.vue';
import KeptTable from './KeptTable.vue';
import { encode } from './link';
import { onwardOf } from './onward';
import ReckonList from './ReckonList.vue';
import ResultDrawing from './ResultDrawing.vue';
import type { Entry } from './schema';
import TakeFrom from './TakeFrom.vue';
import { useReckon } from './useReckon';

const route = useRoute();
const router = useRouter();
const { data: entries } = useQuery({
    queryKey: ['calc'],
    queryFn: () => api.list<Entry>('calc'),
    staleTime: Infinity,
});
const { data: polymers } = useQuery({
    queryKey: ['polymers'],
    queryFn: () => api.list<Polymer>('polymers'),
});
const codes = computed(() => (polymers.value ?? []).filter((p) => p.morphology !== null).map((p) => p.code));
const name = computed(() => String(route.params.name ?? ''));
const reckon = useReckon(name, entries);
const { entry, schema, input, result, answered, fault, compared, progress, keep, drop, reopen } = reckon;
const onward = computed(() => onwardOf(name.value, answered.value, result.value, entries.value ?? []));
const said = ref('');
async function link() {
    await router.replace({ query: { i: encode(input.value) } });
    await navigator.clipboard?.writeText(location.href).catch(() => undefined);
    said.value = 'The address above opens exactly this. It is copied.';
}
</script>

<template>
    <div class="page">
        <div class="page-head">
            <div>
                <h1>Reckon</h1>
                <p class="quiet">A scratch bench: an answer without a job. Nothing here is logged.</p>
            </div>
        </div>
        <div class="bench">
            <ReckonList :entries="entries" :name="name" />
            <div v-if="!name" class="card">
                <h2>Choose a question at the left</h2>
                <p class="quiet">Each opens with numbers that work; move them and the answer follows.</p>
            </div>
            <div v-else-if="entries && !entry" class="card" role="alert">
                <h2>Nothing is reckoned by the name “{{ name }}”</h2>
                <p class="quiet">
                    The link may be of another release, or cut off. What there is stands at the left.
                </p>
            </div>
            <template v-else-if="schema && entry">
                <section class="card ask" aria-label="What is known">
                    <h2>{{ entry.title }}</h2>
                    <p class="quiet">{{ entry.purpose }}</p>
                    <TakeFrom v-model="input" :schema="schema" />
                    <CalcForm
                        v-model="input"
                        :shape="schema.input"
                        :polymers="codes"
                        :fault="fault"
                        class="mt-3"
                    />
                </section>
                <div class="answers">
                    <section class="card" aria-label="The answer" aria-live="polite">
                        <p v-if="fault" class="fault" role="alert">
                            <span aria-hidden="true">▲</span>
                            <strong>{{ fault.field.replaceAll('_', ' ') }}</strong> {{ fault.message }}
                        </p>
                        <div v-if="result" :class="{ stale: fault }">
                            <p class="says">{{ result.explanation }}</p>
                            <p v-for="w in result.warnings as string[]" :key="w" class="fault">
                                <span aria-hidden="true">▲</span> {{ w }}
                            </p>
                            <ResultDrawing :name="name" :input="answered" :result="result" />
                            <AnswerTables :name="name" :schema="schema" :result="result" />
                        </div>
                        <p v-if="onward.length > 0" class="onward">
                            Go on with it:
                            <router-link v-for="o in onward" :key="o.title" :to="o.to">{{
                                o.title
                            }}</router-link>
                        </p>
                        <p v-if="(!result && !fault) || progress !== null" class="quiet">
                            {{ name === 'mesh.measure' ? 'Reading every facet …' : 'Reckoning …'
                            }}<template v-if="progress !== null"
                                ><progress :value="progress" max="1" aria-label="How far the answer is" />
                                {{ Math.round(100 * progress) }} %</template
                            >
                        </p>
                        <div class="acts">
                            <v-btn color="primary" :disabled="!result || fault !== null" @click="keep"
                                >Keep</v-btn
                            ><v-btn variant="outlined" @click="link">Link to this</v-btn
                            ><v-btn
                                variant="outlined"
                                :disabled="!result"
                                @click="save('json', name, answered, result ?? {})"
                                >JSON</v-btn
                            ><v-btn
                                variant="outlined"
                                :disabled="!result"
                                @click="save('csv', name, answered, result ?? {})"
                                >CSV</v-btn
                            >
                        </div>
                        <p v-if="said" role="status" class="quiet">{{ said }}</p>
                    </section>
                    <KeptTable
                        v-if="compared.length > 0"
                        :compared="compared"
                        :schema="schema"
                        @open="reopen"
                        @drop="drop"
                    />
                </div>
            </template>
        </div>
    </div>
</template>

<style scoped>
.bench {
    display: grid;
    grid-template-columns: 200px minmax(320px, 5fr) minmax(0, 8fr);
    gap: 14px;
    align-items: start;
}
.bench > .card:nth-child(2):last-child {
    grid-column: 2 / -1;
}
.onward {
    margin-top: 12px;
    display: flex;
    gap: 14px;
    flex-wrap: wrap;
}
.ask {
    min-width: 0;
}
.answers {
    display: grid;
    grid-template-columns: minmax(0, 1fr);
    gap: 14px;
    min-width: 0;
}
.says {
    font-size: 1.12rem;
    font-weight: 600;
}
.stale {
    opacity: 0.5;
}
.fault {
    color: var(--alarm);
    font-weight: 650;
    margin-bottom: 6px;
}
.acts {
    display: flex;
    gap: 10px;
    margin-top: 16px;
    flex-wrap: wrap;
}
@media (max-width: 1180px) {
    .bench {
        grid-template-columns: 1fr;
    }
}
</style>
