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
