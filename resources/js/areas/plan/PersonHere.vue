<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import type { DayLane } from '../../api/types';
import { timeOfDay } from '../../parts/units';
import { spanOn } from './day';

/** From when to when somebody is here today; one tap for who is ill. */
const props = defineProps<{ person: DayLane; from: number; until: number; busy: boolean }>();
const emit = defineEmits<{ here: [from: number, to: number]; close: [] }>();
const begin = ref('');
const end = ref('');
// When it is another, or somebody has said something else: a plan that moves their bars wipes nothing that is being typed.
watch(
    [() => props.person.id, () => props.person.here_from, () => props.person.here_to],
    () => {
        const p = props.person;
        const away = (p.here_to ?? 0) <= (p.here_from ?? 0);
        begin.value = timeOfDay(away ? props.from : p.here_from!);
        end.value = timeOfDay(away ? props.until : p.here_to!);
    },
    { immediate: true },
);
const span = computed(() => spanOn(props.from, props.until, begin.value, end.value));
function keep() {
    if (span.value) emit('here', ...span.value);
}
</script>

<template>
    <section class="card mt-2" :aria-label="`${person.name} today`">
        <form class="fields" @submit.prevent="keep">
            <h2 class="wide">{{ person.name }}, today</h2>
            <label
                ><span>Here from</span><input v-model="begin" placeholder="8:00" autocomplete="off"
            /></label>
            <label><span>until</span><input v-model="end" placeholder="17:00" autocomplete="off" /></label>
            <div class="acts">
                <v-btn type="submit" color="primary" :disabled="busy || span === null">Keep it</v-btn
                ><v-btn variant="outlined" :disabled="busy" @click="emit('here', from, from)"
                    >Not here today</v-btn
                ><v-btn variant="text" @click="emit('close')">Not now</v-btn>
            </div>
        </form>
    </section>
</template>
