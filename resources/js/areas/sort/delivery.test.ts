import { describe, expect, it } from 'vitest';
import type { Brought, Lot } from '../../api/types';
import { stepLink, useDelivery } from './delivery';

const brought = (over: Partial<Brought> = {}): Brought =>
    ({
        code: 'L-0042',
        polymer: 'HDPE',
        form: 'flake',
        colour: 'white',
        swatch: '#f2f2ee',
        location: 'Rack A2',
        generation: 1,
        tare_g: 820,
        sheet: null,
        reserved_for_id: 7,
        mass_g: 8200,
        at: 0,
        ...over,
    }) as Brought;

describe('a delivery', () => {
    it('begins as the last one of its source was, all but the mass', () => {
        const d = useDelivery();
        d.from({ id: 3, brought: [brought(), brought({ code: 'L-0041', polymer: 'PP' })] });
        expect(d.lot).toEqual({
            source_id: 3,
            polymer: 'HDPE',
            form: 'flake',
            colour: 'white',
            swatch: '#f2f2ee',
            location: 'Rack A2',
            generation: 1,
            reserved_for_id: 7,
        });
        expect([d.like.value, d.tare.value, d.gross.value]).toEqual(['L-0042', 820, null]);
        expect(d.missing.value).toBe('what it weighs');
    });

    it('of somebody new knows nothing: it is UNKNOWN until somebody says otherwise', () => {
        const d = useDelivery();
        d.as(brought());
        d.from({ id: 9, brought: [] });
        expect(d.lot).toMatchObject({ source_id: 9, polymer: 'UNKNOWN', colour: '', generation: 0 });
        expect([d.like.value, d.tare.value]).toEqual([null, null]);
        expect(d.missing.value).toBe('its colour');
    });

    it('asks for what is wanted still, one thing at a time, and for nothing when all is there', () => {
        const d = useDelivery();
        expect(d.missing.value).toBe('who brings it');
        d.lot.source_id = 1;
        expect(d.missing.value).toBe('its colour');
        d.lot.colour = '   ';
        expect(d.missing.value).toBe('its colour');
        d.lot.colour = 'moss';
        expect(d.missing.value).toBe('what it weighs');
        d.gross.value = 900;
        expect(d.missing.value).toBe('');
    });

    it('counts what is in the container, and doubts one that is heavier than the scale says', () => {
        const d = useDelivery();
        d.lot.source_id = 1;
        d.lot.colour = 'moss';
        d.gross.value = 9020;
        d.tare.value = 820;
        expect([d.net.value, d.doubt.value]).toEqual([8200, '']);
        d.tare.value = 9020;
        expect(d.doubt.value).toContain('heavier');
        expect(d.missing.value).toBe('what it weighs');
    });

    it('says of a sheet how large it is, and of nothing else', () => {
        const d = useDelivery();
        d.from({
            id: 3,
            brought: [
                brought({
                    form: 'sheet',
                    sheet: {
                        length_mm: 2000,
                        width_mm: 1000,
                        thickness_mm: 2,
                    } as unknown as Brought['sheet'],
                }),
            ],
        });
        expect(d.body().sheet).toMatchObject({ length_mm: 2000, thickness_mm: 2, film_side: 'good side' });
        d.as(brought());
        expect(d.body().sheet).toBeNull();
        // What the sheet before it was is not what this one is.
        d.as(brought({ form: 'sheet', sheet: null }));
        expect(d.body().sheet).toMatchObject({ length_mm: 1250, thickness_mm: 3 });
    });

    it('is sent under one name however often, and the next container under another', () => {
        const d = useDelivery();
        d.from({ id: 3, brought: [brought()] });
        d.gross.value = 5000;
        const first = d.body();
        expect(d.body().id).toBe(first.id);
        expect(first).toMatchObject({ mass_g: 4180, tare_g: 820, source_id: 3 });
        d.another();
        expect(d.body().id).not.toBe(first.id);
        expect(d.gross.value).toBeNull();
        expect(d.lot.colour).toBe('white');
    });
});

describe('what a lot wants next', () => {
    const lot = { id: 12, code: 'L-0012', source: { id: 4 } } as Lot;
    it.each([
        ['find', '/sort/find?lot=12'],
        ['dry', '/dry?lot=L-0012'],
        ['small_trial', '/set?lot=L-0012'],
        ['full_trial', '/set?lot=L-0012'],
        ['use', '/set?lot=L-0012'],
        ['accept', '/sort/sources/4'],
        ['shred', '/sort/lots/12?do=shred'],
        ['look', '/sort/lots/12?do=look'],
    ])('%s is done at %s', (step, to) => {
        expect(stepLink(step, lot)).toBe(to);
    });
});
