import { VueQueryPlugin } from '@tanstack/vue-query';
import { flushPromises, mount } from '@vue/test-utils';
import { afterEach, describe, expect, it, vi } from 'vitest';
import HeardList from './HeardList.vue';

const pull = (piece: number, state = 'ok', says = 'Sealed at 1.4 s.') => ({
    piece,
    title: 'Pull',
    state,
    says,
    marks: [
        { at_s: 3.4, what: 'sealed' },
        { at_s: 6.4, what: 'tank' },
    ],
    points: [
        [0, 101],
        [4, 82],
        [20, 30],
    ],
});
const answer = (items: unknown[]) => {
    const asked = vi.fn<(path: string) => Promise<Response>>(
        async () => new Response(JSON.stringify({ items, next: null }), { status: 200 }),
    );
    vi.stubGlobal('fetch', asked);
    return asked;
};
const shown = async (props: { pieces: number; live?: boolean }) => {
    const list = mount(HeardList, {
        props: { run: 'r1', piece: 'part', ...props },
        global: { plugins: [VueQueryPlugin] },
    });
    await flushPromises();
    await flushPromises();
    return list;
};
afterEach(() => vi.unstubAllGlobals());

describe('what the gauge told', () => {
    it('stands newest first, in words and as a trace with its moments', async () => {
        answer([pull(1), pull(2, 'warn', 'It leaks.')]);
        const list = await shown({ pieces: 2 });
        const items = list.findAll('li');
        expect(items.map((i) => i.find('strong').text())).toEqual(['Pull of part 2', 'Pull of part 1']);
        expect(items[0]!.classes()).toContain('warn');
        expect(items[0]!.text()).toContain('▲');
        expect(items[1]!.text()).not.toContain('▲');
        expect(items[1]!.find('svg').attributes('aria-label')).toBe('Sealed at 1.4 s.');
        expect(items[1]!.findAll('.mark')).toHaveLength(2);
        expect(items[1]!.find('.line').attributes('d')).toMatch(/^M2\.0 .*L178\.0 /);
    });

    it('is not there where nothing was told, and asks nothing where nothing can be', async () => {
        const asked = answer([]);
        expect((await shown({ pieces: 0 })).find('section').exists()).toBe(false);
        expect(asked).not.toHaveBeenCalled();
        expect((await shown({ pieces: 1 })).find('section').exists()).toBe(false);
        expect(asked).toHaveBeenCalledTimes(1);
    });

    it('listens on while the run lives and a piece has not told yet, and then no more', async () => {
        vi.useFakeTimers();
        try {
            const asked = answer([pull(1)]);
            const list = mount(HeardList, {
                props: { run: 'r2', pieces: 2, live: true },
                global: { plugins: [VueQueryPlugin] },
            });
            await vi.advanceTimersByTimeAsync(100);
            expect(asked).toHaveBeenCalledTimes(1);
            await vi.advanceTimersByTimeAsync(8100);
            expect(asked).toHaveBeenCalledTimes(2);
            await list.setProps({ live: false });
            await vi.advanceTimersByTimeAsync(30_000);
            expect(asked.mock.calls.length).toBeLessThanOrEqual(3);
            list.unmount();
        } finally {
            vi.useRealTimers();
        }
    });
});
