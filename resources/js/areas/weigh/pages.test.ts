import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { type Asked, buttonOf, page as items, refusal, server, shownAt, textOf } from '../../tests/mount';
import MixesPage from './MixesPage.vue';
import WeighPage from './WeighPage.vue';

let asked: Asked[] = [];
const posts = (path: string) => asked.filter((a) => a.method === 'POST' && a.path === path);
afterEach(() => vi.unstubAllGlobals());
const mix = (over: object = {}) => ({
    id: 3,
    name: 'meadow',
    version: 2,
    polymer: 'HDPE',
    preview: '#447744',
    regrind_pct: 0,
    regrind_max_pct: null,
    regrind_note: null,
    stock: { gives_g: 54_700, runs_out: 'mixed green' },
    note: 'for the rails',
    by: 'Maren Okafor',
    at: 0,
    components: [
        { name: 'green', swatch: '#448844', parts: 6, percent: 75, kind: 'colour' },
        { name: 'black', swatch: '#222222', parts: 2, percent: 25, kind: 'colour' },
    ],
    ...over,
});
const polymers = items([
    { code: 'HDPE', name: 'polyethylene', never_hot: false },
    { code: 'PP', name: 'polypropylene', never_hot: false },
    { code: 'PVC-U', name: 'vinyl', never_hot: true },
]);
const blend = {
    components: [
        { name: 'green', percent: 75, rounded_g: 1500, weighable: true },
        { name: 'black', percent: 25, rounded_g: 500, weighable: true },
    ],
    explanation: 'Every part can be weighed on this scale.',
    warnings: [],
    let_down: null,
};
const lots = items([
    {
        id: 1,
        code: 'L-0101',
        polymer: 'HDPE',
        colour: 'leaf green',
        swatch: '#4f8a3c',
        mass_g: 9000,
        generation: 0,
        form: 'flake',
    },
]);

describe('mixes', () => {
    const open = async (answers: object = {}) => {
        asked = server({
            'GET mixes': items([
                mix(),
                mix({ id: 4, name: 'dusk', stock: { gives_g: 0, runs_out: 'terracotta' } }),
            ]),
            polymers,
            lots,
            products: items([{ id: 5, name: 'stand rail', polymer: 'HDPE' }]),
            'calc/charge.blend': blend,
            ...answers,
        });
        return (await shownAt(MixesPage, '/weigh/mixes', '/weigh/mixes')).page;
    };

    it('say how much of each the shelves give, and which colour is not there', async () => {
        const page = await open();
        expect(textOf(page.findAll('article')[0]!)).toContain(
            'The shelves give 54.7 kg, then mixed green runs out.',
        );
        expect(textOf(page.findAll('article')[1]!)).toContain('No terracotta on the shelves.');
        expect(buttonOf(page, 'Weigh it').attributes('href')).toBe('/weigh?mix=3');
    });

    it('are changed from what is kept, as the next version', async () => {
        const page = await open({ 'POST mixes': mix({ version: 3 }) });
        await buttonOf(page, 'Change it').trigger('click');
        expect(page.findAll('[aria-label="Parts"] li')).toHaveLength(2);
        await page.get('[aria-label="One more of black"]').trigger('click');
        await page.get('form').trigger('submit');
        await vi.waitFor(() => expect(textOf(page)).toContain('Kept as version 3.'));
        expect(posts('mixes')[0]!.body).toMatchObject({
            name: 'meadow',
            after_version: 2,
            components: [{ parts: 6 }, { parts: 3 }],
        });
    });

    it('begin with a colour of the shelves, and are not kept without a name', async () => {
        const page = await open();
        await page.get('[aria-label="One part of leaf green"]').trigger('click');
        await page.get('[aria-label="One part of leaf green"]').trigger('click');
        expect((page.get('[aria-label="Name 1"]').element as HTMLInputElement).value).toBe('leaf green');
        expect(textOf(page)).toContain('Still wanted: a name.');
        expect(textOf(page)).not.toContain('PVC-U');
    });

    it('are kept over nobody’s newer version', async () => {
        const page = await open({
            'POST mixes': refusal('after_version', 'somebody has kept version 3 meanwhile'),
        });
        await buttonOf(page, 'Change it').trigger('click');
        await page.get('form').trigger('submit');
        await vi.waitFor(() => expect(textOf(page)).toContain('somebody has kept version 3 meanwhile'));
    });

    it('are reckoned for one of what the shop makes', async () => {
        const page = await open({
            'products/5/charge': { mass_g: 2435.4, tolerance_g: null, explanation: '' },
        });
        await buttonOf(page, 'stand rail').trigger('click');
        await vi.waitFor(() => expect(textOf(page)).toContain('one stand rail'));
    });
});

describe('a charge to weigh', () => {
    beforeEach(() => {
        asked = server({
            'GET charges': items([]),
            products: items([{ id: 5, name: 'hive floor panel', polymer: 'HDPE' }]),
            mixes: items([mix()]),
            polymers,
            'products/5/charge': { mass_g: 2166, tolerance_g: 21.66, explanation: 'A panel of 8 mm.' },
            'POST charges': { id: 'c9' },
        });
    });
    const open = (path = '/weigh') => shownAt(WeighPage, '/weigh', path);

    it('is as much as the plan of the product wants, as near as it wants', async () => {
        const { page, router } = await open();
        await page.findAll('select')[0]!.setValue('5');
        await vi.waitFor(() => expect(textOf(page)).toContain('A panel of 8 mm.'));
        await page.get('form').trigger('submit');
        await vi.waitFor(() => expect(router.currentRoute.value.path).toBe('/weigh/c9'));
        expect(posts('charges')[0]!.body).toMatchObject({
            product_id: 5,
            polymer: 'HDPE',
            total_g: 2166,
            tolerance_pct: 1,
        });
    });

    it('begins with the mix, or the mass, that another page sent', async () => {
        const { page } = await open('/weigh?mix=3');
        await vi.waitFor(() =>
            expect((page.findAll('select')[2]!.element as HTMLSelectElement).value).toBe('3'),
        );
        const { page: charge } = await open('/weigh?g=412.5&polymer=PP');
        expect((charge.get('input[data-typed="mass"]').element as HTMLInputElement).dataset.value).toBe(
            '412.5',
        );
        expect((charge.findAll('select')[1]!.element as HTMLSelectElement).value).toBe('PP');
    });

    it('is not begun without a mass', async () => {
        const { page } = await open();
        expect(buttonOf(page, 'To the scale').attributes('disabled')).toBeDefined();
    });

    it('says why none is known, and waits for one that is typed', async () => {
        asked = server({
            'GET charges': items([]),
            products: items([{ id: 5, name: 'tray', polymer: 'HIPS' }]),
            mixes: items([]),
            polymers,
            'products/5/charge': refusal('product', 'tray is formed from sheet: it is cut, not weighed'),
        });
        const { page } = await open();
        await page.findAll('select')[0]!.setValue('5');
        await vi.waitFor(() =>
            expect(textOf(page)).toContain('No charge is known: tray is formed from sheet'),
        );
        expect(buttonOf(page, 'To the scale').attributes('disabled')).toBeDefined();
    });
});
