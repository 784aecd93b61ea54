import { mount } from '@vue/test-utils';
import { describe, expect, it } from 'vitest';
import { plain } from '../../tests/mount';
import InspectionResult from './InspectionResult.vue';

const map = {
    ThicknessMap: { props: ['low', 'nominal', 'tolerance'], template: '<i class="map">{{ low }}</i>' },
};
const PLAN = { nominal_mm: 8, thickness_tolerance_mm: 0.9, length_mm: 600, width_mm: 450 };
const SHEET = {
    grid: {
        mean: 8.056,
        range_mm: 0.72,
        verdict: 'uneven',
        slope_mm_per_m: { x: 1.2345, y: -0.2 },
        bow_mm: -0.45,
        low_corner: '+x −y',
        advice: ['Shim 0.5 mm under the lower platen at its right side (+x).'],
        explanation: '',
    },
    porosity: { porosity_pct: 2.345, verdict: 'a_few_voids', explanation: 'Lighter than it should be.' },
    points: [],
    mass_g: 2080,
};
const shown = (inspection: Record<string, unknown>) =>
    mount(InspectionResult, { props: { inspection, plan: PLAN }, global: { stubs: map } });

describe('what a check found', () => {
    it('says of a sheet how even, how tilted, how bowed and how sound it is', () => {
        const page = shown(SHEET);
        const text = plain(page.text());
        expect(text).toContain('Range0.72 mm uneven');
        expect(text).toContain('Mean8.06 mm');
        expect(text).toContain('1.23, −0.20 mm/m');
        expect(text).toContain('Bow−0.45 mm');
        expect(text).toContain('Voids2.3 % a few voids');
        expect(text).toContain('Shim 0.5 mm under the lower platen at its right side (+x).');
        expect(page.get('.map').text()).toBe('+x −y');
        expect(page.findAll('.tag.bad')).toHaveLength(2);
    });

    it('calls good what is within, and does not invent a bow', () => {
        const page = shown({
            ...SHEET,
            grid: { ...SHEET.grid, verdict: 'ok', bow_mm: null, advice: [] },
            porosity: { ...SHEET.porosity, verdict: 'sound' },
        });
        expect(page.findAll('.tag.good')).toHaveLength(2);
        expect(plain(page.text())).toContain('Bow–');
    });

    it('says of a part its verdict alone', () => {
        const page = shown({ verdict: 'short', says: '94.0 % of its mass: it is short.' });
        expect(plain(page.text())).toBe('short 94.0 % of its mass: it is short.');
        expect(page.find('dl').exists()).toBe(false);
    });
});
