import { beforeEach, describe, expect, it } from 'vitest';
import injection from '../../../../core/src/Process/Injection/procedure.json';
import type { Procedure, Run } from '../../api/types';
import { callsOf, handsOf, isOfHeat, nextOf, placeName } from '../../offline/hands';
import { overlay } from '../../offline/overlay';
import { focusOf, judgedBy, missingOf, nextTaken, stepOf } from './focus';

const procedure = injection as unknown as Procedure;
const NOW = 10_000;

/** A run of shots that is ready to shoot, as the server has it. */
function ready(over: Record<string, unknown> = {}): Run {
    return {
        summary: {
            id: 'r',
            status: 'running',
            step: null,
            product: 'entrance reducer',
            number: 7,
            stations: [{ role: 'barrel', title: 'injector', machine: 'Heron' }],
        },
        plan: { cool_min: 0.5, soak_min: 30, barrel_ready_c: 215 },
        procedure,
        steps: [],
        timers: [],
        confirmed: {},
        pieces: [],
        closing: false,
        entries: [],
        events: [],
        step_since: NOW - 60,
        ...over,
    } as unknown as Run;
}

let n = 0;
let run: Run;
beforeEach(() => {
    run = ready();
});
/** One more entry that waits on this screen. */
function enter(type: string, data: Record<string, unknown>, at = NOW): void {
    const key = `k${n++}`;
    run = overlay(run, [
        {
            key,
            run_id: 'r',
            order: n,
            by: 'Jun',
            refused: null,
            event: { key, type, at, data, by_id: 1, sitting: null },
        } as never,
    ]);
}

describe('what the screen is about', () => {
    it('is the run itself until it is ready', () => {
        run = ready();
        run.summary.step = 'heat_up';
        expect(focusOf(run, null, NOW)).toEqual({ piece: null, next: false });
        expect(nextTaken(run)).toBe('the run is not ready yet');
        expect(stepOf(run, focusOf(run, null, NOW))?.id).toBe('heat_up');
    });

    it('is the next shot as soon as one can be taken, and its first step', () => {
        const focus = focusOf(run, null, NOW);
        expect(focus).toEqual({ piece: 1, next: true });
        expect(stepOf(run, focus)?.id).toBe('shoot');
        expect(missingOf(run, focus, NOW)).toEqual([]);
        expect(nextOf(run)[0]).toMatchObject({ piece: 1, what: 'Under the nozzle, shoot', machine: 'Mould' });
    });

    it('calls for nobody but who says that it goes on, while it stands still; what cools goes on', () => {
        expect(callsOf(run)).toEqual(nextOf(run));
        enter('piece_begun', { piece: 1 });
        enter('step_done', { step: 'shoot', piece: 1 });
        const cooling = handsOf(run);
        // As the server says it (core/src/Run/Wait.php): it stands in the mould that it could leave.
        expect(cooling[0]).toMatchObject({ timer: 'cool', waits: 'its place stays taken', presses: 2 / 0.5 });
        enter('interrupted', { reason: 'The power went' }, NOW + 5);
        expect(callsOf(run)).toMatchObject([
            { what: 'It stands still', why: 'The power went', at: NOW + 5, timer: null, to: '/run/r' },
            { timer: 'cool', at: cooling[0]!.at },
        ]);
        enter('resumed', { wait_min: 0 }, NOW + 10);
        expect(callsOf(run)).toEqual(handsOf(run));
    });

    it('is the shot in the mould while that is taken, and no next one', () => {
        enter('piece_begun', { piece: 1 });
        enter('step_done', { step: 'shoot', piece: 1 });
        expect(focusOf(run, null, NOW + 1)).toEqual({ piece: 1, next: false });
        expect(nextTaken(run)).toContain('still holds shot 1');
        expect(nextOf(run)).toEqual([]);
        expect(handsOf(run)).toHaveLength(1);
    });

    it('is a verdict in one touch once it is cold: opened, judged, done', () => {
        enter('piece_begun', { piece: 1 });
        enter('step_done', { step: 'shoot', piece: 1 });
        const focus = { piece: 1, next: false };
        expect(judgedBy(run, focus, NOW + 10)).toBeNull();
        const judged = judgedBy(run, focus, NOW + 31);
        expect(judged?.entry).toBe('disposition');
        expect(judged?.steps.map((s) => s.id)).toEqual(['cool', 'judge']);
        enter('step_done', { step: 'cool', piece: 1 }, NOW + 31);
        expect(judgedBy(run, focus, NOW + 31)?.steps.map((s) => s.id)).toEqual(['judge']);
        enter('logged', { entry: 'disposition', values: { verdict: 'good' }, piece: 1 }, NOW + 32);
        enter('step_done', { step: 'judge', piece: 1 }, NOW + 32);
        expect(run.pieces[0]?.outcome).toBe('done');
        expect(focusOf(run, null, NOW + 33)).toEqual({ piece: 2, next: true });
    });

    it('goes to what is due before it offers another, and stays where somebody has looked', () => {
        enter('piece_begun', { piece: 1 });
        enter('step_done', { step: 'shoot', piece: 1 });
        enter('step_done', { step: 'cool', piece: 1, reason: 'cold' }, NOW + 5);
        // The mould is free, but shot 1 lies there to be judged.
        expect(focusOf(run, null, NOW + 6)).toEqual({ piece: 1, next: false });
        expect(focusOf(run, { piece: 2, next: true }, NOW + 6)).toEqual({ piece: 2, next: true });
        expect(focusOf(run, { piece: 1, next: false }, NOW + 6)).toEqual({ piece: 1, next: false });
        // Somebody else has finished what was looked at.
        expect(focusOf(run, { piece: 9, next: false }, NOW + 6)).toEqual({ piece: 1, next: false });
    });

    it('offers nothing more once the run is being closed or has ended', () => {
        enter('closing', {});
        expect(nextTaken(run)).toBe('no piece follows');
        expect(focusOf(run, null, NOW)).toEqual({ piece: null, next: false });
        expect(nextOf(run)).toEqual([]);
        run.summary.status = 'aborted';
        expect(focusOf(run, { piece: 1, next: true }, NOW)).toEqual({ piece: null, next: false });
    });

    it('knows which temperatures are of what is heated: a touched mould is not', () => {
        const procedure = run.procedure as unknown as Procedure;
        expect(procedure.entries.filter((e) => isOfHeat(procedure, e)).map((e) => e.id)).toEqual([
            'zones',
            'zone',
        ]);
    });

    it('calls a place by its machine, or by its own name where there is none', () => {
        expect(placeName(run, 'barrel')).toBe('Heron');
        expect(placeName(run, 'bench')).toBe('Bench');
        expect(placeName(run, 'nowhere')).toBe('Nowhere');
    });
});
