import { describe, expect, it } from 'vitest';
import { byKind, kindOf, spaced, stretches, type Points } from './trace';

describe('a trace', () => {
    it('reads its unit off the end of a channel', () => {
        expect(kindOf('platen_top_c').dimension).toBe('temperature');
        expect(kindOf('cold_platen_c').dimension).toBe('temperature');
        expect(kindOf('vacuum_kpa').unit).toBe('kPa');
        expect(kindOf('ram_bar').dimension).toBe('pressure');
        expect(kindOf('turns').title).toBe('Other readings');
    });

    it('puts what is of one kind on one chart, in order', () => {
        const p: Points = [[0, 1]];
        const charts = byKind([
            ['a_c', p],
            ['b_kpa', p],
            ['c_c', p],
        ]);
        expect(charts.map((c) => c.series.map(([name]) => name))).toEqual([['a_c', 'c_c'], ['b_kpa']]);
    });

    it('draws no line over a time in which nothing was read', () => {
        const points: Points = [
            [0, 1],
            [1, 2],
            [2, 3],
            [60, 4],
            [61, 5],
        ];
        expect(stretches(points).map((s) => s.map((p) => p[0]))).toEqual([
            [0, 1, 2],
            [60, 61],
        ]);
        expect(stretches([])).toEqual([]);
        expect(stretches([[5, 1]])).toEqual([[[5, 1]]]);
        const even: Points = Array.from({ length: 40 }, (_, i) => [i * 30, i]);
        expect(stretches(even)).toHaveLength(1);
    });

    it('lets a label give way to the one before it, never its line', () => {
        const said = spaced([{ x: 0 }, { x: 10 }, { x: 90 }, { x: 120 }], () => 80).map((m) => m.said);
        expect(said).toEqual([true, false, true, false]);
    });
});
