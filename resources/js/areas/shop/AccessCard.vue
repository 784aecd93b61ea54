<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query';
import { computed, ref } from 'vue';
import { api } from '../../api/client';
import type { Key, Machine, Screen } from '../../api/types';
import { dateText, dayText, timeOfDay } from '../../parts/units';
import { sentence, useSend } from '../../parts/useSend';

/** What opens the shop besides a password: tokens of instruments and scripts, and the screens where a PIN is enough. */
const SCOPES = [
    ['readings', 'sends readings of one machine'],
    ['signals', 'is a foot switch at one machine'],
    ['calc', 'calculates'],
    ['shop', 'does what its maker may'],
    ['calendar', 'lets a calendar subscribe to the plan'],
] as const;
const props = defineProps<{ machines: Machine[] }>();
const client = useQueryClient();
const tokens = useQuery({ queryKey: ['tokens'], queryFn: () => api.list<Key>('tokens') });
const screens = useQuery({ queryKey: ['screens'], queryFn: () => api.list<Screen>('screens') });
const making = ref(false);
const asked = ref({ name: '', scope: 'readings', machine_id: null as number | null, days: 365 });
/** an instrument and a switch speak for one machine */
const ofMachine = computed(() => ['readings', 'signals'].includes(asked.value.scope));
const ready = computed(
    () => asked.value.name !== '' && (!ofMachine.value || asked.value.machine_id !== null),
);
const secret = ref('');
/** where a calendar finds the plan: its address is the key */
const address = computed(() =>
    secret.value && asked.value.scope === 'calendar'
        ? `${location.origin}/api/v1/calendar/${secret.value.replace('|', '-')}.ics`
        : '',
);
const said = ref('');
const { fault, send } = useSend();

async function make() {
    const { name, scope, machine_id, days } = asked.value;
    secret.value = '';
    said.value = '';
    const made = await send(() =>
        api.post<{ token: string }>('tokens', {
            name,
            scopes: [scope],
            days,
            machine_id: ofMachine.value ? machine_id : null,
        }),
    );
    if (made) {
        secret.value = made.token;
        said.value = 'Copy it now: it is shown only this once.';
        making.value = false;
    }
    await client.invalidateQueries({ queryKey: ['tokens'] });
}
async function end(path: string, done: string, key: string) {
    said.value = (await send(async () => {
        await api.delete(path);
        return true;
    }))
        ? done
        : '';
    await client.invalidateQueries({ queryKey: [key] });
}
</script>

<template>
    <section class="card" aria-labelledby="access">
        <h2 id="access">Tokens and screens</h2>
        <table v-if="tokens.data.value?.length" class="rows">
            <tbody>
                <tr v-for="t in tokens.data.value" :key="t.id">
                    <td>
                        <strong>{{ t.name }}</strong><br /><span class="quiet"
                            >{{ t.scopes.join(', ') }}{{ t.machine ? ` of ${t.machine}` : '' }}, by
                            {{ t.by }}, {{ t.used_at ? `last used ${dateText(t.used_at)}` : 'never used' }},
                            {{ t.ends_at ? `ends ${dateText(t.ends_at)}` : 'never ends' }}</span
                        >
                    </td>
                    <td class="n">
                        <button
                            type="button"
                            class="plain"
                            @click="end(`tokens/${t.id}`, `${t.name} opens nothing any more.`, 'tokens')"
                        >
                            Revoke
                        </button>
                    </td>
                </tr>
            </tbody>
        </table>
        <p v-else class="quiet">No instrument and no script has a token.</p>
        <form v-if="making" class="fields" @submit.prevent="make">
            <v-text-field v-model="asked.name" label="For what" maxlength="80" />
            <label
                >It
                <select v-model="asked.scope">
                    <option v-for="[s, text] in SCOPES" :key="s" :value="s">{{ text }}</option>
                </select></label
            >
            <label v-if="ofMachine"
                >Machine
                <select v-model="asked.machine_id">
                    <option :value="null" disabled>choose</option>
                    <option v-for="m in props.machines" :key="m.id" :value="m.id">{{ m.name }}</option>
                </select></label
            >
            <label
                >For
                <select v-model.number="asked.days">
                    <option :value="30">a month</option>
                    <option :value="365">a year</option>
                </select></label
            >
            <div class="acts">
                <v-btn type="submit" color="primary" :disabled="!ready">Make it</v-btn
                ><v-btn variant="text" @click="making = false">Not now</v-btn>
            </div>
        </form>
        <v-btn v-else variant="outlined" class="add" @click="making = true">A new token</v-btn>
        <p v-if="fault" role="alert" class="fault">{{ sentence(fault) }}</p>
        <p v-else-if="said" role="status">{{ said }}</p>
        <p v-if="address">Subscribe to this address in the calendar; whoever has it sees the plan.</p>
        <p v-if="secret" class="mono secret">{{ address || secret }}</p>
        <h3>Screens where a PIN is enough</h3>
        <table class="rows">
            <tbody>
                <tr v-for="s in screens.data.value" :key="s.id">
                    <td>
                        {{ s.people.join(', ') }}<br /><span class="quiet"
                            >last password {{ dayText(s.seen_at) }} {{ timeOfDay(s.seen_at) }}</span
                        >
                    </td>
                    <td class="n">
                        <button
                            type="button"
                            class="plain"
                            @click="
                                end(
                                    `screens/${s.id}`,
                                    'Forgotten: there the password is needed again.',
                                    'screens',
                                )
                            "
                        >
                            Forget
                        </button>
                    </td>
                </tr>
            </tbody>
        </table>
    </section>
</template>

<style scoped>
.fields {
    display: grid;
    gap: 10px;
    margin-top: 14px;
}
.fields label {
    font-weight: 600;
}
h3 {
    font-size: 1rem;
    margin-top: 16px;
}
select {
    min-height: var(--touch);
    border: 1px solid var(--line);
    border-radius: 4px;
    background: var(--paper);
    color: var(--ink);
    font: inherit;
    padding: 0 10px;
}
.acts {
    display: flex;
    gap: 8px;
}
.add {
    margin-top: 12px;
}
.secret {
    overflow-wrap: anywhere;
    padding: 10px;
    border: 2px solid var(--line);
    border-radius: 4px;
}
</style>
