import { describe, expect, it } from 'vitest';
import type { AnyPlan } from '../../api/types';
import { decimalsOf, dimensionOf, niceStep, rangeOf } from './ranges';

type Setting = AnyPlan['settings'][number];
const setting = (over: Partial<Setting>): Setting =>
    ({ name: 'x', value: null, unit: '', low: null, target: null, high: null, ...over }) as Setting;

describe('the span of a slider', () => {
    it.each([
        [setting({ value: 220, low: 180, high: 260 }), {}, [140, 300]],
        [setting({ value: 5 }), {}, [1.5, 15]],
        [setting({ value: 0 }), {}, [0, 10]],
        [setting({ value: -10 }), {}, [-30, 10]],
    ] as const)('%# lies around its window, or around what it is', (s, bounds, [min, max]) => {
        const range = rangeOf(s, bounds);
        expect(range.min).toBeCloseTo(min, 6);
        expect(range.max).toBeCloseTo(max, 6);
    });

    it('never passes what the core takes', () => {
        expect(rangeOf(setting({ value: 4 }), { minimum: 2, maximum: 6 })).toMatchObject({ min: 2, max: 6 });
        expect(rangeOf(setting({ value: 0.5 }), { exclusiveMinimum: 0 }).min).toBeGreaterThan(0);
    });

    it('holds the value even where that lies outside the window', () => {
        const range = rangeOf(setting({ value: 400, low: 180, high: 260 }), {});
        expect(range.max).toBeGreaterThanOrEqual(400);
    });

    it.each([
        [100, 1],
        [20, 0.2],
        [7, 0.05],
        [0.3, 0.002],
        [48000, 500],
    ])('over %d goes by %d', (span, step) => expect(niceStep(span)).toBeCloseTo(step, 9));

    it.each([
        [1, 0],
        [5, 0],
        [0.5, 1],
        [0.02, 2],
        [0.001, 3],
    ])('a step of %d has %d decimals', (step, digits) => expect(decimalsOf(step)).toBe(digits));

    it('knows a quantity by its unit', () => {
        expect(['mm', 'g', '°C', 'min', 'bar', 's', 'cm3'].map(dimensionOf)).toEqual([
            'length',
            'mass',
            'temperature',
            'time',
            'pressure',
            'number',
            'number',
        ]);
    });
});
