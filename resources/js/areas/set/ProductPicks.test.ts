import { mount } from '@vue/test-utils';
import { afterEach, describe, expect, it, vi } from 'vitest';
import type { Process, Product } from '../../api/types';
import ProductPicks from './ProductPicks.vue';

const product = (id: number) => ({ id, name: `board ${id}` }) as Product;
const shelf = (title: string, ids: number[]) => ({
    process: { id: title, title } as Process,
    products: ids.map(product),
});
const ids = (from: number, many: number) => Array.from({ length: many }, (_, n) => from + n);
const narrow = (is: boolean) =>
    vi.stubGlobal('matchMedia', () => ({
        matches: is,
        addEventListener: () => undefined,
        removeEventListener: () => undefined,
    }));

describe('what may be made', () => {
    afterEach(() => vi.unstubAllGlobals());

    it('stands at a glance, by process, with what is chosen marked', async () => {
        narrow(false);
        const shelves = [shelf('Press', [1, 2]), shelf('Form', ids(3, 22))];
        const picks = mount(ProductPicks, { props: { shelves, chosen: 2 } });
        expect(picks.findAll('legend').map((l) => l.text())).toEqual(['Press', 'Form']);
        expect(picks.find('label.on').text()).toBe('board 2');
        await picks.findAll('input')[2]!.trigger('change');
        expect(picks.emitted('choose')).toEqual([[3]]);
    });
    it.each([
        ['more than a glance holds', false, 23],
        ['a phone', true, 2],
    ])('is one list by process: %s', async (_, phone, many) => {
        narrow(phone);
        const shelves = [shelf('Press', [1, 2]), shelf('Form', ids(3, many))];
        const picks = mount(ProductPicks, { props: { shelves, chosen: 2 } });
        expect(picks.find('fieldset').exists()).toBe(false);
        expect(picks.findAll('optgroup').map((g) => g.attributes('label'))).toEqual(['Press', 'Form']);
        expect((picks.find('select').element as HTMLSelectElement).value).toBe('2');
        await picks.find('select').setValue('4');
        expect(picks.emitted('choose')).toEqual([[4]]);
    });
});
