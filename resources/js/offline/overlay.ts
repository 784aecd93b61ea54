import type { QueuedEvent } from '../api/store';
import type { ProcedureStep, Run } from '../api/types';
import { after, breakOf, phase, procedureOf, RESTART } from './gates';

type Data = {
    entry: string;
    values: Record<string, unknown>;
    event: string;
    step?: string;
    item: string;
    timer: string;
    minutes: number;
    wait_min: number;
    reason: string;
    piece?: number;
};
type Timer = Run['timers'][number];

/** What a step and a timer belong to: the run itself or one of its pieces, as both are sent. */
interface Thread {
    timers: Timer[];
    confirmed: Record<string, Record<string, number>>;
}

/**
 * A run as this screen should show it now: what the server last said, with the entries that still wait here laid over
 * it. Gates are read by offline/gates.ts; an entry that the server refuses all the same comes back with the reason and
 * leaves this picture again.
 */
export function overlay(run: Run, waiting: QueuedEvent[]): Run {
    const mine = waiting.filter(
        (q) => q.run_id === run.summary.id && q.refused === null && !run.events.some((e) => e.key === q.key),
    );
    if (mine.length === 0) return run;
    const next = JSON.parse(JSON.stringify(run)) as Run;
    for (const { event, by } of mine) {
        next.events.push({
            key: event.key,
            seq: 0,
            type: event.type,
            at: event.at,
            recorded_at: 0,
            source: event.source ?? 'tap',
            by,
            data: event.data,
        });
        lay(next, event.type, event.key, event.at, by, event.data as unknown as Data);
    }
    return next;
}

function lay(run: Run, type: string, key: string, at: number, by: string, data: Data): void {
    const piece = data.piece ?? null;
    const thread = threadIn(run, piece);
    switch (type) {
        case 'logged':
            run.entries.push({
                key,
                entry: data.entry,
                at,
                by,
                values: data.values,
                step: data.step ?? stepOf(run, piece),
                corrected: 0,
                piece,
            });
            delay(run, thread, data.entry);
            sendBack(run, piece, data.entry, at);
            break;
        case 'corrected': {
            const entry = run.entries.find((e) => e.key === data.event);
            if (entry)
                Object.assign(entry, {
                    values: { ...entry.values, ...data.values },
                    corrected: entry.corrected + 1,
                });
            break;
        }
        case 'confirmed':
            if (thread) (thread.confirmed[data.step ?? ''] ??= {})[data.item] = at;
            break;
        case 'step_done':
            finishStep(run, piece, data.step ?? '', at, by);
            break;
        case 'extended': {
            const timer = thread?.timers.find((t) => t.id === data.timer);
            if (timer)
                Object.assign(timer, {
                    ends_at: timer.ends_at + 60 * data.minutes,
                    minutes: timer.minutes + data.minutes,
                });
            break;
        }
        case 'piece_begun':
            beginPiece(run, at);
            break;
        case 'piece_dropped':
            dropPiece(run, piece, at);
            break;
        case 'closing':
            close(run, at);
            break;
        case 'interrupted':
            run.breaks = [
                ...((run.breaks as Run['breaks'] | undefined) ?? []),
                { from: at, to: null, reason: data.reason, by },
            ];
            break;
        case 'resumed':
            resume(run, at, data.wait_min);
            break;
        case 'aborted':
            run.summary.status = 'aborted';
            break;
    }
}

const firstOf = (run: Run, of: 'piece' | 'closing') =>
    procedureOf(run).steps.find((s) => phase(s) === of) ?? null;
const pieceOf = (run: Run, piece: number | null) => run.pieces.find((p) => p.piece === piece) ?? null;
const stepOf = (run: Run, piece: number | null) =>
    piece === null ? run.summary.step : (pieceOf(run, piece)?.step ?? null);

function threadIn(run: Run, piece: number | null): Thread | null {
    return (piece === null ? run : pieceOf(run, piece)) as Thread | null;
}

/** A look takes a sheet out of the heat: the timer that runs is over later. */
function delay(run: Run, thread: Thread | null, entry: string): void {
    const delays = procedureOf(run).entries.find((e) => e.id === entry)?.delays;
    const timer = thread?.timers.find((t) => t.id === delays?.timer && t.answered_at === null);
    if (!delays || !timer) return;
    const minutes = Number(run.plan[delays.minutes] ?? 0);
    Object.assign(timer, { ends_at: timer.ends_at + 60 * minutes, minutes: timer.minutes + minutes });
}

