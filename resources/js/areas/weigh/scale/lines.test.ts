import { describe, expect, it } from 'vitest';
import { LineReader, ownPattern, PATTERNS } from './lines';

const bytes = (text: string) => new TextEncoder().encode(text);
const read = (text: string, pattern = PATTERNS.plain!) => new LineReader(pattern).feed(bytes(text));

describe('lines from a scale', () => {
    it.each([
        ['mass 123.4 g steady\n', 123.4, true],
        ['mass 0 g moving\r\n', 0, false],
        ['mass -0.2 g steady\n', -0.2, true],
        ['mass 1.5 kg steady\n', 1500, true],
        ['mass 2 lb steady\n', 907.18474, true],
        ['MASS 16 OZ STEADY\n', 453.59237, true],
    ])('reads %j', (line, grams, stable) => {
        const [reading] = read(line);
        expect(reading!.grams).toBeCloseTo(grams, 6);
        expect(reading).toMatchObject({ stable, fault: null });
    });

    it('says that too much is on it, and never takes that for a weight', () => {
        expect(read('mass over\n')).toEqual([{ grams: 0, stable: false, fault: 'overload' }]);
    });

    it('puts pieces together, wherever they were cut', () => {
        const line = 'mass 123.4 g steady\r\n';
        for (let cut = 0; cut <= line.length; cut++) {
            const reader = new LineReader(PATTERNS.plain!);
            const got = [...reader.feed(bytes(line.slice(0, cut))), ...reader.feed(bytes(line.slice(cut)))];
            expect(got).toEqual([{ grams: 123.4, stable: true, fault: null }]);
        }
    });

    it('does not take half a number for a whole one', () => {
        const reader = new LineReader(PATTERNS.plain!);
        expect(reader.feed(bytes('mass 12'))).toEqual([]);
        expect(reader.feed(bytes('34 g steady\n'))[0]!.grams).toBe(1234);
    });

    it.each([
        'mass g steady',
        'mass 1.2.3 g steady',
        'mass 1 st steady',
        'mass 1 g',
        '1 g steady',
        'mass NaN g steady',
        'mass 1e9 g steady',
        '\u0000\u0001',
    ])('drops %j and counts it', (line) => {
        const reader = new LineReader(PATTERNS.plain!);
        expect(reader.feed(bytes(`${line}\n`))).toEqual([]);
        expect(reader.dropped).toBe(1);
        expect(reader.feed(bytes('mass 5 g steady\n'))).toHaveLength(1);
    });

    it('throws away a line that never ends, and hears the next', () => {
        const reader = new LineReader(PATTERNS.plain!);
        for (let i = 0; i < 50; i++) reader.feed(bytes('x'.repeat(1000)));
        expect(reader.dropped).toBeGreaterThan(0);
        expect(reader.feed(bytes('\nmass 5 g steady\n'))).toHaveLength(1);
    });

    it('takes a pattern of the shop, in its own unit', () => {
        const own = ownPattern('^W(?<stable>[SD])(?<value>[\\d,]+)$', 'kg', '^S$');
        expect(read('WS1,25\nWD0,5\n', own)).toEqual([
            { grams: 1250, stable: true, fault: null },
            { grams: 500, stable: false, fault: null },
        ]);
    });

    it.each([
        ['(', 'g', '', 'is not a pattern'],
        ['^(\\d+)$', 'g', '', 'needs a group'],
        ['(?<value>\\d+)', 'stone', '', 'has a unit'],
        ['(?<value>\\d+)'.padEnd(201, 'x'), 'g', '', 'is too long'],
    ])('refuses the pattern %j', (expression, unit, stable, says) => {
        expect(() => ownPattern(expression, unit, stable)).toThrow(says);
    });
});
