import { mount } from '@vue/test-utils';
import { describe, expect, it } from 'vitest';
import TimeStrip from './TimeStrip.vue';

const rows = [
    {
        name: 'Mould 1',
        stretches: [
            { name: 'fill', from: 0, to: 50, kind: 'hot' as const },
            { name: 'tank', from: 50, to: 100, kind: 'cold' as const },
        ],
    },
    { name: 'Mould 2', stretches: [{ name: 'swap', from: 99.9, to: 100, kind: 'hands' as const }] },
];

describe('stretches of time to scale', () => {
    const strip = mount(TimeStrip, { props: { rows, end: 100, says: 'two moulds' } });
    const bars = strip.findAll('rect').map((r) => ({
        x: Number(r.attributes('x')),
        width: Number(r.attributes('width')),
        kind: r.classes()[0],
    }));

    it('draws as long as they last, one after the other', () => {
        expect(bars[0]!.width).toBeCloseTo(bars[1]!.width, 6);
        expect(bars[1]!.x).toBeCloseTo(bars[0]!.x + bars[0]!.width, 6);
        expect(bars.map((b) => b.kind)).toEqual(['hot', 'cold', 'hands']);
    });
    it('keeps a moment to be seen, without its word', () => {
        expect(bars[2]!.width).toBeGreaterThanOrEqual(1.5);
        expect(strip.findAll('.in').map((t) => t.text())).toEqual(['fill', 'tank']);
    });
    it('says what it shows to who does not see it, and when it ends', () => {
        expect(strip.get('svg').attributes('aria-label')).toBe('two moulds');
        expect(strip.text()).toContain('1:40');
    });
});
