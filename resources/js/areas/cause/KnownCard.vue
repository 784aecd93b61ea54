<script setup lang="ts">
import type { Case } from '../../api/types';
import { label } from './case';

/** What nobody had to be asked for, each with where it is known from, and what people answered. */
defineProps<{ about: Case }>();
</script>

<template>
    <section class="card" aria-labelledby="known">
        <h2 id="known">Known without asking</h2>
        <p v-if="about.known.length === 0" class="quiet">Nothing was logged that would tell.</p>
        <dl>
            <div v-for="s in about.known" :key="s.signal" :title="s.meaning">
                <dt>
                    {{ s.signal.replaceAll('_', ' ') }}
                    <small class="quiet">{{ s.from }}</small>
                </dt>
                <dd>{{ s.value }}</dd>
            </div>
            <div v-for="a in about.answers" :key="a.question">
                <dt>{{ a.asked }}</dt>
                <dd>{{ label(a.answer) }}</dd>
            </div>
        </dl>
    </section>
</template>

<style scoped>
dl {
    margin: 6px 0 0;
}
dl div {
    display: flex;
    justify-content: space-between;
    gap: 14px;
    padding: 6px 0;
    border-bottom: 1px solid var(--line);
}
dt small {
    display: block;
}
dd {
    margin: 0;
    font-weight: 650;
    text-align: right;
}
</style>
