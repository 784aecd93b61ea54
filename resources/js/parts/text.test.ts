import { describe, expect, it } from 'vitest';
import { capital, countText } from './text';

describe('words', () => {
    it('begin with a capital where they begin a sentence', () => {
        expect(capital('hot press')).toBe('Hot press');
        expect(capital('')).toBe('');
    });

    it('count what came of a run, and say nothing before there is any', () => {
        expect(countText({ good: 0, bad: 0 })).toBe('');
        expect(countText({ good: 3, bad: 0 })).toBe('3 good');
        expect(countText({ good: 0, bad: 2 })).toBe('0 good, 2 not');
    });
});
