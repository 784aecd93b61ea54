import { afterEach, describe, expect, it, vi } from 'vitest';
import type { Lot, LotDetail, SourceCard } from '../../api/types';
import { buttonOf, refusal, server, shown, textOf } from '../../tests/mount';
import LotKin from './LotKin.vue';
import LotLedger from './LotLedger.vue';
import OddsTable from './OddsTable.vue';
import SourceTiles from './SourceTiles.vue';
import TakenIn from './TakenIn.vue';

afterEach(() => vi.unstubAllGlobals());
const lot = {
    id: 12,
    code: 'L-0012',
    polymer: 'PA6',
    colour: 'black',
    form: 'pellet',
    swatch: '#222222',
    mass_g: 4180,
    source: { id: 4 },
} as Lot;
const source = (over: Partial<SourceCard> = {}): SourceCard =>
    ({
        id: 1,
        name: 'Market co-op',
        state: 'accepted',
        note: '',
        held_g: 0,
        brought: [],
        every_days: null,
        trial_lot: null,
        steps: [],
        ...over,
    }) as SourceCard;

describe('who brings it', () => {
    it('is chosen by one touch, and says when it came last', async () => {
        const tiles = await shown(SourceTiles, {
            sources: [
                source({ brought: [{ at: 0 }] as SourceCard['brought'], every_days: 9.4 }),
                source({ id: 2, name: 'Garden nursery', state: 'on_trial' }),
            ],
            chosen: 2,
        });
        const [first, second] = tiles.findAll('button.tile');
        expect(textOf(first!)).toContain('every 9 days');
        expect(textOf(second!)).toContain('brought nothing yet');
        expect(textOf(second!)).toContain('on trial');
        expect(second!.attributes('aria-pressed')).toBe('true');
        await first!.trigger('click');
        expect((tiles.emitted('choose')![0]![0] as SourceCard).id).toBe(1);
    });

    it('can be somebody new, who begins on trial and is chosen at once', async () => {
        const asked = server({ sources: { id: 9, name: 'Village fete', state: 'on_trial', note: '' } });
        const tiles = await shown(SourceTiles, { sources: [], chosen: null });
        await buttonOf(tiles, '+ Somebody new').trigger('click');
        expect(buttonOf(tiles, 'Add, on trial').attributes('disabled')).toBeDefined();
        await tiles.get('input').setValue('  Village fete ');
        await tiles.get('input').trigger('keydown.enter');
        await vi.waitFor(() => expect(tiles.emitted('choose')).toBeDefined());
        expect(asked[0]!.body).toEqual({ name: 'Village fete', note: '' });
        expect(tiles.emitted('choose')![0]![0]).toMatchObject({ id: 9, brought: [] });
    });

    it('says why somebody cannot be added, and keeps what was typed', async () => {
        server({ sources: refusal('name', 'is the name of another source') });
        const tiles = await shown(SourceTiles, { sources: [], chosen: null });
        await buttonOf(tiles, '+ Somebody new').trigger('click');
        await tiles.get('input').setValue('Market co-op');
        await buttonOf(tiles, 'Add, on trial').trigger('click');
        await vi.waitFor(() => expect(textOf(tiles)).toContain('Name is the name of another source.'));
        expect(tiles.get('input').element.value).toBe('Market co-op');
        expect(tiles.emitted('choose')).toBeUndefined();
    });
});

describe('what was taken in', () => {
    it('says its code in large, and what it wants next, in order', async () => {
        server({
            'lots/12': {
                lot,
                next: [
                    { id: 'dry', says: 'Dry it', because: 'wet, it comes apart in the heat' },
                    { id: 'small_trial', says: 'A small trial', because: 'its source is on trial' },
                ],
            },
        });
        const card = await shown(TakenIn, { lot });
        expect(card.get('.code').text()).toBe('L-0012');
        expect(card.findAll('li a').map((a) => a.attributes('href'))).toEqual([
            '/dry?lot=L-0012',
            '/set?lot=L-0012',
        ]);
        expect(buttonOf(card, 'Label').attributes('href')).toBe('/api/v1/lots/L-0012/label.pdf');
        await buttonOf(card, 'Another container of it').trigger('click');
        expect(card.emitted('another')).toHaveLength(1);
    });
});

describe('a lot’s book', () => {
    const line = (over: object) =>
        ({
            id: 1,
            mass_g: 5000,
            kind: 'delivered',
            reason: 'delivery, weighed',
            run_id: null,
            run_number: null,
            by: 'Ines',
            at: 0,
            balance_g: 5000,
            other_lot_id: null,
            other_lot: null,
            charge_id: null,
            act_id: 'a1',
            meant_kg: false,
            ...over,
        }) as LotDetail['movements'][number];

    it('says of each line what it was, from where and into what', async () => {
        const ledger = await shown(LotLedger, {
            movements: [
                line({
                    id: 3,
                    mass_g: -2168,
                    kind: 'drawn',
                    run_id: 'r1',
                    run_number: 117,
                    reason: 'run 117',
                }),
                line({
                    id: 2,
                    mass_g: -600,
                    kind: 'split',
                    other_lot_id: 5,
                    other_lot: 'L-0005',
                    reason: '',
                }),
                line({ id: 1 }),
            ],
        });
        const rows = ledger.findAll('tbody tr').map((r) => textOf(r));
        expect(rows[0]).toContain('drawn, run 117');
        expect(rows[0]).toContain('−2 168 g');
        expect(rows[1]).toContain('into L-0005');
        expect(rows[2]).toContain('delivered, delivery, weighed');
        expect(rows[2]).toContain('+5 000 g');
    });

    it('offers to put right what was meant in kilograms, and that alone', async () => {
        const ledger = await shown(LotLedger, {
            movements: [line({ mass_g: 6, meant_kg: true }), line({ id: 2 })],
        });
        expect(ledger.findAll('button')).toHaveLength(1);
        await ledger.get('button').trigger('click');
        expect(ledger.emitted('right')).toEqual([['a1']]);
    });

    it('knows its kin on both sides', async () => {
        const kin = (id: number, kind: string) => ({
            lot_id: id,
            code: `L-000${id}`,
            polymer: 'PP',
            swatch: '#fff',
            kind,
            mass_g: 100,
            at: 0,
        });
        const both = await shown(LotKin, {
            lot: { ...lot, source: { id: 4, name: 'Market co-op' } },
            from: [kin(1, 'merged')],
            to: [],
        });
        expect(textOf(both)).toContain('L-0001 merged');
        expect(textOf(both)).toContain('still here, or into runs');
        const source = await shown(LotKin, {
            lot: { ...lot, source: { id: 4, name: 'Market co-op' } },
            from: [],
            to: [kin(2, 'split')],
        });
        expect(textOf(source)).toContain('Market co-op');
        expect(source.get('a').attributes('href')).toBe('/sort/lots/2');
    });
});

describe('how likely each polymer is', () => {
    it('never says certain before it is, and marks what must stay cold', async () => {
        const ranked = [
            { code: 'PVC-U', probability: 0.9996 },
            { code: 'PP', probability: 0.099 },
            { code: 'PS', probability: 0.5 },
        ];
        const table = await shown(OddsTable, { ranked, neverHot: ['PVC-U'] });
        expect(table.findAll('td.n').map((t) => textOf(t))).toEqual(['100 %', '9.9 %', '50 %']);
        expect(table.findAll('.fill.pvc')).toHaveLength(1);
    });
});
