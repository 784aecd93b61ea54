import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { session } from '../../api/session';
import { type Asked, buttonOf, page as items, refusal, server, shownAt, textOf } from '../../tests/mount';
import CsvPage from './CsvPage.vue';
import DeliverPage from './DeliverPage.vue';
import LotsPage from './LotsPage.vue';
import SourcePage from './SourcePage.vue';
import SourcesPage from './SourcesPage.vue';

beforeEach(() => {
    session.person = { id: 1, name: 'Ines Halloran', role: 'operator' } as typeof session.person;
});
afterEach(() => vi.unstubAllGlobals());
const brought = (over: object = {}) => ({
    code: 'L-0042',
    polymer: 'HDPE',
    form: 'flake',
    colour: 'white',
    swatch: '#f2f2ee',
    location: 'Rack A2',
    generation: 1,
    tare_g: 820,
    sheet: null,
    reserved_for_id: null,
    mass_g: 8200,
    at: 0,
    ...over,
});
const source = (over: object = {}) => ({
    id: 1,
    name: 'Market co-op',
    state: 'accepted',
    note: 'Crates.',
    held_g: 12_000,
    brought: [brought()],
    every_days: 9,
    trial_lot: 'L-0042',
    steps: [],
    ...over,
});
const posts = (asked: Asked[], path: string) => asked.filter((a) => a.method === 'POST' && a.path === path);

describe('taking a delivery in', () => {
    const lot = {
        id: 77,
        code: 'L-0077',
        polymer: 'HDPE',
        colour: 'white',
        form: 'flake',
        swatch: '#f2f2ee',
        mass_g: 4180,
        source: { id: 1 },
    };
    const open = async (path = '/sort/deliver') => {
        const asked = server({
            sources: items([
                source(),
                source({ id: 2, name: 'Village fete', state: 'on_trial', brought: [] }),
            ]),
            'GET lots/77': {
                lot,
                next: [{ id: 'look', says: 'Look a sample through', because: 'a little spoils it' }],
            },
            'POST lots': lot,
        });
        return { asked, ...(await shownAt(DeliverPage, '/sort/deliver', path)) };
    };

    it('takes another like the last with two touches and a mass', async () => {
        const { asked, page } = await open();
        await buttonOf(page, 'Market co-op').trigger('click');
        expect(textOf(page)).toContain('HDPE, white flake');
        expect(page.find('select').exists()).toBe(false);
        await page.findAll('input[data-typed="mass"]')[0]!.setValue('5 kg');
        await page.get('form').trigger('submit');
        await vi.waitFor(() => expect(textOf(page)).toContain('L-0077'));
        expect(posts(asked, 'lots')[0]!.body).toMatchObject({
            source_id: 1,
            polymer: 'HDPE',
            form: 'flake',
            colour: 'white',
            location: 'Rack A2',
            mass_g: 4180,
            tare_g: 820,
            generation: 1,
        });
        await vi.waitFor(() => expect(textOf(page)).toContain('Look a sample through'));
    });

    it('goes on with the next container of the same, under a name of its own', async () => {
        const { asked, page } = await open();
        await buttonOf(page, 'Market co-op').trigger('click');
        for (const mass of ['5000', '6000']) {
            await page.findAll('input[data-typed="mass"]')[0]!.setValue(mass);
            await page.get('form').trigger('submit');
            await vi.waitFor(() => expect(textOf(page)).toContain('Another container of it'));
            await buttonOf(page, 'Another container of it').trigger('click');
        }
        const ids = posts(asked, 'lots').map((a) => (a.body as { id: string }).id);
        expect(new Set(ids).size).toBe(2);
    });

    it('opens all there is to say for what nobody brought before', async () => {
        const { page } = await open();
        await buttonOf(page, 'Village fete').trigger('click');
        expect(page.findAll('select').length).toBeGreaterThan(1);
        expect(textOf(page)).toContain('Still wanted: its colour.');
    });

    it('begins with the source whose page sent here', async () => {
        const { page } = await open('/sort/deliver?source=1');
        await vi.waitFor(() => expect(textOf(page)).toContain('as L-0042, 8 200 g, Rack A2'));
    });

    it('keeps what was typed where the server refuses it', async () => {
        const { page } = await open();
        server({ sources: items([source()]), 'POST lots': refusal('polymer', 'there is no polymer "X"') });
        await buttonOf(page, 'Market co-op').trigger('click');
        await page.findAll('input[data-typed="mass"]')[0]!.setValue('5000');
        await page.get('form').trigger('submit');
        await vi.waitFor(() => expect(textOf(page)).toContain('Polymer there is no polymer "X".'));
        expect((page.findAll('input[data-typed="mass"]')[0]!.element as HTMLInputElement).value).toContain(
            '5',
        );
    });
});