/** A piece is at a step again that it has been through (core/src/Run/RunMachine.php). */
function sendBack(run: Run, piece: number | null, entry: string, at: number): void {
    const procedure = procedureOf(run);
    const again = procedure.entries.find((e) => e.id === entry)?.again;
    const of = pieceOf(run, piece);
    const from = procedure.steps.findIndex((s) => s.id === again?.to);
    const to = procedure.steps[from];
    if (!again || !of || !to) return;
    const anew = procedure.steps.slice(from).filter((s) => phase(s) === phase(to));
    const ids = anew.map((s) => s.id);
    of.done = of.done.filter((id) => !ids.includes(id));
    of.confirmed = Object.fromEntries(Object.entries(of.confirmed).filter(([id]) => !ids.includes(id)));
    of.timers = of.timers.filter((t) => !anew.some((s) => s.timer === t.id));
    Object.assign(of, { step: to.id, step_since: at });
    start(run, of.timers, to.timer, at, again.minutes);
}

function finishStep(run: Run, piece: number | null, id: string, at: number, by: string): void {
    const procedure = procedureOf(run);
    const step = procedure.steps.find((s) => s.id === id);
    const thread = threadIn(run, piece);
    if (!step || !thread || stepOf(run, piece) !== id) return;
    const restart = run.timers.find((t) => t.id === RESTART);
    // One that was gone on from anyway leaves the wait to those after it.
    if (step.needs_heat && restart && at >= restart.ends_at) restart.answered_at ??= at;
    answer(run, thread, step, at);
    const next = after(procedure, step);
    const of = pieceOf(run, piece);
    if (of) {
        of.done.push(id);
        Object.assign(of, { step: next?.id ?? null, step_since: at, outcome: next ? 'open' : 'done' });
        return;
    }
    const row = run.steps.find((s) => s.id === id);
    if (row) Object.assign(row, { status: 'done', done_at: at, done_by: by, missing: [] });
    moveTo(run, next, at);
    if (!next && (run.closing || firstOf(run, 'piece') === null)) run.summary.status = 'finished';
}

/** A clock of heat stood still meanwhile; one of cooling went on (core/src/Run/RunMachine.php). */
function resume(run: Run, at: number, wait: number): void {
    const last = breakOf(run);
    if (!last) return;
    last.to = at;
    const off = at - last.from;
    for (const { timers } of [run, ...run.pieces])
        for (const timer of timers)
            if (timer.kind === 'heat' && timer.answered_at === null)
                Object.assign(timer, { ends_at: timer.ends_at + off, minutes: timer.minutes + off / 60 });
    run.timers = run.timers.filter((t) => t.id !== RESTART);
    run.timers.push({
        id: RESTART,
        title: 'Hot through again',
        kind: 'wait',
        started_at: at,
        ends_at: at + 60 * wait,
        minutes: wait,
        answered_at: wait > 0 ? null : at,
    });
}

/** The step's own timer is answered, and the one that its end starts begins. */
function answer(run: Run, thread: Thread, step: ProcedureStep, at: number): void {
    const own = thread.timers.find((t) => t.id === step.timer);
    if (own) own.answered_at = at;
    start(run, thread.timers, step.starts, at);
}

/** A timer begins; by its own minutes of the plan, or by others that are named. */
function start(run: Run, timers: Run['timers'], id: string | undefined, at: number, by?: string): void {
    const timer = procedureOf(run).timers.find((t) => t.id === id);
    if (!timer) return;
    const minutes = Number(run.plan[by ?? timer.minutes] ?? 0);
    timers.push({
        id: timer.id,
        title: timer.title,
        kind: timer.kind,
        started_at: at,
        ends_at: at + 60 * minutes,
        minutes,
        answered_at: null,
    });
}

function moveTo(run: Run, step: ProcedureStep | null, at: number): void {
    run.summary.step = step?.id ?? null;
    run.step_since = at;
    const row = run.steps.find((s) => s.id === step?.id);
    if (row) row.status = 'current';
}

function beginPiece(run: Run, at: number): void {
    run.pieces.push({
        piece: run.pieces.length + 1,
        outcome: 'open',
        step: firstOf(run, 'piece')?.id ?? null,
        step_since: at,
        done: [],
        timers: [],
        confirmed: {},
        missing: [],
        flags: [],
        clocked: {},
    });
}

function dropPiece(run: Run, piece: number | null, at: number): void {
    const of = pieceOf(run, piece);
    if (!of) return;
    Object.assign(of, { outcome: 'dropped', step: null, step_since: at });
    for (const timer of of.timers) timer.answered_at ??= at;
}

function close(run: Run, at: number): void {
    run.closing = true;
    const first = firstOf(run, 'closing');
    moveTo(run, first, at);
    if (!first) run.summary.status = 'finished';
}
