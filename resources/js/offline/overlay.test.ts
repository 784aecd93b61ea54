import { describe, expect, it } from 'vitest';
import tea from '../../../core/tests/conformance/tea.json';
import type { QueuedEvent } from '../api/store';
import type { Procedure, Run } from '../api/types';
import { missing } from './gates';
import { handsOf } from './hands';
import { overlay } from './overlay';

const procedure = tea as unknown as Procedure;
const PLAN = { steep_min: 4, water_c: 95, leaf_g: 2, leaf_tolerance_g: 0.1, stir_every_min: 1 };

/** A run whose water boils already, as the server has it. */
function boiled(over: Partial<Run> = {}): Run {
    return {
        summary: {
            id: 'r',
            status: 'running',
            step: null,
            machine: 'Kettle',
            stations: [{ role: 'stove', title: 'stove', machine: 'Kettle' }],
            product: 'tea',
            number: 7,
        },
        plan: PLAN,
        procedure,
        steps: procedure.steps.map((s) => ({ id: s.id, status: s.id === 'boil' ? 'done' : 'todo' })),
        timers: [],
        confirmed: {},
        pieces: [],
        closing: false,
        entries: [],
        events: [],
        step_since: 100,
        ...over,
    } as unknown as Run;
}

let n = 0;
const waits = (
    type: string,
    at: number,
    data: Record<string, unknown>,
    over: Partial<QueuedEvent> = {},
): QueuedEvent => {
    const key = `k${n++}`;
    return {
        run_id: 'r',
        key,
        order: n,
        event: { key, type, at, data },
        by: 'Jun',
        refused: null,
        ...over,
    } as unknown as QueuedEvent;
};
const cup = (piece: number, at: number) => [
    waits('piece_begun', at, { piece }),
    waits('logged', at + 1, { piece, entry: 'leaf', values: { leaf_g: 2 } }),
    waits('step_done', at + 2, { piece, step: 'fill' }),
];

describe('what waits here is laid over what the server said', () => {
    it('leaves a run alone for which nothing waits', () => {
        const run = boiled();
        expect(overlay(run, [])).toBe(run);
        expect(overlay(run, [waits('noted', 1, { text: 'x' }, { run_id: 'another' })])).toBe(run);
    });

    it('lays nothing over that was refused, or that the server has already', () => {
        const run = boiled({ events: [{ key: 'known' }] } as unknown as Partial<Run>);
        const known = { ...waits('piece_begun', 5, { piece: 1 }), key: 'known' };
        expect(overlay(run, [known, waits('piece_begun', 6, { piece: 1 }, { refused: 'no' })])).toBe(run);
    });

    it('does not touch what it was given', () => {
        const run = boiled();
        const before = JSON.stringify(run);
        overlay(run, cup(1, 200));
        expect(JSON.stringify(run)).toBe(before);
    });

    it('lets two pieces go on clocks of their own', () => {
        const run = overlay(boiled(), [...cup(1, 200), ...cup(2, 260)]);
        expect(run.pieces.map((p) => [p.piece, p.step, p.timers[0]?.ends_at])).toEqual([
            [1, 'steep', 442],
            [2, 'steep', 502],
        ]);
        expect(missing(run, 441, 1)).toEqual(['the steeping is over: 0:01 to go']);
        expect(missing(run, 442, 1)).toEqual([]);
        expect(missing(run, 442, 2)).toEqual(['the steeping is over: 1:00 to go']);
        expect(handsOf(run).map((h) => [h.piece, h.what, h.at])).toEqual([
            [1, 'Stir', 262],
            [2, 'Stir', 322],
            [1, 'Serve', 442],
            [2, 'Serve', 502],
        ]);
    });

    it('offers by one touch only what one touch says', () => {
        const stir = (required: boolean) => {
            const fields = [{ id: 'shade', label: 'Shade', dimension: 'number', required }];
            const entries = [{ id: 'stirred', title: 'Stirred', fields }];
            const steps = procedure.steps.map((step) => ({
                ...step,
                reminders: step.reminders?.map((r) => ({ ...r, entry: 'stirred' })),
            }));
            const own = { ...procedure, steps, entries: [...procedure.entries, ...entries] } as Procedure;
            return handsOf(overlay(boiled({ procedure: own } as unknown as Partial<Run>), cup(1, 200))).find(
                (h) => h.what === 'Stir',
            );
        };
        expect(stir(false)).toMatchObject({ entry: 'stirred', button: 'Stirred', piece: 1 });
        expect(stir(true)).toMatchObject({ entry: 'stirred', button: null });
    });

    it('says which place takes no more', () => {
        const run = overlay(boiled(), [
            ...cup(1, 200),
            ...cup(2, 210),
            waits('piece_begun', 220, { piece: 3 }),
            waits('logged', 221, { piece: 3, entry: 'leaf', values: { leaf_g: 2 } }),
        ]);
        expect(missing(run, 230, 3)).toEqual(['the tray still holds cup 1 and 2']);
        const free = overlay(run, [waits('piece_dropped', 231, { piece: 1, reason: 'spilt' })]);
        expect(missing(free, 232, 3)).toEqual([]);
        expect(free.pieces[0]).toMatchObject({ outcome: 'dropped', step: null });
        expect(free.pieces[0]?.timers[0]?.answered_at).toBe(231);
    });

    it('finishes a piece with its last step, and the run with its last closing step', () => {
        const served = overlay(boiled(), [
            ...cup(1, 200),
            waits('step_done', 450, { piece: 1, step: 'steep' }),
            waits('step_done', 460, { piece: 1, step: 'serve' }),
        ]);
        expect(served.pieces[0]).toMatchObject({
            outcome: 'done',
            step: null,
            done: ['fill', 'steep', 'serve'],
        });
        expect(served.summary.status).toBe('running');
        const closing = overlay(served, [waits('closing', 470, {})]);
        expect(closing.summary.step).toBe('wash');
        expect(overlay(closing, [waits('step_done', 480, { step: 'wash' })]).summary.status).toBe('finished');
    });

    it('changes the time of one piece and not of the other', () => {
        const run = overlay(boiled(), [
            ...cup(1, 200),
            ...cup(2, 210),
            waits('extended', 220, { piece: 2, timer: 'steep', minutes: 2, reason: 'green' }),
        ]);
        expect(run.pieces.map((p) => p.timers[0]?.ends_at)).toEqual([442, 572]);
    });

    it('ignores a step that is not the current one, and a piece that is none', () => {
        const run = overlay(boiled(), [
            ...cup(1, 200),
            waits('step_done', 210, { piece: 1, step: 'serve' }),
            waits('step_done', 211, { piece: 9, step: 'fill' }),
            waits('confirmed', 212, { piece: 9, step: 'fill', item: 'x' }),
        ]);
        expect(run.pieces.map((p) => p.step)).toEqual(['steep']);
    });

    it('keeps a late number with the step that it belongs to', () => {
        const run = overlay(boiled(), [
            ...cup(1, 200),
            waits('step_done', 450, { piece: 1, step: 'steep' }),
            waits('logged', 455, { piece: 1, step: 'steep', entry: 'colour', values: { shade: 3 } }),
        ]);
        expect(run.entries.at(-1)).toMatchObject({ step: 'steep', piece: 1, entry: 'colour' });
    });

    it('stops', () => {
        const run = overlay(boiled(), [...cup(1, 200), waits('aborted', 210, { reason: 'no milk' })]);
        expect(run.summary.status).toBe('aborted');
        expect(handsOf(run)).toEqual([]);
    });
});
