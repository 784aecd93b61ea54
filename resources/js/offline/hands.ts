import type { Hand, Procedure, ProcedureEntry, ProcedureStep, Run } from '../api/types';
import { capital } from '../parts/text';
import {
    after,
    lacking,
    minutesOf,
    phase,
    procedureOf,
    RESTART,
    roomOpens,
    taken,
    threadOf,
    type ThreadState,
} from './gates';

/**
 * What waits where hands are late, and what a minute of it costs (core/src/Run/Wait.php);
 * core/tests/conformance/waits.json holds the two to each other.
 */
const WAITS = {
    heats: ['it goes on heating', 8],
    hot: ['what is hot waits', 4],
    looks: ['a look that was promised', 2],
    taken: ['its place stays taken', 2],
    bench: ['', 1],
} as const;
const LEAST_MIN = 0.25;
type Waits = Pick<Hand, 'presses' | 'waits' | 'minutes'>;
const presses = (what: keyof typeof WAITS, minutes: number): Waits => ({
    presses: Math.round((1000 * WAITS[what][1]) / Math.max(LEAST_MIN, minutes)) / 1000,
    waits: WAITS[what][0],
    minutes,
});
/** Of a step that hands are wanted for, after a timer of a kind that has run out, or none. */
export function waitsOf(kind: string | undefined, needsHeat: boolean, minutes: number): Waits {
    if (kind === 'heat') return presses('heats', minutes);
    if (needsHeat) return presses('hot', minutes);
    return presses(kind === 'cool' ? 'taken' : 'bench', minutes);
}
const waits = (run: Run, wanted: ProcedureStep, timer: string | null): Waits =>
    waitsOf(
        procedureOf(run).timers.find((t) => t.id === timer)?.kind,
        wanted.needs_heat === true,
        minutesOf(run, wanted),
    );

/** Of those that wait at once the one that presses most goes first, then what comes, soonest first (Hand.php, turn). */
export function inTurn<T extends Pick<Hand, 'at' | 'presses'>>(hands: T[], now: number): T[] {
    const soonest = [...hands].sort((a, b) => a.at - b.at);
    const due = soonest.filter((h) => h.at <= now);
    return [...due.sort((a, b) => b.presses - a.presses), ...soonest.slice(due.length)];
}

/** Names; a floor that was kept on this screen before has none. */
export const whoseOf = (hand: Pick<Hand, 'whose'>): string[] => (hand.whose as string[] | undefined) ?? [];

/** Theirs: what wants their hands, what wants anybody's, and what somebody else has left waiting. */
export function isFor(hand: Pick<Hand, 'whose' | 'everyones_at'>, name: string, now: number): boolean {
    const whose = whoseOf(hand);
    if (whose.length === 0 || whose.includes(name)) return true;
    return hand.everyones_at !== null && hand.everyones_at <= now;
}

/** Whose hands it wants is not known here: what waits unsent on this screen was logged on it. */
type Base = Pick<
    Hand,
    'to' | 'run_id' | 'run_number' | 'about' | 'machine' | 'by' | 'whose' | 'everyones_at'
>;

/** What a run needs next, as the server would say it (core/src/Run/Forecast.php); used only while entries wait here unsent. */
export function handsOf(run: Run): Hand[] {
    if (run.summary.status !== 'running') return [];
    const open = run.pieces.filter((p) => p.outcome === 'open').map((p) => p.piece);
    const threads = [...(run.summary.step === null ? [] : [null]), ...open]
        .map((piece) => threadOf(run, piece))
        .filter((t) => t !== null);
    return threads.flatMap((thread) => ofThread(run, thread)).sort((a, b) => a.at - b.at);
}

/** Whether as many are made or under way as were planned: more than that is a person's wish. */
export function asManyAsPlanned(run: Run): boolean {
    const wanted = run.plan.pieces;
    return typeof wanted === 'number' && run.pieces.filter((p) => p.outcome !== 'dropped').length >= wanted;
}

/** The piece that could be begun now (core/src/Run/Forecast.php, next); none where its place is taken. */
export function nextOf(run: Run): Hand[] {
    const procedure = procedureOf(run);
    const first = procedure.steps.find((s) => phase(s) === 'piece');
    if (!first || run.summary.status !== 'running' || run.summary.step !== null || run.closing) return [];
    if (taken(run, procedure, first.place, null) !== null || asManyAsPlanned(run)) return [];
    return [
        {
            ...whose(run, first),
            at: Math.max(
                run.step_since,
                run.timers.find((t) => t.id === RESTART)?.ends_at ?? 0,
                ...run.pieces.map((p) => p.step_since),
            ),
            what: first.title,
            why: first.why,
            step: first.id,
            entry: null,
            button: null,
            timer: null,
            people: Math.max(1, first.people),
            piece: run.pieces.length + 1,
            ...waits(run, first, null),
        },
    ];
}

