import 'fake-indexeddb/auto';
import { VueQueryPlugin } from '@tanstack/vue-query';
import { flushPromises, mount } from '@vue/test-utils';
import { afterEach, describe, expect, it, vi } from 'vitest';
import type { Charge, Run } from '../../api/types';
import ChargePicks from './ChargePicks.vue';

const charge = (over: Partial<Charge>) =>
    ({
        id: 'c1',
        code: 'C-0001',
        status: 'waiting',
        polymer: 'HDPE',
        weighed_g: 2166.04,
        weighings: [{ lot_id: 7 }],
        ...over,
    }) as Charge;
const run = { summary: { polymer: 'HDPE' }, materials: [{ lot_id: 7 }] } as unknown as Run;
async function shown(charges: Charge[]) {
    vi.stubGlobal('fetch', async () => new Response(JSON.stringify({ items: charges, next: null })));
    const page = mount(ChargePicks, {
        props: { run },
        global: { plugins: [VueQueryPlugin], stubs: { VBtn: { template: '<button><slot /></button>' } } },
    });
    await flushPromises();
    await flushPromises();
    return page;
}
afterEach(() => vi.unstubAllGlobals());

describe('charges that wait at the scale', () => {
    it('are taken with one touch, with their mass', async () => {
        const page = await shown([charge({})]);
        expect(page.text().replace(/[\u00a0\u202f]/g, '')).toContain('Take C-0001, 2166g');
        await page.find('button').trigger('click');
        expect(page.emitted('take')).toEqual([[{ mass_g: 2166, charge: 'c1' }]]);
    });

    it('are not offered where the run was not let start with what is in them', async () => {
        const page = await shown([
            charge({ id: 'c2', status: 'used' }),
            charge({ id: 'c3', status: 'weighing' }),
            charge({ id: 'c4', polymer: 'PP' }),
            charge({ id: 'c5', weighings: [{ lot_id: 7 }, { lot_id: 8 }] as Charge['weighings'] }),
        ]);
        expect(page.text()).toBe('');
    });
});
