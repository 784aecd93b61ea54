import type { Reading } from './driver';

/** How a scale writes a weighing: an expression with named groups `value`, and if it has them `unit`, `sign`, `stable`, `fault`. */
export interface LinePattern {
    title: string;
    expression: RegExp;
    unit: string;
    stable: RegExp | null;
}

export const PATTERNS: Record<string, LinePattern> = {
    // What the stand-in speaks: "mass 123.4 g steady", "mass -0.2 g moving", "mass over". Any other scale is a pattern
    // of the shop.
    plain: {
        title: 'mass 123.4 g steady',
        expression:
            /^mass\s+(?:(?<fault>over)|(?<sign>-)?(?<value>\d+(?:\.\d+)?)\s+(?<unit>kg|g|lb|oz)\s+(?<stable>steady|moving))\s*$/i,
        unit: 'g',
        stable: /^steady$/i,
    },
};
const IN_GRAMS: Record<string, number> = { g: 1, kg: 1000, lb: 453.59237, oz: 28.349523125 };
const LONGEST = 120;

/** A pattern that a shop has typed itself; refused with the reason when it cannot be one. */
export function ownPattern(expression: string, unit: string, stable: string): LinePattern {
    if (expression.length > 200 || stable.length > 60) throw new Error('is too long');
    let made: RegExp;
    try {
        made = new RegExp(expression, 'i');
    } catch {
        throw new Error('is not a pattern');
    }
    if (!expression.includes('(?<value>')) throw new Error('needs a group (?<value>…) for the number');
    if (!(unit in IN_GRAMS)) throw new Error('has a unit that is not g, kg, lb or oz');
    return {
        title: 'our own',
        expression: made,
        unit,
        stable: stable === '' ? null : new RegExp(stable, 'i'),
    };
}

/** Bytes in any pieces, readings out. What is not a weighing is dropped; a line that never ends is thrown away. */
export class LineReader {
    private text = '';
    private readonly decoder = new TextDecoder('ascii');
    dropped = 0;

    constructor(private readonly pattern: LinePattern) {}

    feed(bytes: Uint8Array): Reading[] {
        this.text += this.decoder.decode(bytes, { stream: true });
        const lines = this.text.split(/[\r\n]+/);
        this.text = lines.pop() ?? '';
        if (this.text.length > LONGEST) {
            this.text = '';
            this.dropped++;
        }
        const readings: Reading[] = [];
        for (const line of lines) {
            if (line.trim() === '') continue;
            const reading = line.length > LONGEST ? null : this.read(line);
            if (reading) readings.push(reading);
            else this.dropped++;
        }
        return readings;
    }

    private read(line: string): Reading | null {
        const found = this.pattern.expression.exec(line)?.groups;
        if (!found) return null;
        if (found.fault) return { grams: 0, stable: false, fault: 'overload' };
        const value = Number((found.value ?? '').replace(',', '.'));
        const unit = IN_GRAMS[(found.unit ?? this.pattern.unit).toLowerCase()];
        if (found.value === undefined || !Number.isFinite(value) || unit === undefined) return null;
        return {
            grams: (found.sign === '-' ? -1 : 1) * value * unit,
            stable: this.pattern.stable === null || this.pattern.stable.test(found.stable ?? ''),
            fault: null,
        };
    }
}
