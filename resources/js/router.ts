import { createRouter, createWebHistory } from 'vue-router';
import { session } from './api/session';

export const router = createRouter({
    history: createWebHistory(),
    routes: [
        {
            path: '/',
            name: 'floor',
            component: () => import('./areas/floor/FloorPage.vue'),
            meta: { title: 'Floor' },
        },
        {
            path: '/sort',
            name: 'sort',
            component: () => import('./areas/sort/LotsPage.vue'),
            meta: { title: 'Sort' },
        },
        {
            path: '/sort/find',
            name: 'find',
            component: () => import('./areas/sort/FindPage.vue'),
            meta: { title: 'Find the polymer', stage: 'sort' },
        },
        {
            path: '/sort/batches',
            name: 'batches',
            component: () => import('./areas/sort/BatchesPage.vue'),
            meta: { title: 'Sort a batch', stage: 'sort' },
        },
        {
            path: '/sort/batches/:id',
            name: 'batch',
            component: () => import('./areas/sort/BatchPage.vue'),
            meta: { title: 'A batch', stage: 'sort' },
        },
        {
            path: '/sort/sources',
            name: 'sources',
            component: () => import('./areas/sort/SourcesPage.vue'),
            meta: { title: 'Sources', stage: 'sort' },
        },
        {
            path: '/sort/sources/:id',
            name: 'source',
            component: () => import('./areas/sort/SourcePage.vue'),
            meta: { title: 'A source', stage: 'sort' },
        },
        {
            path: '/sort/deliver',
            name: 'deliver',
            component: () => import('./areas/sort/DeliverPage.vue'),
            meta: { title: 'Take a delivery in', stage: 'sort' },
        },
        {
            path: '/sort/csv',
            name: 'csv',
            component: () => import('./areas/sort/CsvPage.vue'),
            meta: { title: 'CSV', stage: 'sort' },
        },
        {
            path: '/l/:id',
            name: 'scanned',
            component: () => import('./areas/sort/LotPage.vue'),
            meta: { title: 'Lot', stage: 'sort' },
        },
        {
            path: '/r/:number/:piece?',
            name: 'made',
            component: () => import('./areas/learn/MadePage.vue'),
            meta: { title: 'What was made', stage: 'learn' },
        },
        {
            path: '/i/:code',
            name: 'pair',
            component: () => import('./areas/shop/PairPage.vue'),
            meta: { title: 'Pair an instrument', stage: 'shop' },
        },
        {
            path: '/dry',
            name: 'dry',
            component: () => import('./areas/dry/DryPage.vue'),
            meta: { title: 'Dry', stage: 'sort' },
        },
        {
            path: '/weigh',
            name: 'weigh',
            component: () => import('./areas/weigh/WeighPage.vue'),
            meta: { title: 'Weigh' },
        },
        {
            path: '/weigh/mixes',
            name: 'mixes',
            component: () => import('./areas/weigh/MixesPage.vue'),
            meta: { title: 'Mixes', stage: 'weigh' },
        },
        {
            path: '/weigh/:id',
            name: 'bench',
            component: () => import('./areas/weigh/BenchPage.vue'),
            meta: { title: 'Weigh bench', stage: 'weigh' },
        },
        {
            path: '/sort/lots/:id',
            name: 'lot',
            component: () => import('./areas/sort/LotPage.vue'),
            meta: { title: 'Lot', stage: 'sort' },
        },
        {
            path: '/change/:id',
            name: 'change',
            component: () => import('./areas/change/ChangePage.vue'),
            meta: { title: 'Change over', stage: 'set' },
        },
        {
            path: '/set',
            name: 'set',
            component: () => import('./areas/set/SetPage.vue'),
            meta: { title: 'Set' },
        },
        {
            path: '/run',
            name: 'run',
            component: () => import('./areas/run/RunningPage.vue'),
            meta: { title: 'Run' },
        },
        {
            path: '/run/:id',
            name: 'run-one',
            component: () => import('./areas/run/RunPage.vue'),
            meta: { title: 'Run', stage: 'run' },
        },
        {
            path: '/check',
            name: 'check',
            component: () => import('./areas/check/CheckPage.vue'),
            meta: { title: 'Check' },
        },
        {
            path: '/learn',
            name: 'learn',
            component: () => import('./areas/learn/LearnPage.vue'),
            meta: { title: 'Learn' },
        },
        {
            path: '/learn/product/:id',
            name: 'learnt',
            component: () => import('./areas/learn/ProductLearntPage.vue'),
            meta: { title: 'What its runs taught', stage: 'learn' },
        },
        {
            path: '/learn/:id',
            name: 'record',
            component: () => import('./areas/learn/RecordPage.vue'),
            meta: { title: 'Record', stage: 'learn' },
        },
        {
            path: '/cause/new/:run',
            name: 'seen',
            component: () => import('./areas/cause/SeenPage.vue'),
            meta: { title: 'What is wrong', stage: 'check' },
        },
        {
            path: '/parts/:run',
            component: () => import('./areas/check/PartsPage.vue'),
            meta: { title: 'Beside how it should be', stage: 'check' },
        },
        {
            path: '/flaws/:run',
            component: () => import('./areas/cause/FlawsPage.vue'),
            meta: { title: 'Where flaws lie', stage: 'check' },
        },
        {
            path: '/cause/:id',
            name: 'case',
            component: () => import('./areas/cause/CasePage.vue'),
            meta: { title: 'The cause', stage: 'check' },
        },
        {
            path: '/trace/:kind(lot|run)/:id',
            name: 'trace',
            component: () => import('./areas/learn/TracePage.vue'),
            meta: { title: 'Trace', stage: 'learn' },
        },
        {
            path: '/plan',
            name: 'plan',
            component: () => import('./areas/plan/PlanPage.vue'),
            meta: { title: 'Plan' },
        },
        {
            path: '/handover',
            component: () => import('./areas/plan/HandOverPage.vue'),
            meta: { title: 'Hand-over' },
        },
        {
            path: '/reckon/:name?',
            name: 'reckon',
            component: () => import('./areas/reckon/ReckonPage.vue'),
            meta: { title: 'Reckon' },
        },
        {
            path: '/shop',
            name: 'shop',
            component: () => import('./areas/shop/ShopPage.vue'),
            meta: { title: 'Shop' },
        },
        {
            path: '/shop/procedures',
            name: 'procedures',
            component: () => import('./areas/shop/ProceduresPage.vue'),
            meta: { title: 'How we work', stage: 'shop' },
        },
        {
            path: '/shop/procedures/:key',
            name: 'procedure',
            component: () => import('./areas/shop/ProcedurePage.vue'),
            meta: { title: 'How we work', stage: 'shop' },
        },
        {
            path: '/shop/machines/:id',
            name: 'machine',
            component: () => import('./areas/shop/MachinePage.vue'),
            meta: { title: 'Machine', stage: 'shop' },
        },
        {
            path: '/shop/products/:id',
            name: 'product',
            component: () => import('./areas/shop/ProductPage.vue'),
            meta: { title: 'Product', stage: 'shop' },
        },
        {
            path: '/goods',
            name: 'goods',
            component: () => import('./areas/shop/GoodsPage.vue'),
            meta: { title: 'Goods', stage: 'shop' },
        },
        {
            path: '/sign-in',
            name: 'sign-in',
            component: () => import('./areas/session/SignInPage.vue'),
            meta: { title: 'Sign in', open: true },
        },
        { path: '/:rest(.*)*', redirect: '/' },
    ],
});

router.beforeEach((to) => {
    if (!session.person && !to.meta.open)
        return { name: 'sign-in', query: to.path === '/' ? {} : { to: to.fullPath } };
    return true;
});
router.afterEach((to) => {
    document.title = `${String(to.meta.title ?? '')} · Dithermic`;
});
