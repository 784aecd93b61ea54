import type { Procedure, ProcedureEntry, ProcedureGate, ProcedureStep, Run } from '../api/types';

/**
 * What a step still lacks, by the gates in the procedure's data: the one rule of a run that a screen evaluates itself,
 * so that it refuses without the server what the server would refuse. core/src/Run/Gate.php and RunMachine say the same
 * in PHP; core/tests/conformance/runs.json holds the two to each other, word for word.
 */
export interface ThreadState {
    piece: number | null;
    step: string | null;
    since: number;
    timers: Run['timers'];
    confirmed: Record<string, Record<string, number>>;
}

export function threadOf(run: Run, piece: number | null): ThreadState | null {
    const found = piece === null ? null : run.pieces.find((p) => p.piece === piece);
    if (found === undefined) return null;
    const of = found ?? {
        step: run.summary.step,
        step_since: run.step_since,
        timers: run.timers,
        confirmed: run.confirmed,
    };
    return {
        piece,
        step: of.step,
        since: of.step_since,
        timers: of.timers,
        confirmed: of.confirmed as ThreadState['confirmed'],
    };
}

/** What is missing before the thread's step may be called done at a moment, s since 1970. */
export function missing(run: Run, at: number, piece: number | null = null): string[] {
    const procedure = procedureOf(run);
    const thread = threadOf(run, piece);
    const step = procedure.steps.find((s) => s.id === thread?.step);
    if (!thread || !step) return [];
    const lacks = [
        step.needs_heat ? lacksHeat(run, at) : null,
        ...(step.gate ?? []).map((gate) => lacking(run, thread, step, gate, at)),
    ];
    const next = after(procedure, step);
    if (next && next.place !== step.place) lacks.push(taken(run, procedure, next.place, piece));
    return lacks.filter((lack) => lack !== null);
}

/** What a step asks for: what the plan has a number for, and what may be said once more of its piece. */
export function entriesOf(run: Run, step: ProcedureStep, piece: number | null): ProcedureEntry[] {
    const said = (id: string) =>
        run.entries.filter((e) => e.entry === id && (e.piece ?? null) === piece).length;
    const planned = (name: string | undefined) => run.plan[name ?? ''] ?? null;
    return (step.entries ?? [])
        .map((id) => procedureOf(run).entries.find((entry) => entry.id === id))
        .filter((entry) => entry !== undefined)
        .filter((entry) => entry.where_planned === undefined || planned(entry.where_planned) !== null)
        .filter((entry) => !entry.again || said(entry.id) < Number(planned(entry.again.most) ?? Infinity));
}

/** the timer of an interruption: until what is in the machine is as it was */
export const RESTART = 'restart';

/** What interrupts it now; a run that an older screen kept knows of none. */
export const breakOf = (run: Run) =>
    (run.breaks as Run['breaks'] | undefined)?.find((b) => b.to === null) ?? null;

export function lacksHeat(run: Run, at: number): string | null {
    if (breakOf(run)) return 'it is interrupted: say when it goes on';
    const restart = run.timers.find((t) => t.id === RESTART && t.answered_at === null);
    return restart ? toGo(restart.ends_at - at, 'hot through again') : null;
}

/** The step after one, of the same phase. */
export function after(procedure: Procedure, step: ProcedureStep): ProcedureStep | null {
    const of = procedure.steps.filter((s) => phase(s) === phase(step));
    return of[of.findIndex((s) => s.id === step.id) + 1] ?? null;
}

export const phase = (step: ProcedureStep) => step.phase ?? 'setup';

export function lacking(
    run: Run,
    thread: ThreadState,
    step: ProcedureStep,
    gate: ProcedureGate,
    at: number,
): string | null {
    if (gate.where_planned !== undefined && (run.plan[gate.where_planned] ?? null) === null) return null;
    const says = gate.says ?? '';
    if (gate.timer !== undefined)
        return lacksTime(thread.timers.find((t) => t.id === gate.timer)?.ends_at, says, at);
    if (gate.confirmed?.length) return lacksConfirmation(thread, step, gate.confirmed);
    if (gate.room !== undefined) return toGo(roomOpens(run, gate, thread.piece) - at, says);
    return gate.entry === undefined
        ? null
        : lacksEntry(latest(run, gate.entry, step.id, thread.piece), gate, run.plan);
}

function lacksTime(endsAt: number | undefined, says: string, at: number): string | null {
    if (endsAt === undefined) return says;
    return toGo(endsAt - at, says);
}

function toGo(left: number, says: string): string | null {
    if (left <= 0.5) return null;
    const seconds = Math.ceil(left);
    return `${says}: ${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, '0')} to go`;
}

function lacksConfirmation(thread: ThreadState, step: ProcedureStep, wanted: string[]): string | null {
    const open = (step.confirm ?? []).filter(
        (item) => wanted.includes(item.id) && thread.confirmed[step.id]?.[item.id] === undefined,
    );
    return open.length === 0
        ? null
        : `confirm: ${open.map((item) => item.text.charAt(0).toLowerCase() + item.text.slice(1)).join(', ')}`;
}

