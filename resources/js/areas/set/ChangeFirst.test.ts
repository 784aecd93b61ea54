import { afterEach, describe, expect, it, vi } from 'vitest';
import { ref } from 'vue';
import type { ChangeDue } from '../../api/types';
import { type Asked, buttonOf, refusal, server, shownAt, textOf } from '../../tests/mount';
import ChangeFirst from './ChangeFirst.vue';

vi.mock('./useSetting', () => ({
    useThisSetting: () => ({ body: ref({ product_id: 4, machines: { barrel: 5, mould: 9 }, lot_id: 12 }) }),
}));
afterEach(() => vi.unstubAllGlobals());
const DUE: ChangeDue = {
    total_min: 156,
    hands_min: 42,
    purge_g: 312,
    holds: 'HDPE',
    says: '',
    stop: null,
    open: null,
    likely_from_min: null,
    likely_to_min: null,
    known_from: 2,
};
let asked: Asked[] = [];
async function open(over: Partial<ChangeDue> = {}, answer: unknown = { id: 'c1' }) {
    asked = server({ 'POST changes': answer });
    const at = await shownAt(ChangeFirst, '/set', '/set', { due: { ...DUE, ...over } });
    return at;
}

describe('what stands between a machine and its next job', () => {
    it('says what is in it, how long, and how much of that is hands', async () => {
        const { page } = await open();
        expect(textOf(page)).toContain('It holds HDPE.');
        expect(textOf(page)).toContain('2 h 36 min');
        expect(textOf(page)).toContain('42 min with your hands');
        expect(textOf(page)).toContain('312 g');
        expect(textOf(page)).not.toContain('Likely');
        page.unmount();
    });

    it('says how long it likely takes once enough were made', async () => {
        const { page } = await open({ likely_from_min: 150, likely_to_min: 190, known_from: 5 });
        expect(textOf(page)).toMatch(/Likely 2 h 30 min to 3 h 10 min, as the last 5 went/);
        page.unmount();
    });

    it('is begun with the job as it is set up, by so many, from the heat that it has', async () => {
        const { page, router } = await open();
        await page.get('input').setValue('180');
        await page.get('select').setValue('2');
        await buttonOf(page, 'Begin the change').trigger('click');
        await vi.waitFor(() => expect(router.currentRoute.value.path).toBe('/change/c1'));
        expect(asked[0]!.body).toMatchObject({ product_id: 4, lot_id: 12, people: 2, heat_c: 180 });
        page.unmount();
    });

    it('says why it was refused and stays here', async () => {
        const { page, router } = await open({}, refusal('machines', 'Wren is held by run 12'));
        await buttonOf(page, 'Begin the change').trigger('click');
        await vi.waitFor(() => expect(page.get('[role=alert]').text()).toContain('Wren is held by run 12'));
        expect(router.currentRoute.value.path).toBe('/set');
        page.unmount();
    });

    it('goes on with one that was begun, and begins no second', async () => {
        const { page } = await open({ open: 'c7' });
        expect(page.get('a').attributes('href')).toBe('/change/c7');
        expect(textOf(page)).not.toContain('Begin the change');
        page.unmount();
    });

    it('begins nothing where there is no way, and says what else', async () => {
        const { page } = await open({
            total_min: null,
            stop: 'PVC gives off hydrogen chloride. Take it out cold.',
        });
        expect(textOf(page)).toContain('Take it out cold.');
        expect(page.findAll('button')).toHaveLength(0);
        page.unmount();
    });

    it('says that the mould is not in where the barrel is clean', async () => {
        const { page } = await open({ holds: null, purge_g: 0 });
        expect(textOf(page)).toContain('The mould is not in.');
        expect(textOf(page)).not.toContain('purged');
        page.unmount();
    });
});
