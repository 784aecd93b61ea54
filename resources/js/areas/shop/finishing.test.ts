import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { session } from '../../api/session';
import type { BoughtPart, DayWork, Finishing } from '../../api/types';
import { buttonOf, page as items, refusal, server, shown, textOf } from '../../tests/mount';
import ToFinish from '../floor/ToFinish.vue';
import WorksCard from '../plan/WorksCard.vue';
import BoughtParts from './BoughtParts.vue';
import FinishingCard from './FinishingCard.vue';

const as = (role: string) => {
    session.person = { id: 1, name: 'Maren Okafor', role } as typeof session.person;
};
beforeEach(() => as('lead'));
afterEach(() => vi.unstubAllGlobals());

const part = (over: Partial<BoughtPart> = {}): BoughtPart => ({
    id: 2,
    name: 'oak dowel',
    held: 18,
    reorder_at: 40,
    order_to: 200,
    comes_days: 5,
    order: 182,
    used_by: ['stand rail'],
    retired: false,
    revision: 3,
    ...over,
});
const posted = (asked: { method: string; path: string; body: unknown }[], method = 'POST') =>
    asked.filter((a) => a.method === method);

describe('parts that the shop buys', () => {
    const open = async (parts: BoughtPart[], answers: object = {}) => {
        const asked = server({ parts: items(parts), ...answers });
        return { asked, page: await shown(BoughtParts, {}) };
    };

    it('say what is there, for what, and what to order', async () => {
        const { page } = await open([
            part(),
            part({ id: 3, name: 'felt', order: 0, reorder_at: null, comes_days: 1 }),
        ]);
        expect(textOf(page)).toContain('Order 182, comes in 5 days (at 40 or fewer, order up to 200)');
        expect(textOf(page)).toContain('for stand rail');
        expect(textOf(page)).toContain('not watched, comes in 1 day');
    });

    it('come in and are counted by anybody, with nothing guessed', async () => {
        as('operator');
        const { asked, page } = await open([part()], {
            'parts/2/movements': refusal('reason', 'is required: what stands there differs by 2'),
        });
        expect(textOf(page)).not.toContain('When to order');
        await buttonOf(page, 'Count').trigger('click');
        const input = page.findAll('form input')[0]!;
        expect((input.element as HTMLInputElement).value).toBe('');
        await input.setValue('16');
        await input.trigger('blur');
        await page.get('form').trigger('submit');
        await vi.waitFor(() => expect(textOf(page)).toContain('differs by 2'));
        expect(posted(asked)[0]).toMatchObject({
            path: 'parts/2/movements',
            body: { kind: 'counted', count: 16 },
        });
    });

    it('are said by a lead over what was seen', async () => {
        const { asked, page } = await open([part()], { 'PUT parts/2': items([part()]) });
        await buttonOf(page, 'When to order').trigger('click');
        await page.get('form').trigger('submit');
        await vi.waitFor(() => expect(page.find('form').exists()).toBe(false));
        expect(posted(asked, 'PUT')[0]!.body).toEqual({
            name: 'oak dowel',
            reorder_at: 40,
            order_to: 200,
            comes_days: 5,
            retired: false,
            after_revision: 3,
        });
    });

    it('say where there is none that a lead enters them', async () => {
        as('operator');
        expect(textOf((await open([])).page)).toContain('a lead enters them');
        as('lead');
        const { page } = await open([]);
        await buttonOf(page, 'Another part').trigger('click');
        expect(page.findAll('li')).toHaveLength(1);
    });

    it('show who is no lead nothing that is bought no more', async () => {
        const parts = [part(), part({ id: 9, name: 'tin tack', retired: true, order: 0 })];
        expect(textOf((await open(parts)).page)).toContain('bought no more');
        as('operator');
        expect(textOf((await open(parts)).page)).not.toContain('tin tack');
    });
});

