import type { Change, ChangeTask, Hose } from '../../api/types';

export const LOOKS = [
    { id: 'old_colour', says: 'The old colour' },
    { id: 'streaks', says: 'Streaks' },
    { id: 'bubbles', says: 'Bubbles' },
    { id: 'clean', says: 'Clean' },
] as const;

/** What hands may do now, the most urgent first: as they are foretold to begin. */
export const handsNow = (change: Change): ChangeTask[] =>
    change.tasks.filter((t) => t.task.hands && t.state === 'ready').sort((a, b) => a.from - b.from);

/** What goes on by itself, or would if somebody began it. */
export const waits = (change: Change): ChangeTask[] =>
    change.tasks.filter((t) => !t.task.hands && (t.state === 'ready' || t.state === 'under_way'));

export const isThrough = (task: ChangeTask): boolean => task.state === 'through' || task.state === 'passed';

/** A wait that begins as late as it may is not due before its time. */
export const isDue = (task: ChangeTask, now: number): boolean =>
    task.state === 'ready' && task.from <= now + 30;

export interface Bar {
    id: string;
    title: string;
    hands: boolean;
    left: number;
    width: number;
    state: ChangeTask['state'];
    critical: boolean;
    row: number;
}

/** The tasks as bars of a strip from the begin to the end, hands above, waits below in as few rows as they need. */
export function bars(change: Change): Bar[] {
    const span = Math.max(60, change.ready_at - change.at);
    const at = (t: number) => (100 * (t - change.at)) / span;
    const rows: number[] = [];
    return [...change.tasks]
        .sort((a, b) => a.from - b.from)
        .map((t) => {
            let row = 0;
            if (!t.task.hands) {
                row = rows.findIndex((end) => end <= t.from + 1);
                if (row < 0) row = rows.push(0) - 1;
                rows[row] = t.to;
            }
            return {
                id: t.task.id,
                title: t.task.title,
                hands: t.task.hands,
                left: at(t.from),
                width: Math.max(0.6, at(t.to) - at(t.from)),
                state: t.state,
                critical: t.task.critical,
                row,
            };
        });
}

/** Ports of the two sides of a mould's water, each with its place from the top. */
export function ports(hoses: Hose[]): { machine: string[]; mould: string[] } {
    const of = (names: string[], machine: boolean) =>
        [...new Set(names)].filter((n) => /^(feed|return) /.test(n) === machine);
    const all = hoses.flatMap((h) => [h.from, h.to]);
    return { machine: of(all, true), mould: of(all, false).sort(byNumber) };
}
function byNumber(a: string, b: string): number {
    return parseInt(a) - parseInt(b) || (a.endsWith('in') ? -1 : 1);
}
