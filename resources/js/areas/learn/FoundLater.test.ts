import { mount } from '@vue/test-utils';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import series from '../../../../core/src/Process/Compression/series.json';
import type { Procedure, Run } from '../../api/types';
import FoundLater from './FoundLater.vue';

const recordAll = vi.hoisted(() => vi.fn(async () => undefined));
vi.mock('../../api/queue', () => ({ recordAll }));
const verdict = (key: string, piece: number, said: string) => ({
    key,
    entry: 'disposition',
    piece,
    values: { verdict: said },
});
const shown = (entries: unknown[], scanned: number | null = null) =>
    mount(FoundLater, {
        props: {
            scanned,
            run: { summary: { id: 'r1' }, entries } as unknown as Run,
            procedure: series as unknown as Procedure,
        },
        global: { stubs: { VBtn: { template: '<button v-bind="$attrs"><slot /></button>' } } },
    });
beforeEach(() => recordAll.mockClear());

describe('what is found later', () => {
    it('puts the verdict of the piece right that was chosen, with what was found as its reason', async () => {
        const page = shown([verdict('a', 1, 'good'), verdict('b', 2, 'scrap'), verdict('c', 3, 'good')]);
        await page.find('button').trigger('click');
        expect(page.findAll('option').map((o) => o.text())).toEqual(['Sheet 1', 'Sheet 3']);
        await page.find('select').setValue('c');
        await page.find('input').setValue('  voids at the saw ');
        await page.find('form').trigger('submit');
        const reason = 'voids at the saw';
        expect(recordAll).toHaveBeenCalledWith('r1', [
            {
                type: 'corrected',
                data: {
                    event: 'c',
                    values: { verdict: 'scrap', reason },
                    reason: `found later: ${reason}`,
                },
            },
        ]);
        expect(page.emitted('kept')).toHaveLength(1);
    });

    it('asks for what was found, and for nothing where nothing is good', async () => {
        const page = shown([verdict('a', 1, 'good')]);
        await page.find('button').trigger('click');
        expect(page.find('select').exists()).toBe(false);
        await page.find('form').trigger('submit');
        expect(recordAll).not.toHaveBeenCalled();
        expect(
            shown([verdict('b', 2, 'scrap')])
                .find('button')
                .exists(),
        ).toBe(false);
    });

    it('is asked at once of the piece that somebody holds, and of no other', async () => {
        const entries = [verdict('a', 1, 'good'), verdict('b', 2, 'scrap'), verdict('c', 3, 'good')];
        const third = shown(entries, 3);
        expect(third.get('select').element.value).toBe('c');
        await third.get('input').setValue('cracked');
        await third.get('form').trigger('submit');
        expect(recordAll).toHaveBeenCalledWith('r1', [
            expect.objectContaining({ data: expect.objectContaining({ event: 'c' }) }),
        ]);
        // What was scrap already is not found bad again.
        expect(shown(entries, 2).find('form').exists()).toBe(false);
        expect(shown(entries, null).find('form').exists()).toBe(false);
    });
});
