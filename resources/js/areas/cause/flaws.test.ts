import { describe, expect, it } from 'vitest';
import type { FlawMap } from '../../api/types';
import { across, along, cross, placed, verdict } from './flaws';

const at = { left: 100, top: 50, width: 400, height: 200 };

describe('where a finger is on a part', () => {
    it.each([
        [100, 0],
        [300, 0.5],
        [500, 1],
        // A finger beside it means its edge.
        [90, 0],
        [900, 1],
    ])('at %i px is %d along', (x, share) => expect(along(x, at)).toBeCloseTo(share, 9));

    it.each([
        [250, 0],
        [150, 0.5],
        [50, 1],
        [20, 1],
        [400, 0],
    ])('at %i px is %d across, from below', (y, share) => expect(across(y, at)).toBeCloseTo(share, 9));

    it('is drawn where it was tapped', () => {
        const mark = { along: along(180, at), across: across(90, at) };
        expect(placed(mark, { length: 800, width: 400 })).toEqual({
            x: 160,
            y: expect.closeTo(80, 9) as number,
        });
        expect(cross(160, 80, 5)).toBe('M155 75L165 85M155 85L165 75');
    });
});

describe('what a map says', () => {
    const map = (kinds: { id: string; says: string }[], marks = 1) =>
        ({ kinds, marks: Array.from({ length: marks }, () => ({})) }) as unknown as FlawMap;
    it.each([
        [map([{ id: 'sink', says: '4 of 5 in one place' }]), 'sink', '4 of 5 in one place'],
        [map([{ id: 'sink', says: 'x' }]), 'flash', 'None of this kind is marked.'],
        [map([], 0), null, 'Nothing is marked yet.'],
    ])('%#', (of, kind, says) => expect(verdict(of, kind)).toBe(says));
});