describe('sources', () => {
    it('each ask for what their trust lacks, of the lot that there is', async () => {
        server({
            sources: items([
                source(),
                source({ id: 2, name: 'Village fete', state: 'on_trial', trial_lot: 'L-0099' }),
                source({ id: 3, name: 'Sign shop offcuts', state: 'small_trial_passed', trial_lot: null }),
                source({ id: 4, name: 'Garden nursery', state: 'full_trial_passed' }),
            ]),
        });
        const { page } = await shownAt(SourcesPage, '/sort/sources', '/sort/sources');
        const cards = page.findAll('article');
        const links = cards.map((c) => c.findAll('.acts a').map((a) => a.attributes('href')));
        expect(links).toEqual([
            ['/sort/deliver?source=1'],
            ['/set?lot=L-0099', '/sort/deliver?source=2'],
            ['/sort/deliver?source=3'],
            ['/sort/sources/4', '/sort/deliver?source=4'],
        ]);
    });

    it('are added on trial, and opened', async () => {
        const asked = server({ 'GET sources': items([]), 'POST sources': { id: 9, name: 'Village fete' } });
        const { page, router } = await shownAt(SourcesPage, '/sort/sources', '/sort/sources');
        await page.findAll('form input')[0]!.setValue('Village fete');
        await page.get('form').trigger('submit');
        await vi.waitFor(() => expect(router.currentRoute.value.path).toBe('/sort/sources/9'));
        expect(posts(asked, 'sources')[0]!.body).toEqual({ name: 'Village fete', note: '' });
    });
});

describe('a source', () => {
    const step = (kind: string, over: object = {}) => ({
        kind,
        says: kind.replaceAll('_', ' '),
        lead_only: false,
        needs_temperature: false,
        ...over,
    });
    const detail = (over: object = {}) => ({
        source: { id: 2, name: 'Village fete', state: 'on_trial', note: 'Cups.' },
        events: [],
        lots: [],
        may: ['small_trial'],
        delivered_g: 0,
        used_g: 0,
        runs: 0,
        scrap: 0,
        scrap_pct: null,
        contamination_pct: null,
        worked_from_c: null,
        worked_to_c: null,
        steps: [
            step('small_trial_passed', { needs_temperature: true }),
            step('accepted', { lead_only: true }),
            step('delivery_failed'),
        ],
        ...over,
    });
    const open = async (answers: object = {}) => {
        const asked = server({ 'GET sources/2': detail(), ...answers });
        return { asked, ...(await shownAt(SourcePage, '/sort/sources/:id', '/sort/sources/2')) };
    };

    it('is said to have passed with the heat at which it did', async () => {
        const { asked, page } = await open({
            'POST sources/2/events': detail({ may: ['small_trial', 'full_trial'] }),
        });
        expect(textOf(page)).toContain('May go into: a small trial');
        await buttonOf(page, 'small trial passed').trigger('click');
        expect(buttonOf(page, 'Note it').attributes('disabled')).toBeDefined();
        await page.get('input[data-typed="temperature"]').setValue('183');
        await page.get('form').trigger('submit');
        await vi.waitFor(() => expect(textOf(page)).toContain('a small trial, a full-size trial'));
        expect(posts(asked, 'sources/2/events')[0]!.body).toMatchObject({
            kind: 'small_trial_passed',
            worked_at_c: 183,
        });
    });

    it('asks of a failed delivery what was wrong, and no heat', async () => {
        const { asked, page } = await open({ 'POST sources/2/events': detail() });
        await buttonOf(page, 'delivery failed').trigger('click');
        expect(page.find('input[data-typed="temperature"]').exists()).toBe(false);
        expect(textOf(page)).toContain('What was wrong');
        await page.get('form input').setValue('smells of diesel');
        await page.get('form').trigger('submit');
        await vi.waitFor(() => expect(posts(asked, 'sources/2/events')).toHaveLength(1));
        expect(posts(asked, 'sources/2/events')[0]!.body).toMatchObject({
            note: 'smells of diesel',
            worked_at_c: null,
        });
    });

    it('is accepted by a lead alone', async () => {
        expect(buttonOf((await open()).page, 'accepted').attributes('disabled')).toBeDefined();
        session.person = { id: 2, name: 'Maren Okafor', role: 'lead' } as typeof session.person;
        expect(buttonOf((await open()).page, 'accepted').attributes('disabled')).toBeUndefined();
    });
});

