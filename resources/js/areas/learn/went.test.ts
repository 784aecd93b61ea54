import { describe, expect, it } from 'vitest';
import series from '../../../../core/src/Process/Compression/series.json';
import type { Procedure, Run } from '../../api/types';
import { howItWent, nameOf, timedText } from './went';

/** figures keep their unit beside them */
const plain = (value: unknown) => JSON.parse(JSON.stringify(value).replace(/[\u00a0\u202f]/g, ' '));
const procedure = series as unknown as Procedure;
const ran = (id: string, minutes: number, done: number | null) => ({
    id,
    kind: id,
    started_at: 1000,
    ends_at: 1000 + 60 * minutes,
    minutes,
    answered_at: done === null ? null : 1000 + 60 * done,
});
const run = (over: object) =>
    ({
        procedure,
        plan: { heat_min: 12, cool_min: 8 },
        summary: {
            figures: [
                { id: 'platen_c', label: 'Platens', dimension: 'temperature', decimals: 0, measured: false },
                { id: 'mean_mm', label: 'Mean', dimension: 'length', decimals: 2, measured: true },
            ],
        },
        timers: [],
        pieces: [],
        checks: [],
        entries: [],
        events: [],
        ...over,
    }) as unknown as Run;

describe('how a run went beside its plan', () => {
    it('says what a piece was made under, before what was passed', () => {
        const [first, second] = howItWent(
            run({
                pieces: [
                    {
                        piece: 1,
                        outcome: 'done',
                        timers: [],
                        flags: ['made with zone 2: its sensor is dead'],
                    },
                    { piece: 2, outcome: 'done', timers: [], flags: [] },
                ],
                events: [{ type: 'step_done', data: { piece: 1, step: 'cool', reason: 'fan on it' } }],
            }),
        );
        expect(first!.anyway).toHaveLength(2);
        expect(first!.anyway[0]).toBe('made with zone 2: its sensor is dead');
        expect(second!.anyway).toEqual([]);
    });

    it('says what its taps measured where no check did', () => {
        const seat = {
            id: 'seat_s',
            label: 'Nozzle to full',
            dimension: 'seconds',
            decimals: 0,
            measured: true,
        };
        const [first, second] = howItWent(
            run({
                summary: { figures: [seat] },
                pieces: [
                    { piece: 1, outcome: 'done', timers: [], clocked: { seat_s: 7.4 } },
                    { piece: 2, outcome: 'open', timers: [], clocked: {} },
                ],
            }),
        );
        expect(plain(first!.measured)).toEqual({ seat_s: '7 s' });
        expect(second!.measured).toEqual({ seat_s: '' });
    });

    it('says of each piece what was timed, measured, judged and passed anyway', () => {
        const [first, second] = howItWent(
            run({
                pieces: [
                    { piece: 1, outcome: 'done', timers: [ran('heat', 12, 13), ran('cool', 8, 6)] },
                    { piece: 2, outcome: 'dropped', timers: [ran('heat', 12, null)] },
                ],
                checks: [
                    { piece: 1, figures: { mean_mm: 7.5 } },
                    { piece: 1, figures: { mean_mm: 8.04 } },
                ],
                entries: [
                    { entry: 'disposition', piece: 1, values: { verdict: 'scrap', reason: 'short corner' } },
                ],
                events: [
                    { type: 'step_done', data: { piece: 1, step: 'heat' } },
                    { type: 'step_done', data: { piece: 1, step: 'cool', reason: 'fan on it' } },
                    { type: 'piece_dropped', data: { piece: 2, reason: 'slipped' } },
                ],
            }),
        );
        expect(plain(first!.timed.map((t) => [t.title, t.short, timedText(t)]))).toEqual([
            ['Heating', false, '12 min, done 13 min'],
            ['Cooling', true, '8.0 min, done 6.0 min'],
        ]);
        expect(plain(first!.measured)).toEqual({ mean_mm: '8.04 mm' });
        expect([first!.verdict, first!.reason]).toEqual(['scrap', 'short corner']);
        expect(first!.anyway).toEqual(['Cool under pressure: fan on it']);
        expect(nameOf(procedure, first!)).toBe('Sheet 1');
        expect(second).toMatchObject({ verdict: 'taken out', reason: 'slipped', measured: { mean_mm: '' } });
        expect(plain(timedText(second!.timed[0]!))).toBe('12 min');
        expect(second!.anyway).toEqual([]);
    });

    it('says of a run that is one pass the same, and takes no piece’s for its own', () => {
        const went = howItWent(
            run({
                timers: [ran('heat', 12, 11.99)],
                checks: [{ piece: null, figures: { mean_mm: 8 } }],
                entries: [{ entry: 'disposition', piece: null, values: { verdict: 'good' } }],
                events: [{ type: 'step_done', data: { step: 'preheat', reason: 'gauge is broken' } }],
            }),
        );
        expect(went).toHaveLength(1);
        expect(plain(went[0])).toMatchObject({
            piece: null,
            verdict: 'good',
            measured: { mean_mm: '8.00 mm' },
        });
        // a touch half a second before its time is in time
        expect(went[0]!.timed[0]!.short).toBe(false);
        expect(went[0]!.anyway).toEqual(['Preheat, closed: gauge is broken']);
        expect(nameOf(procedure, went[0]!)).toBe('Sheet');
    });
});
