import { afterEach, describe, expect, it, vi } from 'vitest';
import type { AsRun, Chart, Learnt, SetUp } from '../../api/types';
import { buttonOf, page, plain, refusal, server, shown, textOf } from '../../tests/mount';
import ControlChart from './ControlChart.vue';
import LearntCard from './LearntCard.vue';
import LessonCard from './LessonCard.vue';
import RecentStrip from './RecentStrip.vue';
import SetUps from './SetUps.vue';
import WindowPicture from './WindowPicture.vue';

const push = vi.hoisted(() => vi.fn());
vi.mock('vue-router', async (original) => ({
    ...(await original<typeof import('vue-router')>()),
    useRouter: () => ({ push }),
}));
afterEach(() => {
    vi.unstubAllGlobals();
    push.mockClear();
});

const lesson = (over: object = {}) => ({
    setting: 'cool_factor',
    was: 1,
    becomes: 1.189,
    says: 'Cooling: 1.8 min longer than planned, and it came good.',
    runs: [
        { id: 'r136', number: 136 },
        { id: 'r125', number: 125 },
    ],
    of: 5,
    taken: null,
    by: null,
    at: null,
    ...over,
});

describe('what a run taught', () => {
    const card = (props: object = {}) => shown(LessonCard, { run: 'r140', ...props });

    it('is one sentence with the runs that say the same, and what the next would have', async () => {
        server({ 'runs/r140/lessons': page([lesson()]) });
        const text = textOf(await card());
        expect(text).toContain('Cooling: 1.8 min longer');
        expect(text).toContain('So were run 136, run 125 of the 5 before it.');
        expect(text).toContain('cool factor 1.189 instead of 1');
    });

    it('says when it stands alone, or is the first', async () => {
        server({ 'runs/r140/lessons': page([lesson({ runs: [], of: 4 })]) });
        expect(textOf(await card())).toContain('None of the 4 before it was.');
        server({ 'runs/r141/lessons': page([lesson({ runs: [], of: 0, was: null })]) });
        const first = textOf(await shown(LessonCard, { run: 'r141' }));
        expect(first).toContain('the first of it on this machine');
        expect(first).not.toContain('instead of');
    });

    it('is kept by yes and remembered by no, once', async () => {
        const asked = server({
            'GET runs/r140/lessons': page([lesson()]),
            'POST runs/r140/lessons': page([lesson({ taken: true, by: 'Ines Halloran', at: 0 })]),
        });
        const open = await card();
        await buttonOf(open, 'Keep it for the next').trigger('click');
        await vi.waitFor(() => expect(textOf(open)).toContain('kept Ines Halloran'));
        expect(asked.filter((a) => a.method === 'POST').map((a) => a.body)).toEqual([
            expect.objectContaining({ taken: true }),
        ]);
        expect(open.findAll('button')).toHaveLength(0);
    });

    it('that somebody answered meanwhile says so, and asks again what is', async () => {
        const asked = server({
            'GET runs/r140/lessons': page([lesson()]),
            'POST runs/r140/lessons': refusal('taken', 'was said by Maren Okafor already'),
        });
        const open = await card();
        await buttonOf(open, 'No, only this time').trigger('click');
        await vi.waitFor(() => expect(textOf(open)).toContain('was said by Maren Okafor already'));
        expect(asked.filter((a) => a.method === 'GET').length).toBeGreaterThan(1);
    });

    it('is not shown where one waits only for what nobody has said to', async () => {
        server({ 'runs/r140/lessons': page([lesson({ taken: false, by: 'Jun Asare', at: 0 })]) });
        expect(textOf(await card({ waiting: true }))).toBe('');
        server({ 'runs/r140/lessons': page([]) });
        expect(textOf(await card())).toBe('');
    });
});

const learnt = (over: Partial<Learnt> = {}): Learnt =>
    ({
        product_id: 4,
        product: 'entrance reducer',
        process: 'injection',
        polymer: 'PP',
        good: 89,
        bad: 31,
        recent: [
            { id: 'r1', number: 1, good: 6, bad: 0, at: 0, machine: 'Heron' },
            { id: 'r2', number: 2, good: 3, bad: 3, at: 0, machine: 'Heron' },
        ],
        cases: [{ id: 'c9', run_id: 'r2', run_number: 2, at: 0 }],
        opens_with: { machine: 'Heron', version: 3, by: 'Maren Okafor', at: 0, note: 'longer cooling' },
        ...over,
    }) as Learnt;

