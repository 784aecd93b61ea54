<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query';
import { computed, reactive } from 'vue';
import { api } from '../../api/client';
import { newKey } from '../../api/queue';
import type { Leftover, Lot } from '../../api/types';
import TypedField from '../../parts/TypedField.vue';
import { show } from '../../parts/units';
import { sentence, useSend } from '../../parts/useSend';

/** What a run left besides good pieces: by one touch it is a lot again, labelled, and followed from its sacks. */
const props = defineProps<{ run: string }>();
const client = useQueryClient();
const { data } = useQuery({
    queryKey: ['leftovers', props.run],
    queryFn: () => api.list<Leftover>(`runs/${props.run}/leftovers`),
});
/** what is put in: by the log, until somebody weighs it */
const masses = reactive<Record<string, number | null>>({});
const massOf = (of: Leftover) => masses[of.id] ?? of.mass_g;
const keys: Record<string, string> = {};
const open = computed(() => (data.value ?? []).filter((of) => of.kept.length === 0));
const kept = computed(() => (data.value ?? []).filter((of) => of.kept.length > 0));
const { busy, fault, send } = useSend();
async function keep(of: Leftover) {
    keys[of.id] ??= newKey();
    const made = await send(() =>
        api.post<Lot>(`runs/${props.run}/leftovers`, {
            id: keys[of.id],
            leftover: of.id,
            mass_g: massOf(of),
        }),
    );
    if (!made) return;
    delete keys[of.id];
    await client.invalidateQueries({ queryKey: ['leftovers', props.run] });
}
</script>

<template>
    <section v-if="data && data.length > 0" class="left" aria-label="What is left of it">
        <h3>What is left of it</h3>
        <p class="quiet">
            What is clean goes into a tub of its own, with its label. What fell on the floor is waste.
        </p>
        <ul>
            <li v-for="of in open" :key="of.id">
                <div>
                    <strong>{{ of.title }}</strong>
                    <p class="quiet">{{ of.because }}</p>
                </div>
                <div class="fields">
                    <TypedField
                        :model-value="massOf(of)"
                        dimension="mass"
                        label="On the scale"
                        :min="0.1"
                        @update:model-value="(g) => (masses[of.id] = g)"
                    />
                </div>
                <v-btn color="primary" size="large" :disabled="busy" @click="keep(of)">Into a tub</v-btn>
            </li>
            <li v-for="of in kept" :key="of.id">
                <div>
                    <strong>{{ of.title }}</strong>
                </div>
                <p v-for="tub in of.kept" :key="tub.lot ?? ''">
                    <RouterLink :to="`/sort/lots/${tub.lot_id}`">{{ tub.lot }}</RouterLink>
                    {{ show(tub.mass_g ?? 0, 'mass') }}
                </p>
            </li>
        </ul>
        <p v-if="fault" role="alert" class="fault">{{ sentence(fault) }}</p>
    </section>
</template>

<style scoped>
.left {
    margin-top: 18px;
    max-width: 760px;
}
ul {
    list-style: none;
    padding: 0;
    margin: 8px 0 0;
}
li {
    display: grid;
    grid-template-columns: minmax(0, 1fr) 190px auto;
    gap: 8px 14px;
    align-items: end;
    padding: 8px 0;
    border-top: 1px solid var(--line);
}
@media (max-width: 700px) {
    li {
        grid-template-columns: minmax(0, 1fr);
    }
}
</style>
