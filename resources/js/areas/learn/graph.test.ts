import { describe, expect, it } from 'vitest';
import type { Trace, TraceNode } from '../../api/types';
import { AT_ONCE, curve, laidOut, links, NODE, thick } from './graph';

const node = (id: string, column: number): TraceNode => ({
    id,
    kind: id.startsWith('run') ? 'run' : 'lot',
    title: id,
    says: '',
    link: '/',
    column,
    share: 1,
    grams: 1,
    sure: true,
    good: null,
    at: null,
    pieces: null,
});
const trace = (nodes: TraceNode[], flows: [string, string, number][]): Trace => ({
    title: '',
    about: nodes[0]?.id ?? '',
    way: 'forward',
    nodes,
    flows: flows.map(([from, to, grams]) => ({ from, to, grams })),
    more: false,
});
const many = trace(
    [node('lot', 0), ...Array.from({ length: 200 }, (_, i) => node(`run${i}`, 1))],
    Array.from({ length: 200 }, (_, i) => ['lot', `run${i}`, 10] as [string, string, number]),
);

describe('a trace laid out', () => {
    it('stands in columns, none over another', () => {
        const { placed, width, height } = laidOut(
            trace([node('a', 0), node('b', 0), node('c', 3)], []),
            false,
        );
        expect(placed.map((p) => p.x)).toEqual([NODE.left, NODE.left, NODE.left + NODE.width + NODE.gapX]);
        expect(placed[1]!.y - placed[0]!.y).toBeGreaterThanOrEqual(NODE.height);
        expect(width).toBe(2 * NODE.left + 2 * NODE.width + NODE.gapX);
        expect(height).toBeGreaterThan(placed[1]!.y + NODE.height - 1);
    });
    it('heaps what is too much, and shows all of it when asked', () => {
        const { placed } = laidOut(many, false);
        expect(placed).toHaveLength(1 + AT_ONCE);
        expect(placed.at(-1)).toMatchObject({ node: null, heap: 200 - AT_ONCE + 1 });
        expect(laidOut(many, true).placed).toHaveLength(201);
    });
    it('is nothing where nothing is', () => expect(laidOut(trace([], []), false).placed).toEqual([]));
});

describe('flows', () => {
    it('of a heap are added up, and none is lost', () => {
        const { placed } = laidOut(many, false);
        const all = links(many, placed);
        expect(all).toHaveLength(AT_ONCE);
        expect(all.reduce((sum, l) => sum + l.grams, 0)).toBe(2000);
        expect(all.at(-1)).toEqual({ from: 'lot', to: 'heap:1', grams: 10 * (200 - AT_ONCE + 1) });
    });
    it('to what is not there are left out', () => {
        const one = trace([node('a', 0)], [['a', 'gone', 5]]);
        expect(links(one, laidOut(one, false).placed)).toEqual([]);
    });
    it('are drawn from right to left edge, thicker for more', () => {
        const [a, b] = laidOut(trace([node('a', 0), node('b', 1)], []), false).placed;
        expect(curve(a!, b!)).toMatch(new RegExp(`^M${NODE.left + NODE.width} `));
        expect(thick(100, 100)).toBe(8);
        expect(thick(1, 100)).toBeCloseTo(1.7);
        expect(thick(0, 100)).toBe(1);
        expect(thick(5, 0)).toBe(1);
    });
});
