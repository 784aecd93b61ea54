<script setup lang="ts">
import { ref, watch } from 'vue';
import { Refused } from '../api/client';
import { queue, flush } from '../api/queue';
import { session, switchPerson } from '../api/session';
import type { Person } from '../api/types';

const open = defineModel<boolean>({ required: true });
const chosen = ref<Person | null>(null);
const pin = ref('');
const problem = ref('');
watch(open, () => {
    chosen.value = null;
    pin.value = '';
    problem.value = '';
});

async function go() {
    if (!chosen.value) return;
    try {
        await switchPerson(chosen.value.id, pin.value);
        queue.signedOut = false;
        open.value = false;
        void flush();
    } catch (error) {
        problem.value = error instanceof Refused ? `PIN ${error.message}` : 'The server does not answer.';
        pin.value = '';
    }
}
function press(digit: string) {
    if (pin.value.length < 8) pin.value += digit;
}
</script>

<template>
    <v-dialog v-model="open" max-width="420">
        <v-card class="pa-6">
            <h2>{{ chosen ? chosen.name : 'Who is here?' }}</h2>
            <div v-if="!chosen" class="people">
                <v-btn
                    v-for="p in session.people.filter((q) => q.id !== session.person?.id)"
                    :key="p.id"
                    block
                    variant="outlined"
                    @click="chosen = p"
                    >{{ p.name }}</v-btn
                >
                <p v-if="session.people.length <= 1" class="quiet">
                    Nobody else has signed in on this screen yet. The first time takes the password: sign out,
                    then sign in.
                </p>
            </div>
            <form v-else @submit.prevent="go">
                <v-text-field
                    v-model="pin"
                    label="PIN"
                    type="password"
                    inputmode="numeric"
                    autocomplete="off"
                    autofocus
                    maxlength="8"
                    :error-messages="problem"
                />
                <div class="pad">
                    <v-btn
                        v-for="d in ['1', '2', '3', '4', '5', '6', '7', '8', '9', '⌫', '0']"
                        :key="d"
                        variant="outlined"
                        :aria-label="d === '⌫' ? 'Delete' : d"
                        @click="d === '⌫' ? (pin = pin.slice(0, -1)) : press(d)"
                        >{{ d }}</v-btn><v-btn type="submit" color="primary">Go</v-btn>
                </div>
            </form>
        </v-card>
    </v-dialog>
</template>

<style scoped>
.people {
    display: grid;
    gap: 10px;
    margin-top: 14px;
}
form {
    margin-top: 14px;
}
.pad {
    display: grid;
    grid-template-columns: repeat(3, 1fr);
    gap: 10px;
    margin-top: 14px;
}
</style>
