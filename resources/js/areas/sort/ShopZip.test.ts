import { VueQueryPlugin } from '@tanstack/vue-query';
import { flushPromises, mount } from '@vue/test-utils';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { api, Refused } from '../../api/client';
import { session } from '../../api/session';
import { buttonOf, STUBS } from '../../tests/mount';
import ShopZip from './ShopZip.vue';

const row = (kind: string, would: string[], errors: object[] = []) => ({ kind, rows: 3, errors, would });

async function shown(role: 'lead' | 'operator' = 'lead') {
    vi.spyOn(api, 'list').mockResolvedValue([{ id: 7, name: 'divider board' }]);
    session.person = { id: 1, name: 'Maren Okafor', role, has_pin: true } as typeof session.person;
    const page = mount(ShopZip, { global: { plugins: [VueQueryPlugin], stubs: STUBS } });
    await flushPromises();
    return page;
}
async function choose(page: Awaited<ReturnType<typeof shown>>) {
    const input = page.find('input[type=file]');
    Object.defineProperty(input.element, 'files', { value: [new File(['PK'], 'other.zip')] });
    await input.trigger('change');
    await flushPromises();
}

describe('a shop as a zip', () => {
    beforeEach(() => vi.restoreAllMocks());
    it('says what is new or otherwise here before anything is written, and counts what is as it was', async () => {
        const page = await shown();
        const upload = vi.spyOn(api, 'upload').mockResolvedValue({
            items: [
                row('machines', ['Bellows, bed_length_mm: 560 → 777', 'Anvil, max_c: 230, as it was']),
                row('products', ['tray: a new product']),
            ],
        });
        await choose(page);
        expect(upload.mock.calls[0]![3]).toMatchObject({ preview: '1' });
        expect(page.findAll('li').map((l) => l.text())).toEqual([
            'Bellows, bed_length_mm: 560 → 777',
            'tray: a new product',
        ]);
        expect(page.text()).toContain('1 as they are here');
        await buttonOf(page, 'Bring all of it in')!.trigger('click');
        await flushPromises();
        expect(upload.mock.calls[1]![3]).toMatchObject({
            preview: '0',
            id: (upload.mock.calls[0]![3] as { id: string }).id,
        });
        expect(page.text()).toContain('It is in.');
    });
    it('brings nothing in where one row is at fault, and names it', async () => {
        const page = await shown();
        vi.spyOn(api, 'upload').mockResolvedValue({
            items: [row('setups', [], [{ row: 3, field: 'platen_c', message: '"hot" is not a number' }])],
        });
        await choose(page);
        expect(page.text()).toContain('Set-ups, row 3: platen_c "hot" is not a number');
        expect(page.text()).not.toContain('Bring all of it in');
    });
    it('says nothing of being in where it was refused after all, and is the same sending when it is tried again', async () => {
        const page = await shown();
        const upload = vi
            .spyOn(api, 'upload')
            .mockResolvedValue({ items: [row('products', ['tray: a new product'])] });
        await choose(page);
        upload.mockRejectedValueOnce(new Refused(422, 'file', 'was not taken'));
        await buttonOf(page, 'Bring all of it in')!.trigger('click');
        await flushPromises();
        expect(page.text()).not.toContain('It is in.');
        expect(page.find('[role=alert]').text()).toBe('The file was not taken.');
        // What was seen is not what would be done: it is tried anew before it goes in.
        expect(page.text()).not.toContain('tray: a new product');
        const ids = upload.mock.calls.map((c) => (c[3] as { id: string }).id);
        expect(new Set(ids).size).toBe(1);
    });
    it('says why a file is none that a shop has made', async () => {
        const page = await shown();
        vi.spyOn(api, 'upload').mockRejectedValue(new Refused(422, 'file', 'is no zip'));
        await choose(page);
        expect(page.find('[role=alert]').text()).toBe('The file is no zip.');
    });
    it('goes out whole or of chosen products, by anybody; in by a lead alone', async () => {
        const page = await shown('operator');
        const href = () => page.find('[download]').attributes('href');
        expect(href()).toBe('/api/v1/transfer/shop.zip?');
        await page.find('input[type=checkbox]').setValue(true);
        expect(href()).toBe('/api/v1/transfer/shop.zip?products[]=7');
        expect(page.find('input[type=file]').exists()).toBe(false);
    });
});
