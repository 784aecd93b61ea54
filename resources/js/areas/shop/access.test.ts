import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { session } from '../../api/session';
import type { Machine } from '../../api/types';
import {
    type Asked,
    buttonOf,
    page as items,
    refusal,
    server,
    shown,
    shownAt,
    textOf,
} from '../../tests/mount';
import AccessCard from './AccessCard.vue';
import ProductPage from './ProductPage.vue';

let asked: Asked[] = [];
beforeEach(() => {
    session.person = { id: 1, name: 'Maren Okafor', role: 'lead' } as typeof session.person;
});
afterEach(() => vi.unstubAllGlobals());
const posts = () => asked.filter((a) => a.method === 'POST');

describe('tokens and screens', () => {
    const machines = [{ id: 4, name: 'Anvil' }] as Machine[];
    const token = (over: object = {}) => ({
        id: 8,
        name: 'thermocouples',
        scopes: ['readings'],
        machine: 'Anvil',
        by: 'Maren Okafor',
        used_at: null,
        ends_at: null,
        ...over,
    });
    const open = async (answers: object = {}) => {
        asked = server({ 'GET tokens': items([token()]), screens: items([]), ...answers });
        return shown(AccessCard, { machines });
    };

    it('say what each opens, of which machine, and whether it was ever used', async () => {
        const text = textOf(await open());
        expect(text).toContain('thermocouplesreadings of Anvil, by Maren Okafor, never used, never ends');
        expect(textOf(await open({ 'GET tokens': items([]) }))).toContain(
            'No instrument and no script has a token.',
        );
    });

    it('of an instrument is made for one machine, and not without', async () => {
        const page = await open({ 'POST tokens': { token: '12|abcdef' } });
        await buttonOf(page, 'A new token').trigger('click');
        await page.findAll('form input')[0]!.setValue('scale by the press');
        expect(buttonOf(page, 'Make it').attributes('disabled')).toBeDefined();
        await page.findAll('form select')[1]!.setValue('4');
        await page.get('form').trigger('submit');
        await vi.waitFor(() => expect(textOf(page)).toContain('12|abcdef'));
        expect(textOf(page)).toContain('Copy it now: it is shown only this once.');
        expect(posts()[0]!.body).toEqual({
            name: 'scale by the press',
            scopes: ['readings'],
            days: 365,
            machine_id: 4,
        });
    });

    it('of a calendar are an address to subscribe to', async () => {
        const page = await open({ 'POST tokens': { token: '12|abcdef' } });
        await buttonOf(page, 'A new token').trigger('click');
        await page.findAll('form input')[0]!.setValue('diary');
        await page.findAll('form select')[0]!.setValue('calendar');
        expect(page.findAll('form select')).toHaveLength(2);
        await page.get('form').trigger('submit');
        await vi.waitFor(() => expect(textOf(page)).toContain('/api/v1/calendar/12-abcdef.ics'));
        expect(posts()[0]!.body).toMatchObject({ scopes: ['calendar'], machine_id: null });
    });

    it('of a script are for no machine, whatever was chosen before', async () => {
        const page = await open({ 'POST tokens': { token: 'x' } });
        await buttonOf(page, 'A new token').trigger('click');
        await page.findAll('form input')[0]!.setValue('a script');
        await page.findAll('form select')[1]!.setValue('4');
        await page.findAll('form select')[0]!.setValue('calc');
        expect(page.findAll('form select')).toHaveLength(2);
        await page.get('form').trigger('submit');
        await vi.waitFor(() => expect(posts()).toHaveLength(1));
        expect(posts()[0]!.body).toMatchObject({ scopes: ['calc'], machine_id: null });
    });

    it('are revoked by a tap', async () => {
        const page = await open({ 'DELETE tokens/8': {} });
        await buttonOf(page, 'Revoke').trigger('click');
        await vi.waitFor(() => expect(textOf(page)).toContain('thermocouples opens nothing any more.'));
        expect(asked.some((a) => a.method === 'DELETE' && a.path === 'tokens/8')).toBe(true);
    });

    it('say why one was not made', async () => {
        const page = await open({ 'POST tokens': refusal('name', 'is taken') });
        await buttonOf(page, 'A new token').trigger('click');
        await page.findAll('form input')[0]!.setValue('thermocouples');
        await page.findAll('form select')[1]!.setValue('4');
        await page.get('form').trigger('submit');
        await vi.waitFor(() => expect(textOf(page)).toContain('Name is taken.'));
    });
});

