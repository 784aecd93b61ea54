import { VueQueryPlugin } from '@tanstack/vue-query';
import { flushPromises, mount } from '@vue/test-utils';
import { afterEach, describe, expect, it, vi } from 'vitest';
import type { Charge } from '../../api/types';
import ChargePicks from './ChargePicks.vue';

const charge = (over: Partial<Charge>) =>
    ({ id: 'c1', code: 'C-0001', weighed_g: 2166.04, ...over }) as Charge;
const asked = vi.fn<(path: string) => void>();
async function shown(charges: Charge[]) {
    vi.stubGlobal('fetch', async (path: string) => {
        asked(path);
        return new Response(JSON.stringify({ items: charges, next: null }));
    });
    const page = mount(ChargePicks, {
        props: { run: 'r1' },
        global: { plugins: [VueQueryPlugin], stubs: { VBtn: { template: '<button><slot /></button>' } } },
    });
    await flushPromises();
    await flushPromises();
    return page;
}
afterEach(() => vi.unstubAllGlobals());

describe('charges that wait at the scale', () => {
    it('are those that the server lets into this run, each taken with one touch and its mass', async () => {
        const page = await shown([charge({}), charge({ id: 'c2', code: 'C-0002', weighed_g: 2150 })]);
        expect(asked.mock.calls.flat().every((path) => path.includes('runs/r1/charges'))).toBe(true);
        expect(page.text().replace(/[\u00a0\u202f]/g, '')).toContain('Take C-0001, 2166g');
        await page.findAll('button')[1]!.trigger('click');
        expect(page.emitted('take')).toEqual([[{ mass_g: 2150, charge: 'c2' }]]);
    });

    it('say nothing where none waits', async () => {
        expect((await shown([])).text()).toBe('');
    });
});
