import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import shotProcedure from '../../../../core/src/Process/Injection/procedure.json';
import type { Case } from '../../api/types';
import {
    type Asked,
    buttonOf,
    page as items,
    refusal,
    server,
    shown,
    shownAt,
    textOf,
} from '../../tests/mount';
import CasePage from './CasePage.vue';
import ChangesMade from './ChangesMade.vue';
import KnownCard from './KnownCard.vue';
import SeenPage from './SeenPage.vue';

let asked: Asked[] = [];
const posts = () => asked.filter((a) => a.method === 'POST');
afterEach(() => vi.unstubAllGlobals());

const made = (over: object = {}) => ({
    parameter: 'hold_bar',
    title: 'Hold pressure',
    from: 250,
    to: 300,
    unit: 'bar',
    at: 3600,
    worked: null,
    unclear: false,
    cause: 'Packed too little',
    because: '',
    ...over,
});
const about = (over: object = {}) => ({
    id: 'c1',
    run: { id: 'r1', number: 144 },
    product: 'entrance reducer',
    machine: 'Heron',
    piece: 3,
    at: 0,
    by: 'Ines Halloran',
    closed: false,
    after: 7,
    defects: [{ id: 'short_shot', name: 'Short shot', severity: 'scrap' }],
    known: [
        { signal: 'part_weight_delta_pct', value: '−4.1', from: 'the scale', meaning: 'against its mass' },
    ],
    answers: [{ question: 'q', asked: 'Is it at the gate?', answer: 'no' }],
    bands: [],
    shop: [],
    changes: [],
    take: null,
    says_worked: null,
    good_after: 0,
    of_after: 0,
    judged_by: 3,
    ranking: {
        cautions: ['Guard first.'],
        causes: [{ id: 'a', name: 'Packed too little', probability: 0.7, why: '', for: [], against: [] }],
        next_question: { id: 'q2', kind: 'ask', text: 'Does it sink?', choices: ['yes', 'no', 'unknown'] },
        next_change: {
            parameter: 'hold_bar',
            title: 'Hold pressure',
            direction: 'up',
            from: 250,
            to: 300,
            unit: 'bar',
            because: 'it is light',
            note: 'one step',
            limit: 'the clamp opens',
            effort: 'a minute',
        },
    },
    ...over,
});
const openCase = async (over: object = {}, answers: object = {}) => {
    asked = server({ 'GET cases/c1': about(over), ...answers });
    return (await shownAt(CasePage, '/cause/:id', '/cause/c1')).page;
};

describe('one bad piece', () => {
    it('stands with where it is from, its cautions before everything else', async () => {
        const page = await openCase();
        const text = textOf(page);
        expect(text).toContain('Short shot');
        expect(text).toContain('entrance reducer, run 144, piece 3');
        expect(text.indexOf('Guard first.')).toBeLessThan(text.indexOf('Packed too little'));
    });

    it('has one change with its reason and its limit, said when it is done', async () => {
        const page = await openCase({}, { 'POST cases/c1/entries': about({ changes: [made()], after: 8 }) });
        expect(textOf(page)).toContain('Not past: the clamp opens. Takes a minute.');
        await buttonOf(page, 'It is done').trigger('click');
        await vi.waitFor(() => expect(textOf(page)).toContain('Was that it?'));
        expect(posts()[0]!.body).toMatchObject({
            kind: 'changed',
            after: 7,
            parameter: 'hold_bar',
            from: 250,
            to: 300,
        });
    });

    it('is judged by a tap, and says that two changes at once tell nothing', async () => {
        const page = await openCase(
            { changes: [made({ unclear: true })] },
            { 'POST cases/c1/entries': about({ after: 9 }) },
        );
        expect(textOf(page)).toContain('cause unknown');
        expect(textOf(page)).toContain('One change at a time tells what it was.');
        await buttonOf(page, 'It did not').trigger('click');
        await vi.waitFor(() => expect(posts()).toHaveLength(1));
        expect(posts()[0]!.body).toMatchObject({ kind: 'judged', worked: false });
    });

    it('sends what is asked under another name each time', async () => {
        const page = await openCase({}, { 'POST cases/c1/entries': about() });
        const yes = () => page.findAll('button').find((b) => b.text().toLowerCase() === 'yes')!;
        await yes().trigger('click');
        await vi.waitFor(() => expect(posts()).toHaveLength(1));
        await vi.waitFor(() => expect(yes().attributes('disabled')).toBeUndefined());
        await yes().trigger('click');
        await vi.waitFor(() => expect(posts()).toHaveLength(2));
        const ids = posts().map((a) => (a.body as { id: string }).id);
        expect(new Set(ids).size).toBe(2);
    });

    it('that somebody else went on with is asked again, and says so', async () => {
        const page = await openCase(
            {},
            { 'POST cases/c1/entries': refusal('after', 'somebody has gone on with it', 409) },
        );
        const before = asked.filter((a) => a.method === 'GET').length;
        await buttonOf(page, 'Close it').trigger('click');
        await vi.waitFor(() => expect(textOf(page)).toContain('After somebody has gone on with it.'));
        expect(asked.filter((a) => a.method === 'GET').length).toBeGreaterThan(before);
    });

    it('that is closed asks and changes nothing more', async () => {
        const text = textOf(await openCase({ closed: true }));
        expect(text).toContain('closed');
        expect(text).not.toContain('Change one thing');
        expect(text).not.toContain('Does it sink?');
    });
});