describe('a product', () => {
    const process = {
        id: 'p',
        title: 'Press a sheet',
        roles: [{ id: 'mould', throughout: true, kinds: ['frame'] }],
        settings: {
            properties: {
                length_mm: { type: 'number', description: 'length (mm)' },
                thickness_mm: { type: 'number', description: 'thickness (mm)' },
            },
        },
    };
    const product = (over: object = {}) => ({
        id: 4,
        name: 'hive floor panel',
        process: 'p',
        polymer: 'HDPE',
        note: '',
        mould_id: null,
        revision: 6,
        dimensions: { length_mm: 600 },
        ...over,
    });
    const open = async (path: string, answers: object = {}) => {
        asked = server({
            'GET products': items([product()]),
            'products/4/finishing': { operations: [], after: 0, by: null, at: null, log: [] },
            processes: items([process]),
            polymers: items([
                { code: 'HDPE', name: 'polyethylene', morphology: 'semicrystalline', why_not: {} },
                { code: 'UNKNOWN', name: 'unknown', morphology: null, why_not: {} },
                {
                    code: 'PA6',
                    name: 'polyamide',
                    morphology: 'semicrystalline',
                    why_not: { p: 'it is dried first' },
                },
            ]),
            machines: items([
                { id: 9, name: 'Frame A', kind: 'frame' },
                { id: 1, name: 'Anvil', kind: 'press' },
            ]),
            ...answers,
        });
        return shownAt(ProductPage, '/shop/products/:id', path);
    };

    it('is made only of what its process can, in a mould that hangs there', async () => {
        const { page } = await open('/shop/products/new');
        await vi.waitFor(() => expect(page.findAll('select')).toHaveLength(3));
        const options = page.findAll('select').map((s) => s.findAll('option').map((o) => o.text()));
        expect(options[1]).toEqual(['HDPE, polyethylene']);
        expect(options[2]).toEqual(['none', 'Frame A']);
    });

    it('is changed over no word that was not seen', async () => {
        const { page, router } = await open('/shop/products/4', { 'POST products/4': product() });
        await vi.waitFor(() =>
            expect((page.get('input').element as HTMLInputElement).value).toBe('hive floor panel'),
        );
        await page.findAll('.who input')[1]!.setValue('the heavy one');
        await page.get('form').trigger('submit');
        await vi.waitFor(() => expect(router.currentRoute.value.path).toBe('/shop'));
        expect(posts()[0]!.body).toMatchObject({
            after_revision: 6,
            name: 'hive floor panel',
            note: 'the heavy one',
            dimensions: { length_mm: 600 },
        });
    });

    it('that was changed meanwhile stays as it was typed, and says so', async () => {
        const { page, router } = await open('/shop/products/4', {
            'POST products/4': refusal('after_revision', 'somebody has changed it', 409),
        });
        await vi.waitFor(() =>
            expect((page.get('input').element as HTMLInputElement).value).toBe('hive floor panel'),
        );
        await page.findAll('.who input')[1]!.setValue('mine');
        await page.get('form').trigger('submit');
        await vi.waitFor(() => expect(textOf(page)).toContain('After revision somebody has changed it.'));
        expect(router.currentRoute.value.path).toBe('/shop/products/4');
        expect((page.findAll('.who input')[1]!.element as HTMLInputElement).value).toBe('mine');
    });

    it('is a lead’s to enter', async () => {
        session.person = { id: 2, name: 'Ines Halloran', role: 'operator' } as typeof session.person;
        const { page } = await open('/shop/products/4');
        expect(textOf(page)).toContain('A lead enters products.');
        expect(page.findAll('button').some((b) => b.text() === 'Keep')).toBe(false);
    });
});
