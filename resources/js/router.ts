import { createRouter, createWebHistory } from 'vue-router';
import { session } from './api/session';

export const router = createRouter({
    history: createWebHistory(),
    routes: [
        { path: '/', name: 'floor', component: () => import('./areas/floor/FloorPage.vue'), meta: { title: 'Floor' } },
        { path: '/sort', name: 'sort', component: () => import('./areas/sort/LotsPage.vue'), meta: { title: 'Sort' } },
        { path: '/sort/lots/:id', name: 'lot', component: () => import('./areas/sort/LotPage.vue'), meta: { title: 'Lot', stage: 'sort' } },
        { path: '/set', name: 'set', component: () => import('./areas/set/PressPage.vue'), meta: { title: 'Set' } },
        { path: '/run', name: 'run', component: () => import('./areas/run/RunningPage.vue'), meta: { title: 'Run' } },
        { path: '/run/:id', name: 'run-one', component: () => import('./areas/run/RunPage.vue'), meta: { title: 'Run', stage: 'run' } },
        { path: '/check', name: 'check', component: () => import('./areas/check/CheckPage.vue'), meta: { title: 'Check' } },
        { path: '/learn', name: 'learn', component: () => import('./areas/learn/RunsPage.vue'), meta: { title: 'Learn' } },
        { path: '/learn/:id', name: 'record', component: () => import('./areas/learn/RecordPage.vue'), meta: { title: 'Record', stage: 'learn' } },
        { path: '/reckon/:name?', name: 'reckon', component: () => import('./areas/reckon/ReckonPage.vue'), meta: { title: 'Reckon' } },
        { path: '/shop', name: 'shop', component: () => import('./areas/shop/ShopPage.vue'), meta: { title: 'Shop' } },
        { path: '/sign-in', name: 'sign-in', component: () => import('./areas/session/SignInPage.vue'), meta: { title: 'Sign in', open: true } },
        { path: '/:rest(.*)*', redirect: '/' },
    ],
});

router.beforeEach((to) => {
    if (!session.person && !to.meta.open) return { name: 'sign-in', query: to.path === '/' ? {} : { to: to.fullPath } };
    return true;
});
router.afterEach((to) => {
    document.title = `${String(to.meta.title ?? '')} · Dithermic`;
});
