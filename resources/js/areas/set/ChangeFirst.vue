<script setup lang="ts">
import { computed, ref } from 'vue';
import { useRouter } from 'vue-router';
import { api } from '../../api/client';
import { newKey } from '../../api/queue';
import type { Change, ChangeDue } from '../../api/types';
import TypedField from '../../parts/TypedField.vue';
import { minutesText, show } from '../../parts/units';
import { sentence, useSend } from '../../parts/useSend';
import { useThisSetting } from './useSetting';

/** What stands between what the machine holds and this job, before anybody starts; it is begun from here. */
const props = defineProps<{ due: ChangeDue }>();
const router = useRouter();
const { body } = useThisSetting();
const people = ref(1);
const heat = ref<number | null>(null);
const { busy, fault, send } = useSend();
const possible = computed(() => props.due.total_min !== null);
async function begin() {
    const change = await send(() =>
        api.post<Change>('changes', {
            ...body.value,
            id: newKey(),
            people: people.value,
            heat_c: heat.value,
        }),
    );
    if (change) await router.push(`/change/${change.id}`);
}
</script>

<template>
    <section class="card" aria-labelledby="change-first">
        <h2 id="change-first">Change it over first</h2>
        <p v-if="due.stop" class="doubt"><span aria-hidden="true">▲</span> {{ due.stop }}</p>
        <p v-if="possible">
            <strong>{{ due.holds ? `It holds ${due.holds}.` : 'The mould is not in.' }}</strong>
            {{ minutesText(due.total_min ?? 0) }} to the first good part,
            {{ minutesText(due.hands_min) }} with your hands<template v-if="due.purge_g > 0"
                >, {{ show(due.purge_g, 'mass') }} purged</template
            >.
            <span v-if="due.likely_from_min !== null && due.likely_to_min !== null" class="quiet"
                >Likely {{ minutesText(due.likely_from_min) }} to {{ minutesText(due.likely_to_min) }}, as the
                last {{ due.known_from }} went.</span
            >
        </p>
        <v-btn v-if="due.open" color="primary" :to="`/change/${due.open}`">Go on with the change</v-btn>
        <template v-else-if="possible">
            <div class="fields two">
                <TypedField v-model="heat" label="Barrel now, if not cold" dimension="temperature" />
                <label
                    ><span>Who works on it</span
                    ><select v-model.number="people">
                        <option :value="1">one</option>
                        <option :value="2">two</option>
                    </select></label
                >
            </div>
            <p v-if="fault" class="doubt" role="alert">{{ sentence(fault) }}</p>
            <v-btn color="secondary" :loading="busy" @click="begin">Begin the change</v-btn>
        </template>
    </section>
</template>

<style scoped>
.two {
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: 10px;
    margin: 8px 0;
}
</style>
