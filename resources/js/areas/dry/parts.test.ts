import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { DryBoard } from '../../api/types';
import { type Asked, buttonOf, refusal, server, shown, textOf } from '../../tests/mount';
import DriedStanding from './DriedStanding.vue';
import InDryer from './InDryer.vue';

let asked: Asked[] = [];
beforeEach(() => {
    asked = server({ 'drying/d1/out': { id: 'd1' } });
});
afterEach(() => vi.unstubAllGlobals());
const drying = (over: object = {}) =>
    ({
        id: 'd1',
        dryer: 'Attic',
        lot_id: 9,
        lot: 'L-0109',
        polymer: 'PA6',
        swatch: '#222',
        mass_g: 6000,
        air_c: 80,
        hours: 4,
        started_at: 0,
        ready_at: 14_400,
        wanted_at: null,
        by: 'Ines',
        ...over,
    }) as DryBoard['drying'][number];
const posted = () => asked.filter((a) => a.method === 'POST' && a.path.startsWith('drying'));

describe('what dries', () => {
    it('says how long still, and how far it is', async () => {
        const card = await shown(InDryer, { d: drying(), now: 7200 });
        expect(textOf(card)).toContain('6 000 g at 80 °C');
        expect(card.get('.when .mono').text()).toBe('2:00:00');
        expect(card.get('.fill').attributes('style')).toContain('50%');
    });

    it('is dry when its time is over, and its bar is no longer than full', async () => {
        const card = await shown(InDryer, { d: drying(), now: 90_000 });
        expect(card.get('.when .mono').text()).toBe('dry');
        expect(card.get('.fill').attributes('style')).toContain('100%');
    });

    it('is taken out into a hopper, with what the air is like', async () => {
        const card = await shown(InDryer, { d: drying(), now: 20_000 });
        await buttonOf(card, 'Take it out').trigger('click');
        await card.get('select').setValue('open');
        await card.get('input').setValue('65');
        await buttonOf(card, 'It is out').trigger('click');
        await vi.waitFor(() => expect(posted()).toHaveLength(1));
        expect(posted()[0]!.body).toEqual({ hopper: 'open', rh_pct: 65 });
        await vi.waitFor(() => expect(card.find('select').exists()).toBe(false));
    });

    it('too soon counts as wet, and says so before it is done', async () => {
        const card = await shown(InDryer, { d: drying(), now: 100 });
        await buttonOf(card, 'Take it out').trigger('click');
        expect(textOf(card)).toContain('It is not dry yet: it will count as wet.');
        expect(buttonOf(card, 'Take it out wet').attributes('disabled')).toBeUndefined();
    });

    it('stays open with what was said where the server refuses', async () => {
        asked = server({ 'drying/d1/out': refusal('drying', 'was taken out already') });
        const card = await shown(InDryer, { d: drying(), now: 20_000 });
        await buttonOf(card, 'Take it out').trigger('click');
        await buttonOf(card, 'It is out').trigger('click');
        await vi.waitFor(() => expect(posted()).toHaveLength(1));
        expect(card.find('select').exists()).toBe(true);
    });
});

describe('what was dried and stands', () => {
    const standing = (over: object) => ({
        id: 1,
        code: 'L-0109',
        polymer: 'PA6',
        dry_state: 'dry',
        dry_minutes_left: 13,
        ...over,
    });
    const table = (now: number, ...lots: object[]) =>
        shown(DriedStanding, { board: { server_time: 1000, standing: lots } as unknown as DryBoard, now });

    it('counts down from what the server said', async () => {
        expect(textOf((await table(1000, standing({}))).get('tbody'))).toContain('13:00');
        expect(textOf((await table(1600, standing({}))).get('tbody'))).toContain('3:00');
    });

    it('is wet again when its time is over, whatever it was called', async () => {
        const over = await table(1000 + 14 * 60, standing({}));
        expect(textOf(over)).toContain('▲ dry again');
        expect(textOf(over)).toContain('over');
        expect(over.find('.tag.bad').exists()).toBe(true);
    });

    it('may stand as long as it likes where nothing is taken up', async () => {
        expect(textOf(await table(9e9, standing({ dry_minutes_left: null })))).toContain(
            'as long as it likes',
        );
    });
});
