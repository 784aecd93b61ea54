<script setup lang="ts">
import type { Case } from '../../api/types';
import { timeOfDay } from '../../parts/units';
import { changeWords, lastJudged } from './case';

/** What was changed for this piece, and whether that was it. */
defineProps<{ changes: Case['changes']; busy: boolean }>();
const emit = defineEmits<{ back: [] }>();
</script>

<template>
    <section class="card" aria-labelledby="changed">
        <h2 id="changed">Changed so far</h2>
        <p v-for="m in changes" :key="m.at">
            {{ timeOfDay(m.at) }} {{ changeWords(m) }}
            <span :class="['tag', m.worked === true ? 'good' : m.worked === false ? 'bad' : '']">{{
                m.unclear
                    ? 'cause unknown'
                    : m.worked === null
                      ? 'not judged yet'
                      : m.worked
                        ? `it was: ${m.cause.toLowerCase()}`
                        : 'it was not that'
            }}</span>
        </p>
        <button v-if="lastJudged(changes)" type="button" class="plain" :disabled="busy" @click="emit('back')">
            Take the last judgement back
        </button>
    </section>
</template>
