import { afterEach, describe, expect, it, vi } from 'vitest';
import CapturesCard from '../learn/CapturesCard.vue';
import { buttonOf, page as items, refusal, server, shown, textOf } from '../../tests/mount';
import CaptureCard from './CaptureCard.vue';

afterEach(() => vi.unstubAllGlobals());
const fields = {
    properties: {
        stroke_mm: { type: 'number', 'x-unit': 'mm', description: 'the screw goes forward' },
        rpm: { type: 'number', 'x-unit': '1/min', description: 'of the screw' },
    },
};
const kept = (over: object = {}) => ({
    id: 'k1',
    run_id: 'r',
    run_number: 155,
    machine_id: 1,
    machine: 'Wren',
    mould: 'Dormouse',
    shown: { stroke_mm: 40, rpm: 120 },
    units: { stroke_mm: 'mm', rpm: '1/min' },
    onto: [
        { id: 2, name: 'Robin', as: 'machine' },
        { id: 3, name: 'Mole', as: 'mould' },
    ],
    pictures: ['p1'],
    by: 'Jun Asare',
    at: 1_790_000_000,
    ...over,
});

describe('what a controller shows', () => {
    it('is kept once, in the units of its numbers', async () => {
        const asked = server({
            'GET runs/r/capture': { fields, kept: [] },
            'POST runs/r/capture': kept(),
        });
        const page = await shown(CaptureCard, { run: 'r' });
        await buttonOf(page, 'Keep what it shows').trigger('click');
        const numbers = page.findAll('input:not([type=file])');
        expect(numbers).toHaveLength(2);
        await numbers[0]!.setValue('4 cm');
        await numbers[0]!.trigger('blur');
        await numbers[1]!.setValue('120');
        await numbers[1]!.trigger('blur');
        await page.get('form').trigger('submit');
        await vi.waitFor(() => expect(page.find('form').exists()).toBe(false));
        expect(asked.find((a) => a.method === 'POST')?.body).toMatchObject({
            shown: { stroke_mm: 40, rpm: 120 },
            pictures: [],
        });
    });

    it('says which number is wrong, and keeps what was typed', async () => {
        server({
            'GET runs/r/capture': { fields, kept: [] },
            'POST runs/r/capture': refusal('shown.rpm', 'is required'),
        });
        const page = await shown(CaptureCard, { run: 'r' });
        await buttonOf(page, 'Keep what it shows').trigger('click');
        await page.findAll('input:not([type=file])')[0]!.setValue('40');
        await page.get('form').trigger('submit');
        await vi.waitFor(() => expect(textOf(page)).toContain('rpm is required'));
        expect((page.findAll('input:not([type=file])')[0]!.element as HTMLInputElement).value).toContain(
            '40',
        );
    });

    it('is asked of no machine that has none', async () => {
        server({ 'GET runs/r/capture': { fields: null, kept: [] } });
        expect(textOf(await shown(CaptureCard, { run: 'r' }))).toBe('');
    });
});

describe('what was kept', () => {
    it('is worked out for another machine, beside what it was', async () => {
        const asked = server({
            'GET products/7/captures': items([kept()]),
            'captures/k1/onto': {
                values: { stroke_mm: 27.8, rpm: 100 },
                says: 'Same shot.',
                cautions: ['Too fast.'],
            },
        });
        const page = await shown(CapturesCard, { product: '7' });
        await vi.waitFor(() => expect(page.findAll('option').length).toBeGreaterThan(2));
        expect(page.findAll('option').map((o) => o.text())).toEqual([
            'this machine, as it is',
            'Robin',
            'Mole, printed',
        ]);
        await page.get('select').setValue('2');
        await vi.waitFor(() => expect(textOf(page)).toContain('Same shot.'));
        expect(asked.at(-1)?.path).toBe('captures/k1/onto?machine_id=2');
        expect(textOf(page)).toContain('40.0 mm');
        expect(textOf(page)).toContain('27.8 mm');
        expect(textOf(page)).toContain('100.0 1/min');
        expect(textOf(page)).toContain('▲ Too fast.');
    });

    it('is held to what a printed mould bears, and says what is not known of it', async () => {
        const asked = server({
            'GET products/7/captures': items([kept()]),
            'captures/k1/onto': refusal(
                'mould_id',
                'neither the mould nor the product says its projected area',
            ),
        });
        const page = await shown(CapturesCard, { product: '7' });
        await vi.waitFor(() => expect(page.findAll('option').length).toBeGreaterThan(2));
        await page.get('select').setValue('3');
        await vi.waitFor(() => expect(textOf(page)).toContain('projected area'));
        expect(asked.at(-1)?.path).toBe('captures/k1/onto?mould_id=3');
    });
});
