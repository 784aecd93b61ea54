import { afterEach, describe, expect, it, vi } from 'vitest';
import { buttonOf, page as items, refusal, server, shown, textOf } from '../../tests/mount';
import LeftoversCard from './LeftoversCard.vue';

afterEach(() => vi.unstubAllGlobals());
const flash = (over: object = {}) => ({
    id: 'flash',
    title: 'Flash and edges',
    form: 'offcut',
    mass_g: 116,
    because: 'what was weighed in, less the sheet',
    kept: [],
    ...over,
});
const tub = { kind: 'lot', count: null, lot: 'L-0123', lot_id: 23, mass_g: 112 };

describe('what is left of a run', () => {
    it('goes into a tub of its own by one touch, with what the log says or the scale', async () => {
        let kept: object[] = [];
        const asked = server({
            'GET runs/r/leftovers': () => items([flash({ kept })]),
            'POST runs/r/leftovers': () => {
                kept = [tub];
                return { id: 23, code: 'L-0123' };
            },
        });
        const page = await shown(LeftoversCard, { run: 'r' });
        expect(textOf(page)).toContain('what was weighed in, less the sheet');
        expect((page.get('input').element as HTMLInputElement).value).toContain('116');
        await page.get('input').setValue('112');
        await page.get('input').trigger('blur');
        await buttonOf(page, 'Into a tub').trigger('click');
        await vi.waitFor(() => expect(textOf(page)).toContain('L-0123'));
        expect(asked.find((a) => a.method === 'POST')?.body).toMatchObject({
            leftover: 'flash',
            mass_g: 112,
        });
        expect(page.get('a').attributes('href')).toBe('/sort/lots/23');
        expect(page.find('button').exists()).toBe(false);
    });

    it('says why it is refused, and sends it again under the same number', async () => {
        const asked = server({
            'GET runs/r/leftovers': items([flash()]),
            'POST runs/r/leftovers': refusal('mass_g', 'is more than it can be: the run took 100 g'),
        });
        const page = await shown(LeftoversCard, { run: 'r' });
        for (let i = 0; i < 2; i++) {
            await buttonOf(page, 'Into a tub').trigger('click');
            await vi.waitFor(() => expect(textOf(page)).toContain('the run took 100 g'));
        }
        const ids = asked.filter((a) => a.method === 'POST').map((a) => (a.body as { id: string }).id);
        expect(ids).toHaveLength(2);
        expect(ids[0]).toBe(ids[1]);
    });

    it('is silent where nothing is left', async () => {
        server({ 'GET runs/r/leftovers': items([]) });
        const page = await shown(LeftoversCard, { run: 'r' });
        expect(textOf(page)).toBe('');
    });
});
