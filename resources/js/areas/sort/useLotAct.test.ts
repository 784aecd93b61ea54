import { describe, expect, it } from 'vitest';
import type { Lot } from '../../api/types';
import { actsOn, bodyOf, opened, together, type ActKind, type Said } from './useLotAct';

const lot = (over: Partial<Lot> = {}): Lot =>
    ({
        id: 1,
        code: 'L-0001',
        polymer: 'PP',
        form: 'flake',
        made_small: null,
        mass_g: 4000,
        tare_g: 820,
        location: 'Rack E1',
        reserved_for_id: null,
        ...over,
    }) as Lot;
const said = (over: Partial<Said> = {}): Said => ({ ...opened(null, lot()), ...over });
const kinds = (of: Partial<Lot>) => actsOn(lot(of)).map(([kind]) => kind);

describe('what can be done with a lot', () => {
    it('is shredding for what is whole, and not for flake', () => {
        expect(kinds({ form: 'flake' })).not.toContain('shred');
        expect(kinds({ form: 'item', made_small: 'flake' })).toContain('shred');
        expect(actsOn(lot({ form: 'film', made_small: 'densified film' }))).toContainEqual([
            'shred',
            'Densify',
        ]);
    });

    it('is neither merging nor doubting for what nobody knows', () => {
        expect(kinds({ polymer: 'UNKNOWN' })).toEqual(['split', 'count', 'place', 'contamination', 'waste']);
        expect(kinds({})).toEqual(['split', 'merge', 'count', 'place', 'contamination', 'waste', 'doubt']);
    });
});

describe('an act on a lot', () => {
    it('opens with all of it where that is usual, and with nothing where a number would be a guess', () => {
        expect(opened('shred', lot()).mass).toBe(4000);
        expect(opened('merge', lot()).mass).toBe(4000);
        for (const kind of ['split', 'count', 'waste', 'contamination'] as ActKind[])
            expect(opened(kind, lot()).mass).toBeNull();
    });

    it('opens placing with where it is and for whom it is kept', () => {
        expect(opened('place', lot({ reserved_for_id: 5 }))).toMatchObject({
            place: 'Rack E1',
            keepFor: 5,
            tare: null,
        });
        expect(opened('split', lot()).place).toBe('');
    });

    it('merges all of the other lot where nobody says how much, and nothing without one', () => {
        const others = [lot({ id: 2, mass_g: 1500 })];
        expect(together(lot(), others, said({ mass: 4000 }))).toBeNull();
        expect(together(lot(), others, said({ mass: null, other: 2 }))).toBeNull();
        expect(together(lot(), others, said({ mass: 4000, other: 2 }))).toEqual([
            { id: 1, mass_g: 4000 },
            { id: 2, mass_g: 1500 },
        ]);
        expect(together(lot(), others, said({ mass: 4000, other: 2, out: 200 }))![1]).toEqual({
            id: 2,
            mass_g: 200,
        });
        expect(together(lot(), others, said({ mass: 4000, other: 99 }))).toBeNull();
    });

    it.each<[ActKind, Partial<Said>, Record<string, unknown>]>([
        [
            'split',
            { mass: 600, place: 'Rack E2', tare: 90 },
            { mass_g: 600, location: 'Rack E2', tare_g: 90 },
        ],
        [
            'shred',
            { mass: 4000, out: 3960 },
            { mass_in_g: 4000, mass_out_g: 3960, location: '', tare_g: null },
        ],
        ['count', { mass: 3900, reason: 'spilt' }, { weighed_g: 3900, reason: 'spilt' }],
        ['waste', { mass: 20, reason: 'sand' }, { mass_g: 20, reason: 'sand' }],
        [
            'contamination',
            { mass: null, out: 500, found: 'PS' },
            { found: 'PS', found_g: 0, sample_g: 500, note: '' },
        ],
        ['doubt', { reason: 'it floats' }, { reason: 'it floats' }],
    ])('%s is sent as the server reads it', (kind, over, body) => {
        expect(bodyOf(kind, lot(), [], said(over))).toEqual(body);
    });

    it('keeps the tare that is known where no new one is said, and says from where it was moved', () => {
        expect(bodyOf('place', lot(), [], said({ place: 'Rack B1' }))).toEqual({
            from: 'Rack E1',
            location: 'Rack B1',
            tare_g: 820,
            reserved_for_id: null,
        });
        expect(bodyOf('place', lot(), [], said({ place: 'Rack B1', tare: 0 }))).toMatchObject({ tare_g: 0 });
    });
});
