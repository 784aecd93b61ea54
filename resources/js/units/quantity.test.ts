import { describe, expect, it } from 'vitest';
import cases from '../../../core/tests/conformance/quantities.json';
import type { Dimension } from '../api/types';
import { parseQuantity } from './quantity';

interface Case {
    text: string;
    dimension: Dimension;
    unit?: string;
    value?: number;
    refused?: true;
}

describe('what people type', () => {
    it.each(cases as Case[])('“$text” as $dimension', ({ text, dimension, unit, value }) => {
        const read = parseQuantity(text, dimension, unit);
        if (value === undefined) {
            expect(read.value).toBeNull();
            expect(read.problem).not.toBe('');
        } else {
            expect(read.problem).toBeNull();
            expect(Math.abs(read.value! - value)).toBeLessThanOrEqual(1e-9 * Math.max(1, Math.abs(value)));
        }
    });

    it('never takes the beginning of a quantity for all of it', () => {
        for (const whole of ['2,1 kg', '3/4 in', '350 F', '1 h 5 min']) {
            const dimension: Dimension =
                whole.includes('in') && !whole.includes('min')
                    ? 'length'
                    : whole.includes('F')
                      ? 'temperature'
                      : whole.includes('h')
                        ? 'time'
                        : 'mass';
            expect(parseQuantity(`${whole} x`, dimension).value).toBeNull();
            expect(parseQuantity(`${whole}${whole}${whole}`, dimension).value).toBeNull();
        }
    });

    it('is not led astray by names that every object has', () => {
        for (const unit of ['constructor', 'toString', '__proto__', 'hasOwnProperty'])
            expect(parseQuantity(`2 ${unit}`, 'mass').value).toBeNull();
    });
});
