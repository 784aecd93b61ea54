import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { effectScope, ref, type EffectScope } from 'vue';
import type { Charge, Lot, Mix } from '../../api/types';
import { buttonOf, refusal, server, shown, textOf } from '../../tests/mount';
import ChargeLog from './ChargeLog.vue';
import ChargeSteps from './ChargeSteps.vue';
import LotChoice from './LotChoice.vue';
import MixParts from './MixParts.vue';
import ScaleGauge from './ScaleGauge.vue';
import { useLotChoice } from './useLotChoice';
import { useMix } from './useMix';

let scope: EffectScope;
beforeEach(() => {
    scope = effectScope();
    server({ 'calc/charge.blend': { components: [], explanation: '', warnings: [] } });
});
afterEach(() => {
    scope.stop();
    vi.unstubAllGlobals();
});
const g = (grams: number | null | undefined) => `${grams} g`;
const lot = (over: Partial<Lot> = {}): Lot =>
    ({
        id: 1,
        code: 'L-0101',
        polymer: 'HDPE',
        colour: 'green',
        swatch: '#0a0',
        location: 'Rack A1',
        mass_g: 9000,
        reserved_for: null,
        ...over,
    }) as Lot;
const part = (over: object = {}) => ({
    name: 'green',
    swatch: '#0a0',
    target_g: 1000,
    weighed_g: 400,
    tolerance_g: 10,
    state: 'short',
    lots: [lot(), lot({ id: 2, code: 'L-0102' })],
    ...over,
});
const charge = (over: object = {}): Charge =>
    ({
        id: 'c1',
        status: 'weighing',
        polymer: 'HDPE',
        components: [part(), part({ name: 'black', lots: [lot({ id: 3, code: 'L-0103' })] })],
        weighings: [],
        ...over,
    }) as unknown as Charge;

describe('which lot goes in', () => {
    const choice = (of = charge()) => {
        const [held, at] = [ref<Charge | null>(of), ref(0)];
        return { at, held, ...scope.run(() => useLotChoice(held, at))! };
    };

    it('is the first in at each part, and the last part’s never', async () => {
        const c = choice();
        c.at.value = 1;
        await vi.waitFor(() => expect(c.lotId.value).toBe(3));
        c.at.value = 0;
        await vi.waitFor(() => expect(c.lotId.value).toBe(1));
    });

    it('is the one that was scanned, where it belongs here', async () => {
        const c = choice();
        await c.scanned('L-0102');
        expect([c.lotId.value, c.stop.value]).toEqual([2, '']);
    });

    it('of another polymer is stopped before it is poured', async () => {
        server({ 'lots/L-0108': { lot: lot({ id: 8, code: 'L-0108', polymer: 'PP' }) } });
        const c = choice();
        await c.scanned('L-0108');
        expect(c.stop.value).toBe('Stop: L-0108 is PP, this charge is HDPE. Put it back.');
        expect([c.lotId.value, c.lot.value]).toEqual([null, null]);
    });

    it('that is empty, or that nobody knows, is said by name', async () => {
        server({
            'lots/L-0109': { lot: lot({ id: 9, code: 'L-0109', mass_g: 0 }) },
            'lots/L-9999': refusal('lot', 'is none', 404),
        });
        const c = choice();
        await c.scanned('L-0109');
        expect(c.stop.value).toBe('L-0109 is empty.');
        await c.scanned('L-9999');
        expect(c.stop.value).toBe('There is no lot L-9999.');
    });

    it('that is kept for something else goes in with a reason alone', async () => {
        server({ 'lots/L-0110': { lot: lot({ id: 10, code: 'L-0110', reserved_for: 'stand rail' }) } });
        const c = choice();
        await c.scanned('L-0110');
        expect([c.lotId.value, c.lot.value]).toEqual([10, null]);
        c.reason.value = 'no';
        expect(c.lot.value).toBeNull();
        c.reason.value = 'the others are wet';
        expect(c.lot.value?.code).toBe('L-0110');
        const page = await shown(LotChoice, {
            charge: c.held.value,
            now: c.held.value!.components[0],
            choice: c,
        });
        expect(textOf(page)).toContain('L-0110 is kept for stand rail');
    });

    it('is typed where nothing scans', async () => {
        const c = choice();
        const page = await shown(LotChoice, {
            charge: c.held.value,
            now: c.held.value!.components[0],
            choice: c,
        });
        expect(textOf(page)).toContain('first in');
        await page.get('.scan input').setValue('l-0102');
        await page.get('form.scan').trigger('submit');
        expect(c.lotId.value).toBe(2);
        expect((page.get('.scan input').element as HTMLInputElement).value).toBe('');
    });
});