describe('CSV in and out', () => {
    const choose = async (
        page: Awaited<ReturnType<typeof shownAt>>['page'],
        text: string,
        name = 'rows.csv',
    ) => {
        const input = page.get('input[type="file"]');
        Object.defineProperty(input.element, 'files', {
            value: [new File([text], name)],
            configurable: true,
        });
        await input.trigger('change');
    };

    it('offers everything that goes out, by its own name', async () => {
        server({});
        const { page } = await shownAt(CsvPage, '/sort/csv', '/sort/csv');
        expect(page.findAll('.outs a').map((a) => a.attributes('href'))).toEqual(
            [
                'lots',
                'sources',
                'movements',
                'mixes',
                'machines',
                'products',
                'setups',
                'finishing',
                'values',
                'procedures',
            ].map((k) => `/api/v1/transfer/${k}.csv`),
        );
    });

    it('asks what a file holds where its columns do not say', async () => {
        server({});
        const { page } = await shownAt(CsvPage, '/sort/csv', '/sort/csv');
        await choose(page, 'what,ever\n1,2\n');
        await vi.waitFor(() =>
            expect(textOf(page)).toContain('By its columns (what, ever) it is none of what the shop knows'),
        );
        expect(
            page.findAll('.kinds button, .kinds a').some((b) => b.attributes('aria-pressed') === 'true'),
        ).toBe(false);
    });
});

describe('the shelves', () => {
    const lot = (over: object) => ({
        id: 5,
        code: 'L-0005',
        polymer: 'PP',
        form: 'flake',
        colour: 'honey',
        swatch: '#d9a441',
        location: 'Rack A1',
        dry_state: 'not needed',
        source: { id: 1, name: 'Market co-op', state: 'accepted' },
        generation: 0,
        reserved_for: null,
        never_hot: false,
        mass_g: 1200,
        ...over,
    });
    const shelves = (now: object[], all: object[]) =>
        server({ 'GET lots?find=': items(now), 'GET lots?find=&emptied=1': items(all) });

    it('holds what is left of anything, and what is emptied when that is asked for', async () => {
        shelves([lot({})], [lot({}), lot({ id: 6, code: 'L-0006', mass_g: 0 })]);
        const { page } = await shownAt(LotsPage, '/sort', '/sort');
        await vi.waitFor(() => expect(textOf(page)).toContain('L-0005'));
        expect(textOf(page)).not.toContain('L-0006');
        await page.get('input[type=checkbox]').setValue(true);
        await vi.waitFor(() => expect(textOf(page)).toContain('L-0006'));
        expect(textOf(page)).toContain('L-0005');
    });

    it('offers to look among the emptied where nothing else fits', async () => {
        shelves([], [lot({ id: 6, code: 'L-0006', mass_g: 0 })]);
        const { page } = await shownAt(LotsPage, '/sort', '/sort');
        await vi.waitFor(() => expect(textOf(page)).toContain('The shelves are empty'));
        await buttonOf(page, 'Look among emptied ones too').trigger('click');
        await vi.waitFor(() => expect(textOf(page)).toContain('L-0006'));
    });
});
