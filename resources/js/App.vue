<script setup lang="ts">
import { useQueryClient } from '@tanstack/vue-query';
import { usePreferredDark } from '@vueuse/core';
import { computed, onMounted, watch } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { useTheme } from 'vuetify';
import { watchFloor } from './api/floor';
import { askAgain, listen } from './api/news';
import { queue } from './api/queue';
import { session } from './api/session';
import { unopened } from './begin';
import AlarmBar from './parts/AlarmBar.vue';
import HandsNext from './parts/HandsNext.vue';
import KeyHelp from './parts/KeyHelp.vue';
import { useShopKeys } from './parts/keys';
import { onScan, pageOf, useScanner } from './parts/scan';
import StaleLine from './parts/StaleLine.vue';
import WorkLine from './parts/WorkLine.vue';

const theme = useTheme();
const dark = usePreferredDark();
const route = useRoute();
const router = useRouter();
const shell = computed(() => session.person !== null && route.name !== 'sign-in');
const name = computed(() =>
    session.preferences.theme === 'auto' ? (dark.value ? 'dark' : 'light') : session.preferences.theme,
);

watch(name, (value) => theme.change(value), { immediate: true });
watch(
    () => session.preferences.glove,
    (on) => document.documentElement.classList.toggle('glove', on),
    { immediate: true },
);
watch(
    () => queue.signedOut,
    (out) => {
        if (out && route.name !== 'sign-in')
            void router.push({ name: 'sign-in', query: { to: route.fullPath } });
    },
);
useShopKeys(router);
useScanner();
onScan((code) => {
    void router.push(pageOf(code));
    return true;
});
onMounted(watchFloor);
askAgain(useQueryClient());
listen(computed(() => session.person !== null));
</script>

<template>
    <v-app>
        <a class="skip" href="#main">Skip to the work</a>
        <WorkLine v-if="shell" />
        <AlarmBar v-if="shell" />
        <StaleLine v-if="shell" />
        <p v-if="unopened" class="unopened no-print" role="alert">
            {{ unopened }} is not kept on this screen: it can be opened when the server answers again.
        </p>
        <div :class="['frame', { bare: !shell }]">
            <main id="main" tabindex="-1"><router-view :key="String(route.params.id ?? '')" /></main>
            <HandsNext v-if="shell" />
        </div>
        <KeyHelp />
    </v-app>
</template>

<style scoped>
.frame {
    display: grid;
    grid-template-columns: minmax(0, 1fr) var(--rail);
    min-height: calc(100vh - var(--head) - var(--alarms, 0px));
}
.frame.bare {
    display: block;
    min-height: 100vh;
}
main {
    min-width: 0;
    outline: none;
}
.unopened {
    margin: 0;
    padding: 12px 24px;
    background: var(--alarm-soft);
}
.skip {
    position: absolute;
    left: -999px;
    top: 4px;
    background: var(--paper);
    padding: 12px;
    z-index: 3000;
}
.skip:focus {
    left: 8px;
}
@media (max-width: 1000px) {
    .frame {
        grid-template-columns: minmax(0, 1fr);
        padding-bottom: var(--foot, 92px);
    }
}
</style>
