<script setup lang="ts">
import { computed, ref } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { Refused } from '../../api/client';
import { refreshFloor } from '../../api/floor';
import { unsentSaid } from '../../api/changes';
import { flush, queue, unsent as unsentEvents } from '../../api/queue';
import { session, signIn } from '../../api/session';
import PersonSwitch from '../../parts/PersonSwitch.vue';

const route = useRoute();
const router = useRouter();
const unsent = computed(() => unsentEvents.value + unsentSaid.value);
const login = ref('');
const password = ref('');
const problem = ref('');
const busy = ref(false);
const switching = ref(false);

async function enter() {
    queue.signedOut = false;
    void refreshFloor();
    void flush();
    const to = String(route.query.to ?? '/');
    await router.push(to.startsWith('/') ? to : '/');
}
async function go() {
    busy.value = true;
    problem.value = '';
    try {
        await signIn(login.value.trim(), password.value);
        await enter();
    } catch (error) {
        problem.value =
            error instanceof Refused ? error.message : 'The server does not answer. Is it running?';
    } finally {
        busy.value = false;
    }
}
</script>

<template>
    <div class="sign">
        <section class="left" aria-hidden="true">
            <svg viewBox="0 0 300 360" preserveAspectRatio="none">
                <rect width="300" height="164" class="hot" />
                <rect width="300" height="164" y="196" class="cold" />
                <rect width="300" height="12" y="174" class="sheet" />
            </svg>
        </section>
        <form class="form" @submit.prevent="go">
            <h1>Dithermic</h1>
            <p class="quiet">Heated once on purpose, cooled once on purpose.</p>
            <p v-if="unsent > 0" class="tag bad">
                {{ unsent }} entries are kept on this screen and go out once you are signed in.
            </p>
            <v-text-field v-model="login" label="Name to sign in" autocomplete="username" required />
            <v-text-field
                v-model="password"
                label="Password"
                type="password"
                autocomplete="current-password"
                :error-messages="problem"
                required
            />
            <v-btn type="submit" color="primary" block :loading="busy" size="large">Sign in</v-btn>
            <v-btn v-if="session.people.length > 0" variant="outlined" block @click="switching = true"
                >Switch by PIN</v-btn
            >
        </form>
        <PersonSwitch
            v-model="switching"
            @update:model-value="
                (open) => {
                    if (!open && session.person) void enter();
                }
            "
        />
    </div>
</template>

<style scoped>
.sign {
    min-height: 100vh;
    display: grid;
    grid-template-columns: 38% 1fr;
}
.left {
    background: var(--bar);
    display: grid;
    align-items: end;
    overflow: hidden;
}
.left svg {
    width: 100%;
    height: 100vh;
}
.hot {
    fill: #e2643a;
}
.cold {
    fill: #4b9ab8;
}
.sheet {
    fill: #f5f2ea;
}
.form {
    align-self: center;
    justify-self: center;
    width: min(400px, 88%);
    display: grid;
    gap: 16px;
}
h1 {
    font-size: 2.4rem;
}
@media (max-width: 800px) {
    .sign {
        grid-template-columns: 1fr;
    }
    .left {
        display: none;
    }
}
</style>
