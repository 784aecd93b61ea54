import { describe, expect, it } from 'vitest';
import type { Run } from './types';
import { newest, whole } from './whole';

const event = (seq: number) => ({ seq, key: `k${seq}` });
const known = {
    since: 0,
    setup: { curve: [1] },
    safety: { ok: true },
    procedure: { id: 'injection' },
    events: [1, 2, 3].map(event),
    entries: [
        { key: 'k2', values: { mass_g: 10 } },
        { key: 'k3', values: { mass_g: 20 } },
    ],
    pieces: [
        { piece: 1, outcome: 'done' },
        { piece: 2, outcome: 'open' },
    ],
} as unknown as Run;
const answer = (over: object) =>
    ({
        since: 3,
        setup: {},
        safety: {},
        procedure: {},
        events: [],
        entries: [],
        pieces: [],
        ...over,
    }) as unknown as Run;

describe('a run out of what is known and what is new', () => {
    it('takes a whole answer as it is', () => {
        const all = answer({ since: 0 });
        expect(whole(known, all)).toBe(all);
        expect(whole(undefined, all)).toBe(all);
    });

    it('lays new entries, a corrected one and changed pieces over what is known', () => {
        const run = whole(
            known,
            answer({
                events: [event(4), event(5)],
                entries: [
                    { key: 'k2', values: { mass_g: 12 } },
                    { key: 'k5', values: { mass_g: 30 } },
                ],
                pieces: [
                    { piece: 3, outcome: 'open' },
                    { piece: 2, outcome: 'done' },
                ],
            }),
        );
        expect(run?.events.map((e) => e.seq)).toEqual([1, 2, 3, 4, 5]);
        expect(run?.entries.map((e) => [e.key, e.values.mass_g])).toEqual([
            ['k2', 12],
            ['k3', 20],
            ['k5', 30],
        ]);
        expect(run?.pieces.map((p) => [p.piece, p.outcome])).toEqual([
            [1, 'done'],
            [2, 'done'],
            [3, 'open'],
        ]);
        expect([run?.setup, run?.procedure, run?.since]).toEqual([known.setup, known.procedure, 0]);
    });

    it('shows what the server shows once a step has ended otherwise than planned', () => {
        const followed = whole(known, answer({ setup: { curve: [1, 2] } }));
        expect(followed?.setup).toEqual({ curve: [1, 2] });
    });

    it('fits an answer that was asked for before another came, and makes no entry twice', () => {
        const later = whole(known, answer({ since: 2, events: [event(3), event(4)] }));
        expect(later?.events.map((e) => e.seq)).toEqual([1, 2, 3, 4]);
    });

    it('asks for the whole where something between is missing', () => {
        expect(whole(undefined, answer({}))).toBeNull();
        expect(whole(known, answer({ since: 5 }))).toBeNull();
        expect([newest(known), newest(undefined)]).toEqual([3, 0]);
    });
});
