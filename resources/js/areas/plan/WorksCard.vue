<script setup lang="ts">
import type { DayWork } from '../../api/types';
import { minutesText, momentText } from '../../parts/units';

/** What waits to be finished: work for hands that would wait, planned into their day. */
const props = defineProps<{ works: DayWork[]; now: number }>();
const when = (moment: number) => momentText(moment, props.now);
</script>

<template>
    <section v-if="works.length" class="card" aria-labelledby="works">
        <h2 id="works">To finish, while others heat and cool</h2>
        <div v-for="w in works" :key="w.id" class="work">
            <p>
                <strong>{{ w.count }} ×</strong> {{ w.says }}
            </p>
            <p v-if="w.starts !== null && w.ends !== null" class="num">
                {{ when(w.starts) }} to <strong>{{ when(w.ends) }}</strong>, {{ minutesText(w.hands_min) }} of
                hands
                <span v-if="w.due !== null" class="quiet">ordered for {{ when(w.due) }}</span>
            </p>
            <p v-for="h in w.holds" :key="h" class="short"><span aria-hidden="true">▲</span> {{ h }}</p>
        </div>
        <router-link to="/goods">Say what is finished</router-link>
    </section>
</template>

<style scoped>
.work {
    padding: 6px 0;
    border-bottom: 1px solid var(--line);
}
.short {
    color: var(--alarm);
    font-weight: 650;
}
a {
    display: inline-block;
    min-height: 44px;
    line-height: 44px;
}
</style>