describe('what is done to a piece after its run', () => {
    const finishing = (over: Partial<Finishing> = {}): Finishing => ({
        operations: [
            { title: 'saw', minutes: 2, people: 1, uses: [] },
            { title: 'fit', minutes: 1, people: 2, uses: [{ part_id: 2, part: 'oak dowel', count: 2 }] },
        ],
        after: 7,
        by: 'Maren Okafor',
        at: 1_790_000_000,
        log: [
            { count: -1, reason: 'loose', by: 'Ines Halloran', at: 1_790_000_100 },
            { count: 4, reason: '', by: 'Ines Halloran', at: 1_790_000_000 },
        ],
        ...over,
    });
    const open = async (found: Finishing, answers: object = {}) => {
        const asked = server({ 'products/5/finishing': found, parts: items([part()]), ...answers });
        return { asked, page: await shown(FinishingCard, { product: 5 }) };
    };

    it('is told with its minutes, hands and parts, and who finished how many', async () => {
        const { page } = await open(finishing());
        expect(textOf(page)).toContain('2 × oak dowel');
        expect(textOf(page)).toContain('1 taken back Ines Halloran: loose');
    });

    it('is changed over what was seen, and asks nothing of what stands there', async () => {
        const { asked, page } = await open(finishing());
        await buttonOf(page, 'Change').trigger('click');
        expect(textOf(page)).not.toContain('Of those on the shelf');
        await buttonOf(page, 'Leave this out').trigger('click');
        await page.get('form').trigger('submit');
        await vi.waitFor(() => expect(posted(asked)).toHaveLength(1));
        expect(posted(asked)[0]!.body).toEqual({
            after: 7,
            wait: 0,
            operations: [
                { title: 'fit', minutes: 1, people: 2, uses: [{ part_id: 2, part: 'oak dowel', count: 2 }] },
            ],
        });
    });

    it('is first said with how many of those that stand there still wait', async () => {
        const { asked, page } = await open(
            finishing({ operations: [], after: 0, by: null, at: null, log: [] }),
        );
        expect(textOf(page)).toContain('goods as it comes out');
        await buttonOf(page, 'Say what is done to it').trigger('click');
        await page.get('input[list]').setValue('drill');
        const [minutes, wait] = page.findAll('input').filter((i) => !i.attributes('list'));
        for (const [input, text] of [
            [minutes!, '1.5'],
            [wait!, '3'],
        ] as const) {
            await input.setValue(text);
            await input.trigger('blur');
        }
        await page.get('form').trigger('submit');
        await vi.waitFor(() => expect(posted(asked)).toHaveLength(1));
        expect(posted(asked)[0]!.body).toEqual({
            after: 0,
            wait: 3,
            operations: [{ title: 'drill', minutes: 1.5, people: 1, uses: [] }],
        });
    });

    it('is shown to who is no lead, and not theirs to change', async () => {
        as('operator');
        const { page } = await open(finishing());
        expect(page.findAll('button')).toEqual([]);
    });

    it('says what was refused, and loses nothing that was typed', async () => {
        const { page } = await open(finishing(), {
            'products/5/finishing': (asked: { method: string }) =>
                asked.method === 'POST'
                    ? refusal('after', 'is not the newest: somebody said more')
                    : finishing(),
        });
        await buttonOf(page, 'Change').trigger('click');
        await page.findAll('input[list]')[0]!.setValue('saw both ends');
        await page.get('form').trigger('submit');
        await vi.waitFor(() => expect(textOf(page)).toContain('is not the newest'));
        expect((page.findAll('input[list]')[0]!.element as HTMLInputElement).value).toBe('saw both ends');
    });
});

describe('work for the waits', () => {
    const work = (over: Partial<DayWork> = {}): DayWork => ({
        id: 'finish-5',
        product_id: 5,
        says: 'saw, fit: stand rail',
        count: 3,
        can: 2,
        hands_min: 9,
        due: null,
        starts: 1_790_000_000,
        ends: 1_790_000_540,
        holds: ['6 × oak dowel are wanted, and 4 are there: 2 are missing.'],
        ...over,
    });

    it('says when in the day, and what is missing', async () => {
        const page = await shown(WorksCard, { works: [work()], now: 1_790_000_000 - 60 });
        expect(textOf(page)).toContain('3 × saw, fit: stand rail');
        expect(textOf(page)).toContain('9.0 min of hands');
        expect(textOf(page)).toContain('2 are missing');
        const unplanned = await shown(WorksCard, { works: [work({ starts: null, ends: null })], now: 0 });
        expect(textOf(unplanned)).not.toContain('of hands');
        expect((await shown(WorksCard, { works: [], now: 0 })).find('section').exists()).toBe(false);
    });

    it('stands on the floor with what is to be ordered, and not at all where nothing is', async () => {
        const g = { product_id: 5, product: 'stand rail', to_finish: 3, finish_min: 13.5, can_finish: 2 };
        const operations = [{ title: 'saw', minutes: 2, people: 1, uses: [] }];
        server({ goods: items([{ ...g, operations }]), parts: items([part()]) });
        const page = await shown(ToFinish, {});
        expect(textOf(page)).toContain('3 × stand rail: saw');
        expect(textOf(page)).toContain('parts for 2');
        expect(textOf(page)).toContain('Order 182 × oak dowel: 18 there, 5 days to come');
        server({});
        expect((await shown(ToFinish, {})).find('section').exists()).toBe(false);
    });
});
