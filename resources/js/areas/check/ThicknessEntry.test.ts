import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { type Asked, buttonOf, refusal, server, shown, textOf } from '../../tests/mount';
import ThicknessEntry from './ThicknessEntry.vue';

const GRID = {
    range_mm: 0.3,
    low_corner: '−x −y',
    advice: ['Shim the low corner by 0.2 mm.'],
    bow_mm: 0.05,
    verdict: 'ok',
    explanation: '',
};
let asked: Asked[] = [];
beforeEach(() => {
    asked = server({ 'calc/quality.thickness_grid': GRID });
});
afterEach(() => vi.unstubAllGlobals());
const entry = () =>
    shown(
        ThicknessEntry,
        { nominal: 8, tolerance: 0.9, length: 600, width: 450, polymer: 'HDPE' },
        { attachTo: document.body },
    );
type Page = Awaited<ReturnType<typeof entry>>;
async function type(page: Page, values: string[], mass: string) {
    const cells = page.findAll('.nine input');
    for (const [i, value] of values.entries()) await cells[i]!.setValue(value);
    await page.get('.mass input').setValue(mass);
}
const NINE = ['8', '8.1', '8.2', '7.9', '8', '8,05', '8', '8', '7.95'];

describe('nine thicknesses', () => {
    it('are logged where they were measured, a thumb in from the edges, with the mass', async () => {
        const page = await entry();
        await type(page, NINE, '2.17 kg');
        await page.get('form').trigger('submit');
        const [values] = page.emitted('done')![0]! as [
            { mass_g: number; points: { x_mm: number; y_mm: number; t_mm: number }[] },
        ];
        expect(values.mass_g).toBe(2170);
        expect(values.points).toHaveLength(9);
        expect(values.points[0]).toEqual({ x_mm: 25, y_mm: 25, t_mm: 8 });
        expect(values.points[4]).toEqual({ x_mm: 300, y_mm: 225, t_mm: 8 });
        expect(values.points[5]).toEqual({ x_mm: 575, y_mm: 225, t_mm: 8.05 });
        expect(values.points[8]).toEqual({ x_mm: 575, y_mm: 425, t_mm: 7.95 });
        page.unmount();
    });

    it('are not logged while one of them, or the mass, is missing or no number', async () => {
        const page = await entry();
        await type(page, NINE.slice(0, 8), '2170');
        expect(buttonOf(page, 'Log the check').attributes('disabled')).toBeDefined();
        await type(page, NINE, '');
        await page.get('form').trigger('submit');
        await type(page, [...NINE.slice(0, 8), 'thick'], '2170');
        await page.get('form').trigger('submit');
        expect(page.findAll('.nine input')[8]!.attributes('aria-invalid')).toBe('true');
        await type(page, [...NINE.slice(0, 8), '-8'], '2170');
        await page.get('form').trigger('submit');
        expect(page.emitted('done')).toBeUndefined();
        page.unmount();
    });

    it('go on by Enter, from corner to corner and to the mass', async () => {
        const page = await entry();
        const cells = page.findAll('.nine input');
        await cells[7]!.trigger('keydown', { key: 'Enter' });
        await vi.waitFor(() => expect(document.activeElement).toBe(cells[8]!.element));
        await cells[8]!.trigger('keydown', { key: 'Enter' });
        await vi.waitFor(() => expect(document.activeElement).toBe(page.get('.mass input').element));
        page.unmount();
    });

    it('are judged by the core as they come, from three on', async () => {
        const page = await entry();
        await type(page, ['8', '8.1'], '');
        expect(asked).toHaveLength(0);
        await type(page, NINE, '2170');
        await vi.waitFor(() => expect(textOf(page)).toContain('Shim the low corner by 0.2 mm.'));
        const last = asked.at(-1)!.body as { points: unknown[]; nominal_mm: number; tolerance_mm: number };
        expect(last.points).toHaveLength(9);
        expect([last.nominal_mm, last.tolerance_mm]).toEqual([8, 0.9]);
        page.unmount();
    });

    it('say why they cannot be judged, and stay as they were typed', async () => {
        server({ 'calc/quality.thickness_grid': refusal('points', 'lie on one line') });
        const page = await entry();
        await type(page, NINE, '2170');
        await vi.waitFor(() => expect(textOf(page)).toContain('lie on one line'));
        expect((page.findAll('.nine input')[2]!.element as HTMLInputElement).value).toBe('8.2');
        page.unmount();
    });
});
