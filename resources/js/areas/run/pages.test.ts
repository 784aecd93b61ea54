import { afterEach, describe, expect, it, vi } from 'vitest';
import { page as items, server, shownAt, textOf } from '../../tests/mount';
import CheckPage from '../check/CheckPage.vue';
import RunningPage from './RunningPage.vue';

afterEach(() => vi.unstubAllGlobals());
const run = (over: object = {}) => ({
    id: 'r1',
    number: 145,
    product: 'divider board',
    polymer: 'HIPS',
    lot_code: 'L-0105',
    stations: [{ machine: 'Anvil' }, { machine: 'Little Pond' }],
    doing: 'Cool under pressure',
    good: 0,
    bad: 0,
    looks: false,
    started_at: 0,
    started_by: 'Ines',
    figures: [],
    verdict: null,
    ...over,
});

describe('what runs', () => {
    it('says where each stands, and leads to it', async () => {
        server({ runs: items([run(), run({ id: 'r2', number: 146, good: 7, doing: 'Shots' })]) });
        const { page } = await shownAt(RunningPage, '/run', '/run');
        const links = page.findAll('a.one');
        expect(links.map((l) => l.attributes('href'))).toEqual(['/run/r1', '/run/r2']);
        expect(textOf(links[0]!)).toContain('Anvil then Little Pond');
        expect(textOf(links[1]!)).toContain('Shots, 7 good');
    });

    it('says how one begins where nothing runs', async () => {
        server({ runs: items([]) });
        const { page } = await shownAt(RunningPage, '/run', '/run');
        expect(textOf(page)).toContain('Nothing is running.');
    });
});

describe('what is to be checked', () => {
    it('is what runs and has something to look at', async () => {
        server({ runs: items([run({ looks: true, doing: 'Measure' }), run({ id: 'r2', number: 146 })]) });
        const { page } = await shownAt(CheckPage, '/check', '/check');
        expect(page.findAll('a.one').map((l) => l.attributes('href'))).toEqual(['/run/r1']);
    });

    it('stands over what was measured last, and not over what was only set', async () => {
        const figure = (measured: boolean, value: number | null) => ({
            id: 'mean_mm',
            label: 'Mean',
            dimension: 'length',
            decimals: 2,
            measured,
            value,
        });
        server({
            runs: items([
                run({ figures: [figure(true, 8.1)], verdict: 'good' }),
                run({ id: 'r2', figures: [figure(false, 8)] }),
            ]),
        });
        const { page } = await shownAt(CheckPage, '/check', '/check');
        expect(page.findAll('tbody tr')).toHaveLength(1);
        expect(textOf(page.get('tbody'))).toContain('Mean 8.10 mm');
        expect(textOf(page)).toContain('Nothing waits.');
    });
});
