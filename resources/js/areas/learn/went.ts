import type { Figure, Procedure, Run } from '../../api/types';
import { figureText } from '../../parts/figures';
import { capital } from '../../parts/text';
import { minutesText } from '../../parts/units';

/** How one pass went beside what was planned: of the run where it is one pass, else of a piece. */
export interface Went {
    piece: number | null;
    /** by timer of the procedure; done is null where it never ran out */
    timed: { title: string; planned: number; done: number | null; short: boolean }[];
    /** what its newest check or its taps measured, in words, by figure */
    measured: Record<string, string>;
    verdict: string;
    reason: string;
    /** what it was made under, and steps that were passed though something was open, with the reason given */
    anyway: string[];
}

/** a timed step may be called done this much before its time, s: the gate lets it */
const EARLY_S = 1;

export const measuredOf = (run: Run): Figure[] => run.summary.figures.filter((f) => f.measured);

export function howItWent(run: Run): Went[] {
    const procedure = run.procedure as unknown as Procedure;
    const pieces = run.pieces.length > 0 ? run.pieces.map((p) => p.piece) : [null];
    return pieces.map((piece) => passOf(run, procedure, piece));
}

function passOf(run: Run, procedure: Procedure, piece: number | null): Went {
    const thread = run.pieces.find((p) => p.piece === piece);
    const timers = thread?.timers ?? run.timers;
    const check = run.checks.filter((c) => c.piece === piece).at(-1);
    const judging = procedure.entries.filter((e) => e.effect === 'dispose').map((e) => e.id);
    const judged = run.entries.filter((e) => judging.includes(e.entry) && (e.piece ?? null) === piece).at(-1);
    const dropped = run.events.find((e) => e.type === 'piece_dropped' && e.data.piece === piece);
    return {
        piece,
        timed: procedure.timers.flatMap((t) => {
            const ran = timers.find((x) => x.id === t.id);
            if (!ran) return [];
            const done = ran.answered_at === null ? null : (ran.answered_at - ran.started_at) / 60;
            return [
                {
                    title: t.title,
                    planned: Number(run.plan[t.minutes]),
                    done,
                    short: ran.answered_at !== null && ran.answered_at < ran.ends_at - EARLY_S,
                },
            ];
        }),
        measured: Object.fromEntries(
            measuredOf(run).map((f) => {
                const value = check?.figures[f.id] ?? thread?.clocked?.[f.id];
                return [f.id, value === undefined ? '' : figureText({ ...f, value })];
            }),
        ),
        verdict: thread?.outcome === 'dropped' ? 'taken out' : String(judged?.values.verdict ?? ''),
        reason: String(judged?.values.reason ?? dropped?.data.reason ?? ''),
        anyway: [
            ...(thread?.flags ?? []),
            ...run.events
                .filter(
                    (e) =>
                        e.type === 'step_done' && e.data.reason && (Number(e.data.piece) || null) === piece,
                )
                .map((e) => {
                    const step = procedure.steps.find((s) => s.id === e.data.step);
                    return `${step?.title ?? String(e.data.step)}: ${String(e.data.reason)}`;
                }),
        ],
    };
}

/** "12 min, done 9 min": short says that it was ended before its time. */
export const timedText = (t: Went['timed'][number]): string =>
    t.done === null ? minutesText(t.planned) : `${minutesText(t.planned)}, done ${minutesText(t.done)}`;

export const headOf = (procedure: Procedure): string => `Each ${procedure.piece?.title ?? 'piece'}`;
export const nameOf = (procedure: Procedure, went: Went): string =>
    `${capital(procedure.piece?.title ?? 'piece')} ${went.piece ?? ''}`.trim();
