<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import type { DayLane, Standstill } from '../../api/types';
import { timeOfDay } from '../../parts/units';
import { spanOn } from './day';

/** From when to when a machine stands today because somebody works on it: nothing is planned on it then. */
const props = defineProps<{
    machine: DayLane;
    stands: Standstill | null;
    from: number;
    until: number;
    now: number;
    busy: boolean;
}>();
const emit = defineEmits<{ stands: [from: number, to: number, why: string]; close: [] }>();
const begin = ref('');
const end = ref('');
const why = ref('');
// When it is another, or somebody has said something else: a plan that moves its bars wipes nothing that is being typed.
watch(
    [() => props.machine.id, () => props.stands?.from, () => props.stands?.to, () => props.stands?.why],
    () => {
        const s = props.stands;
        begin.value = timeOfDay(s?.from ?? Math.max(props.now, props.from));
        end.value = timeOfDay(s?.to ?? props.until);
        why.value = s?.why ?? '';
    },
    { immediate: true },
);
const span = computed(() => spanOn(props.from, props.until, begin.value, end.value));
function keep() {
    if (span.value) emit('stands', ...span.value, why.value.trim());
}
</script>

<template>
    <section class="card mt-2" :aria-label="`${machine.name} today`">
        <form class="fields" @submit.prevent="keep">
            <h2 class="wide">{{ machine.name }}, today</h2>
            <label
                ><span>Stands from</span><input v-model="begin" placeholder="10:00" autocomplete="off"
            /></label>
            <label><span>until</span><input v-model="end" placeholder="12:00" autocomplete="off" /></label>
            <label
                ><span>What is done to it</span
                ><input v-model="why" maxlength="200" placeholder="grease the posts" autocomplete="off"
            /></label>
            <div class="acts wide">
                <v-btn type="submit" color="primary" :disabled="busy || span === null">Keep it</v-btn
                ><v-btn
                    v-if="stands"
                    variant="outlined"
                    :disabled="busy"
                    @click="emit('stands', from, from, '')"
                    >It does not stand</v-btn
                ><v-btn variant="outlined" :to="`/shop/machines/${machine.id}`">Its page</v-btn
                ><v-btn variant="text" @click="emit('close')">Not now</v-btn>
            </div>
        </form>
    </section>
</template>

<style scoped>
.wide {
    grid-column: 1 / -1;
}
</style>
