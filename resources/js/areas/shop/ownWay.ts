import type { OwnChange, ProcedureStep } from '../../api/types';

/** Changes being written over a shipped procedure. Each says only what is otherwise; what says nothing is left out. */

const TEXTS = ['title', 'do', 'why', 'button'] as const;

/** What a change says of a step once all that is as shipped, or empty, is taken out; null where nothing is left. */
export function pruned(change: OwnChange, shipped: ProcedureStep | undefined): OwnChange | null {
    const left: OwnChange = change.after === undefined ? { step: change.step } : { after: change.after };
    for (const name of TEXTS) {
        const text = change[name]?.trim();
        if (text && text !== shipped?.[name]) left[name] = text;
    }
    const minutes = change.typical_min;
    if (typeof minutes === 'number' && minutes !== shipped?.typical_min) left.typical_min = minutes;
    if (change.people !== undefined && change.people !== shipped?.people) left.people = change.people;
    if (change.strict && shipped?.pass_anyway !== 'no') left.strict = true;
    if (change.after !== undefined) {
        if (change.place) left.place = change.place;
        if (change.hands && change.hands !== 'free') left.hands = change.hands;
    }
    for (const name of ['cautions', 'checks'] as const) {
        const texts = (change[name] ?? []).map((t) => t.trim()).filter((t) => t !== '');
        if (texts.length > 0) left[name] = texts;
    }
    const says = Object.keys(left).length > 1;
    return says || change.after !== undefined ? left : null;
}

/** The list with one change put in the place of the one of the same step, or at its place among the own ones, or taken out. */
export function withChange(changes: OwnChange[], at: number | null, change: OwnChange | null): OwnChange[] {
    const next = [...changes];
    if (at === null) return change === null ? next : [...next, change];
    if (change === null) next.splice(at, 1);
    else next[at] = change;
    return next;
}

/** Where the list speaks of a shipped step; null where it does not. */
export function placeOf(changes: OwnChange[], step: string): number | null {
    const at = changes.findIndex((c) => c.step === step);
    return at < 0 ? null : at;
}

/** A row of the way as it would be: a shipped step with or without a change, or a step of the shop's own. */
export interface WayRow {
    step: ProcedureStep | null;
    change: OwnChange | null;
    /** in the list of changes */
    at: number | null;
    title: string;
    stage: string;
}

/** The shipped steps in order with what is changed, each followed by the own ones that come after it. */
export function rowsOf(steps: ProcedureStep[], changes: OwnChange[]): WayRow[] {
    return steps.flatMap((step) => {
        const at = placeOf(changes, step.id);
        const change = at === null ? null : (changes[at] ?? null);
        const own = changes.flatMap((c, i) =>
            c.after === step.id
                ? [{ step: null, change: c, at: i, title: c.title ?? 'A step of our own', stage: step.stage }]
                : [],
        );
        return [{ step, change, at, title: change?.title ?? step.title, stage: step.stage }, ...own];
    });
}