describe('the gauge', () => {
    const gauge = (props: object = {}) =>
        shown(ScaleGauge, {
            now: part(),
            reading: { grams: 500, stable: true, fault: null },
            would: 900,
            state: 'short',
            byHand: false,
            digits: 0,
            g,
            ...props,
        });

    it('says how much is to go, when it is there, and when it is too much', async () => {
        expect(textOf(await gauge())).toContain('100 g to go.');
        expect(textOf(await gauge({ would: 1004, state: 'good' }))).toContain(
            'Steady: it goes in by itself.',
        );
        const unsteady = { grams: 500, stable: false, fault: null };
        expect(textOf(await gauge({ would: 1004, state: 'good', reading: unsteady }))).toContain(
            'Let it settle.',
        );
        expect(textOf(await gauge({ would: 1020, state: 'over' }))).toContain('20 g too much.');
        expect(textOf(await gauge({ now: part({ state: 'good' }) }))).toContain('In tolerance.');
    });

    it('tells a scale that cannot be read from one that is empty', async () => {
        const overload = await gauge({ reading: { grams: 0, stable: false, fault: 'overload' } });
        expect(overload.get('.live').text()).toBe('overload');
        expect(textOf(overload)).toContain('take something off');
        const gone = await gauge({ reading: { grams: 0, stable: false, fault: 'unplugged' } });
        expect(gone.get('.live').text()).toBe('no scale');
    });

    it('by hand shows what is in, and fills no further than its edge', async () => {
        const hand = await gauge({ byHand: true });
        expect(hand.get('.live').text()).toBe('400 g');
        const much = await gauge({ would: 90_000, state: 'over' });
        expect(much.get('.fill').attributes('style')).toContain('100%');
    });
});

describe('the parts of a charge', () => {
    it('say how far each is, and which is at the scale', async () => {
        const list = await shown(ChargeSteps, {
            charge: charge({
                components: [
                    part({ state: 'over', weighed_g: 1030 }),
                    part({ name: 'black', state: 'good' }),
                ],
            }),
            digits: 0,
            g,
            modelValue: 1,
        });
        const rows = list.findAll('button');
        expect(textOf(rows[0]!)).toContain('1 030 of 1000 g▲ over');
        expect(rows[1]!.attributes('aria-current')).toBe('step');
        await rows[0]!.trigger('click');
        expect(list.emitted('update:modelValue')).toEqual([[0]]);
    });

    it('are a log of what went in and out, by whom and how', async () => {
        const weighings = [
            {
                id: 'w2',
                at: 0,
                component: 0,
                lot_id: 1,
                lot: 'L-0101',
                how: 'hand',
                reason: 'spilt',
                by: 'Jun',
                mass_g: -20,
            },
            {
                id: 'w1',
                at: 0,
                component: 0,
                lot_id: 1,
                lot: 'L-0101',
                how: 'scale',
                reason: '',
                by: 'Ines',
                mass_g: 420,
            },
        ];
        const log = await shown(ChargeLog, { charge: charge({ weighings }), g });
        const rows = log.findAll('tr').map((r) => textOf(r));
        expect(rows[0]).toContain('by hand, spilt');
        expect(rows[0]).toContain('−20 g');
        expect(rows[1]).toContain('from the scale');
        expect(rows[1]).toContain('+420 g');
    });

    it('are given back with a reason, while they can be', async () => {
        const log = await shown(ChargeLog, { charge: charge(), g });
        expect(buttonOf(log, 'Give it back').attributes('disabled')).toBeDefined();
        await log.get('input').setValue('the order is off');
        await log.get('form').trigger('submit');
        expect(log.emitted('back')).toEqual([['the order is off']]);
        expect(
            (await shown(ChargeLog, { charge: charge({ status: 'used' }), g })).find('form').exists(),
        ).toBe(false);
    });
});

describe('the parts of a mix', () => {
    it('go up and down by a tap, and are taken out', async () => {
        const mix = scope.run(() => useMix())!;
        mix.open({
            name: 'meadow',
            polymer: 'HDPE',
            version: 1,
            note: '',
            components: [
                { name: 'green', swatch: '#0a0', parts: 2, percent: 66, kind: 'colour' },
                { name: 'black', swatch: '#000', parts: 1, percent: 33, kind: 'regrind' },
            ],
        } as unknown as Mix);
        const list = await shown(MixParts, { mix });
        await list.get('[aria-label="One more of green"]').trigger('click');
        await list.get('[aria-label="One less of black"]').trigger('click');
        expect(mix.draft.components.map((c) => c.parts)).toEqual([3, 0.5]);
        await list.get('[aria-label="Take out 1"]').trigger('click');
        expect(mix.draft.components.map((c) => c.name)).toEqual(['black']);
        expect(list.findAll('li')).toHaveLength(1);
    });
});
