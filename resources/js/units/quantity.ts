import type { Dimension } from '../api/types';
import table from '../generated/units.json';

/**
 * Reads a quantity as people type it ("3/4 in", "8,5 kg", "365 F", "5 ft 3 in", "1:30"), at once and without the
 * server, so that Enter never sends what is only half read. The rule is the core's (Quantity::parse); its table of
 * units is generated, and core/tests/conformance/quantities.json holds the two to each other. `signed` lets a mass be
 * negative: a piece that floats pulls upward.
 */
export type Read = { value: number; problem: null } | { value: null; problem: string };

interface Row {
    unit: string;
    floor: number | null;
    units: Record<string, [number, number]>;
}

const ROWS = table as unknown as Record<Dimension, Row>;
const LONGEST = 60;
const NUMBER = String.raw`(?:\d+\s+\d+\/\d+|\d+\/\d+|\d[\d.,’]*|[.,]\d+)`;
const PART = new RegExp(String.raw`\s*(-?${NUMBER})\s*([a-z°%"']*)`, 'iuy');
const FRACTIONS: Record<string, string> = { '½': ' 1/2', '¼': ' 1/4', '¾': ' 3/4' };
const ONE_NUMBER: Dimension[] = ['temperature', 'pressure', 'number'];

const refuse = (problem: string): Read => ({ value: null, problem });

/** Spaces and signs as keyboards, spreadsheets and this application itself write them. */
function plain(text: string): string {
    // A narrow space groups thousands: what a screen shows is read back.
    return text
        .replace(/(?<=\d)\u202F(?=\d{3})/g, '')
        .replace(/[\u00A0\u202F]/g, ' ')
        .replaceAll('\u2212', '-')
        .replace(/[½¼¾]/g, (f) => FRACTIONS[f] ?? f)
        .trim();
}

export function parseQuantity(text: string, dimension: Dimension, bareUnit?: string, signed = false): Read {
    const row = signed ? { ...ROWS[dimension], floor: null } : ROWS[dimension];
    const typed = plain(text);
    if (typed === '') return refuse('is empty: type a number, with a unit if you like');
    if (new TextEncoder().encode(typed).length > LONGEST) return refuse('is too long for a number');
    const clock = dimension === 'time' ? /^(\d{1,3}):([0-5]\d)$/.exec(typed) : null;
    if (clock) return { value: 60 * Number(clock[1]) + Number(clock[2]), problem: null };
    const parts = split(typed);
    if (parts === null)
        return refuse(
            `“${text.trim()}” is not a ${dimension}: write a number and a unit such as ${row.unit || '%'}`,
        );
    if (parts.length > 1 && ONE_NUMBER.includes(dimension))
        return refuse(`“${text.trim()}” holds more than one number`);
    return sum(parts, row, (bareUnit || row.unit).toLowerCase(), text.trim(), dimension);
}

function split(typed: string): [string, string][] | null {
    const parts: [string, string][] = [];
    PART.lastIndex = 0;
    while (PART.lastIndex < typed.length) {
        const from = PART.lastIndex;
        const found = PART.exec(typed);
        if (!found || PART.lastIndex === from) return null;
        parts.push([found[1]!, found[2]!.toLowerCase()]);
    }
    return parts;
}

function sum(parts: [string, string][], row: Row, bare: string, text: string, dimension: Dimension): Read {
    let total = 0;
    let before = Infinity;
    for (const [digits, written] of parts) {
        if (written === '' && parts.length > 1)
            return refuse(`“${text}” holds more than one number: give each its unit`);
        const unit = written === '' ? bare : written;
        const known = Object.hasOwn(row.units, unit) ? row.units[unit] : undefined;
        if (!known)
            return refuse(
                `“${written}” is not a unit of ${dimension}: use ${Object.keys(row.units)
                    .filter((u) => u !== '')
                    .join(', ')}`,
            );
        const [factor, offset] = known;
        if (factor >= before) return refuse(`“${text}” repeats a unit or goes from small to large`);
        before = factor;
        const number = read(digits, text);
        if (typeof number === 'string') return refuse(number);
        total += number * factor + offset;
    }
    if (row.floor !== null && total < row.floor)
        return refuse(dimension === 'temperature' ? 'is below absolute zero' : 'cannot be negative');
    return { value: total, problem: null };
}

/** A number, or why it is none. A comma before exactly three digits could mean either, and is not guessed. */
function read(digits: string, text: string): number | string {
    const sign = digits.startsWith('-') ? -1 : 1;
    const bare = digits.replace(/^-+/, '').trim();
    const fraction = /^(?:(\d+)\s+)?(\d+)\/(\d+)$/.exec(bare);
    if (fraction) {
        const below = Number(fraction[3]);
        return below === 0
            ? `“${text}” divides by zero`
            : sign * (Number(fraction[1] ?? 0) + Number(fraction[2]) / below);
    }
    let number = bare.replaceAll('’', '');
    const comma = number.lastIndexOf(',');
    const point = number.lastIndexOf('.');
    if (comma >= 0 && point >= 0) {
        number = comma > point ? number.replaceAll('.', '').replaceAll(',', '.') : number.replaceAll(',', '');
    } else if (comma >= 0) {
        if (/^[1-9]\d{0,2}(,\d{3})+$/.test(number)) {
            return `“${text}” could be ${number.replaceAll(',', '')} or ${number.replace(',', '.')}: leave the comma out or write a point`;
        }
        number = number.replaceAll(',', '.');
    }
    return /^(\d+\.?\d*|\.\d+)$/.test(number) ? sign * Number(number) : `“${text}” is not a number`;
}
