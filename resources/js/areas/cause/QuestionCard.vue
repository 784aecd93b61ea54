<script setup lang="ts">
import { ref } from 'vue';
import type { Case, CauseRanking } from '../../api/types';
import TypedField from '../../parts/TypedField.vue';
import { label } from './case';
import './cause.css';

/** The one question that would tell most: by yes, no or can't tell, by a band, or by what is read. */
const props = defineProps<{
    question: NonNullable<CauseRanking['next_question']>;
    bands: Case['bands'];
    title: string;
    busy: boolean;
}>();
const emit = defineEmits<{ answer: [kind: 'answered' | 'read', said: object] }>();
const reading = ref<number | null>(null);
const answer = (word: string) =>
    props.question.kind === 'ask'
        ? emit('answer', 'answered', { question: props.question.id, answer: word })
        : emit('answer', 'read', { signal: props.question.id, word });
</script>

<template>
    <section class="card cause" aria-labelledby="question">
        <h2 id="question">{{ title }}</h2>
        <p class="do">{{ question.text }}</p>
        <div v-if="question.choices.length > 0" :class="['big', { many: question.choices.length > 3 }]">
            <v-btn
                v-for="c in question.choices"
                :key="c"
                variant="outlined"
                :size="question.choices.length > 3 ? 'large' : 'x-large'"
                :disabled="busy"
                @click="answer(c)"
                >{{ label(c) }}</v-btn
            >
        </div>
        <template v-else>
            <div class="big many">
                <v-btn
                    v-for="b in bands"
                    :key="b.says"
                    variant="outlined"
                    size="large"
                    :disabled="busy"
                    @click="emit('answer', 'read', { signal: question.id, number: b.value })"
                    >{{ b.says }}</v-btn
                >
            </div>
            <form
                class="fields"
                @submit.prevent="
                    reading !== null && emit('answer', 'read', { signal: question.id, number: reading })
                "
            >
                <TypedField v-model="reading" label="Or what it reads" dimension="number" signed />
                <div class="acts">
                    <v-btn type="submit" variant="outlined" :disabled="reading === null || busy"
                        >That is it</v-btn
                    >
                </div>
            </form>
        </template>
        <button
            v-if="question.kind === 'read'"
            type="button"
            class="plain"
            :disabled="busy"
            @click="emit('answer', 'read', { signal: question.id })"
        >
            Can't tell
        </button>
    </section>
</template>
