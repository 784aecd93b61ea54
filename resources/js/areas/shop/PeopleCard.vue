<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query';
import { computed, ref } from 'vue';
import { api } from '../../api/client';
import { session } from '../../api/session';
import type { Colleague, Person } from '../../api/types';
import { sentence, useSend } from '../../parts/useSend';

/** Who belongs to the shop. A lead adds people, switches them off, and helps who has forgotten a password. */
const client = useQueryClient();
const lead = computed(() => session.person?.role === 'lead');
const people = useQuery({ queryKey: ['people'], queryFn: () => api.list<Person>('people') });
const all = useQuery({
    queryKey: ['people', 'all'],
    queryFn: () => api.list<Colleague>('people/all'),
    enabled: lead,
});
const said = ref('');
const { fault, send } = useSend();
const adding = ref(false);
const added = ref({ name: '', login: '', role: 'operator', password: '' });
const helping = ref<Colleague | null>(null);
const newPassword = ref('');
const mine = ref({ password: '', pin: '', new_password: '' });

async function change(work: () => Promise<unknown>, done: string): Promise<boolean> {
    const good =
        (await send(async () => {
            await work();
            return true;
        })) === true;
    said.value = good ? done : '';
    await client.invalidateQueries({ queryKey: ['people'] });
    return good;
}
async function add() {
    if (!(await change(() => api.post('people', added.value), `${added.value.name} can sign in.`))) return;
    added.value = { name: '', login: '', role: 'operator', password: '' };
    adding.value = false;
}
async function reset() {
    const who = helping.value!;
    if (
        !(await change(
            () => api.post(`people/${who.id}/reset`, { password: newPassword.value }),
            `${who.name} has a new password and no PIN; every screen has forgotten ${who.name}.`,
        ))
    )
        return;
    newPassword.value = '';
    helping.value = null;
}
const set = (p: Colleague, to: Partial<Colleague>) =>
    change(
        () => api.put(`people/${p.id}`, { active: p.active, role: p.role, ...to }),
        to.active === false ? `${p.name} is switched off: signed out everywhere, tokens gone.` : 'Changed.',
    );
async function setMine(path: 'me/pin' | 'me/password') {
    const body =
        path === 'me/pin'
            ? { password: mine.value.password, pin: mine.value.pin }
            : { password: mine.value.password, new_password: mine.value.new_password };
    if (
        await change(
            () => api.put(path, body),
            path === 'me/pin' ? 'The PIN is set.' : 'The password is changed; other screens ask for it.',
        )
    )
        mine.value = { password: '', pin: '', new_password: '' };
}
</script>

<template>
    <section class="card" aria-labelledby="people">
        <h2 id="people">People</h2>
        <table v-if="lead" class="rows">
            <tbody>
                <tr v-for="p in all.data.value" :key="p.id" :class="{ off: !p.active }">
                    <td>
                        <strong>{{ p.name }}</strong><br /><span class="quiet"
                            >{{ p.login }}, {{ p.role }}{{ p.active ? '' : ', switched off'
                            }}{{ p.has_pin || !p.active ? '' : ', no PIN' }}</span
                        >
                        <div v-if="p.id !== session.person?.id" class="does">
                            <button v-if="p.active" type="button" class="plain" @click="helping = p">
                                New password
                            </button>
                            <button type="button" class="plain" @click="set(p, { active: !p.active })">
                                {{ p.active ? 'Switch off' : 'Switch on' }}
                            </button>
                            <button
                                v-if="p.active"
                                type="button"
                                class="plain"
                                @click="set(p, { role: p.role === 'lead' ? 'operator' : 'lead' })"
                            >
                                {{ p.role === 'lead' ? 'No longer a lead' : 'Make a lead' }}
                            </button>
                        </div>
                    </td>
                </tr>
            </tbody>
        </table>
        <table v-else class="rows">
            <tbody>
                <tr v-for="p in people.data.value" :key="p.id">
                    <td>{{ p.name }}</td>
                    <td class="quiet">{{ p.role }}</td>
                    <td class="quiet">{{ p.has_pin ? 'has a PIN' : 'no PIN' }}</td>
                </tr>
            </tbody>
        </table>
        <form v-if="helping" class="fields" @submit.prevent="reset">
            <h3>A new password for {{ helping.name }}</h3>
            <v-text-field
                v-model="newPassword"
                label="New password, 10 letters or more"
                type="password"
                autocomplete="new-password"
            />
            <div class="acts">
                <v-btn type="submit" color="primary" :disabled="newPassword.length < 10">Set it</v-btn
                ><v-btn variant="text" @click="helping = null">Not now</v-btn>
            </div>
        </form>
        <form v-if="adding" class="fields" @submit.prevent="add">
            <h3>Somebody new</h3>
            <v-text-field v-model="added.name" label="Name" maxlength="80" /><v-text-field
                v-model="added.login"
                label="Signs in as"
                maxlength="40"
                autocapitalize="none"
            />
            <label
                >Is
                <select v-model="added.role">
                    <option value="operator">an operator</option>
                    <option value="lead">a lead</option>
                </select></label
            >
            <v-text-field
                v-model="added.password"
                label="First password, 10 letters or more"
                type="password"
                autocomplete="new-password"
            />
            <div class="acts">
                <v-btn
                    type="submit"
                    color="primary"
                    :disabled="!added.name || !added.login || added.password.length < 10"
                    >Add</v-btn
                ><v-btn variant="text" @click="adding = false">Not now</v-btn>
            </div>
        </form>
        <v-btn v-else-if="lead" variant="outlined" class="add" @click="adding = true">Somebody new</v-btn>
        <p v-if="fault" role="alert" class="fault">{{ sentence(fault) }}</p>
        <p v-else-if="said" role="status">{{ said }}</p>
        <form class="fields" @submit.prevent="setMine(mine.pin ? 'me/pin' : 'me/password')">
            <h3>Your PIN and password</h3>
            <v-text-field
                v-model="mine.password"
                label="Your password"
                type="password"
                autocomplete="current-password"
            />
            <v-text-field
                v-model="mine.pin"
                label="New PIN, 4 to 8 digits"
                type="password"
                inputmode="numeric"
                autocomplete="off"
            />
            <v-text-field
                v-model="mine.new_password"
                label="New password, 10 letters or more"
                type="password"
                autocomplete="new-password"
            />
            <div class="acts">
                <v-btn variant="outlined" :disabled="!mine.password || !mine.pin" @click="setMine('me/pin')"
                    >Set PIN</v-btn
                ><v-btn
                    variant="outlined"
                    :disabled="!mine.password || mine.new_password.length < 10"
                    @click="setMine('me/password')"
                    >Change password</v-btn
                >
            </div>
        </form>
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
.acts,
.does {
    display: flex;
    flex-wrap: wrap;
    gap: 8px;
}
.does {
    margin-left: -10px;
}
.off {
    color: var(--quiet);
}
.add {
    margin-top: 12px;
}
</style>
