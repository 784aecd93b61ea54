import { mount } from '@vue/test-utils';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { plain, screenOf } from '../../tests/mount';
import WindowPicture from './WindowPicture.vue';

afterEach(() => {
    vi.unstubAllGlobals();
    vi.restoreAllMocks();
});
const axis = (label: string) => ({ id: label, label, value: 0, unit: '°C', dimension: 'temperature' });
const as = (window: object = {}) => ({
    x: axis('Platens'),
    y: axis('Mould'),
    x_planned: 185,
    y_planned: 40,
    runs: [
        { id: 'a', number: 7, x: 180, y: 40, good: 1, bad: 0 },
        { id: 'b', number: 8, x: 190, y: 50, good: 0, bad: 1 },
    ],
    window: {
        x_low: 170,
        x_high: 200,
        y_low: 30,
        y_high: 60,
        tells: true,
        drawn: [
            { x: 175, y: 35, probability: 0.9 },
            { x: 185, y: 35, probability: 0.1 },
            { x: 175, y: 45, probability: 0.6 },
            { x: 185, y: 45, probability: 0.3 },
        ],
        planned: { probability: 0.88, low: 0.74, high: 0.97 },
        explanation: 'From 2 runs.',
        warnings: [],
        ...window,
    },
});
const drawn = (window: object = {}) => mount(WindowPicture, { props: { as: as(window) as never } });
describe('the window as it was run', () => {
    it('marks good runs and bad ones apart, by shape, and the next where it was last set', () => {
        const page = drawn();
        expect(page.findAll('svg[role=img] circle.good')).toHaveLength(1);
        expect(page.findAll('svg[role=img] path.bad')).toHaveLength(1);
        expect(page.findAll('svg[role=img] g.planned')).toHaveLength(1);
        expect(plain(page.text())).toContain('88 % good (74 to 97)');
    });

    it('shows no colours where the settings tell no more than the base rate', () => {
        const squares = (window: object) => drawn(window).findAll('svg[role=img] rect').length;
        expect(squares({})).toBeGreaterThanOrEqual(4);
        expect(squares({ tells: false })).toBe(0);
    });

    it('is as wide as its place and marks fewer values on a phone', async () => {
        const onDesk = drawn().findAll('svg[role=img] text').length;
        const seen = screenOf(330);
        const page = drawn();
        await seen();
        expect(page.get('svg').attributes('viewBox')).toBe('0 0 330 292');
        expect(page.get('svg').attributes('height')).toBe('292');
        expect(page.findAll('svg[role=img] text').length).toBeLessThan(onDesk);
    });
});
