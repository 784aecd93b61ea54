import { describe, expect, it } from 'vitest';
import type { ProcedureStep, Run } from '../api/types';
import { entriesOf } from './gates';

const step = { id: 'cool', entries: ['vent', 'again', 'cue'] } as ProcedureStep;
const run = (plan: object, again: (number | null)[] = []) =>
    ({
        plan,
        entries: again.map((piece) => ({ entry: 'again', piece, values: {} })),
        procedure: {
            entries: [
                { id: 'cue', title: 'Saw something' },
                { id: 'again', title: 'Form it again', again: { to: 'heat', most: 'again_most' } },
                { id: 'vent', title: 'Vent', where_planned: 'vent_pulls_bar' },
            ],
        },
    }) as unknown as Run;
const asked = (of: Run, piece: number | null = 1) => entriesOf(of, step, piece).map((e) => e.id);

describe('what a step asks for', () => {
    it('is in the order of the step, and only what there is', () => {
        expect(asked(run({ vent_pulls_bar: 0.7, again_most: 2 }))).toEqual(['vent', 'again', 'cue']);
        expect(entriesOf(run({}), { id: 'x', entries: ['gone'] } as ProcedureStep, 1)).toEqual([]);
        expect(entriesOf(run({}), { id: 'x' } as ProcedureStep, 1)).toEqual([]);
    });
    it('leaves out what the plan has no number for', () => {
        expect(asked(run({ vent_pulls_bar: null, again_most: 2 }))).toEqual(['again', 'cue']);
        expect(asked(run({ again_most: 2 }))).toEqual(['again', 'cue']);
        expect(asked(run({ vent_pulls_bar: 0, again_most: 2 }))).toContain('vent');
    });
    it('leaves out what may not be said once more of this piece', () => {
        expect(asked(run({ again_most: 0 }))).not.toContain('again');
        expect(asked(run({ again_most: 2 }, [1, 2]))).toContain('again');
        expect(asked(run({ again_most: 2 }, [1, 1]))).not.toContain('again');
        expect(asked(run({ again_most: 2 }, [1, 1]), 2)).toContain('again');
        // Without a number as often as one likes.
        expect(asked(run({}, [1, 1, 1, 1]))).toContain('again');
    });
});
