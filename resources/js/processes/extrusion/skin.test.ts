import { describe, expect, it } from 'vitest';
import { filledTo, skinAt } from './skin';

const skins = [
    { skin_mm: 2, minutes: 1 },
    { skin_mm: 4, minutes: 3 },
    { skin_mm: 6, minutes: 7 },
    { skin_mm: 8, minutes: null },
];

describe('the skin of a bar in its bath', () => {
    it('grows from nothing, straight between the skins that were reckoned', () => {
        expect(skinAt(skins, 0)).toBe(0);
        expect(skinAt(skins, 0.5)).toBe(1);
        expect(skinAt(skins, 2)).toBe(3);
    });

    it('stays at the last that is known, and says nothing of what is not', () => {
        expect(skinAt(skins, 100)).toBe(6);
        expect(skinAt([], 5)).toBe(0);
    });
});

describe('a mould that fills', () => {
    it('fills evenly, from nothing, and no further than full', () => {
        const timer = { started_at: 100, ends_at: 300 };
        expect([90, 100, 150, 300, 400].map((now) => filledTo(timer, now))).toEqual([0, 0, 0.25, 1, 1]);
        expect(filledTo({ started_at: 5, ends_at: 5 }, 5)).toBe(1);
    });
});