describe('a product as its runs say', () => {
    it('has its counts, its open cause, and what the next opens with', async () => {
        server({});
        const card = await shown(LearntCard, { of: learnt() });
        const text = textOf(card);
        expect(text).toContain('89 of 120 good');
        expect(text).toContain('in the last 2 runs');
        expect(text).toContain('run 2');
        expect(text).toContain('version 3 on Heron, of Maren Okafor');
        expect(text).toContain('longer cooling');
        expect(buttonOf(card, 'Go on looking for the cause').attributes('href')).toBe('/cause/c9');
        expect(buttonOf(card, 'Set up the next').attributes('href')).toBe('/set?product=4');
    });

    it('asks what its newest run taught, and of no other', async () => {
        const asked = server({ 'runs/r2/lessons': page([lesson()]) });
        const card = await shown(LearntCard, { of: learnt() });
        expect(textOf(card)).toContain('Cooling: 1.8 min longer');
        expect(asked.map((a) => a.path)).toEqual(['runs/r2/lessons']);
    });

    it('that was never kept, and has one run, says neither', async () => {
        server({});
        const text = textOf(
            await shown(LearntCard, {
                of: learnt({ opens_with: null, cases: [], recent: learnt().recent.slice(0, 1) }),
            }),
        );
        expect(text).not.toContain('opens with');
        expect(text).toContain('in one run');
    });

    it('shows each run by how much of it was scrap', async () => {
        const strip = await shown(RecentStrip, { runs: learnt().recent });
        const bars = strip.findAll('i.bad').map((i) => i.attributes('style'));
        expect(bars[0]).toContain('flex-grow: 0');
        expect(bars[1]).toContain('flex-grow: 0.5');
        expect(strip.findAll('a').map((a) => a.attributes('aria-label'))).toEqual([
            'run 1: 6 good',
            'run 2: 3 of 6 good',
        ]);
    });
});

const chart = (over: Partial<Chart> = {}): Chart =>
    ({
        figure: {
            id: 'mean_mm',
            label: 'Mean',
            dimension: 'length',
            decimals: 2,
            measured: true,
            value: null,
        },
        points: [
            { run_id: 'r1', run_number: 1, piece: null, at: 0, value: 8, broken: [] },
            {
                run_id: 'r2',
                run_number: 2,
                piece: 3,
                at: 0,
                value: 9.4,
                broken: ['further out than chance goes'],
            },
        ],
        centre: 8,
        ucl: 8.5,
        lcl: 7.5,
        least: 7.1,
        most: null,
        cpk: 1.2,
        fits: null,
        says: '1 of 2 points asks for a cause.',
        ...over,
    }) as Chart;

describe('a control chart', () => {
    it('marks what chance does not do by its shape, and says it in words', async () => {
        const card = await shown(ControlChart, { chart: chart() });
        expect(card.findAll('circle.fine')).toHaveLength(1);
        expect(card.findAll('path.out')).toHaveLength(1);
        expect(textOf(card)).toContain('The newest, run 2: further out than chance goes.');
        expect(plain(card.find('.point:last-child title').text())).toContain('run 2, piece 3: 9.40 mm');
    });

    it('draws the limit that there is, and no other', async () => {
        const one = await shown(ControlChart, { chart: chart() });
        expect(one.findAll('.limit')).toHaveLength(1);
        expect(textOf(one)).toContain('least 7.10 mm');
        const none = await shown(ControlChart, { chart: chart({ least: null, cpk: null }) });
        expect(none.findAll('.limit')).toHaveLength(0);
        expect(textOf(none)).not.toContain('Cpk');
    });

    it('says what the core says of its limits', async () => {
        const fits = 'Cpk 0.70, too wide for its limits: about 35729 in a million outside.';
        const card = await shown(ControlChart, { chart: chart({ cpk: 0.7, fits }) });
        expect(textOf(card)).toContain(fits);
        expect(card.get('svg').attributes('aria-label')).toContain(fits);
    });

    it('goes to the run of a point', async () => {
        const card = await shown(ControlChart, { chart: chart() });
        await card.findAll('.point')[1]!.trigger('click');
        expect(push).toHaveBeenCalledWith('/learn/r2');
    });
});

