import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { queue } from '../../api/queue';
import { session } from '../../api/session';
import type { PartPicture, PlaceShown, Run } from '../../api/types';
import { buttonOf, page as list, refusal, server, shown, shownAt, textOf } from '../../tests/mount';
import BesidePictures from './BesidePictures.vue';
import PartsPage from './PartsPage.vue';
import SamplesCard from './SamplesCard.vue';

const AT = 1_790_000_000;
const picture = (id: string, over: Partial<PartPicture> = {}): PartPicture => ({
    id,
    picture_id: `p-${id}`,
    run: 12,
    run_id: 'r12',
    piece: 3,
    by: 'Ines Halloran',
    at: AT,
    ...over,
});
const place = (over: Partial<PlaceShown> = {}): PlaceShown => ({
    place: 'gate side',
    approved: picture('good', { run: 7, piece: null }),
    approved_by: 'Maren Okafor',
    approved_at: AT - 86_400,
    now: [picture('b', { piece: 4 }), picture('a')],
    ...over,
});
const run = {
    summary: {
        id: 'r12',
        number: 12,
        product: 'entrance reducer',
        product_id: 5,
        status: 'finished',
        stations: [],
    },
    pieces: [{ piece: 3 }, { piece: 4 }],
    events: [],
    entries: [],
    steps: [],
    timers: [],
} as unknown as Run;

beforeEach(() => {
    delete queue.runs.r12;
    session.person = { id: 1, name: 'Maren Okafor', role: 'lead' } as typeof session.person;
});
afterEach(() => vi.unstubAllGlobals());

describe('a place on a part', () => {
    it('is shown as it should be and as it is, each with whose it is', async () => {
        const card = await shown(BesidePictures, { place: place(), shown: picture('a') });
        expect(card.findAll('img').map((i) => i.attributes('src'))).toEqual([
            '/api/v1/pictures/p-good',
            '/api/v1/pictures/p-a',
        ]);
        expect(textOf(card)).toContain('run 7, approved by Maren Okafor');
        expect(textOf(card)).toContain('run 12, part 3, Ines Halloran');
    });

    it('is laid one over the other, by as much as one likes', async () => {
        const card = await shown(BesidePictures, { place: place(), shown: picture('a') });
        await buttonOf(card, 'One over the other').trigger('click');
        expect(card.findAll('img')[1]!.attributes('style')).toContain('opacity: 0.5');
        await card.get('input[type=range]').setValue('80');
        expect(card.findAll('img')[1]!.attributes('style')).toContain('opacity: 0.8');
        await buttonOf(card, 'Side by side').trigger('click');
        expect(card.find('input[type=range]').exists()).toBe(false);
    });

    it('says so where nobody has approved one, and lays nothing over nothing', async () => {
        const card = await shown(BesidePictures, {
            place: place({ approved: null }),
            shown: picture('a'),
        });
        expect(textOf(card)).toContain('Nobody has said what is good here.');
        expect(card.findAll('button')).toHaveLength(0);
    });
});

describe('parts of a run beside how they should be', () => {
    const open = async (places: PlaceShown[], answers: Record<string, unknown> = {}) => {
        const asked = server({
            'GET runs/r12/pictures': list(places),
            'runs/r12': run,
            ...answers,
        });
        const { page } = await shownAt(PartsPage, '/parts/:run', '/parts/r12');
        await vi.waitFor(() => expect(textOf(page)).toContain('entrance reducer, run 12'));
        return { asked, page };
    };

    it('shows the newest of a place, and another by a tap', async () => {
        const { page } = await open([place()]);
        const now = () => page.findAll('figure')[1]!.get('img').attributes('src');
        expect(now()).toBe('/api/v1/pictures/p-b');
        await page.findAll('.others button')[1]!.trigger('click');
        expect(now()).toBe('/api/v1/pictures/p-a');
    });

    it('lets a lead say what stands for good, with what stood there before', async () => {
        const { asked, page } = await open([place()], { 'POST products/5/samples': list([]) });
        await buttonOf(page, 'So it should be from now on').trigger('click');
        await vi.waitFor(() => expect(asked.some((a) => a.path === 'products/5/samples')).toBe(true));
        expect(asked.find((a) => a.path === 'products/5/samples')!.body).toMatchObject({
            place: 'gate side',
            part_picture_id: 'b',
            before: 'good',
        });
    });

    it('says why it was not taken', async () => {
        const { page } = await open([place()], {
            'POST products/5/samples': refusal('before', 'is not what stands for good there now'),
        });
        await buttonOf(page, 'Nothing stands for good here').trigger('click');
        await vi.waitFor(() => expect(page.get('[role=alert]').text()).toContain('not what stands for good'));
    });

    it('leaves that to a lead', async () => {
        session.person = { id: 2, name: 'Ines Halloran', role: 'operator' } as typeof session.person;
        const { page } = await open([place()]);
        expect(page.find('.lead').exists()).toBe(false);
    });

    it('takes no picture without its place', async () => {
        const { page } = await open([]);
        expect(textOf(page)).toContain('No picture of this product yet');
        expect(buttonOf(page, 'Keep it').attributes('disabled')).toBeDefined();
    });
});

describe('the card of pictures', () => {
    it('is on a product only where something stands for good', async () => {
        server({ 'products/5/samples': list([]), 'products/6/samples': list([place({ now: [] })]) });
        expect(textOf(await shown(SamplesCard, { of: 'products', id: '5' }))).toBe('');
        const card = await shown(SamplesCard, { of: 'products', id: '6' });
        await vi.waitFor(() => expect(textOf(card)).toContain('run 7, Maren Okafor'));
        expect(card.get('img').attributes('src')).toBe('/api/v1/pictures/p-good');
    });
});
