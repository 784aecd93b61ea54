import { describe, expect, it } from 'vitest';
import single from '../../../core/src/Process/Compression/procedure.json';
import type { Plausible, ProcedureEntry } from '../api/types';
import { buttonOf, shown, textOf } from '../tests/mount';
import NumberPad from './NumberPad.vue';

const entry = (id: string) => single.entries.find((e) => e.id === id) as unknown as ProcedureEntry;
const platen = entry('platen');
const plausible: Plausible[] = [
    { entry: 'platen', field: 'top_c', low: -10, high: 300, says: 'HDPE breaks down above 300 °C.' },
    { entry: 'platen', field: 'low_c', low: -10, high: 300, says: 'HDPE breaks down above 300 °C.' },
];
async function pad(of: ProcedureEntry, props: object = {}) {
    const page = await shown(NumberPad, { entry: null, plausible, ...props }, { attachTo: document.body });
    await page.setProps({ entry: of });
    return page;
}
type Page = Awaited<ReturnType<typeof pad>>;
const key = (page: Page, name: string) => {
    window.dispatchEvent(new KeyboardEvent('keydown', { key: name, bubbles: true, cancelable: true }));
    return page.vm.$nextTick();
};
async function keys(page: Page, text: string) {
    for (const letter of text) await key(page, letter);
}

describe('the number pad', () => {
    it('takes one field after the other by its keys, and logs them all', async () => {
        const page = await pad(platen);
        await keys(page, '186');
        await key(page, 'Enter');
        await keys(page, '184,5');
        await key(page, 'Enter');
        expect(page.emitted('done')).toEqual([[{ top_c: 186, low_c: 184.5 }, '']]);
        page.unmount();
    });

    it('asks for nothing that comes by itself: one number and Enter is logged', async () => {
        const load = {
            id: 'load',
            title: 'Loaded',
            fields: [
                { id: 'mass_g', label: 'Loaded', dimension: 'mass', required: true },
                { id: 'feed_c', label: 'How hot', dimension: 'temperature', unasked: true },
            ],
        } as unknown as ProcedureEntry;
        const page = await pad(load);
        await keys(page, '150');
        await key(page, 'Enter');
        expect(page.emitted('done')).toEqual([[{ mass_g: 150 }, '']]);
        page.unmount();
    });

    it('is touched as well, and a digit too many is taken away', async () => {
        const page = await pad(platen);
        for (const digit of ['1', '8', '6', '6', 'Delete'])
            await page.get(`[aria-label="${digit}"]`).trigger('click');
        expect(textOf(page.findAll('.field')[0]!)).toContain('186');
        page.unmount();
    });

    it('reads a unit that is typed behind the number', async () => {
        const page = await pad(platen);
        await keys(page, '365F');
        await key(page, 'Enter');
        await keys(page, '185');
        await key(page, 'Enter');
        const [values] = page.emitted('done')![0]! as [Record<string, number>];
        expect(values.top_c).toBeCloseTo(185, 0);
        page.unmount();
    });

    it('does not log what it cannot read, or what is missing', async () => {
        const page = await pad(platen);
        await key(page, 'Enter');
        await key(page, 'Enter');
        await keys(page, 'warm');
        await key(page, 'Enter');
        expect(page.emitted('done')).toBeUndefined();
        expect(buttonOf(page, 'Log it').attributes('disabled')).toBeDefined();
        page.unmount();
    });

    it('doubts what cannot be, says why, and takes it on a second press', async () => {
        const page = await pad(platen);
        await keys(page, '350');
        await key(page, 'Enter');
        await keys(page, '186');
        await key(page, 'Enter');
        expect(page.emitted('done')).toBeUndefined();
        expect(textOf(page.get('[role="alert"]'))).toContain(
            '350? HDPE breaks down above 300 °C. Press again if it is so.',
        );
        await buttonOf(page, 'It is so: log it').trigger('click');
        expect(page.emitted('done')).toEqual([[{ top_c: 350, low_c: 186 }, '']]);
        page.unmount();
    });

    it('doubts anew what was changed meanwhile', async () => {
        const page = await pad(platen);
        await keys(page, '350');
        await key(page, 'Enter');
        await keys(page, '186');
        await key(page, 'Enter');
        await page.findAll('.field')[0]!.trigger('click');
        await keys(page, '3500');
        await key(page, 'Enter');
        await key(page, 'Enter');
        expect(page.emitted('done')).toBeUndefined();
        expect(textOf(page.get('[role="alert"]'))).toContain('3500?');
        // And nothing that is put right.
        await page.findAll('.field')[0]!.trigger('click');
        await keys(page, '185');
        await key(page, 'Enter');
        await key(page, 'Enter');
        expect(page.emitted('done')).toEqual([[{ top_c: 185, low_c: 186 }, '']]);
        page.unmount();
    });

    it('begins each time without the doubts of before', async () => {
        const page = await pad(platen);
        await keys(page, '350');
        await key(page, 'Enter');
        await keys(page, '186');
        await key(page, 'Enter');
        await page.setProps({ entry: null });
        await page.setProps({ entry: platen });
        expect(page.find('[role="alert"]').exists()).toBe(false);
        page.unmount();
    });

    it('corrects with what stood there, and only with a reason', async () => {
        const page = await pad(platen, { correcting: true, before: { top_c: 186, low_c: 184 } });
        expect(textOf(page.findAll('.field')[0]!)).toContain('186');
        expect(buttonOf(page, 'Add the correction').attributes('disabled')).toBeDefined();
        await page.get('textarea').setValue('read the wrong gauge');
        await buttonOf(page, 'Add the correction').trigger('click');
        expect(page.emitted('done')).toEqual([[{ top_c: 186, low_c: 184 }, 'read the wrong gauge']]);
        page.unmount();
    });
});
