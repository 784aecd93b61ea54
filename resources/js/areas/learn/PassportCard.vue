<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query';
import { computed, reactive, watch } from 'vue';
import { api } from '../../api/client';
import { newKey } from '../../api/queue';
import { session } from '../../api/session';
import type { Passport } from '../../api/types';
import { sentence, useSend } from '../../parts/useSend';

/** What is shown of a run's parts to whoever has their code: nothing, until a lead ticks it. */
const props = defineProps<{ run: string }>();
const key = ['passport', props.run];
const client = useQueryClient();
const { data: passport } = useQuery({
    queryKey: key,
    queryFn: () => api.get<Passport>(`runs/${props.run}/passport`),
});
const lead = computed(() => session.person?.role === 'lead');
const SHOWS: [Passport['shows'][number], string][] = [
    ['name', 'What it is'],
    ['mark', 'Plastic, with its mark'],
    ['sources', 'Where the material came from'],
    ['made', 'How it was made, and when'],
    ['kept', 'Grams kept from waste'],
];
const ticked = reactive({ shows: [] as Passport['shows'], waste: [] as number[] });
watch(
    passport,
    (is) => {
        if (is) Object.assign(ticked, { shows: [...is.shows], waste: [...is.waste] });
    },
    { immediate: true },
);
const same = (a: unknown[], b: unknown[]) => a.length === b.length && a.every((x) => b.includes(x));
const changed = computed(
    () =>
        !same(ticked.shows, passport.value?.shows ?? []) || !same(ticked.waste, passport.value?.waste ?? []),
);
const { busy, fault, send } = useSend();
const save = (shows = ticked.shows) =>
    send(async () => {
        const now = await api.post<Passport>(`runs/${props.run}/passport`, {
            id: newKey(),
            before: passport.value?.id ?? null,
            shows,
            waste: ticked.waste,
        });
        client.setQueryData(key, now);
    });
</script>

<template>
    <section v-if="passport && (lead || passport.address)" class="card" aria-labelledby="passport">
        <h2 id="passport">Passport of its parts</h2>
        <p class="quiet">
            {{
                passport.address
                    ? `Anybody who has its code sees what is ticked, and nothing else. Given by ${passport.by}.`
                    : 'Nobody outside the shop sees anything of it.'
            }}
        </p>
        <p v-if="passport.address" class="address">
            <a :href="passport.address" target="_blank" rel="noopener">{{ passport.address }}</a>
        </p>
        <fieldset v-if="lead" class="ticks">
            <legend class="sr">What is shown</legend>
            <label v-for="[id, label] in SHOWS" :key="id">
                <input
                    v-model="ticked.shows"
                    type="checkbox"
                    :value="id"
                    :disabled="id === 'kept' && !passport.weighed"
                />
                {{ label }}
            </label>
            <p v-if="!passport.weighed" class="quiet">
                Nobody weighed a part of it: what it keeps is not known.
            </p>
            <template v-if="ticked.shows.includes('kept')">
                <p><strong>Of these, what would have been waste</strong></p>
                <label v-for="s in passport.sources" :key="s.id">
                    <input v-model="ticked.waste" type="checkbox" :value="s.id" />
                    {{ s.name }}
                </label>
            </template>
        </fieldset>
        <p v-if="fault" role="alert" class="bad">{{ sentence(fault) }}</p>
        <div class="acts">
            <v-btn v-if="lead" color="primary" :disabled="!changed || busy" @click="save()">{{
                ticked.shows.length > 0 || !passport.address ? 'Show what is ticked' : 'Take it back'
            }}</v-btn>
            <v-btn v-if="lead && passport.address" variant="outlined" :disabled="busy" @click="save([])"
                >Take it back</v-btn
            >
            <v-btn
                v-if="passport.address"
                variant="outlined"
                :href="`/api/v1/runs/${run}/passport.pdf`"
                target="_blank"
                >Label with its code</v-btn
            >
        </div>
    </section>
</template>

<style scoped>
.ticks {
    border: 0;
    padding: 0;
    margin: 0;
}
label {
    display: flex;
    align-items: center;
    gap: 10px;
    min-height: var(--touch);
}
label input {
    width: 22px;
    height: 22px;
    accent-color: var(--ember);
}
.address {
    overflow-wrap: anywhere;
}
.acts {
    display: flex;
    flex-wrap: wrap;
    gap: 10px;
    margin-top: 10px;
}
.bad {
    color: var(--alarm);
}
</style>
