import { describe, expect, it } from 'vitest';
import { codeOf, onScan, pageOf } from './scan';

describe('what a scanner types', () => {
    it.each([
        ['L-0101', 'L-0101'],
        ['l-0101', 'L-0101'],
        [' C-00012 ', 'C-00012'],
        ['https://bench.hollow-oak.test/l/L-0101', 'L-0101'],
        ['R-0140', 'R-140'],
        ['r-0140-3', 'R-140-3'],
        ['https://bench.hollow-oak.test/r/140', 'R-140'],
        ['https://bench.hollow-oak.test/r/140/12', 'R-140-12'],
        ['i-7k3m9pq2', 'I-7K3M9PQ2'],
        ['https://bench.hollow-oak.test/i/7K3M9PQ2', 'I-7K3M9PQ2'],
    ])('reads %j', (text, code) => {
        expect(codeOf(text)).toBe(code);
    });

    it.each([
        '',
        'L-1',
        'L-123456789',
        'X-0101',
        'R-',
        'R-140-',
        'R-140-3-4',
        'https://bench.hollow-oak.test/r/x',
        'L-0101 and more',
        'I-7K3M9PQ',
        'I-7K3M9PQO',
        'I-7K3M9PQ22',
        'https://bench.hollow-oak.test/x/L-0101',
        '<script>L-0101',
    ])('hears no code in %j', (text) => {
        expect(codeOf(text)).toBeNull();
    });

    it.each([
        ['L-0101', '/l/L-0101'],
        ['C-00012', '/weigh'],
        ['R-140', '/r/140'],
        ['R-140-3', '/r/140/3'],
        ['I-7K3M9PQ2', '/i/7K3M9PQ2'],
    ])('%s opens %s', (code, page) => {
        expect(pageOf(code)).toBe(page);
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
