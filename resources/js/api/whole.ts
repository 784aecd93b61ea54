import type { Run } from './types';

/** Number of the newest entry of a run that is known here: what is asked for is what came after it. */
export const newest = (run: Run | undefined): number => run?.events.at(-1)?.seq ?? 0;

/**
 * A whole run out of what is known of it and an answer that has only what is new; null where something between the two
 * is missing, and the whole has to be asked for.
 */
export function whole(known: Run | undefined, answer: Run): Run | null {
    if (!answer.since) return answer;
    const before = known?.events.filter((e) => e.seq <= answer.since) ?? [];
    if (!known || before.length !== answer.since) return null;
    const entries = new Map(known.entries.map((e) => [e.key, e]));
    for (const entry of answer.entries) entries.set(entry.key, entry);
    const pieces = new Map(known.pieces.map((p) => [p.piece, p]));
    for (const piece of answer.pieces) pieces.set(piece.piece, piece);
    return {
        ...answer,
        since: 0,
        // What it shows follows the steps as they end; where none has, it is left out.
        setup: Object.keys(answer.setup).length > 0 ? answer.setup : known.setup,
        safety: known.safety,
        procedure: known.procedure,
        plausible: known.plausible,
        events: [...before, ...answer.events],
        entries: [...entries.values()],
        pieces: [...pieces.values()].sort((a, b) => a.piece - b.piece),
    };
}
