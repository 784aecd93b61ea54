import { describe, expect, it } from 'vitest';
import type { Chart } from '../../api/types';
import { scale } from '../../parts/chart';
import { came, LIKELY, likely, spanOf, spanOfChart } from './chart';

describe('where a value lies', () => {
    it('goes from edge to edge, upwards too, and does not divide by nothing', () => {
        const x = scale([10, 20], [0, 100]);
        expect([x(10), x(15), x(20)]).toEqual([0, 50, 100]);
        const y = scale([0, 4], [200, 0]);
        expect([y(0), y(1), y(4)]).toEqual([200, 150, 0]);
        expect(Number.isFinite(scale([5, 5], [0, 10])(5))).toBe(true);
    });

    it('has some room about it, also where there is one value alone', () => {
        const [low, high] = spanOf([10, 20]);
        expect(low).toBeCloseTo(9.2);
        expect(high).toBeCloseTo(20.8);
        const [one, other] = spanOf([8]);
        expect(one).toBeLessThan(8);
        expect(other).toBeGreaterThan(8);
        expect(spanOf([0])).toEqual([-0.5, 0.5]);
    });

    it('takes limits along where there are any', () => {
        const chart = {
            points: [{ value: 5 }, { value: 6 }],
            ucl: 7,
            lcl: 4,
            least: null,
            most: 12,
        } as Chart;
        const [low, high] = spanOfChart(chart);
        expect(low).toBeLessThan(4);
        expect(high).toBeGreaterThan(12);
        expect(spanOfChart({ ...chart, most: null })[1]).toBeLessThan(8);
    });
});

describe('how likely a good piece is', () => {
    it.each([
        [1, 0],
        [0.9, 0],
        [0.89, 1],
        [0.7, 1],
        [0.5, 2],
        [0.499, 3],
        [0, 3],
    ])('%d is step %d', (probability, step) => {
        expect(likely(probability)).toBe(step);
    });

    it('has a word for each step', () => {
        expect(new Set(LIKELY.map((s) => s.says)).size).toBe(LIKELY.length);
    });
});

describe('what came of a run', () => {
    it.each([
        [8, 0, '8 good'],
        [0, 2, '2 scrap'],
        [3, 1, '3 of 4 good'],
        [0, 0, '0 good'],
    ])('%d good and %d bad are "%s"', (good, bad, says) => {
        expect(came(good, bad)).toBe(says);
    });
});
