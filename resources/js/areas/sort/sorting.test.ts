import { flushPromises } from '@vue/test-utils';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { type Asked, buttonOf, page as items, refusal, server, shownAt, textOf } from '../../tests/mount';
import BatchPage from './BatchPage.vue';
import FindPage from './FindPage.vue';

beforeEach(() => localStorage.clear());
afterEach(() => vi.unstubAllGlobals());
const posts = (asked: Asked[], path: string) =>
    asked.filter((a) => a.method === 'POST' && a.path === path).map((a) => a.body as Record<string, unknown>);

describe('finding the polymer', () => {
    const TESTS = [
        {
            id: 'water_1_00',
            name: 'In water',
            how: 'Push it under.',
            caution: null,
            results: ['floats', 'sinks'],
            only_for: null,
        },
        {
            id: 'bend',
            name: 'Bend it',
            how: 'Fold a corner.',
            caution: 'It may snap.',
            results: ['whitens', 'snaps'],
            only_for: null,
        },
        {
            id: 'crinkle',
            name: 'Crinkle it',
            how: 'By the ear.',
            caution: null,
            results: ['loud', 'soft'],
            only_for: ['film'],
        },
    ];
    const ranking = (over: object = {}) => ({
        ranked: [
            { code: 'HDPE', probability: 0.6 },
            { code: 'PP', probability: 0.4 },
        ],
        family: ['HDPE'],
        decision: 'UNKNOWN',
        because: 'Two are still likely.',
        next_test: { test: 'water_1_00', because: 'It tells most.' },
        conflict: null,
        ...over,
    });
    let asked: Asked[] = [];
    async function open(
        answer: unknown = ranking(),
        path = '/sort/find',
        more: Record<string, unknown> = {},
    ) {
        asked = server({ 'sorting-tests': items(TESTS), 'calc/identify.rank': answer, ...more });
        return shownAt(FindPage, '/sort/find', path);
    }
    const evidence = () => posts(asked, 'calc/identify.rank').at(-1)!.evidence;

    it('asks the test that tells most, and ranks anew with what was seen', async () => {
        const { page } = await open();
        await vi.waitFor(() => expect(textOf(page)).toContain('Push it under.'));
        expect(textOf(page)).toContain('It tells most.');
        await buttonOf(page, 'floats').trigger('click');
        await vi.waitFor(() => expect(evidence()).toEqual([{ test: 'water_1_00', result: 'floats' }]));
        expect(textOf(page)).toContain('In water: floats');
        page.unmount();
    });

    it('takes back what was seen, and begins again with another item', async () => {
        const { page } = await open();
        await vi.waitFor(() => expect(textOf(page)).toContain('Push it under.'));
        await buttonOf(page, 'sinks').trigger('click');
        await vi.waitFor(() => expect(evidence()).toHaveLength(1));
        await page.get('[aria-label="Take back In water"]').trigger('click');
        await vi.waitFor(() => expect(evidence()).toEqual([]));
        await buttonOf(page, 'sinks').trigger('click');
        await buttonOf(page, 'Another item').trigger('click');
        await vi.waitFor(() => expect(evidence()).toEqual([]));
        page.unmount();
    });

    it('does another test where somebody would rather, and none that is not for this kind of item', async () => {
        const { page } = await open();
        await vi.waitFor(() => expect(textOf(page)).toContain('Push it under.'));
        const others = page.get('[aria-label="Other tests"]');
        expect(others.findAll('button.plain').map((b) => b.text())).toEqual(['In water', 'Bend it']);
        await others.findAll('button.plain')[1]!.trigger('click');
        expect(textOf(page)).toContain('It may snap.');
        await buttonOf(page, 'snaps').trigger('click');
        await vi.waitFor(() => expect(evidence()).toEqual([{ test: 'bend', result: 'snaps' }]));
        page.unmount();
    });

    it('leaves out what is not to hand, also after a reload', async () => {
        const first = await open();
        await vi.waitFor(() => expect(textOf(first.page)).toContain('Push it under.'));
        await first.page.findAll('input[type=checkbox]')[1]!.setValue(true);
        await vi.waitFor(() =>
            expect(posts(asked, 'calc/identify.rank').at(-1)!.exclude_tests).toEqual(['bend']),
        );
        first.page.unmount();
        const again = await open();
        await vi.waitFor(() =>
            expect(posts(asked, 'calc/identify.rank').at(-1)!.exclude_tests).toEqual(['bend']),
        );
        again.page.unmount();
    });

    it('weighs in water: the core says the density, and that is evidence', async () => {
        const { page } = await open(ranking(), '/sort/find', {
            'calc/density.archimedes': { density_g_cm3: 0.95123456 },
        });
        await vi.waitFor(() => expect(textOf(page)).toContain('Push it under.'));
        const form = page.get('form');
        const [air, wet] = form.findAll('input');
        await air!.setValue('12.4');
        await wet!.setValue('-0.6');
        await form.trigger('submit');
        await vi.waitFor(() => expect(evidence()).toEqual([{ test: 'density', g_cm3: 0.9512, se: 0.008 }]));
        expect(posts(asked, 'calc/density.archimedes')[0]).toEqual({
            mass_air_g: 12.4,
            mass_submerged_g: -0.6,
        });
        page.unmount();
    });

    it('says of a weighing what is wrong with it, and takes none of it', async () => {
        const { page } = await open(ranking(), '/sort/find', {
            'calc/density.archimedes': refusal('mass_submerged_g', 'is not under the mass in air'),
        });
        await vi.waitFor(() => expect(textOf(page)).toContain('Push it under.'));
        const [air, wet] = page.get('form').findAll('input');
        await air!.setValue('12');
        await wet!.setValue('14');
        await page.get('form').trigger('submit');
        await vi.waitFor(() => expect(textOf(page)).toContain('is not under the mass in air'));
        expect(evidence()).toEqual([]);
        page.unmount();
    });

    it('keeps what it is for the lot that it was asked for, and goes back there', async () => {
        const known = ranking({ decision: 'HDPE', because: 'It floats.', next_test: null });
        const { page, router } = await open(known, '/sort/find?lot=42', { identifications: known });
        await vi.waitFor(() => expect(textOf(page)).toContain('It floats.'));
        await buttonOf(page, 'The lot is that').trigger('click');
        await vi.waitFor(() => expect(router.currentRoute.value.path).toBe('/sort/lots/42'));
        const said = posts(asked, 'identifications')[0]!;
        expect(posts(asked, 'lots/42/acts')[0]).toMatchObject({
            kind: 'identify',
            identification_id: said.id,
        });
        page.unmount();
    });

    it('sends what was found while sorting to its container', async () => {
        const known = ranking({ decision: 'PP', next_test: null });
        const { page, router } = await open(known, '/sort/find?sorting=abc', { identifications: known });
        await vi.waitFor(() => expect(buttonOf(page, 'To its container')).toBeTruthy());
        await buttonOf(page, 'To its container').trigger('click');
        await vi.waitFor(() =>
            expect(router.currentRoute.value.fullPath).toBe('/sort/batches/abc?polymer=PP'),
        );
        page.unmount();
    });

    it.each([
        ['when no test is left', ranking({ next_test: null, because: 'Nothing tells them apart.' })],
        [
            'when it is surely one that never gets hot',
            ranking({
                ranked: [{ code: 'PVC-U', probability: 0.99 }],
                because: 'It sinks in salt water.',
            }),
        ],
    ])('calls it unknown, and never hot, %s', async (_when, answer) => {
        const { page } = await open(answer);
        await vi.waitFor(() => expect(textOf(page)).toContain('UNKNOWN'));
        expect(textOf(page)).toContain('Its own bin, never hot.');
        expect(buttonOf(page, 'Keep as unknown')).toBeTruthy();
        page.unmount();
    });

    it('asks on while one that never gets hot is only likely', async () => {
        const { page } = await open(ranking({ ranked: [{ code: 'PVC-U', probability: 0.8 }] }));
        await vi.waitFor(() => expect(textOf(page)).toContain('Push it under.'));
        expect(textOf(page)).not.toContain('UNKNOWN');
        page.unmount();
    });

    it('says that what was seen does not go together', async () => {
        const { page } = await open(ranking({ conflict: { because: 'Nothing both floats and sinks.' } }));
        await vi.waitFor(() => expect(page.get('[role=alert]').text()).toContain('both floats and sinks'));
        page.unmount();
    });
});

