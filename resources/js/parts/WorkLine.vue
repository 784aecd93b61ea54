<script setup lang="ts">
import { mdiAccountSwitch, mdiFootPrint, mdiHandBackRight, mdiLogout, mdiThemeLightDark } from '@mdi/js';
import { computed, onMounted, ref, watch } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { floor } from '../api/floor';
import { unsentSaid } from '../api/changes';
import { queue, unsent as unsentEvents } from '../api/queue';
import { session, setPreferences, signOut } from '../api/session';
import { pedal } from './foot';
import FootSetting from './FootSetting.vue';
import PersonSwitch from './PersonSwitch.vue';

const route = useRoute();
const router = useRouter();
const unsent = computed(() => unsentEvents.value + unsentSaid.value);
const switching = ref(false);
const setting = ref(false);
const at = computed(() => String(route.meta.stage ?? route.name));
const stages = computed(() =>
    [
        { id: 'sort', title: 'Sort', to: '/sort' },
        { id: 'weigh', title: 'Weigh', to: '/weigh' },
        { id: 'set', title: 'Set', to: '/set' },
        { id: 'run', title: 'Run', to: '/run' },
        { id: 'check', title: 'Check', to: '/check' },
        { id: 'learn', title: 'Learn', to: '/learn' },
    ].map((s) => ({ ...s, state: floor.now?.stages.find((f) => f.id === s.id) ?? null })),
);
/** On a phone the stages are wider than it: where one is stands in the middle, also once their numbers are there. */
const line = ref<HTMLElement | null>(null);
function centre() {
    const here = line.value?.querySelector<HTMLElement>('.here');
    if (line.value && here)
        line.value.scrollLeft = here.offsetLeft - (line.value.clientWidth - here.offsetWidth) / 2;
}
onMounted(centre);
watch([at, () => floor.now === null], centre, { flush: 'post' });
const given = computed(() => session.person?.name.split(' ')[0]);
const family = computed(() => session.person?.name.split(' ').slice(1).join(' '));
const themes = { auto: 'light', light: 'dark', dark: 'auto' } as const;
const nextTheme = computed(() => themes[session.preferences.theme as keyof typeof themes] ?? 'light');

async function leave() {
    await signOut();
    await router.push('/sign-in');
}
</script>

<template>
    <header class="bar no-print">
        <router-link
            class="brand"
            to="/"
            :aria-current="at === 'floor' ? 'page' : undefined"
            aria-label="Floor"
        >
            <svg viewBox="0 0 30 36" width="30" height="36" aria-hidden="true">
                <rect width="30" height="16" y="1" class="hot" />
                <rect width="30" height="16" y="20" class="cold" />
            </svg>
            <span class="name">Floor</span>
        </router-link>
        <nav ref="line" aria-label="The work in order">
            <router-link
                v-for="s in stages"
                :key="s.id"
                :to="s.to"
                :class="['stage', { here: at === s.id }]"
                :aria-current="at === s.id ? 'page' : undefined"
            >
                <span class="top"
                    ><span class="title">{{ s.title }}</span
                    ><span v-if="s.state" class="mono count">{{ s.state.count }}</span></span
                >
                <span class="says">{{ s.state?.says ?? '\u00A0' }}</span>
            </router-link>
        </nav>
        <router-link to="/plan" :class="['shop', { here: at === 'plan' }]">Plan</router-link>
        <router-link to="/reckon" :class="['shop', { here: at === 'reckon' }]">Reckon</router-link>
        <router-link to="/shop" :class="['shop', { here: at === 'shop' }]">Shop</router-link>
        <div v-if="!queue.online || unsent > 0" class="net" role="status">
            <span aria-hidden="true">◆</span>
            {{
                queue.online
                    ? `Sending ${unsent}`
                    : unsent > 0
                      ? `No server. ${unsent} kept here`
                      : 'No server'
            }}
        </div>
        <v-menu>
            <template #activator="{ props }"
                ><v-btn v-bind="props" variant="text" class="who"
                    >{{ given }}<span class="family">&nbsp;{{ family }}</span></v-btn
                ></template
            >
            <v-list min-width="260">
                <v-list-item
                    :prepend-icon="mdiAccountSwitch"
                    title="Switch person"
                    @click="switching = true"
                />
                <v-list-item
                    :prepend-icon="mdiThemeLightDark"
                    :title="`Light or dark: ${session.preferences.theme}`"
                    @click="setPreferences({ theme: nextTheme })"
                />
                <v-list-item
                    :prepend-icon="mdiHandBackRight"
                    :title="session.preferences.glove ? 'Glove size: on' : 'Glove size: off'"
                    @click="setPreferences({ glove: !session.preferences.glove })"
                />
                <v-list-item
                    :title="
                        session.preferences.units === 'us'
                            ? 'Units: in, °F, psi, lb'
                            : 'Units: mm, °C, bar, g'
                    "
                    @click="setPreferences({ units: session.preferences.units === 'us' ? 'metric' : 'us' })"
                />
                <v-list-item
                    :prepend-icon="mdiFootPrint"
                    :title="pedal === '' ? 'Foot switch: none' : `Foot switch: ${pedal}`"
                    @click="setting = true"
                />
                <v-list-item :prepend-icon="mdiLogout" title="Sign out" @click="leave" />
            </v-list>
        </v-menu>
        <PersonSwitch v-model="switching" />
        <FootSetting v-model="setting" />
    </header>
