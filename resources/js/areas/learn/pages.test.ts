import { afterEach, describe, expect, it, vi } from 'vitest';
import { page as items, server, shownAt, textOf } from '../../tests/mount';
import LearnPage from './LearnPage.vue';
import MadePage from './MadePage.vue';
import ProductLearntPage from './ProductLearntPage.vue';
import TracePage from './TracePage.vue';

afterEach(() => vi.unstubAllGlobals());
const summary = (over: object = {}) => ({
    id: 'r1',
    number: 140,
    process: 'compression',
    product: 'hive floor panel',
    polymer: 'HDPE',
    machine: 'Anvil',
    stations: [],
    set_c: 185,
    lot_code: 'L-0101',
    status: 'finished',
    step: null,
    doing: '',
    looks: false,
    verdict: 'good',
    scrap_reason: null,
    started_at: 0,
    ended_at: 1,
    started_by: 'Ines',
    figures: [],
    good: 1,
    bad: 0,
    ...over,
});

describe('Learn', () => {
    it('begins with each product, and has every run under it', async () => {
        server({
            learnt: items([
                {
                    product_id: 4,
                    product: 'hive floor panel',
                    process: 'compression',
                    polymer: 'HDPE',
                    good: 19,
                    bad: 1,
                    recent: [{ id: 'r1', number: 140, good: 1, bad: 0, at: 0, machine: 'Anvil' }],
                    cases: [],
                    opens_with: null,
                },
            ]),
            runs: items([
                summary(),
                summary({ id: 'r2', number: 141, status: 'running', verdict: null, good: 0 }),
            ]),
            processes: items([]),
            products: items([]),
        });
        const { page } = await shownAt(LearnPage, '/learn', '/learn');
        expect(textOf(page.get('article'))).toContain('19 of 20 good');
        const links = page.findAll('tbody a').map((a) => a.attributes('href'));
        // What runs still is opened where it runs.
        expect(links).toEqual(['/learn/r1', '/run/r2']);
    });

    it('says what it waits for in an empty shop', async () => {
        server({ learnt: items([]), runs: items([]), processes: items([]), products: items([]) });
        const { page } = await shownAt(LearnPage, '/learn', '/learn');
        expect(textOf(page)).toContain('Nothing is over yet.');
        expect(textOf(page)).toContain('No run fits.');
    });
});

describe('a product’s own page', () => {
    const data = (over: object = {}) => ({
        of: {
            product_id: 4,
            product: 'stand rail',
            process: 'extrusion',
            polymer: 'HDPE',
            good: 3,
            bad: 0,
            recent: [],
            cases: [],
            opens_with: null,
        },
        window: null,
        charts: [],
        set_ups: [],
        ...over,
    });

    it('says what cannot be told yet, instead of drawing it', async () => {
        server({ 'learnt/4': data(), 'products/4/flaws': { marks: [], kinds: [] } });
        const { page } = await shownAt(ProductLearntPage, '/learn/product/:id', '/learn/product/4');
        const text = textOf(page);
        expect(text).toContain('Its runs have not two settings in common that were moved.');
        expect(text).toContain('Fewer than five pieces were measured');
        expect(text).toContain('None was kept yet.');
    });

    it('leads to the next set-up of it', async () => {
        server({ 'learnt/4': data(), 'products/4/flaws': { marks: [], kinds: [] } });
        const { page } = await shownAt(ProductLearntPage, '/learn/product/:id', '/learn/product/4');
        expect(page.findAll('a').map((a) => a.attributes('href'))).toContain('/set?product=4');
    });
});

describe('what a label opens', () => {
    const scanned = async (path: string, runs: object[]) => {
        const asked = server({ runs: items(runs) });
        const { page, router } = await shownAt(MadePage, '/r/:number/:piece?', path);
        return { asked, page, to: () => router.currentRoute.value.fullPath };
    };

    it('is the record, at the piece', async () => {
        const { asked, to } = await scanned('/r/140/3', [summary()]);
        await vi.waitFor(() => expect(to()).toBe('/learn/r1?piece=3'));
        expect(asked[0]!.path).toBe('runs?number=140');
    });

    it('is the run itself while it runs', async () => {
        const { to } = await scanned('/r/141', [summary({ id: 'r2', status: 'running' })]);
        await vi.waitFor(() => expect(to()).toBe('/run/r2'));
    });

    it('is said not to be here where it is another shop’s', async () => {
        const { page, to } = await scanned('/r/999', []);
        expect(textOf(page)).toContain('There is no run 999 here');
        expect(to()).toBe('/r/999');
    });
});

describe('a trace', () => {
    const node = (over: object) => ({
        id: 'l1',
        kind: 'lot',
        title: 'L-0101',
        says: 'HDPE green',
        link: '/sort/lots/1',
        share: 1,
        grams: 9000,
        good: null,
        at: 0,
        pieces: null,
        ...over,
    });
    const forward = {
        way: 'forward',
        about: 'l1',
        title: 'L-0101',
        more: false,
        nodes: [
            node({}),
            node({
                id: 'r1',
                kind: 'run',
                title: 'Run 140',
                says: 'hive floor panel',
                link: '/learn/r1',
                share: 0.25,
                grams: 541,
                good: 1,
            }),
            node({
                id: 'r2',
                kind: 'run',
                title: 'Run 141',
                says: 'hive floor panel',
                link: '/learn/r2',
                share: 0.004,
                grams: 9,
                good: 0,
                pieces: '4 to 9',
            }),
        ],
        flows: [
            { from: 'l1', to: 'r1', grams: 541 },
            { from: 'l1', to: 'r2', grams: 9 },
        ],
    };

    it('says how many have of it and what came of them, with the list to call back by', async () => {
        server({ 'lots/1/trace': forward });
        const { page } = await shownAt(TracePage, '/trace/:kind/:id', '/trace/lot/1');
        const text = textOf(page);
        expect(text).toContain('2 runs have of it, 1 good came of them');
        expect(text).toContain('25 %');
        // A trace of a trace is not nothing.
        expect(text).toContain('0.40 %');
        // Of a run that went over to another lot: which of its pieces.
        expect(text.match(/pieces 4 to 9/g)).toHaveLength(1);
        expect(page.get('a[download], [href$="recall.csv"]').attributes('href')).toBe(
            '/api/v1/lots/1/recall.csv',
        );
    });

    it('warns where there is more than it holds', async () => {
        server({ 'lots/1/trace': { ...forward, more: true } });
        const { page } = await shownAt(TracePage, '/trace/:kind/:id', '/trace/lot/1');
        expect(textOf(page)).toContain('There is more than one trace holds');
    });

    it('of a run has its lots, and no recall', async () => {
        server({
            'runs/r1/trace': {
                ...forward,
                way: 'back',
                about: 'r1',
                title: 'Run 140',
                nodes: [
                    forward.nodes[1],
                    node({ share: 0.8 }),
                    node({ id: 'l2', title: 'L-0102', share: 0.2 }),
                ],
                flows: [
                    { from: 'l1', to: 'r1', grams: 433 },
                    { from: 'l2', to: 'r1', grams: 108 },
                ],
            },
        });
        const { page } = await shownAt(TracePage, '/trace/:kind/:id', '/trace/run/r1');
        expect(textOf(page)).toContain('2 lots.');
        expect(textOf(page)).not.toContain('Recall list');
    });
});