function lacksEntry(
    values: Record<string, unknown> | null,
    gate: ProcedureGate,
    plan: Run['plan'],
): string | null {
    if (!values) return `log ${gate.says ?? ''}`;
    const wanted = (name: string | undefined) => Number(plan[name ?? ''] ?? 0);
    const chosen = Object.entries(gate.is ?? {}).every(([field, choice]) => values[field] === choice);
    const holds = (gate.fields ?? []).every((field) => {
        const value = Number(values[field] ?? 0);
        return (
            (gate.at_least === undefined || value >= wanted(gate.at_least)) &&
            (gate.at_most === undefined || value <= wanted(gate.at_most)) &&
            (gate.near === undefined || Math.abs(value - wanted(gate.near)) <= wanted(gate.tolerance) + 1e-9)
        );
    });
    return chosen && holds ? null : (gate.says ?? '');
}

/** The newest standing entry of a kind as logged in this step of this thread: another step's or piece's is no evidence. */
function latest(run: Run, entry: string, step: string, piece: number | null): Record<string, unknown> | null {
    const found = run.entries
        .filter((e) => e.entry === entry && e.step === step && (e.piece ?? null) === piece)
        .at(-1);
    return found ? (found.values as Record<string, unknown>) : null;
}

/** When a gate that waits for room opens, s since 1970; long ago where there is room now and will be. */
export function roomOpens(run: Run, gate: ProcedureGate, piece: number | null): number {
    const free = freeAt(run, gate.room ?? '', piece);
    return free === null ? -Infinity : free - 60 * Number(run.plan[gate.within ?? ''] ?? 0);
}

export const procedureOf = (run: Run) => run.procedure as unknown as Procedure;

/** Minutes that a step takes by the plan (core/src/Run/Procedure.php, minutes). */
export function minutesOf(run: Run, step: ProcedureStep): number {
    const timer = procedureOf(run).timers.find((t) => t.id === step.timer);
    const planned = run.plan[(step.timer ? timer?.minutes : step.plan_min) ?? ''];
    if (typeof planned === 'number') return Math.max(0, planned);
    return step.timer ? 0 : (step.typical_min ?? 1);
}

/** The moment from which a place has room for one more (core/src/Run/Room.php); null where it has room now and keeps it. */
function freeAt(run: Run, place: string, except: number | null): number | null {
    const procedure = procedureOf(run);
    const holds = holdsOf(run, procedure, place);
    if (holds === null) return null;
    const leave = run.pieces
        .filter((p) => p.piece !== except)
        .map((p) => leavesAt(run, procedure, p, place))
        .filter((at) => at !== null)
        .sort((a, b) => b - a);
    return leave[holds - 1] ?? null;
}

function leavesAt(
    run: Run,
    procedure: Procedure,
    piece: Run['pieces'][number],
    place: string,
): number | null {
    if (piece.outcome !== 'open' || piece.timers.length === 0) return null;
    const steps = procedure.steps.filter((s) => phase(s) === 'piece');
    let clock = piece.step_since;
    let leaves: number | null = null;
    for (const step of steps.slice(steps.findIndex((s) => s.id === piece.step))) {
        clock = piece.timers.find((t) => t.id === step.timer)?.ends_at ?? clock + 60 * minutesOf(run, step);
        if (step.place === place) leaves = clock;
    }
    return leaves;
}

/** How many a number of the plan says (core/src/Run/Room.php); null where it says none. */
const whole = (count: unknown): number | null =>
    typeof count === 'number' ? Math.max(1, Math.round(count)) : null;

function holdsOf(run: Run, procedure: Procedure, place: string): number | null {
    const holds = procedure.places[place]?.holds;
    return typeof holds === 'string' ? whole(run.plan[holds]) : (holds ?? null);
}

/** Who holds a place that takes no more, or what carries a piece there and is all out; null when there is room. */
export function taken(run: Run, procedure: Procedure, place: string, except: number | null): string | null {
    const name = procedure.piece?.title ?? 'piece';
    const at = (places: string[]) =>
        run.pieces
            .filter((p) => p.piece !== except && p.outcome === 'open')
            .filter((p) => places.includes(procedure.steps.find((s) => s.id === p.step)?.place ?? ''))
            .map((p) => p.piece);
    const holds = holdsOf(run, procedure, place);
    const there = at([place]);
    if (holds !== null && there.length >= holds)
        return `the ${procedure.places[place]?.title ?? place} still holds ${name} ${there.join(' and ')}`;
    const carrier = procedure.piece?.carrier;
    const count = carrier ? whole(run.plan[carrier.plan]) : null;
    if (!carrier || count === null || !carrier.places.includes(place)) return null;
    const out = at(carrier.places);
    const still = out.length === 1 ? 'is still in it' : 'are still in them';
    return out.length < count ? null : `no ${carrier.title} is free: ${name} ${out.join(' and ')} ${still}`;
}
