import type { Entry } from '../../api/queue';
import type { Procedure, ProcedureStep, Run } from '../../api/types';
import { after, lacksHeat, missing, phase, procedureOf, taken, threadOf } from '../../offline/gates';
import { asManyAsPlanned, handsOf } from '../../offline/hands';

/** What the screen is about: the run itself, a piece under way, or the piece that would be begun next. */
export interface Focus {
    piece: number | null;
    /** not begun yet: its first entry begins it */
    next: boolean;
}

/** s by which the screen's second may be behind what was just entered: what has begun this instant wants hands already */
export const TICK_S = 1.5;
const WHOLE: Focus = { piece: null, next: false };
export const firstOfPiece = (procedure: Procedure): ProcedureStep | null =>
    procedure.steps.find((s) => phase(s) === 'piece') ?? null;

/** Why no further piece can be begun now; null when one can. */
export function nextTaken(run: Run): string | null {
    const procedure = procedureOf(run);
    const first = firstOfPiece(procedure);
    if (!first || run.closing || run.summary.status !== 'running') return 'no piece follows';
    if (run.summary.step !== null) return 'the run is not ready yet';
    return taken(run, procedure, first.place, null);
}

/**
 * Whoever was picked while it is under way; else what wants hands now, with both hands full first; else the next piece,
 * where one can be begun; else the piece whose wait ends first.
 */
export function focusOf(run: Run, picked: Focus | null, now: number): Focus {
    if (run.summary.status !== 'running' || firstOfPiece(procedureOf(run)) === null) return WHOLE;
    const open = (piece: number | null) => run.pieces.some((p) => p.piece === piece && p.outcome === 'open');
    if (picked && !picked.next && picked.piece !== null && open(picked.piece)) return picked;
    const can = nextTaken(run) === null;
    const next: Focus = { piece: run.pieces.length + 1, next: true };
    if (picked?.next && can) return next;
    if (run.summary.step !== null) return WHOLE;
    const hands = handsOf(run);
    const due = hands.filter((h) => h.at <= now + TICK_S);
    // Whoever carries something hot is not asked to wait for anything else.
    const first = due.find((h) => stepOf(run, { piece: h.piece, next: false })?.hands === 'none') ?? due[0];
    if (first) return { piece: first.piece, next: false };
    if (can && !asManyAsPlanned(run)) return next;
    return hands[0] ? { piece: hands[0].piece, next: false } : WHOLE;
}

/** The step that a focus is at. */
export function stepOf(run: Run, focus: Focus): ProcedureStep | null {
    const procedure = procedureOf(run);
    if (focus.next) return firstOfPiece(procedure);
    const id = threadOf(run, focus.piece)?.step;
    return procedure.steps.find((s) => s.id === id) ?? null;
}

/** What is missing before its step may be called done. */
export function missingOf(run: Run, focus: Focus, now: number): string[] {
    if (!focus.next) return missing(run, now, focus.piece);
    const lack = nextTaken(run);
    const first = firstOfPiece(procedureOf(run));
    const cold = first?.needs_heat ? lacksHeat(run, now) : null;
    return [
        ...[lack, cold].filter((l) => l !== null),
        ...(first?.gate ?? []).map((g) => (g.confirmed?.length ? 'confirm it' : (g.says ?? ''))),
    ];
}

/**
 * The steps that a verdict alone would finish: the one the piece is at, once nothing else is missing in it, and the
 * last one, in which it is judged. Null where a verdict is not the next thing.
 */
export function judgedBy(
    run: Run,
    focus: Focus,
    now: number,
): { steps: ProcedureStep[]; entry: string } | null {
    const procedure = procedureOf(run);
    const step = stepOf(run, focus);
    if (focus.next || focus.piece === null || !step) return null;
    const judging = (s: ProcedureStep) => {
        const gates = s.gate ?? [];
        const entry = procedure.entries.find((e) => e.id === gates[0]?.entry);
        return gates.length === 1 && entry?.effect === 'dispose' && after(procedure, s) === null
            ? entry.id
            : null;
    };
    const here = judging(step);
    if (here) return { steps: [step], entry: here };
    const following = after(procedure, step);
    const there = following && judging(following);
    return there && missingOf(run, focus, now).length === 0
        ? { steps: [step, following], entry: there }
        : null;
}

/** A piece is judged, and with that the steps that asked for it are done. */
export function verdictOf(
    by: { steps: ProcedureStep[]; entry: string },
    verdict: 'good' | 'scrap',
    reason?: string,
): Entry[] {
    const done = by.steps.map((s): Entry => ({ type: 'step_done', data: { step: s.id } }));
    const values = reason === undefined ? { verdict } : { verdict, reason };
    return [...done.slice(0, -1), { type: 'logged', data: { entry: by.entry, values } }, ...done.slice(-1)];
}

/** Entries about a focus: they name their piece, and one that is not begun yet begins with them. */
export function aboutOf({ piece, next }: Focus, entries: Entry[], source: Entry['source']): Entry[] {
    const about = entries.map((e) => ({
        ...e,
        source,
        data: piece === null ? e.data : { ...e.data, piece },
    }));
    return next ? [{ type: 'piece_begun', data: { piece }, source }, ...about] : about;
}

/**
 * What a press of a foot switch says there: what the main button says, and no more; null where a gate is shut.
 * core/src/Run/Foot.php says the same for switches that have no screen; core/tests/conformance/foot.json holds the two
 * to each other.
 */
export function footSays(run: Run, focus: Focus, now: number): Entry[] | null {
    const step = stepOf(run, focus);
    if (!step || run.summary.status !== 'running') return null;
    const judged = judgedBy(run, focus, now);
    if (judged) return verdictOf(judged, 'good');
    return missingOf(run, focus, now).length > 0 ? null : [{ type: 'step_done', data: { step: step.id } }];
}
