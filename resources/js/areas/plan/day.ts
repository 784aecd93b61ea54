import type { DayJob } from '../../api/types';
import { minutesText, timeOfDay } from '../../parts/units';
import { endOfShift } from '../floor/shift';

/** hours of the clock at which a day's work may begin, the last that is over counts */
const BEGINS = [0, 6, 8];
/** what the lanes show: so much of what was, and in all, h */
const BEFORE_H = 2;
const SHOWN_H = 10;
const STEP_S = 300;

/** The day's work, s since 1970 UTC, by the clock on this wall: all screens of a shop ask for the same. */
export function workDay(now: number): { from: number; until: number } {
    const midnight = new Date(now * 1000);
    midnight.setHours(0, 0, 0, 0);
    const hour = (now - midnight.getTime() / 1000) / 3600;
    const begins = BEGINS.filter((h) => h <= hour).at(-1) ?? 0;
    return { from: midnight.getTime() / 1000 + begins * 3600, until: endOfShift(now) };
}

/** What the lanes show of it. */
export function windowOf(now: number, from: number): { from: number; to: number } {
    const begins = Math.max(from, Math.floor((now - BEFORE_H * 3600) / 1800) * 1800);
    return { from: begins, to: begins + SHOWN_H * 3600 };
}

/** Where a moment stands in a window, as a share. */
export const placeIn = (span: { from: number; to: number }, at: number): number =>
    (at - span.from) / (span.to - span.from);

/** A bar as far as it is in the window, in percent of its width; null where it is outside. */
export function barIn(
    span: { from: number; to: number },
    bar: { from: number; to: number },
): { left: number; width: number } | null {
    const [a, b] = [Math.max(0, placeIn(span, bar.from)), Math.min(1, placeIn(span, bar.to))];
    return b <= a ? null : { left: 100 * a, width: 100 * (b - a) };
}

/** To where a job is pinned that was dragged by a share of the window: on five minutes, and never into what is over. */
export function draggedTo(
    span: { from: number; to: number },
    start: number,
    share: number,
    now: number,
): number {
    const at = start + share * (span.to - span.from);
    return Math.max(Math.ceil(now / STEP_S), Math.round(at / STEP_S)) * STEP_S;
}

/** "14:30", "14.30", "1430" or "14" on the day of a moment, s since 1970 UTC; null where it is no time of day. */
export function clockOn(day: number, text: string): number | null {
    const found = /^(\d{1,2})(?:[:.]?(\d{2}))?$/.exec(text.trim());
    if (!found) return null;
    const [hours, minutes] = [Number(found[1]), Number(found[2] ?? 0)];
    if (hours > 24 || minutes > 59) return null;
    const at = new Date(day * 1000);
    at.setHours(hours, minutes, 0, 0);
    return at.getTime() / 1000;
}

/**
 * Two times of day as a span, s since 1970 UTC: an end that would lie before its begin is of the next day, as far as
 * the day of a shop goes on until then. null backwards.
 */
export function spanOn(
    day: number,
    until: number,
    begin: string,
    end: string,
): readonly [number, number] | null {
    const [from, to] = [clockOn(day, begin), clockOn(day, end)];
    if (from === null || to === null) return null;
    if (to > from) return [from, to];
    const next = clockOn(day + 86_400, end)!;
    return next <= until ? [from, next] : null;
}

/** How late, or how well in time, a job is for who waits. */
export function dueWords(job: Pick<DayJob, 'due' | 'ends' | 'late_min'>): string {
    if (job.due === null) return '';
    if (job.ends === null) return 'not in the plan';
    if (job.late_min >= 1) return `${minutesText(job.late_min)} too late`;
    return `${minutesText((job.due - job.ends) / 60)} to spare`;
}

/** What holds a job up: the planner counts the minutes of its day, a person reads the clock. */
export const holdWords = (holds: string[], from: number): string =>
    holds
        .map((h) =>
            h.replace(/\bminute (\d+(?:\.\d+)?)/g, (_, m: string) => timeOfDay(from + 60 * Number(m))),
        )
        .join('; ');
