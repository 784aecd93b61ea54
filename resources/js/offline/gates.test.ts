import { describe, expect, it } from 'vitest';
import type { Run } from '../api/types';
import { missing, taken } from './gates';

/** A run that is at its one step, whose one gate asks for a choice. */
function at(entries: { step?: string; piece?: number | null; values: Record<string, unknown> }[]): Run {
    const procedure = {
        places: {
            barrel: { title: 'injector', heat: 'in' },
            mould: { title: 'mould', heat: 'out', holds: 1 },
        },
        piece: { title: 'shot' },
        entries: [{ id: 'purge', title: 'Test shot', fields: [] }],
        timers: [],
        steps: [
            {
                id: 'test_shot',
                place: 'barrel',
                entries: ['purge'],
                gate: [{ entry: 'purge', is: { what: 'smooth' }, says: 'a melt that comes smooth' }],
            },
            { id: 'shoot', phase: 'piece', place: 'mould' },
        ],
    };
    return {
        summary: { status: 'running', step: 'test_shot' },
        procedure,
        plan: {},
        timers: [],
        confirmed: {},
        pieces: [],
        step_since: 0,
        entries: entries.map((e, i) => ({
            key: `e${i}`,
            entry: 'purge',
            step: e.step ?? 'test_shot',
            piece: e.piece ?? null,
            values: e.values,
        })),
    } as unknown as Run;
}

describe('a gate that asks how something looks', () => {
    it.each([
        ['nothing logged', [], 'log a melt that comes smooth'],
        ['lumps', [{ values: { what: 'lumps' } }], 'a melt that comes smooth'],
        [
            'smooth, then bubbles',
            [{ values: { what: 'smooth' } }, { values: { what: 'bubbles' } }],
            'a melt that comes smooth',
        ],
        [
            'smooth of another step',
            [{ step: 'empty', values: { what: 'smooth' } }],
            'log a melt that comes smooth',
        ],
        ['smooth of a piece', [{ piece: 1, values: { what: 'smooth' } }], 'log a melt that comes smooth'],
        ['another case', [{ values: { what: 'Smooth' } }], 'a melt that comes smooth'],
    ])('holds after %s', (_, entries, lacks) => expect(missing(at(entries), 10)).toEqual([lacks]));

    it('opens to the newest that will do', () =>
        expect(missing(at([{ values: { what: 'lumps' } }, { values: { what: 'smooth' } }]), 10)).toEqual([]));
});

describe('a place that holds so many', () => {
    const run = at([]);
    const procedure = run.procedure as never;
    it('takes as many as the plan says, and no more are under way than there is to carry them', () => {
        const bars = {
            piece: { title: 'bar', carrier: { title: 'mould', plan: 'moulds', places: ['nozzle', 'tank'] } },
            places: {
                nozzle: { title: 'mould at the nozzle', heat: 'none', holds: 1 },
                tank: { title: 'tank', heat: 'out', holds: 'tank_places' },
            },
            steps: [
                { id: 'fill', place: 'nozzle' },
                { id: 'cool', place: 'tank' },
                { id: 'look', place: 'bench' },
            ],
        } as never;
        const at = (plan: Record<string, unknown>, ...steps: string[]) => ({
            ...run,
            plan: plan as Run['plan'],
            pieces: steps.map((step, i) => ({ piece: i + 1, outcome: 'open', step })) as Run['pieces'],
        });
        const three = at({ moulds: 3, tank_places: 1 }, 'look', 'cool', 'fill');
        expect(taken(three, bars, 'tank', 3)).toBe('the tank still holds bar 2');
        expect(taken(at({ moulds: 3, tank_places: 2 }, 'look', 'cool', 'fill'), bars, 'tank', 3)).toBeNull();
        expect(taken(at({ moulds: 2 }, 'cool', 'cool'), bars, 'nozzle', null)).toBe(
            'no mould is free: bar 1 and 2 are still in them',
        );
        expect(taken(at({ moulds: 1 }, 'cool'), bars, 'nozzle', null)).toBe(
            'no mould is free: bar 1 is still in it',
        );
        expect(taken(at({ moulds: 2 }, 'look', 'cool'), bars, 'nozzle', null)).toBeNull();
        expect(taken(at({}, 'cool', 'cool', 'cool'), bars, 'nozzle', null)).toBeNull();
    });

    it('has room, is taken, and is not taken by the piece itself', () => {
        expect(taken(run, procedure, 'mould', null)).toBeNull();
        run.pieces.push({ piece: 1, outcome: 'open', step: 'shoot' } as never);
        expect(taken(run, procedure, 'mould', null)).toBe('the mould still holds shot 1');
        expect(taken(run, procedure, 'mould', 1)).toBeNull();
        expect(taken(run, procedure, 'barrel', null)).toBeNull();
    });
});
