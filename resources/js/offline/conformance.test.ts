import { describe, expect, it } from 'vitest';
import pressed from '../../../core/tests/conformance/foot.json';
import written from '../../../core/tests/conformance/runs.json';
import waiting from '../../../core/tests/conformance/waits.json';
import type { Entry } from '../api/queue';
import type { QueuedEvent } from '../api/store';
import type { Procedure, Run } from '../api/types';
import { aboutOf, focusOf, footSays } from '../areas/run/focus';
import { missing } from './gates';
import { handsOf, inTurn, waitsOf } from './hands';
import { overlay } from './overlay';

interface Told {
    key: string;
    type: string;
    at: number;
    by: string;
    data: Record<string, unknown>;
}
interface Fold {
    at: number;
    status: string;
    step: string | null;
    step_since: number;
    done: string[];
    missing: string[];
    hands: [number, string, string | null, string | null][];
    timers: { id: string; started_at: number; ends_at: number; answered_at: number | null }[];
    entries: [string, string | null, number, Record<string, unknown>][];
    closing?: boolean;
    pieces?: {
        piece: number;
        outcome: string;
        step: string | null;
        done: string[];
        ends_at: Record<string, number>;
        missing: string[];
    }[];
}

/** A run as the server has it right after its start. */
function begun(procedure: Procedure, plan: Record<string, number>, started: Told): Run {
    const first = procedure.steps[0]!;
    return {
        summary: {
            id: 'a-run',
            status: 'running',
            step: first.id,
            machine: 'Anvil',
            stations: [
                { role: 'hot', title: 'hot press', machine: 'Anvil' },
                { role: 'cold', title: 'cold press', machine: 'Pond' },
            ],
            product: 'panel',
            number: 1,
        },
        plan,
        procedure,
        steps: procedure.steps.map((s) => ({
            id: s.id,
            stage: s.stage,
            title: s.title,
            status: s.id === first.id ? 'current' : 'todo',
            done_at: null,
            done_by: null,
            reason: null,
            missing: [],
        })),
        timers: [],
        breaks: [],
        confirmed: {},
        pieces: [],
        closing: false,
        entries: [],
        events: [],
        hands: [],
        step_since: started.at,
    } as unknown as Run;
}

const waits = (e: Told): QueuedEvent =>
    ({
        run_id: 'a-run',
        key: e.key,
        event: { key: e.key, type: e.type, at: e.at, data: e.data },
        by: e.by,
        refused: null,
    }) as unknown as QueuedEvent;

const inShort = ({ type, data }: Entry) =>
    [
        type,
        data.step ?? data.entry ?? '',
        (data.values as { verdict?: string })?.verdict ?? '',
        data.piece ?? '',
    ]
        .filter((part) => part !== '')
        .join(' ');

function folded(run: Run, at: number): Partial<Fold> {
    const fold: Partial<Fold> = {
        at,
        status: run.summary.status,
        step: run.summary.step,
        step_since: run.step_since,
        done: run.steps.filter((s) => s.status === 'done').map((s) => s.id),
        timers: run.timers.map((t) => ({
            id: t.id,
            started_at: t.started_at,
            ends_at: t.ends_at,
            answered_at: t.answered_at,
        })),
        entries: run.entries.map((e) => [e.key, e.step, e.corrected, e.values as Record<string, unknown>]),
        missing: missing(run, at),
    };
    if (run.pieces.length > 0 || (run.procedure as unknown as Procedure).piece) {
        fold.closing = run.closing;
        fold.pieces = run.pieces.map((p) => ({
            piece: p.piece,
            outcome: p.outcome,
            step: p.step,
            done: p.done,
            ends_at: Object.fromEntries(p.timers.map((t) => [t.id, t.ends_at])),
            missing: missing(run, at, p.piece),
        }));
    }
    return fold;
}

describe('a run on a screen that has no server adds up to what the server makes of it', () => {
    const procedures = written.procedures as unknown as Record<
        string,
        { plan: Record<string, number>; body: Procedure }
    >;
    for (const told of written.runs as unknown as {
        name: string;
        procedure: string;
        events: Told[];
        folds: Fold[];
    }[]) {
        it(told.name, () => {
            const { plan, body } = procedures[told.procedure]!;
            const heard = begun(body, plan, told.events[0]!);
            told.events.forEach((_, i) => {
                if (i === 0) return;
                const run = overlay(heard, told.events.slice(1, i + 1).map(waits));
                const wanted = told.folds[i]!;
                const got = folded(run, wanted.at);
                const { hands, ...state } = wanted;
                // An aborted or finished run keeps the step it ended at on the server; what counts here is that it is
                // over.
                expect({
                    ...got,
                    ...(wanted.status === 'running' ? {} : { step: null, missing: [] }),
                }).toEqual({
                    ...state,
                    timers: state.timers,
                    ...(wanted.status === 'running' ? {} : { step: null, missing: [] }),
                });
                if (wanted.status === 'running')
                    expect(
                        handsOf(run).map((h) => [Math.round(1000 * h.at) / 1000, h.what, h.entry, h.timer]),
                    ).toEqual(hands);
            });
        });
    }
});

