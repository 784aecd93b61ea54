import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { FlawMap } from '../../api/types';
import { type Asked, buttonOf, refusal, server, shown, shownAt, textOf } from '../../tests/mount';
import FlawPicture from './FlawPicture.vue';
import FlawsCard from './FlawsCard.vue';
import FlawsPage from './FlawsPage.vue';

vi.mock('../../api/queue', async (real) => ({
    ...(await real<object>()),
    loadRun: async () => ({
        summary: { id: 'r1', number: 144, product: 'entrance reducer', process: 'injection' },
        pieces: [{ piece: 1 }, { piece: 2 }, { piece: 3 }],
    }),
}));
let asked: Asked[] = [];
const posts = () => asked.filter((a) => a.method === 'POST').map((a) => a.body);
beforeEach(() => {
    // The part as the browser drew it.
    vi.spyOn(Element.prototype, 'getBoundingClientRect').mockReturnValue({
        left: 100,
        top: 50,
        width: 400,
        height: 200,
    } as DOMRect);
});
afterEach(() => {
    vi.unstubAllGlobals();
    vi.restoreAllMocks();
});
const flaw = (id: string, defect: string, over: object = {}) => ({
    id,
    run_id: 'r1',
    run: 144,
    piece: 2,
    defect,
    along: 0.25,
    across: 0.75,
    by: 'Ines Halloran',
    at: 0,
    ...over,
});
const empty = { length_mm: 80, width_mm: 40, corner_mm: 0, known: true, marks: [], kinds: [] };
const some: FlawMap = {
    ...empty,
    marks: [flaw('f1', 'sink'), flaw('f2', 'flash', { piece: 3 })],
    kinds: [
        {
            id: 'sink',
            name: 'Sink mark',
            marks: 1,
            radius_mm: 5,
            places: [{ x_mm: 20, y_mm: 30, pieces: [1, 2, 3], by_chance: 0.001, where: 'corner' }],
            says: '3 of 3 parts have it at one corner',
        },
        { id: 'flash', name: 'Flash', marks: 1, radius_mm: 5, places: [], says: 'One part' },
    ],
};
const DEFECTS = [
    { id: 'sink', name: 'Sink mark', looks_like: 'A dent', how_to_check: '', where: [], cautions: [] },
    {
        id: 'short_shot',
        name: 'Short shot',
        looks_like: 'Not full',
        how_to_check: '',
        where: [],
        cautions: [],
    },
];
async function open(map: object = some, over: Record<string, unknown> = {}) {
    asked = server({
        'POST runs/r1/flaws': some,
        ...over,
        'runs/r1/flaws': map,
        'defects/injection': { items: DEFECTS },
    });
    const { page } = await shownAt(FlawsPage, '/flaws/:run', '/flaws/r1');
    return page;
}

describe('where flaws lie', () => {
    it('marks with one tap what is chosen, on the newest part', async () => {
        const page = await open();
        expect(textOf(page)).toContain('3 of 3 parts have it at one corner');
        await page.get('svg').trigger('click', { clientX: 300, clientY: 100 });
        await vi.waitFor(() => expect(posts()).toHaveLength(1));
        expect(posts()[0]).toMatchObject({ defect: 'sink', piece: 3, along: 0.5, across: 0.75 });
    });

    it('takes no tap before it is said what it is', async () => {
        const page = await open(empty);
        expect(textOf(page)).toContain('Nothing is marked yet.');
        await page.get('svg').trigger('click', { clientX: 300, clientY: 100 });
        expect(posts()).toHaveLength(0);
        const kinds = page.findAll('select').at(-1)!;
        await kinds.setValue('short_shot');
        expect(textOf(page)).toContain('Not full');
        await page.get('svg').trigger('click', { clientX: 300, clientY: 100 });
        await vi.waitFor(() => expect(posts()).toHaveLength(1));
        expect(posts()[0]).toMatchObject({ defect: 'short_shot' });
    });

    it('marks without a pointer: arrows move, Enter marks', async () => {
        const page = await open();
        const part = page.get('svg');
        await part.trigger('keydown', { key: 'Enter' });
        expect(posts()).toHaveLength(0);
        await part.trigger('keydown', { key: 'ArrowRight' });
        await part.trigger('keydown', { key: 'ArrowDown', shiftKey: true });
        await part.trigger('keydown', { key: 'Enter' });
        await vi.waitFor(() => expect(posts()).toHaveLength(1));
        expect(posts()[0]).toMatchObject({ along: 0.52, across: 0.4 });
    });

    it('goes to the part before and the next, and no further', async () => {
        const page = await open();
        const which = page.get('select');
        const now = () => (which.element as HTMLSelectElement).value;
        expect(now()).toBe('3');
        await buttonOf(page, '−').trigger('click');
        expect(now()).toBe('3');
        await buttonOf(page, '+').trigger('click');
        await buttonOf(page, '+').trigger('click');
        await buttonOf(page, '+').trigger('click');
        expect(now()).toBe('1');
    });

    it('takes one back, by its id', async () => {
        const page = await open();
        await page.get('[aria-label="Take back Sink mark on part 2"]').trigger('click');
        await vi.waitFor(() => expect(posts()).toHaveLength(1));
        expect(posts()[0]).toMatchObject({ undoes: 'f1' });
    });

    it('says why one was refused', async () => {
        const page = await open(some, { 'POST runs/r1/flaws': refusal('piece', '3 is none of this run') });
        await page.get('svg').trigger('click', { clientX: 300, clientY: 100 });
        await vi.waitFor(() => expect(page.get('[role=alert]').text()).toContain('none of this run'));
    });
});

describe('the picture', () => {
    it('draws what is chosen over the rest, and the places of it', async () => {
        const page = await shown(FlawPicture, { map: some, kind: 'sink', says: 'x' });
        const marks = page.findAll('.mark');
        expect(marks.map((m) => m.classes('off'))).toEqual([true, false]);
        expect(page.get('circle').attributes()).toMatchObject({ cx: '20', cy: '10', r: '5' });
        expect(page.get('text').text()).toBe('3');
        // Read only: it takes no tap.
        await page.get('svg').trigger('click', { clientX: 300, clientY: 100 });
        expect(page.emitted('mark')).toBeUndefined();
    });

    it('of a product is shown where there is one, kind by kind', async () => {
        server({ 'products/7/flaws': some });
        const page = await shown(FlawsCard, { of: 'products', id: '7' });
        expect(textOf(page)).toContain('3 of 3 parts have it at one corner');
        await buttonOf(page, 'Flash').trigger('click');
        expect(page.get('.says').text()).toBe('One part');
        server({ 'products/8/flaws': empty });
        expect((await shown(FlawsCard, { of: 'products', id: '8' })).find('section').exists()).toBe(false);
    });
});
