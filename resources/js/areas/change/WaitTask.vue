<script setup lang="ts">
import { computed, ref } from 'vue';
import type { ChangeTask } from '../../api/types';
import TypedField from '../../parts/TypedField.vue';
import { clockText, show, timeOfDay } from '../../parts/units';
import { isDue } from './change';

/** What goes on by itself: begun by a touch, over by what was read or by its time. */
const props = defineProps<{ task: ChangeTask; now: number; busy: boolean }>();
const emit = defineEmits<{ say: [kind: string, said: object] }>();
const read = ref<number | null>(null);
const left = computed(() => props.task.to - props.now);
const runs = computed(() => props.task.state === 'under_way');
const due = computed(() => isDue(props.task, props.now));
const asks = computed(() => props.task.task.asks === 'temperature');
const late = computed(() => runs.value && left.value <= 0);
</script>

<template>
    <section :class="['card', 'wait', { due: due || late }]" :aria-label="task.task.title">
        <h3>{{ task.task.title }}</h3>
        <p v-if="runs">
            <strong class="clock num">{{ left > 0 ? clockText(left) : 'time is over' }}</strong>
            <span class="quiet"> {{ left > 0 ? 'left, ' : '' }}until {{ timeOfDay(task.to) }}</span>
        </p>
        <p v-else-if="due"><strong>Begin it now.</strong> {{ task.task.do }}</p>
        <p v-else class="quiet">
            Begin it at {{ timeOfDay(task.from) }}, not sooner: {{ clockText(task.from - now) }} from now.
        </p>
        <form
            v-if="runs && asks"
            class="fields"
            @submit.prevent="read !== null && emit('say', 'over', { c: read })"
        >
            <TypedField
                v-model="read"
                :label="`Coolest, wanted ${show(task.task.set_c, 'temperature')}`"
                dimension="temperature"
            />
            <v-btn type="submit" color="primary" size="large" :disabled="busy || read === null"
                >It is there</v-btn
            >
        </form>
        <v-btn
            v-else-if="runs"
            color="primary"
            size="large"
            :disabled="busy || left > 30"
            @click="emit('say', 'over', {})"
            >It is over</v-btn
        >
        <v-btn
            v-else
            :color="due ? 'primary' : undefined"
            :variant="due ? 'flat' : 'outlined'"
            size="large"
            :disabled="busy"
            @click="emit('say', 'begun', {})"
            >Begun</v-btn
        >
    </section>
</template>

<style scoped>
.wait {
    display: grid;
    gap: 8px;
}
.due {
    border-left: 6px solid var(--ember-strong);
}
.clock {
    font-size: 1.5rem;
    margin-right: 8px;
}
form {
    display: grid;
    gap: 8px;
}
</style>
