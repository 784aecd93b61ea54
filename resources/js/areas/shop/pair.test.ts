import { VueQueryPlugin } from '@tanstack/vue-query';
import { flushPromises, mount } from '@vue/test-utils';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { createMemoryHistory, createRouter } from 'vue-router';
import { session } from '../../api/session';
import type { Pairing } from '../../api/types';
import PairCard from './PairCard.vue';
import PairPage from './PairPage.vue';

const button = {
    emits: ['click'],
    props: ['type', 'disabled', 'to'],
    template:
        '<button :type="type ?? \'button\'" :disabled="disabled" :data-to="to" @click="$emit(\'click\')"><slot /></button>',
};
const asking: Pairing = {
    code: '7K3M9PQ2',
    name: 'bath thermometer',
    channels: ['bath_c'],
    address: '192.0.2.7',
    asked_at: 1_790_000_000,
    machine: null,
    let_in: false,
};
let there: Pairing | null = asking;
const sent: unknown[] = [];
const router = () =>
    createRouter({
        history: createMemoryHistory(),
        routes: [
            { path: '/', component: { template: '<p />' } },
            { path: '/i/:code', component: PairPage },
        ],
    });

beforeEach(() => {
    vi.useFakeTimers({ toFake: ['setInterval', 'setTimeout', 'clearInterval', 'clearTimeout'] });
    session.person = { id: 1, name: 'Maren Okafor', role: 'lead' } as typeof session.person;
    there = { ...asking };
    sent.length = 0;
    document.cookie = 'XSRF-TOKEN=x';
    vi.stubGlobal('fetch', async (url: string, init?: RequestInit) => {
        if (String(url).endsWith('/machines'))
            return new Response(
                JSON.stringify({
                    items: [
                        { id: 4, name: 'Attic', retired: false },
                        { id: 5, name: 'Anvil', retired: false },
                        { id: 6, name: 'Old one', retired: true },
                    ],
                    next: null,
                }),
            );
        if (init?.method === 'POST') {
            sent.push(JSON.parse(String(init.body)));
            there = { ...there!, machine: 'Attic' };
            return new Response(JSON.stringify(there));
        }
        return new Response(JSON.stringify({ items: there === null ? [] : [there], next: null }));
    });
});
afterEach(() => {
    vi.useRealTimers();
    vi.unstubAllGlobals();
    session.person = null;
});

async function page(path: string) {
    const plugin = router();
    await plugin.push(path);
    const shown = mount(PairPage, { global: { plugins: [VueQueryPlugin, plugin], stubs: { VBtn: button } } });
    await flushPromises();
    await flushPromises();
    return shown;
}
const later = async (ms: number) => {
    await vi.advanceTimersByTimeAsync(ms);
    await flushPromises();
};

describe('the page that a code of an instrument opens', () => {
    it('says what asks, takes the machine, waits until the instrument was let in', async () => {
        const shown = await page('/i/7k3m9pq2');
        expect(shown.text()).toContain('bath thermometer');
        expect(shown.text()).toContain('192.0.2.7');
        expect(shown.findAll('.tile').map((t) => t.text())).toEqual(['Anvil', 'Attic']);
        const go = () => shown.findAll('button').find((b) => !b.classes('tile'))!;
        expect(go().attributes('disabled')).toBeDefined();
        await shown.findAll('.tile')[1]!.trigger('click');
        expect(go().text()).toBe('It hangs at Attic: let it in');
        await go().trigger('click');
        await flushPromises();
        expect(sent).toEqual([{ machine_id: 4 }]);
        expect(shown.text()).toContain('bath thermometer hangs at Attic');
        there = { ...there!, let_in: true };
        await later(2100);
        expect(shown.text()).toContain('is let in at Attic');
        expect(shown.find('[data-to="/shop/machines/4"]').exists()).toBe(true);
    });

    it('begins at the machine from whose page one came', async () => {
        const shown = await page('/i/7K3M9PQ2?at=5');
        expect(shown.find('.tile[aria-pressed="true"]').text()).toBe('Anvil');
    });

    it('looks again by itself while nothing asks', async () => {
        there = null;
        const shown = await page('/i/7K3M9PQ2');
        expect(shown.text()).toContain('No instrument asks by this code');
        there = { ...asking };
        await later(2100);
        expect(shown.text()).toContain('bath thermometer');
    });

    it('asks nothing for who is no lead', async () => {
        session.person = { id: 2, name: 'Ines Halloran', role: 'operator' } as typeof session.person;
        const shown = await page('/i/7K3M9PQ2');
        expect(shown.text()).toContain('A lead pairs instruments');
        expect(shown.findAll('button')).toEqual([]);
    });
});

describe('the card on a machine’s page', () => {
    it.each(['7k3m9pq2', 'I-7K3M9PQ2', ' i-7k3m9pq2 '])('opens what is typed as %j', async (typed) => {
        const plugin = router();
        await plugin.push('/');
        const shown = mount(PairCard, {
            props: { machine: 4 },
            global: { plugins: [plugin], stubs: { VBtn: button } },
        });
        await shown.find('input').setValue(typed);
        await shown.find('form').trigger('submit');
        await flushPromises();
        expect(plugin.currentRoute.value.fullPath).toBe('/i/7K3M9PQ2?at=4');
        shown.unmount();
    });

    it('opens nothing that is no code', async () => {
        const plugin = router();
        await plugin.push('/');
        const shown = mount(PairCard, {
            props: { machine: 4 },
            global: { plugins: [plugin], stubs: { VBtn: button } },
        });
        await shown.find('input').setValue('L-0101');
        expect(shown.find('button').attributes('disabled')).toBeDefined();
        await shown.find('form').trigger('submit');
        await flushPromises();
        expect(plugin.currentRoute.value.fullPath).toBe('/');
        shown.unmount();
    });
});
