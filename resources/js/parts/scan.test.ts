import { describe, expect, it } from 'vitest';
import { codeOf, onScan } from './scan';

describe('what a scanner types', () => {
    it.each([
        ['L-0101', 'L-0101'],
        ['l-0101', 'L-0101'],
        [' C-00012 ', 'C-00012'],
        ['https://bench.hollow-oak.test/l/L-0101', 'L-0101'],
    ])('reads %j', (text, code) => {
        expect(codeOf(text)).toBe(code);
    });

    it.each([
        '',
        'L-1',
        'L-123456789',
        'X-0101',
        'L-0101 and more',
        'https://bench.hollow-oak.test/x/L-0101',
        '<script>L-0101',
    ])('hears no code in %j', (text) => {
        expect(codeOf(text)).toBeNull();
    });

    it('is heard by whoever listened last, and no more by who has gone', () => {
        const heard: string[] = [];
        const first = onScan((c) => (heard.push(`first ${c}`), true));
        const second = onScan((c) => (heard.push(`second ${c}`), true));
        second();
        first();
        second();
        expect(heard).toEqual([]);
    });
});
