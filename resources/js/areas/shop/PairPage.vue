<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query';
import { computed, ref, watch } from 'vue';
import { useRoute } from 'vue-router';
import { api } from '../../api/client';
import { session } from '../../api/session';
import type { Machine, Pairing } from '../../api/types';
import { useNow } from '../../parts/clock';
import { clockText } from '../../parts/units';
import { sentence, useSend } from '../../parts/useSend';
import { title } from '../reckon/schema';

/** The code on an instrument was scanned: what asks by it, and at which machine it hangs. */
const AGAIN_MS = 2000;
const route = useRoute();
const now = useNow();
const code = computed(() => String(route.params.code).toUpperCase());
const lead = computed(() => session.person?.role === 'lead');
const at = ref<number | null>(Number(route.query.at) || null);
watch(
    () => route.query.at,
    (machine) => (at.value = Number(machine) || null),
);
const asks = useQuery({
    queryKey: computed(() => ['pairing', code.value]),
    queryFn: () => api.list<Pairing>(`pairings?code=${code.value}`),
    enabled: lead,
    refetchInterval: (query) => (query.state.data?.[0]?.let_in ? false : AGAIN_MS),
});
const found = computed(() => asks.data.value?.[0] ?? null);
const all = useQuery({ queryKey: ['machines'], queryFn: () => api.list<Machine>('machines') });
const machines = computed(() =>
    (all.data.value ?? []).filter((m) => !m.retired).sort((a, b) => a.name.localeCompare(b.name)),
);
const machine = computed(() => machines.value.find((m) => m.id === at.value) ?? null);
const { busy, fault, send } = useSend();
async function pair() {
    const kept = await send(() => api.post<Pairing>(`pairings/${code.value}`, { machine_id: at.value }));
    if (kept) await asks.refetch();
}
</script>

<template>
    <div class="page">
        <div class="page-head">
            <div>
                <h1>Pair an instrument</h1>
                <p class="quiet">I-{{ code }}</p>
            </div>
        </div>
        <section class="card" aria-live="polite">
            <p v-if="!lead">A lead pairs instruments: ask one to scan this code.</p>
            <p v-else-if="asks.isLoading.value">Looking for it …</p>
            <template v-else-if="found === null">
                <h2>No instrument asks by this code</h2>
                <p>
                    Switch it on and wait a moment: this page looks again by itself. It has to know where the
                    shop answers, and asks every few seconds until it is paired.
                </p>
            </template>
            <template v-else-if="found.machine === null">
                <h2>{{ found.name }}</h2>
                <p class="quiet">
                    Asks from {{ found.address }}, last
                    {{ clockText(Math.max(0, now - found.asked_at)) }} ago.
                    <template v-if="found.channels.length">
                        It will send {{ found.channels.map(title).join(', ').toLowerCase() }}.
                    </template>
                </p>
                <h3 id="where">Where does it hang?</h3>
                <div class="tiles" role="group" aria-labelledby="where">
                    <button
                        v-for="m in machines"
                        :key="m.id"
                        type="button"
                        class="tile"
                        :aria-pressed="at === m.id"
                        @click="at = m.id"
                    >
                        <strong>{{ m.name }}</strong>
                    </button>
                </div>
                <p v-if="fault" class="fault" role="alert">{{ sentence(fault) }}</p>
                <v-btn
                    color="primary"
                    size="large"
                    :loading="busy"
                    :disabled="machine === null"
                    @click="pair"
                >
                    {{ machine ? `It hangs at ${machine.name}: let it in` : 'Say where it hangs' }}
                </v-btn>
                <p class="quiet">It may then send readings and signals of that machine, and nothing else.</p>
            </template>
            <template v-else-if="!found.let_in">
                <h2>{{ found.name }} hangs at {{ found.machine }}</h2>
                <p>It asks again within seconds, and is let in then.</p>
            </template>
            <template v-else>
                <h2>{{ found.name }} is let in at {{ found.machine }}</h2>
                <p>
                    Its channels stand on the page of {{ found.machine }} with its first reading. It is
                    switched off under Shop, by its token.
                </p>
                <v-btn v-if="machine" color="primary" size="large" :to="`/shop/machines/${machine.id}`"
                    >To {{ machine.name }}</v-btn
                >
            </template>
        </section>
    </div>
</template>

<style scoped>
.tiles {
    margin: 8px 0 16px;
}
h3 {
    margin-top: 16px;
}
.card p + .v-btn,
.card .v-btn + p {
    margin-top: 12px;
}
.fault {
    color: var(--alarm);
    font-weight: 650;
}
</style>
