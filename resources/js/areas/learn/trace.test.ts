import { describe, expect, it } from 'vitest';
import { ref } from 'vue';
import { byKind, kindOf, reach, seen, spaced, stretches, type Points } from './trace';
import { useTraceView } from './useTraceView';

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

describe('what is seen of a long line', () => {
    const long: Points = Array.from({ length: 100_000 }, (_, i) => [
        i / 10,
        Math.sin(i / 700) + (i % 997) / 5000,
    ]);

    it('keeps the first, lowest, highest and last of every column, in order', () => {
        const drawn = seen(long, 0, 10_000, 692);
        expect(drawn.length).toBeLessThanOrEqual(4 * 693);
        expect(drawn.every((p, i) => i === 0 || p[0] > drawn[i - 1]![0])).toBe(true);
        const column = (p: [number, number]) => Math.floor((692 * p[0]) / 10_000);
        for (const c of [0, 17, 345, 691]) {
            const all = long.filter((p) => column(p) === c).map((p) => p[1]);
            const kept = drawn.filter((p) => column(p) === c).map((p) => p[1]);
            expect(Math.max(...kept)).toBe(Math.max(...all));
            expect(Math.min(...kept)).toBe(Math.min(...all));
            expect(kept[0]).toBe(all[0]);
            expect(kept.at(-1)).toBe(all.at(-1));
        }
    });

    it('keeps a single spike, wherever it is', () => {
        const spiked: Points = long.map((p, i) => [p[0], i === 54_321 ? 99 : p[1]]);
        expect(Math.max(...seen(spiked, 0, 10_000, 100).map((p) => p[1]))).toBe(99);
    });

    it('is every point of a short stretch, and one beyond either side', () => {
        const drawn = seen(long, 500, 501, 692);
        expect(drawn[0]![0]).toBeCloseTo(499.9);
        expect(drawn.at(-1)![0]).toBeCloseTo(501, 0);
        expect(drawn.length).toBeGreaterThanOrEqual(11);
        expect(seen([], 0, 1, 10)).toEqual([]);
        expect(seen(long, 20_000, 30_000, 692).length).toBeLessThanOrEqual(2);
    });

    it('reaches from nought, or below it, to the highest', () => {
        expect(reach([['a_c', long]]).low).toBe(Math.min(...[0, ...long.map((p) => p[1])]));
        expect(reach([['a_c', [[0, 5]]]])).toEqual({ low: 0, high: 5 });
        expect(reach([])).toEqual({ low: 0, high: 1 });
    });
});

describe('what is looked at of a run', () => {
    const of = () => useTraceView(ref({ from: 100, to: 900 }));

    it('is the whole until it is drawn closer, about the place that was pointed at', () => {
        const view = of();
        expect(view.shown.value).toEqual({ from: 100, to: 900 });
        view.zoom(0.5, 0.25);
        // What was at a quarter of the picture is there still.
        expect(view.shown.value).toEqual({ from: 200, to: 600 });
        view.zoom(2, 0.25);
        expect(view.chosen.value).toBeNull();
    });

    it('is moved as far as the run goes and no further', () => {
        const view = of();
        view.pan(50);
        expect(view.chosen.value).toBeNull();
        view.zoom(0.5);
        view.pan(10_000);
        expect(view.shown.value).toEqual({ from: 500, to: 900 });
        view.pan(-10_000);
        expect(view.shown.value).toEqual({ from: 100, to: 500 });
        view.reset();
        expect(view.shown.value).toEqual({ from: 100, to: 900 });
    });

    it('is never less than two seconds', () => {
        const view = of();
        for (let i = 0; i < 40; i++) view.zoom(0.5);
        expect(view.shown.value.to - view.shown.value.from).toBe(2);
    });
});