/** What calls for hands: of a run that stands still what cools on, and that somebody says when it goes on (Forecast.php, calls). */
export function callsOf(run: Run): Hand[] {
    const hands = [...handsOf(run), ...nextOf(run)];
    // A run that was kept on this screen before has none.
    const last = (run.breaks as Run['breaks'] | undefined)?.at(-1);
    if (!last || last.to !== null || run.summary.status !== 'running') return hands;
    const procedure = procedureOf(run);
    const kind = (h: Hand) => procedure.timers.find((t) => t.id === h.timer)?.kind ?? 'heat';
    const still: Hand = {
        to: `/run/${run.summary.id}`,
        run_id: run.summary.id,
        run_number: run.summary.number,
        about: `${run.summary.product}, run ${run.summary.number}`,
        machine: hands[0]?.machine ?? placeName(run, Object.keys(procedure.places)[0]!),
        at: last.from,
        what: 'It stands still',
        why: last.reason,
        step: run.summary.step ?? '',
        entry: null,
        button: null,
        timer: null,
        people: 1,
        piece: null,
        by: null,
        whose: [],
        everyones_at: null,
        ...presses('hot', 1),
    };
    return [still, ...hands.filter((h) => kind(h) !== 'heat')];
}

function ofThread(run: Run, thread: ThreadState): Hand[] {
    const procedure = procedureOf(run);
    const step = procedure.steps.find((s) => s.id === thread.step);
    if (!step) return [];
    const piece = thread.piece;
    const base = { ...whose(run, step), step: step.id, piece };
    const since = thread.since;
    const timer = thread.timers.find((t) => t.id === step.timer) ?? null;
    const hands: Hand[] = [];
    for (const reminder of step.reminders ?? []) {
        const due = reminderDue(run, reminder, piece, timer, since);
        const entry = procedure.entries.find((e) => e.id === reminder.entry);
        // One touch says all of it, or none (core/src/Run/Entry.php).
        const button = entry && !entry.fields.some((f) => f.required) ? entry.title : null;
        if (due !== null)
            hands.push({
                ...base,
                at: due,
                what: reminder.what,
                why: reminder.why,
                entry: reminder.entry,
                button,
                timer: null,
                people: 1,
                ...presses('looks', 0),
            });
    }
    const next = after(procedure, step) ?? step;
    const plain = { ...base, entry: null, button: null };
    const opens = timer ? null : opensAt(run, thread, step);
    if (timer)
        hands.push({
            ...plain,
            at: timer.ends_at,
            what: next.title,
            why: next.why,
            timer: timer.id,
            people: Math.max(1, next.people),
            ...waits(run, next, timer.id),
        });
    else if (opens !== null)
        // All is done here: what wants hands is the next step, once there is room for it.
        hands.push({
            ...plain,
            ...whose(run, next),
            at: opens,
            what: next.title,
            why: next.why,
            timer: null,
            people: Math.max(1, next.people),
            ...waits(run, next, null),
        });
    else if (hands.length === 0)
        hands.push({
            ...plain,
            at: since,
            what: step.title,
            why: step.why,
            timer: null,
            people: Math.max(1, step.people),
            ...waits(run, step, null),
        });
    return hands;
}

/** When a step goes on that waits for nothing but room further on; null where it waits for none, or for more. */
function opensAt(run: Run, thread: ThreadState, step: ProcedureStep): number | null {
    const gates = step.gate ?? [];
    const rooms = gates.filter((g) => g.room !== undefined);
    if (gates.some((g) => g.room === undefined && lacking(run, thread, step, g, Infinity) !== null))
        return null;
    const opens = Math.max(...rooms.map((g) => roomOpens(run, g, thread.piece)));
    return opens > thread.since ? opens : null;
}

function whose(run: Run, step: ProcedureStep): Base {
    const { id, number, product } = run.summary;
    return {
        to: `/run/${id}`,
        run_id: id,
        run_number: number,
        about: `${product}, run ${number}`,
        machine: placeName(run, step.place),
        by: null,
        whose: [],
        everyones_at: null,
    };
}

/** Whether an entry says temperatures of a place where heat goes in (core/src/Run/Procedure.php). */
export const isOfHeat = (procedure: Procedure, entry: ProcedureEntry): boolean =>
    entry.effect !== 'draw_lot' &&
    entry.fields.some((f) => f.dimension === 'temperature') &&
    procedure.steps.some((s) => s.entries?.includes(entry.id) && procedure.places[s.place]?.heat === 'in');

/** The machine of a place, or what the place is called where no machine is. */
export function placeName(run: Run, place: string): string {
    const machine = run.summary.stations.find((s) => s.role === place)?.machine;
    const title = procedureOf(run).places[place]?.title ?? place;
    return machine ?? capital(title);
}

type Reminder = NonNullable<ProcedureStep['reminders']>[number];

function reminderDue(
    run: Run,
    reminder: Reminder,
    piece: number | null,
    timer: { started_at: number; ends_at: number } | null,
    began: number,
): number | null {
    const every = Number(run.plan[reminder.every_min] ?? 0) * 60;
    if (every <= 0) return null;
    const since = timer?.started_at ?? began;
    const logged = run.entries
        .filter((e) => e.entry === reminder.entry && e.at >= since && (e.piece ?? null) === piece)
        .map((e) => e.at);
    const due = Math.max(since, ...logged) + every;
    // A reminder that would fall due within half an interval of the timer's end is left to the end itself.
    return timer && due > timer.ends_at - every / 2 ? null : due;
}