describe('what was changed', () => {
    it('says of each what came of it, and lets the last judgement be taken back', async () => {
        const page = await shown(ChangesMade, {
            changes: [
                made({ worked: false }),
                made({ worked: true, at: 7200 }),
                made({ at: 9000 }),
            ] as unknown as Case['changes'],
            busy: false,
        });
        const text = textOf(page);
        expect(text).toContain('it was not that');
        expect(text).toContain('it was: packed too little');
        expect(text).toContain('not judged yet');
        await buttonOf(page, 'Take the last judgement back').trigger('click');
        expect(page.emitted('back')).toHaveLength(1);
    });

    it('has nothing to take back before anybody judged', async () => {
        const page = await shown(ChangesMade, {
            changes: [made()] as unknown as Case['changes'],
            busy: false,
        });
        expect(page.find('button').exists()).toBe(false);
    });
});

describe('what nobody had to be asked', () => {
    it('stands with where it is known from, beside what was answered', async () => {
        const page = await shown(KnownCard, { about: about() as unknown as Case });
        const text = textOf(page);
        expect(text).toContain('part weight delta pct the scale');
        expect(text).toContain('−4.1');
        expect(text).toContain('Is it at the gate?');
        expect(
            textOf(await shown(KnownCard, { about: about({ known: [], answers: [] }) as unknown as Case })),
        ).toContain('Nothing was logged that would tell.');
    });
});

describe('what is wrong with a piece', () => {
    const defect = (id: string, over: object = {}) => ({
        id,
        name: id.replace('_', ' '),
        looks_like: `looks ${id}`,
        cautions: [],
        ...over,
    });
    beforeEach(() => {
        asked = server({
            'GET runs/r1': {
                summary: {
                    id: 'r1',
                    number: 144,
                    process: 'injection',
                    product: 'entrance reducer',
                    stations: [{ machine: 'Heron' }],
                },
                procedure: shotProcedure,
                events: [],
                entries: [],
                pieces: [
                    { piece: 2, outcome: 'dropped' },
                    { piece: 3, outcome: 'done' },
                ],
                since: 0,
                steps: [],
                timers: [],
            },
            'defects/injection': items([
                defect('short_shot', { cautions: ['Guard first.'] }),
                defect('burn_marks'),
                defect('warped'),
            ]),
            'POST runs/r1/cases': about(),
        });
    });
    const open = (query = '') => shownAt(SeenPage, '/cause/new/:run', `/cause/new/r1${query}`);

    it('is found by how it looks', async () => {
        const { page } = await open();
        await vi.waitFor(() => expect(page.findAll('li')).toHaveLength(3));
        await page.get('input[type="search"]').setValue('BURN marks');
        expect(page.findAll('li')).toHaveLength(1);
        await page.get('input[type="search"]').setValue('nothing like it');
        expect(page.findAll('li')).toHaveLength(0);
    });

    it('is tapped, judged how bad it is, and taken back by another tap', async () => {
        const { page } = await open();
        await vi.waitFor(() => expect(page.findAll('li')).toHaveLength(3));
        const first = page.findAll('li button')[0]!;
        await first.trigger('click');
        expect(textOf(page)).toContain('Guard first.');
        await page.get('li select').setValue('cosmetic');
        await first.trigger('click');
        expect(page.find('li select').exists()).toBe(false);
        expect(textOf(page)).not.toContain('Guard first.');
    });

    it('opens a case of the piece that was bad', async () => {
        const { page, router } = await open('?piece=2');
        await vi.waitFor(() => expect(page.findAll('li')).toHaveLength(3));
        await page.findAll('li button')[0]!.trigger('click');
        await page.findAll('li button')[2]!.trigger('click');
        await buttonOf(page, 'Find the cause').trigger('click');
        await vi.waitFor(() => expect(router.currentRoute.value.path).toBe('/cause/c1'));
        expect(posts()[0]!.body).toMatchObject({
            piece: 2,
            defects: [
                { id: 'short_shot', severity: 'scrap' },
                { id: 'warped', severity: 'scrap' },
            ],
        });
    });
});
