import { describe, expect, it } from 'vitest';
import { lineThrough, ticks } from './chart';

describe('values to name along an axis', () => {
    it('are round and lie on it', () => {
        expect(ticks(0, 200)).toEqual([0, 50, 100, 150, 200]);
        for (const [low, high] of [
            [0, 1],
            [17, 23],
            [-4, 300],
            [0.002, 0.011],
            [1e6, 3e6],
        ] as const)
            for (const about of [4, 6]) {
                const all = ticks(low, high, about);
                expect(all.length).toBeGreaterThanOrEqual(2);
                expect(all.length).toBeLessThanOrEqual(about + 2);
                expect(Math.min(...all)).toBeGreaterThanOrEqual(low - 1e-9);
                expect(Math.max(...all)).toBeLessThanOrEqual(high * (1 + 1e-9) + 1e-9);
                const steps = all.slice(1).map((v, i) => v - all[i]!);
                expect(Math.max(...steps) - Math.min(...steps)).toBeLessThan(1e-6 * Math.max(...steps));
            }
    });

    it('takes an end that only rounding keeps off the axis', () => {
        expect(ticks(0.1, 0.3, 4).at(-1)).toBeCloseTo(0.3, 9);
    });

    it('are one where all is one value and that is round', () => {
        expect(ticks(3, 3)).toEqual([3]);
    });
});

describe('a line', () => {
    it('goes through its points, to a tenth', () =>
        expect(
            lineThrough([
                [0, 1.26],
                [10.04, 2],
            ]),
        ).toBe('M0,1.3L10,2'));
    it('of nothing is none', () => expect(lineThrough([])).toBe(''));
});