describe('the window as it was run', () => {
    const figure = (label: string, dimension: string) => ({
        id: label,
        label,
        dimension,
        decimals: 0,
        measured: false,
        value: null,
    });
    const as = (over: object = {}): AsRun =>
        ({
            x: figure('Platens', 'temperature'),
            y: figure('Heated', 'minutes'),
            runs: [
                { id: 'a', number: 1, x: 180, y: 12, good: 1, bad: 0 },
                { id: 'b', number: 2, x: 200, y: 14, good: 0, bad: 1 },
            ],
            x_planned: 185,
            y_planned: 12,
            window: {
                runs: 9,
                good: 8,
                bad: 1,
                base_rate: 0.8,
                brier: 0.1,
                base_brier: 0.2,
                tells: true,
                x_low: 170,
                x_high: 210,
                y_low: 10,
                y_high: 16,
                drawn: [
                    { x: 180, y: 12, probability: 0.95 },
                    { x: 200, y: 12, probability: 0.3 },
                ],
                planned: { probability: 0.88, low: 0.74, high: 0.97 },
                explanation: 'From 9 runs.',
                warnings: [],
                ...over,
            },
        }) as unknown as AsRun;

    it('draws each run by what came of it, and squares by how likely a good piece is', async () => {
        const picture = await shown(WindowPicture, { as: as() });
        const main = picture.get('.picture > svg');
        expect(main.findAll('circle.good')).toHaveLength(1);
        expect(main.findAll('path.bad')).toHaveLength(1);
        expect(main.findAll('rect.likely-0')).toHaveLength(1);
        expect(main.findAll('rect.likely-3')).toHaveLength(1);
        // What is unlikely is hatched too: colour alone tells nothing.
        expect(main.findAll('rect[fill="url(#seldom)"]')).toHaveLength(1);
    });

    it('says how the next one would come out, and warns', async () => {
        const text = textOf(await shown(WindowPicture, { as: as({ warnings: ['Nothing ever failed.'] }) }));
        expect(text).toContain('The next one as it was last set: 88 % good (74 to 97).');
        expect(text).toContain('Nothing ever failed.');
        expect(textOf(await shown(WindowPicture, { as: as({ planned: null }) }))).not.toContain(
            'The next one',
        );
    });

    it('draws no window where the settings tell nothing, only what was run', async () => {
        const picture = await shown(WindowPicture, { as: as({ tells: false }) });
        expect(picture.findAll('[class^="likely"]')).toHaveLength(0);
        expect(picture.get('.picture > svg').findAll('circle.good')).toHaveLength(1);
        expect(textOf(picture)).toContain('a run, mostly scrap');
        expect(textOf(picture)).not.toContain('90 % and more');
    });

    it('draws runs alone where there are too few', async () => {
        const few = await shown(WindowPicture, { as: as({ drawn: [], planned: null }) });
        expect(few.findAll('.legend')).toHaveLength(0);
        expect(few.get('.picture > svg').findAll('circle.good')).toHaveLength(1);
    });
});

describe('set-ups', () => {
    it('say what each version has otherwise, and what came of it', async () => {
        const setUps = [
            {
                id: 2,
                machine: 'Anvil',
                version: 2,
                by: 'Ines Halloran',
                at: 0,
                note: 'cold in the middle',
                good: 3,
                bad: 1,
                changes: [
                    { setting: 'soak_min', was: '2', becomes: '3' },
                    { setting: 'heat_rule', was: null, becomes: 'physics' },
                ],
            },
            {
                id: 1,
                machine: 'Anvil',
                version: 1,
                by: 'Maren Okafor',
                at: 0,
                note: '',
                good: 0,
                bad: 0,
                changes: [],
            },
        ] as SetUp[];
        const text = textOf(await shown(SetUps, { setUps }));
        expect(text).toContain('soak 2 min → 3 min, heat rule open → physics');
        expect(text).toContain('3 of 4 good');
        expect(text).toContain('not run yet');
    });
});
