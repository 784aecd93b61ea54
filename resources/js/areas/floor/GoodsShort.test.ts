import { VueQueryPlugin } from '@tanstack/vue-query';
import { flushPromises, mount } from '@vue/test-utils';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { serverNow } from '../../parts/clock';
import CareDue from '../../parts/CareDue.vue';
import GoodsShort from './GoodsShort.vue';

const link = { props: ['to'], template: '<a :href="to"><slot /></a>' };
async function shown(what: object, items: unknown[], props: object = {}) {
    vi.stubGlobal('fetch', async () => new Response(JSON.stringify({ items, next: null })));
    const page = mount(what, {
        props,
        global: { plugins: [VueQueryPlugin], stubs: { RouterLink: link } },
    });
    await flushPromises();
    await flushPromises();
    return page;
}
const proposal = (product_id: number, over: object = {}) => ({
    product_id,
    product: `part ${product_id}`,
    polymer: 'PP',
    held: 2,
    wants: 8,
    pieces: 4,
    piece: 'shot',
    counts: 'shots',
    machine_id: 3,
    machine: 'Heron',
    lot: 'L-0091',
    first_at: serverNow() + 1800,
    all_at: serverNow() + 3600,
    by_end: 6,
    first: ['switch Heron on', 'dry L-0091 for 4 h'],
    holds: [],
    ...over,
});
const care = (id: string, machine_id: number, state: string) => ({
    id,
    machine_id,
    machine: `machine ${machine_id}`,
    title: 'Grease',
    says: '9 of 7 days',
    state,
});
afterEach(() => vi.unstubAllGlobals());

describe('what could be made next', () => {
    it('says when it would be there and what that wants now, a tap from a set-up for so many', async () => {
        const page = await shown(GoodsShort, [proposal(1), proposal(2, { counts: null, pieces: 1 })]);
        expect(page.findAll('a').map((a) => a.attributes('href'))).toEqual([
            '/goods',
            '/set?product=1&shots=4',
            '/set?product=2',
        ]);
        expect(page.text()).toContain('8 × part 1');
        expect(page.text()).toMatch(/First one .*\d\d:\d\d, all by .*\d\d:\d\d;\s+6 by \d\d:\d\d/);
        expect(page.text()).toContain('switch Heron on, dry L-0091 for 4 h');
    });

    it('says why it cannot be begun, instead of a time', async () => {
        const page = await shown(GoodsShort, [
            proposal(1, {
                first_at: null,
                all_at: null,
                by_end: 0,
                holds: ['no lot of PP', 'there is no press'],
            }),
        ]);
        expect(page.text()).toContain('no lot of PP; there is no press');
        expect(page.text()).not.toContain('First one');
    });

    it('says nothing while the shelf is full', async () => {
        expect((await shown(GoodsShort, [])).text()).toBe('');
    });
});

describe('what is to be looked after', () => {
    const all = [care('a', 1, 'due'), care('b', 2, 'due'), care('c', 1, 'soon'), care('d', 1, 'ok')];

    it('stands where it is due, on any machine', async () => {
        const page = await shown(CareDue, all);
        expect(page.findAll('a').map((a) => a.attributes('href'))).toEqual([
            '/shop/machines/1',
            '/shop/machines/2',
        ]);
    });

    it('asks at a set-up for its own machines only', async () => {
        expect((await shown(CareDue, all, { machines: [2, null] })).findAll('a')).toHaveLength(1);
        expect((await shown(CareDue, all, { machines: [7] })).text()).toBe('');
    });
});
