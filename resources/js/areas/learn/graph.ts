import type { Trace, TraceNode } from '../../api/types';

/** A trace laid out from left to right, so that it stays readable at hundreds of nodes: columns, and rows of one height. */

export const NODE = { width: 168, height: 34, gapX: 74, gapY: 6, top: 8, left: 8 };
/** of a column, so many stand by themselves; what is over them is one node that opens */
export const AT_ONCE = 16;

export interface Placed {
    node: TraceNode | null;
    /** of a heap: how many are in it */
    heap: number;
    id: string;
    column: number;
    x: number;
    y: number;
}

export interface Link {
    from: string;
    to: string;
    grams: number;
}

/** Every node at its place; what does not fit a column lies in one heap at its end, unless all of it is asked for. */
export function laidOut(trace: Trace, all: boolean): { placed: Placed[]; width: number; height: number } {
    const columns = new Map<number, TraceNode[]>();
    for (const node of trace.nodes) columns.set(node.column, [...(columns.get(node.column) ?? []), node]);
    const order = [...columns.keys()].sort((a, b) => a - b);
    const placed: Placed[] = [];
    for (const [at, key] of order.entries()) {
        const nodes = columns.get(key) ?? [];
        const shown = all || nodes.length <= AT_ONCE ? nodes : nodes.slice(0, AT_ONCE - 1);
        const x = NODE.left + at * (NODE.width + NODE.gapX);
        const y = (row: number) => NODE.top + row * (NODE.height + NODE.gapY);
        for (const [row, node] of shown.entries())
            placed.push({ node, heap: 0, id: node.id, column: key, x, y: y(row) });
        if (shown.length < nodes.length)
            placed.push({
                node: null,
                heap: nodes.length - shown.length,
                id: `heap:${key}`,
                column: key,
                x,
                y: y(shown.length),
            });
    }
    return {
        placed,
        width: NODE.left * 2 + order.length * NODE.width + Math.max(0, order.length - 1) * NODE.gapX,
        height: Math.max(0, ...placed.map((p) => p.y)) + NODE.height + NODE.top,
    };
}

/** Flows between what is drawn: those of a heap's nodes are the heap's, added up. */
export function links(trace: Trace, placed: Placed[]): Link[] {
    const drawn = new Set(placed.map((p) => p.id));
    const columnOf = new Map(trace.nodes.map((n) => [n.id, n.column]));
    const where = (id: string) => (drawn.has(id) ? id : `heap:${columnOf.get(id) ?? -1}`);
    const sums = new Map<string, Link>();
    for (const flow of trace.flows) {
        const [from, to] = [where(flow.from), where(flow.to)];
        if (from === to || !drawn.has(from) || !drawn.has(to)) continue;
        const key = `${from}>${to}`;
        const before = sums.get(key);
        sums.set(key, { from, to, grams: (before?.grams ?? 0) + flow.grams });
    }
    return [...sums.values()];
}

/** A curve from the right of one to the left of the other; a ring goes back under both. */
export function curve(from: Placed, to: Placed): string {
    const [x1, y1] = [from.x + NODE.width, from.y + NODE.height / 2];
    const [x2, y2] = [to.x, to.y + NODE.height / 2];
    const half = Math.max(24, (x2 - x1) / 2);
    return `M${x1} ${y1} C${x1 + half} ${y1} ${x2 - half} ${y2} ${x2} ${y2}`;
}

/** How thick a flow is drawn, px: by the root, so that a gram is still seen beside a sack. */
export const thick = (grams: number, most: number): number =>
    most > 0 && grams > 0 ? 1 + 7 * Math.sqrt(grams / most) : 1;
