import { describe, expect, it } from 'vitest';
import type { Case } from '../../api/types';
import { changeWords, lastJudged, outcomeWords, standing, takeWords } from './case';

type Made = Case['changes'][number];
const made = (over: Partial<Made>): Made => ({
    parameter: 'x',
    name: 'Soak',
    from: null,
    to: null,
    at: 1,
    cause: 'Melt too cold',
    unclear: false,
    worked: null,
    ...over,
});

describe('a change in words', () => {
    it.each([
        [
            { name: 'Barrel soak', from: 12, to: 15, unit: 'min', change: 'raise' },
            'Raise barrel soak: 12 to 15 min',
        ],
        [{ name: 'Charge', from: 2100, to: 2163, unit: '%', change: 'lower' }, 'Lower charge: 2100 to 2163'],
        [{ name: 'Cold plate', from: null, to: 20, unit: '°C', change: 'set' }, 'Set cold plate: to 20 °C'],
        [{ name: 'Vent cleaning', from: null, to: null, change: 'do' }, 'Vent cleaning'],
    ])('%o', (of, words) => expect(changeWords(of)).toBe(words));

    it('says what the next set-up opens with', () => {
        const take = { setting: 'heat_factor', was: 1.1, becomes: 1.2, unit: 'min' };
        expect(takeWords(take)).toBe(
            'The next set-up of anybody opens with heat factor 1.2 instead of 1.1, and says why.',
        );
        expect(takeWords({ ...take, was: null })).not.toContain('instead');
    });
});

describe('what waits', () => {
    const changes = [made({ at: 1, worked: true }), made({ at: 2, worked: false }), made({ at: 3 })];
    it('is what nobody has judged', () => expect(standing(changes).map((m) => m.at)).toEqual([3]));
    it('is judged last in the order it was made', () => expect(lastJudged(changes)?.at).toBe(2));
    it('is nothing where nothing was changed', () => expect(lastJudged([])).toBeNull());
});

describe('what the pieces say', () => {
    it.each<[number, boolean | null, RegExp]>([
        [0, null, /none has been judged/],
        [2, null, /2 good since: the next 1/],
        [3, true, /all good/],
        [1, false, /not that/],
    ])('%i since, %o', (since, says_worked, words) =>
        expect(outcomeWords({ since, says_worked, judged_by: 3 })).toMatch(words),
    );
});
