import { VueQueryPlugin } from '@tanstack/vue-query';
import { flushPromises, mount } from '@vue/test-utils';
import { afterEach, describe, expect, it, vi } from 'vitest';
import MouldFits from './MouldFits.vue';

const shown = async (items: unknown[]) => {
    vi.stubGlobal(
        'fetch',
        vi.fn(async () => new Response(JSON.stringify({ items, next: null }), { status: 200 })),
    );
    const fits = mount(MouldFits, {
        props: { mould: 10, after: 3 },
        global: { plugins: [VueQueryPlugin], stubs: { RouterLink: { template: '<a><slot /></a>' } } },
    });
    await flushPromises();
    await flushPromises();
    return fits;
};
afterEach(() => vi.unstubAllGlobals());

describe('where a mould goes', () => {
    it('is said of each machine: yes or no, what speaks against it, what nobody could look at', async () => {
        const fits = await shown([
            { machine_id: 4, machine: 'Heron', fits: true, against: [], unknown: ['tie_bars', 'max_c'] },
            { machine_id: 5, machine: 'Wren', fits: false, against: ['Closed it is 95 mm.'], unknown: [] },
        ]);
        const [yes, no] = fits.findAll('li');
        expect(yes!.text()).toContain('✓');
        expect(yes!.text()).toContain('Not looked at: tie bars, max c.');
        expect(no!.text()).toContain('✕');
        expect(no!.text()).toContain('Closed it is 95 mm.');
        expect(no!.text()).not.toContain('Not looked at');
        // A sign alone says nothing to who hears the page.
        expect([yes!.find('.sr').text(), no!.find('.sr').text()]).toEqual(['yes', 'no']);
    });

    it('is left out where it goes nowhere', async () => {
        expect((await shown([])).find('section').exists()).toBe(false);
    });
});
