import '@fontsource-variable/atkinson-hyperlegible-next';
import '@fontsource-variable/atkinson-hyperlegible-mono';
import './reset.css';
import 'vuetify/styles';
import './styles.css';
import { VueQueryPlugin } from '@tanstack/vue-query';
import { createApp } from 'vue';
import App from './App.vue';
import { openChanges } from './api/changes';
import { openQueue } from './api/queue';
import { loadSession } from './api/session';
import { cannotBegin, keepPages } from './begin';
import { router } from './router';
import { vuetify } from './theme';

async function begin(): Promise<void> {
    keepPages(router);
    await loadSession();
    await openQueue();
    await openChanges();
    const app = createApp(App)
        .use(router)
        .use(vuetify)
        .use(VueQueryPlugin, {
            queryClientConfig: {
                defaultOptions: { queries: { retry: 1, staleTime: 10_000, networkMode: 'always' } },
            },
        });
    await router.isReady();
    app.mount('#app');
    // What is kept for later would stand in the way of what is just being changed.
    if (import.meta.env.PROD && 'serviceWorker' in navigator)
        void navigator.serviceWorker.register('/build/sw.js', { scope: '/' });
}

begin().catch((error: unknown) => {
    console.error(error);
    cannotBegin(document.getElementById('app')!);
});
