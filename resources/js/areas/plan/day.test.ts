import { describe, expect, it } from 'vitest';
import { barIn, clockOn, draggedTo, dueWords, holdWords, spanOn, windowOf, workDay } from './day';

const local = (hours: number, minutes = 0) => new Date(2026, 10, 27, hours, minutes).getTime() / 1000;

describe('the day of a shop', () => {
    it.each([
        [3, 0],
        [7, 6],
        [8, 8],
        [15, 8],
        [23, 8],
    ])('at %i begins at %i', (at, begins) => {
        expect(workDay(local(at, 20)).from).toBe(local(begins));
    });
    it('ends with the shift', () => expect(workDay(local(10)).until).toBe(local(17)));
    it('is asked alike by two screens a minute apart', () => {
        expect(workDay(local(10, 1))).toEqual(workDay(local(10, 2)));
    });
    it('shows what was two hours ago, and nothing before it began', () => {
        expect(windowOf(local(14, 10), local(8)).from).toBe(local(12));
        expect(windowOf(local(9), local(8)).from).toBe(local(8));
        expect(windowOf(local(9), local(8)).to).toBe(local(18));
    });
});

describe('a bar', () => {
    const span = { from: 0, to: 100 };
    it.each([
        [
            { from: 10, to: 30 },
            { left: 10, width: 20 },
        ],
        [
            { from: -20, to: 30 },
            { left: 0, width: 30 },
        ],
        [
            { from: 75, to: 400 },
            { left: 75, width: 25 },
        ],
        [{ from: 100, to: 120 }, null],
        [{ from: -20, to: 0 }, null],
    ])('%o', (bar, seen) => expect(barIn(span, bar)).toEqual(seen));
    it('that is dragged lands on five minutes, and not in the past', () => {
        const day = { from: 0, to: 36_000 };
        expect(draggedTo(day, 7200, 0.1, 600)).toBe(10_800);
        expect(draggedTo(day, 7200, 0.1034, 600)).toBe(10_800);
        expect(draggedTo(day, 7200, -0.5, 601)).toBe(900);
    });
});

describe('a time of day', () => {
    it.each([
        ['14:30', local(14, 30)],
        ['8:05', local(8, 5)],
        [' 24:00 ', local(24)],
        ['14', local(14)],
        ['14.30', local(14, 30)],
        ['1430', local(14, 30)],
        ['830', local(8, 30)],
        ['14:3', null],
        ['2570', null],
        ['25:00', null],
        ['12:70', null],
        ['noon', null],
    ])('%s', (text, at) => expect(clockOn(local(9), text)).toBe(at));
});

describe('a span of a day', () => {
    it.each([
        ['8', '12:30', 17, [local(8), local(12, 30)]],
        // An evening's day goes on past midnight.
        ['19:45', '00:00', 24, [local(19, 45), local(24)]],
        ['20:03', '00:15', 24.25, [local(20, 3), local(24, 15)]],
        ['20:03', '00:20', 24.25, null],
        ['19:45', '24', 24, [local(19, 45), local(24)]],
        ['9', '8', 17, null],
        ['9', '9', 17, null],
        ['9', 'noon', 17, null],
        ['', '9', 17, null],
    ])('from %s to %s of a day until %s', (begin, end, until, span) =>
        expect(spanOn(local(9), local(0, 60 * until), begin, end)).toEqual(span),
    );
});

describe('who waits', () => {
    it.each([
        [{ due: null, ends: 100, late_min: 0 }, ''],
        [{ due: 1000, ends: null, late_min: 0 }, 'not in the plan'],
        [{ due: 1000, ends: 4000, late_min: 50 }, '50 min too late'],
        [{ due: 3600, ends: 0, late_min: 0 }, /to spare$/],
    ])('%o', (job, words) => expect(dueWords(job)).toMatch(words));
});

describe('what holds a job up', () => {
    it('is said by the clock on the wall', () =>
        expect(holdWords(['cannot begin at minute 525: nobody is in the shop', 'no mould'], local(8))).toBe(
            'cannot begin at 16:45: nobody is in the shop; no mould',
        ));
    it('keeps what has no time in it', () =>
        expect(holdWords(['15 minutes short'], local(8))).toBe('15 minutes short'));
});
