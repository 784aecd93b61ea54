import { VueQueryPlugin } from '@tanstack/vue-query';
import { flushPromises, mount } from '@vue/test-utils';
import { afterEach, describe, expect, it, vi } from 'vitest';
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
const goods = (product_id: number, wants: number) => ({
    product_id,
    product: `part ${product_id}`,
    held: 2,
    wants,
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

describe('what runs short', () => {
    it('stands with how many to make, each a tap from its set-up, the rest with the goods', async () => {
        const page = await shown(
            GoodsShort,
            [1, 2, 3, 4, 5].map((n) => goods(n, n)),
        );
        expect(page.findAll('a').map((a) => a.attributes('href'))).toEqual([
            '/set?product=1',
            '/set?product=2',
            '/set?product=3',
            '/goods',
        ]);
        expect(page.text()).toContain('2 × part 2');
        expect(page.text()).toContain('2 more');
    });

    it('says nothing while the shelf is full', async () => {
        expect((await shown(GoodsShort, [goods(1, 0)])).text()).toBe('');
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
