import { VueQueryPlugin } from '@tanstack/vue-query';
import { flushPromises, mount } from '@vue/test-utils';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { session } from '../../api/session';
import type { Channel } from '../../api/types';
import ChannelsCard from './ChannelsCard.vue';

const button = {
    emits: ['click'],
    props: ['type', 'disabled'],
    template:
        '<button :type="type ?? \'button\'" :disabled="disabled" @click="$emit(\'click\')"><slot /></button>',
};
const channel = (over: Partial<Channel> = {}): Channel => ({
    id: 7,
    key: 'platen_top_c',
    unit: '°C',
    value: 184.4,
    at: 1_790_000_000,
    offset: -0.6,
    calibrated_at: null,
    watched: 'never',
    low: null,
    high: null,
    follows: null,
    may_follow: ['platen_c'],
    delay_s: 10,
    silent_s: null,
    per_min: null,
    says: 'not watched',
    standing: [],
    after: 3,
    log: [],
    ...over,
});
const sent: { path: string; body: Record<string, unknown> }[] = [];
async function card(channels: Channel[], refuse?: object) {
    sent.length = 0;
    vi.stubGlobal('fetch', async (url: string, init?: RequestInit) => {
        if (init?.method === 'POST') {
            sent.push({ path: String(url), body: JSON.parse(String(init.body)) });
            if (refuse) return new Response(JSON.stringify({ error: refuse }), { status: 422 });
        }
        const items = String(url).endsWith('/alarms') ? [] : channels;
        return new Response(JSON.stringify({ items, next: null }));
    });
    const page = mount(ChannelsCard, {
        props: { machine: 4 },
        global: { plugins: [VueQueryPlugin], stubs: { VBtn: button } },
    });
    await flushPromises();
    await flushPromises();
    return page;
}
const tap = (page: Awaited<ReturnType<typeof card>>, text: string) =>
    page
        .findAll('button')
        .find((b) => b.text() === text)!
        .trigger('click');
beforeEach(() => {
    session.person = { id: 1, name: 'Maren Okafor', role: 'lead' } as typeof session.person;
});
afterEach(() => vi.unstubAllGlobals());

describe('what instruments read of a machine', () => {
    it('is not there where nothing is read', async () => {
        expect((await card([])).find('section').exists()).toBe(false);
    });

    it('says between what it should stay, as the server has it', async () => {
        const page = await card([channel({ says: 'in a run: -8 to +6 K from the plan’s platen_c' })]);
        expect(page.text()).toContain('in a run: -8 to +6 K from the plan’s platen_c');
    });

    it('names what is wrong now, and what it was off by', async () => {
        const page = await card([channel({ standing: ['low', 'silent'], calibrated_at: 1_790_000_000 })]);
        expect(page.findAll('.tag').map((t) => t.text())).toEqual(['too low', 'silent']);
        expect(page.text()).toContain('Off by 0.6');
    });

    it('sends the limits whole, on what was seen', async () => {
        const page = await card([channel({ low: 5, high: 9, watched: 'always' })]);
        await tap(page, 'Limits');
        await page.findAll('input')[1]!.setValue('12');
        await page.get('form').trigger('submit');
        await flushPromises();
        expect(sent).toHaveLength(1);
        expect(sent[0]!.path).toMatch(/channels\/7\/limits$/);
        expect(sent[0]!.body).toMatchObject({ after: 3, watched: 'always', low: 5, high: 12, follows: null });
        expect(page.find('form').exists()).toBe(false);
    });

    it('stays open with the reason when it is refused, and what was typed stays', async () => {
        const page = await card([channel()], { field: 'after', message: 'is not the newest' });
        await tap(page, 'Calibrate');
        await page.findAll('input')[0]!.setValue('100');
        await page.get('form').trigger('submit');
        await flushPromises();
        expect(page.get('[role=alert]').text()).toBe('After is not the newest.');
        expect((page.findAll('input')[0]!.element as HTMLInputElement).value).toBe('100');
        expect(sent[0]!.body).toMatchObject({ true: 100, shown: null, after: 3 });
    });

    it('lets nobody but a lead change anything', async () => {
        session.person = { id: 2, name: 'Jun Asare', role: 'operator' } as typeof session.person;
        expect((await card([channel()])).findAll('button')).toHaveLength(0);
    });
});