describe('sorting a batch at the speed of hands', () => {
    const bin = (id: number, over: object = {}) => ({
        id,
        place: id,
        polymer: 'HDPE',
        colour: 'blue',
        swatch: '#2f5f9e',
        location: 'Rack A4',
        pieces: 10,
        mass_g: 0,
        never_hot: false,
        lot_id: null,
        lot: null,
        ...over,
    });
    const batch = (over: object = {}) => ({
        id: 'b1',
        about: 'bottle tops, mixed',
        source: { id: 1, name: 'Market co-op', state: 'accepted' },
        status: 'open',
        in_g: 6400,
        sorted_g: 0,
        waste_g: 0,
        missing_g: 6400,
        tolerance_g: 32,
        closes: false,
        because: '6.4 kg are missing.',
        by: 'Ines Halloran',
        started_at: 0,
        bins: [bin(1), bin(2, { polymer: null, colour: 'waste' })],
        entries: [],
        ...over,
    });
    let asked: Asked[] = [];
    async function open(answers: Record<string, unknown> = {}, path = '/sort/batches/b1') {
        asked = server({
            'GET sortings/b1': batch(),
            'POST sortings/b1/entries': batch(),
            polymers: items([{ code: 'HDPE', name: 'polyethylene' }]),
            ...answers,
        });
        const at = await shownAt(BatchPage, '/sort/batches/:id', path);
        await vi.waitFor(() => expect(textOf(at.page)).toContain('bottle tops, mixed'));
        return at;
    }
    const entries = () => posts(asked, 'sortings/b1/entries');

    it('counts a tap at once and sends it once, as many as a hand holds', async () => {
        const { page } = await open();
        await page.findAll('.hand button')[2]!.trigger('click');
        await page.get('.bin .tap').trigger('click');
        expect(page.get('.bin .pieces').text()).toBe('15');
        await vi.waitFor(() => expect(entries()).toHaveLength(1));
        expect(entries()[0]).toMatchObject({ bin_id: 1, pieces: 5, mass_g: 0 });
        page.unmount();
    });

    it('keeps taps here while the server is away, and sends each with the name it had', async () => {
        vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout'] });
        let down = true;
        const { page } = await open({ 'POST sortings/b1/entries': () => (down ? { status: 503 } : batch()) });
        await page.get('.bin .tap').trigger('click');
        await page.get('.bin .tap').trigger('click');
        await flushPromises();
        expect(textOf(page)).toContain('No server: 2 kept here.');
        const kept = JSON.parse(localStorage.getItem('dithermic.sorting.b1')!) as { id: string }[];
        expect(kept).toHaveLength(2);
        down = false;
        await vi.advanceTimersByTimeAsync(3100);
        await flushPromises();
        vi.useRealTimers();
        await vi.waitFor(() => expect(JSON.parse(localStorage.getItem('dithermic.sorting.b1')!)).toEqual([]));
        const sent = entries()
            .slice(-2)
            .map((e) => e.id);
        expect(sent).toEqual(kept.map((k) => k.id));
        page.unmount();
    });

    it('says what was refused, and goes on with the next', async () => {
        const { page } = await open({ 'POST sortings/b1/entries': refusal('bin_id', 'is closed') });
        await page.get('.bin .tap').trigger('click');
        await vi.waitFor(() => expect(textOf(page)).toContain('is closed'));
        expect(JSON.parse(localStorage.getItem('dithermic.sorting.b1') ?? '[]')).toEqual([]);
        page.unmount();
    });

    it('takes back the newest that the server has, by its name', async () => {
        const entry = (id: string, over: object = {}) => ({
            id,
            bin_id: 1,
            pieces: 3,
            mass_g: 0,
            undone: false,
            ...over,
        });
        const { page } = await open({
            'GET sortings/b1': batch({ entries: [entry('e3', { undone: true }), entry('e2'), entry('e1')] }),
        });
        await buttonOf(page, 'Take the last back').trigger('click');
        await vi.waitFor(() => expect(entries()).toHaveLength(1));
        expect(entries()[0]).toMatchObject({ undoes: 'e2' });
        expect(entries()[0]).not.toHaveProperty('pieces');
        page.unmount();
    });

    it('weighs a container by what is typed', async () => {
        const { page } = await open();
        await buttonOf(page, 'Weigh').trigger('click');
        await page.get('.bin form input').setValue('1,2 kg');
        await page.get('.bin form').trigger('submit');
        await vi.waitFor(() => expect(entries()[0]).toMatchObject({ bin_id: 1, pieces: 0, mass_g: 1200 }));
        page.unmount();
    });

    it('opens a container for what was just found, its colour known by name', async () => {
        const { page } = await open({ 'POST sortings/b1/bins': batch() }, '/sort/batches/b1?polymer=HDPE');
        const form = page.get('form.card');
        await form.findAll('input')[0]!.setValue('Red');
        await form.findAll('input').at(-1)!.setValue('Rack C9');
        await form.trigger('submit');
        await vi.waitFor(() => expect(posts(asked, 'sortings/b1/bins')).toHaveLength(1));
        expect(posts(asked, 'sortings/b1/bins')[0]).toEqual({
            place: 3,
            polymer: 'HDPE',
            colour: 'Red',
            swatch: '#b3382c',
            location: 'Rack C9',
        });
        page.unmount();
    });

    it('asks why where it does not close, and not where it does', async () => {
        const { page } = await open({
            'POST sortings/b1/close': refusal('reason', 'is needed: 6.4 kg are missing'),
        });
        await page.get('.wide input').setValue('a bag tore');
        await buttonOf(page, 'Close: containers become lots').trigger('click');
        await vi.waitFor(() => expect(textOf(page)).toContain('is needed: 6.4 kg are missing'));
        expect(posts(asked, 'sortings/b1/close')[0]).toMatchObject({ reason: 'a bag tore' });
        page.unmount();
        const whole = await open({ 'GET sortings/b1': batch({ closes: true, because: 'It closes.' }) });
        expect(whole.page.find('.wide input').exists()).toBe(false);
        whole.page.unmount();
    });

    it('is over: what became of it, and no taps', async () => {
        const { page } = await open({
            'GET sortings/b1': batch({
                status: 'closed',
                closes: true,
                bins: [bin(1, { lot_id: 51, lot: 'L-0151', mass_g: 900 }), bin(2, { polymer: null })],
            }),
        });
        expect(page.find('.bins').exists()).toBe(false);
        expect(page.get('a[href="/sort/lots/51"]').text()).toBe('L-0151');
        expect(page.findAll('tbody tr')).toHaveLength(1);
        page.unmount();
    });
});
