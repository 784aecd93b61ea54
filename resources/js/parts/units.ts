import type { Dimension } from '../api/types';
import { session } from '../api/session';

/** Display only: the shop keeps mm, g, °C, bar and min; what people type is read in `units/quantity`. */
interface Shown {
    unit: string;
    from: (v: number) => number;
    digits: number;
}

const METRIC: Record<Dimension, Shown> = {
    length: { unit: 'mm', from: (v) => v, digits: 1 },
    mass: { unit: 'g', from: (v) => v, digits: 0 },
    temperature: { unit: '°C', from: (v) => v, digits: 0 },
    pressure: { unit: 'bar', from: (v) => v, digits: 0 },
    time: { unit: 'min', from: (v) => v, digits: 1 },
    number: { unit: '', from: (v) => v, digits: 0 },
};
const US: Record<Dimension, Shown> = {
    ...METRIC,
    length: { unit: 'in', from: (v) => v / 25.4, digits: 3 },
    mass: { unit: 'lb', from: (v) => v / 453.59237, digits: 2 },
    temperature: { unit: '°F', from: (v) => v * 1.8 + 32, digits: 0 },
    pressure: { unit: 'psi', from: (v) => v / 0.0689475729, digits: 0 },
};

export function shown(dimension: Dimension): Shown {
    return (session.preferences.units === 'us' ? US : METRIC)[dimension];
}

export function number(value: number, digits: number): string {
    return value
        .toLocaleString('en', {
            minimumFractionDigits: digits,
            maximumFractionDigits: digits,
            // Nothing is no less than nothing.
            signDisplay: 'negative',
        })
        .replaceAll(',', '\u202F')
        .replace('-', '−');
}

/** A value with its unit in this person's preference: "2 166 g", "365 °F". */
export function show(value: number | null | undefined, dimension: Dimension, digits?: number): string {
    if (value === null || value === undefined || !Number.isFinite(value)) return '–';
    const s = shown(dimension);
    if (dimension === 'mass' && s.unit === 'g' && value >= 10000) return `${number(value / 1000, 1)}\u00A0kg`;
    return `${number(s.from(value), digits ?? s.digits)}${s.unit ? '\u00A0' + s.unit : ''}`;
}

/** 754 → "12:34"; over an hour "1:02:05"; negative with a minus. */
export function clockText(seconds: number): string {
    const s = Math.ceil(Math.abs(seconds));
    const h = Math.floor(s / 3600);
    const m = Math.floor((s % 3600) / 60);
    const text =
        h > 0
            ? `${h}:${String(m).padStart(2, '0')}:${String(s % 60).padStart(2, '0')}`
            : `${m}:${String(s % 60).padStart(2, '0')}`;
    return seconds < -0.5 ? `−${text}` : text;
}

export function minutesText(minutes: number): string {
    const whole = Math.round(minutes);
    return whole >= 60
        ? `${Math.floor(whole / 60)} h ${whole % 60} min`
        : `${number(minutes, minutes < 10 ? 1 : 0)} min`;
}

export function timeOfDay(seconds: number): string {
    return new Date(seconds * 1000).toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' });
}

/** A time of day, with its day where that is another than today's. */
export const momentText = (at: number, now: number): string =>
    dayText(at) === dayText(now) ? timeOfDay(at) : `${dayText(at)} ${timeOfDay(at)}`;

export function dayText(seconds: number): string {
    return new Date(seconds * 1000).toLocaleDateString('en-GB', {
        weekday: 'short',
        day: 'numeric',
        month: 'short',
    });
}

/** With its year: for what ends or began long from today. */
export function dateText(seconds: number): string {
    return new Date(seconds * 1000).toLocaleDateString('en-GB', {
        day: 'numeric',
        month: 'short',
        year: 'numeric',
    });
}

/** The inverse, for the number pad: a bare number in this person's unit as the shop keeps it. */
export function toShop(value: number, dimension: Dimension): number {
    const s = shown(dimension);
    const zero = s.from(0);
    return (value - zero) / (s.from(1) - zero);
}
