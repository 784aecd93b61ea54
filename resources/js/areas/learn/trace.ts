import type { Dimension } from '../../api/types';

export type Points = [number, number][];
export interface Kind {
    /** what it is called over its chart */
    title: string;
    dimension: Dimension;
    /** shown beside numbers that no dimension of ours says */
    unit: string;
}

const KINDS: [RegExp, Kind][] = [
    [/_c$/, { title: 'Temperatures', dimension: 'temperature', unit: '' }],
    [/_kpa$/, { title: 'Pressure under the sheet, kPa', dimension: 'number', unit: 'kPa' }],
    [/_bar$/, { title: 'Pressure', dimension: 'pressure', unit: '' }],
    [/_g$/, { title: 'Mass', dimension: 'mass', unit: '' }],
    [/_mm$/, { title: 'Length', dimension: 'length', unit: '' }],
];

/** A channel's name ends in its unit. */
export const kindOf = (channel: string): Kind =>
    KINDS.find(([end]) => end.test(channel))?.[1] ?? {
        title: 'Other readings',
        dimension: 'number',
        unit: '',
    };

/** Series of one kind stand on one chart. */
export function byKind(series: [string, Points][]): { kind: Kind; series: [string, Points][] }[] {
    const charts = new Map<string, { kind: Kind; series: [string, Points][] }>();
    for (const one of series) {
        const kind = kindOf(one[0]);
        const chart = charts.get(kind.title) ?? { kind, series: [] };
        chart.series.push(one);
        charts.set(kind.title, chart);
    }
    return [...charts.values()];
}

/** Where nothing was read for much longer than usual, nothing is drawn: a line there would say what nobody measured. */
export function stretches(points: Points, times = 8): Points[] {
    const gaps = points.slice(1).map((p, i) => p[0] - points[i]![0]);
    const usual = [...gaps].sort((a, b) => a - b)[Math.floor(gaps.length / 2)] ?? 0;
    const all: Points[] = [];
    points.forEach((p, i) => {
        if (i === 0 || gaps[i - 1]! > times * Math.max(usual, 0.01)) all.push([p]);
        else all[all.length - 1]!.push(p);
    });
    return all;
}

/** Round values to name along an axis, four or five of them. */
export function ticks(low: number, high: number): number[] {
    const span = high - low;
    if (!(span > 0)) return [low];
    const rough = span / 4;
    const power = 10 ** Math.floor(Math.log10(rough));
    const step = [1, 2, 5, 10].map((m) => m * power).find((s) => s >= rough) ?? rough;
    const first = Math.ceil(low / step) * step;
    return Array.from({ length: Math.floor((high - first) / step + 1e-9) + 1 }, (_, i) => first + i * step);
}

/** Labels that would lie on the one before give way; every moment keeps its line. */
export function spaced<T extends { x: number }>(
    marks: T[],
    width: (mark: T) => number,
): (T & { said: boolean })[] {
    let free = -Infinity;
    return marks.map((m) => {
        const said = m.x >= free;
        if (said) free = m.x + width(m);
        return { ...m, said };
    });
}
