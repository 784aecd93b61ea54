import { afterEach, describe, expect, it, vi } from 'vitest';
import { buttonOf, server, shown, textOf } from '../../tests/mount';
import TraceCard from './TraceCard.vue';

afterEach(() => vi.unstubAllGlobals());
const BEGAN = new Date(2026, 10, 27, 10, 0).getTime() / 1000;
const every = (seconds: number, from: number, to: number) =>
    Array.from({ length: Math.floor((to - from) / seconds) + 1 }, (_, i) => [
        from + i * seconds,
        180 + (i % 3),
    ]);
const card = async () => {
    const asked = server({
        // Of a stretch they are read finer.
        'runs/r1/readings': (a: { path: string }) => {
            const query = new URLSearchParams(a.path.split('?')[1] ?? '');
            const from = Number(query.get('from') ?? BEGAN);
            return {
                platen_c: every(query.has('from') ? 1 : 20, from, Number(query.get('to') ?? BEGAN + 3600)),
            };
        },
    });
    const page = await shown(TraceCard, { run: 'r1', marks: [], later: () => false });
    await vi.waitFor(() => expect(page.find('.trace').exists()).toBe(true));
    return { asked, page };
};
const drawn = (d: string | undefined) => (d?.match(/[ML]/g) ?? []).length;

describe('what was measured over a run', () => {
    it('is drawn closer and read finer, then whole again', async () => {
        const { asked, page } = await card();
        expect(textOf(page)).toContain('The whole run.');
        expect(drawn(page.get('.trace').attributes('d'))).toBe(181);
        for (let i = 0; i < 5; i++) await buttonOf(page, 'Closer').trigger('click');
        await vi.waitFor(() => expect(asked.at(-1)!.path).toContain('from='));
        expect(textOf(page)).toContain('1.9 min');
        await vi.waitFor(() => expect(drawn(page.get('.trace').attributes('d'))).toBeGreaterThan(100));
        await buttonOf(page, 'Whole run').trigger('click');
        expect(textOf(page)).toContain('The whole run.');
    });

    it('is moved by keys and by dragging, and stands still while all of it is seen', async () => {
        const { page } = await card();
        const board = page.get('.board');
        const text = () => textOf(page.get('[role=status]'));
        await board.trigger('keydown', { key: 'ArrowRight' });
        expect(text()).toBe('The whole run.');
        await board.trigger('keydown', { key: '+' });
        expect(text()).toContain('10:15 to 10:45');
        await board.trigger('keydown', { key: 'ArrowRight' });
        expect(text()).toContain('10:21 to 10:51');
        await board.trigger('keydown', { key: '0' });
        expect(text()).toBe('The whole run.');
    });

    it('leaves the wheel to the page, unless a key is held', async () => {
        const { page } = await card();
        const board = page.get('.board');
        await board.trigger('wheel', { deltaY: -100 });
        expect(textOf(page)).toContain('The whole run.');
        await board.trigger('wheel', { deltaY: -100, ctrlKey: true, clientX: 0 });
        expect(textOf(page)).not.toContain('The whole run.');
    });
});
