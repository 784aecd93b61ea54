import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { session } from '../../api/session';
import { buttonOf, page as items, server, shownAt, textOf } from '../../tests/mount';
import MachinePage from './MachinePage.vue';

const KIND = {
    id: 'plunger_injector',
    title: 'plunger injector',
    is_mould: false,
    facts: {
        barrel_diameter_mm: { type: ['number', 'null'], 'x-unit': 'mm', description: 'bore' },
        soak_factor: { type: ['number', 'null'], 'x-unit': '', description: 'over the physics' },
        set_marks: { type: ['string', 'null'], description: 'its own marks beside degrees' },
    },
};
const fact = (name: string, value: unknown, origin: string, id: number) => ({
    id,
    name,
    value,
    origin,
    note: '',
    by: 'Maren Okafor',
    at: 0,
});
const heron = {
    machine: {
        id: 5,
        name: 'Heron',
        kind: 'plunger_injector',
        retired: false,
        facts: { barrel_diameter_mm: 38, soak_factor: 1.12, set_marks: 'dial 4 = 190' },
    },
    kind: KIND,
    after: 3,
    log: [
        fact('barrel_diameter_mm', 38, 'plate', 1),
        fact('set_marks', 'dial 4 = 190', 'measured', 2),
        fact('soak_factor', 1.12, 'fitted', 3),
    ],
    learns: false,
    made: null,
};
beforeEach(() => {
    session.person = { id: 1, name: 'Maren Okafor', role: 'lead' } as typeof session.person;
});
afterEach(() => vi.unstubAllGlobals());
const open = async (path: string, answers: object = {}) => {
    const asked = server({ 'machine-kinds': items([KIND]), 'machines/5': heron, ...answers });
    const at = await shownAt(MachinePage, '/shop/machines/:id', path);
    return { asked, ...at };
};

describe('a machine of the shop', () => {
    it('leads to another like it', async () => {
        const { page } = await open('/shop/machines/5');
        expect(buttonOf(page, 'Another like it').attributes('href')).toBe('/shop/machines/new?like=5');
    });

    it('is entered like another: its plate and what was measured, not what its runs taught', async () => {
        const { page, asked } = await open('/shop/machines/new?like=5', { 'POST machines': heron });
        await vi.waitFor(() => expect(textOf(page)).toContain('A new machine'));
        await page.get('input[maxlength="60"]').setValue('Heron the second');
        await page.get('form').trigger('submit');
        await vi.waitFor(() => expect(asked.some((a) => a.method === 'POST')).toBe(true));
        expect(asked.find((a) => a.method === 'POST')!.body).toEqual({
            name: 'Heron the second',
            kind: 'plunger_injector',
            note: 'as Heron',
            facts: {
                barrel_diameter_mm: { value: 38, origin: 'plate' },
                set_marks: { value: 'dial 4 = 190', origin: 'measured' },
            },
        });
    });

    it('takes its own marks as they are written, and lets them go', async () => {
        const { page, asked } = await open('/shop/machines/5', { 'machines/5/facts': heron });
        const marks = page.get('[aria-describedby="about-set_marks"]');
        expect((marks.element as HTMLInputElement).value).toBe('dial 4 = 190');
        await marks.setValue(' dial 4 = 190, dial 5 = 205 ');
        await marks.trigger('change');
        await page.get('form').trigger('submit');
        await vi.waitFor(() => expect(asked.some((a) => a.method === 'POST')).toBe(true));
        expect(asked.find((a) => a.method === 'POST')!.body).toMatchObject({
            after: 3,
            facts: { set_marks: { value: 'dial 4 = 190, dial 5 = 205', origin: 'measured' } },
        });
    });
});
