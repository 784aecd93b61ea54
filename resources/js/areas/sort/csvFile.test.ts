import { describe, expect, it } from 'vitest';
import { columnsOf, KINDS, kindOf } from './csvFile';

describe('a CSV file', () => {
    it.each([
        ['a,b,c\n1,2,3', ['a', 'b', 'c']],
        ['A;B ;C\r\n1;2;3', ['a', 'b', 'c']],
        ['a\tb\tc', ['a', 'b', 'c']],
        ['\uFEFFsource;polymer', ['source', 'polymer']],
        ['"mass_g","source"\n', ['mass_g', 'source']],
        ['name', ['name']],
        ['', []],
        ['a,,b', ['a', 'b']],
    ])('%j has the columns %j', (text, columns) => {
        expect(columnsOf(text)).toEqual(columns);
    });

    it('says by its columns what it holds, whatever else is in it', () => {
        for (const kind of KINDS) {
            const all = [...kind.columns, ...(kind.also ?? []), 'something of ours'];
            expect(kindOf(all.toReversed())?.id, kind.id).toBe(kind.id);
        }
    });

    it('is nothing that the shop knows where one column is missing', () => {
        expect(kindOf(['source', 'polymer', 'form', 'colour'])).toBeNull();
        expect(kindOf([])).toBeNull();
    });

    it('that fits two is the one that asks for more', () => {
        // A list of lots that also has a name is not a list of sources.
        expect(kindOf(['name', 'source', 'polymer', 'form', 'colour', 'mass_g'])?.id).toBe('lots');
        expect(kindOf(['name', 'note'])?.id).toBe('sources');
    });
});
