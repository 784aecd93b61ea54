import { describe, expect, it } from 'vitest';
import type { OwnChange, ProcedureStep } from '../../api/types';
import { placeOf, pruned, rowsOf, withChange } from './ownWay';

const step = (id: string, over: Partial<ProcedureStep> = {}): ProcedureStep =>
    ({
        id,
        stage: 'before',
        place: 'bench',
        people: 1,
        title: id,
        do: `do ${id}`,
        why: 'because',
        button: 'Done',
        typical_min: 3,
        pass_anyway: 'reason',
        ...over,
    }) as ProcedureStep;

describe('a change', () => {
    it.each<[string, OwnChange, OwnChange | null]>([
        [
            'all as shipped',
            { step: 'weigh', title: 'weigh', do: ' do weigh ', typical_min: 3, people: 1 },
            null,
        ],
        ['empty texts', { step: 'weigh', do: '  ', cautions: ['', ' '], checks: [] }, null],
        [
            'what is otherwise',
            {
                step: 'weigh',
                do: 'Weigh it twice.',
                typical_min: 4,
                people: 2,
                strict: true,
                checks: ['Pan dry '],
            },
            {
                step: 'weigh',
                do: 'Weigh it twice.',
                typical_min: 4,
                people: 2,
                strict: true,
                checks: ['Pan dry'],
            },
        ],
        ['not strict', { step: 'weigh', strict: false }, null],
    ])('says only what is not shipped: %s', (_, change, left) => {
        expect(pruned(change, step('weigh'))).toEqual(left);
    });

    it('does not make stricter what is strict already', () => {
        expect(pruned({ step: 'plates', strict: true }, step('plates', { pass_anyway: 'no' }))).toBeNull();
    });

    it('keeps a step of the own even while nothing is written yet', () => {
        expect(pruned({ after: 'weigh' }, undefined)).toEqual({ after: 'weigh' });
        expect(pruned({ after: 'weigh', title: 'Warm it', place: 'hot', hands: 'free' }, undefined)).toEqual({
            after: 'weigh',
            title: 'Warm it',
            place: 'hot',
        });
    });
});

describe('the list', () => {
    const changes: OwnChange[] = [
        { step: 'weigh', do: 'x' },
        { after: 'weigh', title: 'Own', do: 'y' },
    ];

    it('puts one in, in its place, and takes it out', () => {
        expect(withChange(changes, 0, { step: 'weigh', do: 'z' })[0]?.do).toBe('z');
        expect(withChange(changes, 0, null)).toEqual([changes[1]]);
        expect(withChange(changes, null, { after: 'plates' })).toHaveLength(3);
        expect(withChange(changes, null, null)).toEqual(changes);
        expect(changes).toHaveLength(2);
    });

    it('knows where it speaks of a shipped step, and of no own one', () => {
        expect(placeOf(changes, 'weigh')).toBe(0);
        expect(placeOf(changes, 'plates')).toBeNull();
        expect(placeOf([{ after: 'weigh' }], 'weigh')).toBeNull();
    });

    it('stands own steps after the one they follow, in the order they were written', () => {
        const rows = rowsOf(
            [step('plates'), step('weigh'), step('spread')],
            [...changes, { after: 'weigh', title: 'Second' }, { after: 'spread', title: 'Last' }],
        );
        expect(rows.map((r) => r.title)).toEqual(['plates', 'weigh', 'Own', 'Second', 'spread', 'Last']);
        expect(rows.map((r) => r.at)).toEqual([null, 0, 1, 2, null, 3]);
        expect(rows.map((r) => r.step === null)).toEqual([false, false, true, true, false, true]);
    });
});
