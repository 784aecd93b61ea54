<script setup lang="ts">
import { useQueryClient } from '@tanstack/vue-query';
import { ref } from 'vue';
import { api } from '../../api/client';
import type { Source, SourceCard } from '../../api/types';
import { dayText } from '../../parts/units';
import { sentence, useSend } from '../../parts/useSend';
import TrustRungs from './TrustRungs.vue';

/** Who brings it: those that came before, the latest first, or somebody new. */
defineProps<{ sources: SourceCard[]; chosen: number | null }>();
const emit = defineEmits<{ choose: [source: SourceCard] }>();
const queries = useQueryClient();
const adding = ref(false);
const name = ref('');
const { busy, fault, send } = useSend();
async function add() {
    const made = await send(() => api.post<Source>('sources', { name: name.value.trim(), note: '' }));
    if (!made) return;
    [adding.value, name.value] = [false, ''];
    await queries.invalidateQueries({ queryKey: ['sources'] });
    emit('choose', {
        ...made,
        held_g: 0,
        brought: [],
        every_days: null,
        trial_lot: null,
        steps: [],
    });
}
const came = (s: SourceCard) =>
    s.brought[0] === undefined
        ? 'brought nothing yet'
        : `last ${dayText(s.brought[0].at)}${s.every_days ? `, every ${Math.round(s.every_days)} days` : ''}`;
</script>

<template>
    <div class="tiles" role="group" aria-label="Who brings it">
        <button
            v-for="s in sources"
            :key="s.id"
            type="button"
            class="tile"
            :aria-pressed="s.id === chosen"
            @click="emit('choose', s)"
        >
            <strong>{{ s.name }}</strong>
            <span class="quiet">{{ came(s) }}</span>
            <TrustRungs :state="s.state" class="quiet" />
        </button>
        <button v-if="!adding" type="button" class="tile new" @click="adding = true">
            <strong>+ Somebody new</strong><span class="quiet">begins on trial</span>
        </button>
        <div v-else class="fields tile">
            <label
                >Name of the source<input
                    v-model="name"
                    maxlength="80"
                    autocomplete="off"
                    @keydown.enter.prevent="add"
            /></label>
            <div class="acts">
                <v-btn color="primary" :loading="busy" :disabled="!name.trim()" @click="add"
                    >Add, on trial</v-btn
                ><v-btn variant="text" @click="adding = false">Not now</v-btn>
            </div>
            <p v-if="fault" role="alert" class="fault">{{ sentence(fault) }}</p>
        </div>
    </div>
</template>