</template>

<style scoped>
.bar {
    display: flex;
    align-items: stretch;
    height: var(--head);
    background: var(--bar);
    color: var(--on-bar);
    position: sticky;
    top: 0;
    z-index: 1010;
}
.brand {
    display: flex;
    align-items: center;
    gap: 12px;
    padding: 0 26px 0 18px;
    font-size: 1.2rem;
    font-weight: 700;
    text-decoration: none;
    color: inherit;
}
.brand .hot {
    fill: #e2643a;
}
.brand .cold {
    fill: #4b9ab8;
}
.brand[aria-current] .name {
    text-decoration: underline;
    text-decoration-thickness: 3px;
    text-underline-offset: 6px;
}
nav {
    display: flex;
    flex: 1 1 auto;
    min-width: 0;
}
.stage {
    flex: 1 1 0;
    min-width: 92px;
    padding: 9px 14px 8px 26px;
    margin-left: -12px;
    background: var(--bar-raised);
    color: var(--on-bar);
    text-decoration: none;
    clip-path: polygon(0 0, calc(100% - 13px) 0, 100% 50%, calc(100% - 13px) 100%, 0 100%, 13px 50%);
    display: flex;
    flex-direction: column;
    justify-content: center;
}
.stage:first-child {
    margin-left: 0;
}
.stage.here {
    background: var(--paper);
    color: var(--ink);
}
.top {
    display: flex;
    justify-content: space-between;
    gap: 8px;
    font-weight: 700;
    line-height: 1.15;
    padding-right: 8px;
}
.says {
    font-size: 0.84rem;
    color: var(--on-bar-quiet);
    white-space: nowrap;
    overflow: hidden;
    text-overflow: ellipsis;
    padding-right: 8px;
}
.stage.here .says {
    color: var(--quiet);
}
.shop {
    display: grid;
    place-items: center;
    padding: 0 12px;
    font-weight: 650;
    text-decoration: none;
    color: inherit;
}
.shop.here {
    text-decoration: underline;
    text-decoration-thickness: 3px;
    text-underline-offset: 6px;
}
.net {
    align-self: center;
    display: flex;
    gap: 8px;
    padding: 6px 12px;
    background: #f3d9ec;
    color: #6c1055;
    font-weight: 700;
    border-radius: 3px;
    white-space: nowrap;
}
.who {
    height: auto !important;
    color: inherit;
    font-weight: 600 !important;
    max-width: 150px;
}
@media (max-width: 1000px) {
    .bar {
        height: auto;
        flex-wrap: wrap;
        position: static;
    }
    nav {
        order: 9;
        flex-basis: 100%;
        overflow-x: auto;
    }
    /* As wide as its word and its number: the next one lies over what is wider. */
    .stage {
        flex: 1 0 auto;
        padding: 8px 12px 8px 22px;
        min-width: 84px;
    }
    .says {
        display: none;
    }
    .brand {
        min-height: 56px;
    }
    .shop {
        margin-left: auto;
    }
}
/* On a phone in one line: the mark says where the floor is, the given name who is here. */
@media (max-width: 480px) {
    .brand {
        padding-right: 8px;
    }
    .name,
    .family {
        position: absolute;
        clip-path: inset(50%);
    }
    .shop {
        padding: 0 8px;
    }
    .who {
        padding: 0 10px;
    }
}
</style>