describe('a foot switch says at this screen what it says without one', () => {
    const procedures = written.procedures as unknown as Record<
        string,
        { plan: Record<string, number>; body: Procedure }
    >;
    const told = written.runs as unknown as {
        name: string;
        procedure: string;
        events: Told[];
        folds: Fold[];
    }[];
    it.each(Object.entries(pressed as Record<string, string[][]>))('%s', (name, presses) => {
        const { procedure, events, folds } = told.find((r) => r.name === name)!;
        const { plan, body } = procedures[procedure]!;
        const heard = begun(body, plan, events[0]!);
        const says = folds.map((fold, i) => {
            const run = overlay(heard, events.slice(1, i + 1).map(waits));
            return [fold.at, fold.at + 7200].map((at) => {
                const focus = focusOf(run, null, at);
                const said = footSays(run, focus, at);
                return said === null ? '' : aboutOf(focus, said, 'signal').map(inShort).join('; ');
            });
        });
        expect(says).toEqual(presses);
        // It is no foot that never says anything.
        expect(presses.flat().filter((p) => p !== '').length).toBeGreaterThan(3);
    });
});

describe('gates', () => {
    const { plan, body } = (
        written.procedures as unknown as Record<string, { plan: Record<string, number>; body: Procedure }>
    ).compression!;
    const at = (step: string, over: Partial<Run> = {}): Run => {
        const run = begun(body, plan, { key: 's', type: 'started', at: 0, by: 'Ines', data: {} });
        run.summary.step = step;
        return Object.assign(run, over);
    };
    const weighed = (mass: unknown, step = 'weigh', piece: number | null = null) =>
        at('weigh', {
            entries: [
                {
                    key: 'a',
                    entry: 'weigh',
                    at: 1,
                    by: 'Ines',
                    values: { mass_g: mass },
                    step,
                    corrected: 0,
                    piece,
                },
            ],
        } as Partial<Run>);

    it('hold a weight to its tolerance without the server', () => {
        expect(missing(weighed(2100), 1)).toEqual(['the charge within tolerance']);
        expect(missing(weighed(2144), 1)).toEqual([]);
        expect(missing(weighed(2143.9), 1)).toEqual(['the charge within tolerance']);
        expect(missing(weighed(undefined), 1)).toEqual(['the charge within tolerance']);
    });

    it('take no evidence of another step or piece', () => {
        expect(missing(weighed(2166, 'preheat'), 1)).toEqual(['log the charge within tolerance']);
        expect(missing(weighed(2166, 'weigh', 1), 1)).toEqual(['log the charge within tolerance']);
    });

    it('count a timer down as the server does, and wait for one that was not started', () => {
        const timed = (ends: number) =>
            at('heat', {
                timers: [
                    {
                        id: 'heat',
                        ends_at: ends,
                        started_at: 0,
                        minutes: 1,
                        answered_at: null,
                        title: '',
                        kind: 'heat',
                    },
                ],
            } as Partial<Run>);
        expect(missing(timed(100), 99.6)).toEqual([]);
        expect(missing(timed(100), 99.4)).toEqual(['the heating time is over: 0:01 to go']);
        expect(missing(timed(700), 0)).toEqual(['the heating time is over: 11:40 to go']);
        expect(missing(at('heat'), 0)).toEqual(['the heating time is over']);
    });
});

describe('what waits for hands, and whose turn it is', () => {
    it.each(waiting.waits)('$says, after $timer, for $minutes min', (c) =>
        expect(waitsOf(c.timer ?? undefined, c.needs_heat, c.minutes)).toMatchObject({
            presses: c.presses,
            waits: c.says,
        }),
    );

    it.each(waiting.turns)('$turn', ({ now, hands, turn }) => {
        const given = hands.map(([id, at, presses]) => ({ id, at: Number(at), presses: Number(presses) }));
        for (const order of [given, [...given].reverse()])
            expect(inTurn(order, now).map((h) => h.id)).toEqual(turn);
    });
});
