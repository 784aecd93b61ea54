import { describe, expect, it } from 'vitest';
import { endOfShift } from './shift';

const at = (hour: number, minute = 0) => new Date(2026, 10, 27, hour, minute).getTime() / 1000;

describe('the end of a shift', () => {
    it.each([
        [7, 0, 17, 0],
        [16, 29, 17, 0],
        // Half an hour before it closes nobody begins anything that ends by then.
        [16, 40, 20, 45],
        [18, 1, 22, 15],
    ])('at %i:%i is %i:%i', (h, m, endH, endM) => {
        expect(endOfShift(at(h, m))).toBe(at(endH, endM));
    });

    it('stays the same from one second to the next, so that nobody is asked again for each', () => {
        expect(endOfShift(at(19, 1) + 30)).toBe(endOfShift(at(19, 1)));
    });
});
