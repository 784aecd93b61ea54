import { describe, expect, it } from 'vitest';
import type { Inside } from '../../api/types';
import { agedTo } from './inside';

const inside = (over: Partial<Inside> = {}): Inside => ({
    at: 1000,
    mass_g: 120,
    capacity_g: 200,
    piece_g: 40,
    pieces: 3,
    oldest_s: 600,
    used: 0.25,
    minutes_left: 30,
    verdict: 'ok',
    layers: [
        { mass_g: 100, age_s: 600 },
        { mass_g: 20, age_s: 60 },
    ],
    says: '',
    do: null,
    ...over,
});

describe('the inside of a machine, between two answers', () => {
    it('grows older with the clock, and nothing else changes', () => {
        const later = agedTo(inside(), 1000 + 10 * 60);
        expect(later.oldest_s).toBe(1200);
        expect(later.minutes_left).toBe(20);
        // It bears 40 min in all: ten and ten, and one and ten of them.
        expect(later.layers.map((l) => l.share)).toEqual([0.5, 11 / 40]);
    });

    it('is never younger than it was said, whatever this clock says', () => {
        expect(agedTo(inside(), 0).oldest_s).toBe(600);
    });

    it('ends at nothing left, and knows no time where nobody knows one', () => {
        expect(agedTo(inside(), 1000 + 90 * 60).minutes_left).toBe(0);
        const spent = agedTo(inside({ used: 1.2, minutes_left: 0 }), 1060);
        expect(spent.layers[0]?.share).toBe(1.2);
        const unknown = agedTo(inside({ used: null, minutes_left: null, oldest_s: null }), 1060);
        expect([unknown.oldest_s, unknown.minutes_left, unknown.layers[0]?.share]).toEqual([null, null, 0]);
    });
});
