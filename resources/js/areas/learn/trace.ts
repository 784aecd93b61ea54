import type { Dimension } from '../../api/types';
import { dimensionOf } from '../set/ranges';

export type Points = [number, number][];
export interface Kind {
    /** what it is called over its chart */
    title: string;
    dimension: Dimension;
    unit: string;
}

/** A channel's name ends in its unit. */
const UNITS: Record<string, { title: string; unit: string }> = {
    c: { title: 'Temperatures', unit: '°C' },
    kpa: { title: 'Pressure under the sheet, kPa', unit: 'kPa' },
    bar: { title: 'Pressure', unit: 'bar' },
    g: { title: 'Mass', unit: 'g' },
    mm: { title: 'Length', unit: 'mm' },
};

export function kindOf(channel: string): Kind {
    const known = UNITS[channel.split('_').at(-1) ?? ''] ?? { title: 'Other readings', unit: '' };
    return { ...known, dimension: dimensionOf(known.unit) };
}

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

/** The first point at or after a moment. */
function firstFrom(points: Points, at: number): number {
    let [low, high] = [0, points.length];
    while (low < high) {
        const middle = (low + high) >> 1;
        if (points[middle]![0] < at) low = middle + 1;
        else high = middle;
    }
    return low;
}

/**
 * What of a line can be seen on so many columns: of each the first point, the lowest, the highest and the last, which
 * draw the very same pixels (M4; Jugel and others, VLDB 2014), and one point beyond either side for the line that
 * leaves there.
 */
export function seen(points: Points, from: number, to: number, columns: number): Points {
    const begins = Math.max(0, firstFrom(points, from) - 1);
    const ends = Math.min(points.length, firstFrom(points, to) + 1);
    if (ends - begins <= 4 * columns) return points.slice(begins, ends);
    const drawn: Points = [];
    const column = (p: [number, number]) => Math.floor((columns * (p[0] - from)) / (to - from));
    let at = begins;
    while (at < ends) {
        const here = column(points[at]!);
        let [low, high, last] = [at, at, at];
        for (let i = at + 1; i < ends && column(points[i]!) === here; i++) {
            if (points[i]![1] < points[low]![1]) low = i;
            if (points[i]![1] > points[high]![1]) high = i;
            last = i;
        }
        for (const i of [...new Set([at, low, high, last])].sort((a, b) => a - b)) drawn.push(points[i]!);
        at = last + 1;
    }
    return drawn;
}

/** Lowest and highest of all, with nought. */
export function reach(series: [string, Points][]): { low: number; high: number } {
    let [low, high] = [0, -Infinity];
    for (const [, points] of series)
        for (const p of points) {
            if (p[1] < low) low = p[1];
            if (p[1] > high) high = p[1];
        }
    return { low, high: high === -Infinity ? 1 : high };
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
