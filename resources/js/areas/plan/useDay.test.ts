import { flushPromises } from '@vue/test-utils';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { defineComponent, h } from 'vue';
import { shown } from '../../tests/mount';
import { useDay, type DayOf } from './useDay';

afterEach(() => vi.unstubAllGlobals());

/** A server that keeps plans back until they are let go; what was posted, in order. */
function slow() {
    const posted: { path: string; body: { after?: number } }[] = [];
    const plans: ((after: number) => void)[] = [];
    vi.stubGlobal('fetch', (url: string, init: RequestInit = {}) => {
        const path = String(url).replace(/^.*\/api\/v1\//, '');
        if (path.startsWith('day?'))
            return new Promise((resolve) =>
                plans.push((after) => resolve(new Response(JSON.stringify({ after }), { status: 200 }))),
            );
        if (init.method === 'POST')
            posted.push({ path, body: JSON.parse(String(init.body)) as { after?: number } });
        return Promise.resolve(new Response(null, { status: 204 }));
    });
    const planned = async (after: number) => {
        await vi.waitFor(() => expect(plans.length).toBeGreaterThan(0));
        plans.splice(0).forEach((answer) => answer(after));
        await flushPromises();
    };
    return { posted, planned };
}
async function onScreen() {
    let day!: DayOf;
    await shown(
        defineComponent(() => {
            day = useDay();
            return () => h('p');
        }),
        {},
    );
    return day;
}

describe('what is said of a day', () => {
    it('names the newest wish: the next is not made before that is known here', async () => {
        const { posted, planned } = slow();
        const day = await onScreen();
        await planned(3);
        const first = day.wish('order-1', 'pinned', 100);
        await vi.waitFor(() => expect(posted).toHaveLength(1));
        // Its own wish is the newest now, and this screen has not heard of it yet.
        await day.wish('order-1', 'free');
        expect(posted).toHaveLength(1);
        expect(day.busy.value).toBe(true);
        await planned(4);
        await first;
        const second = day.wish('order-1', 'free');
        await planned(5);
        await second;
        expect(posted.map((p) => p.body.after)).toEqual([3, 4]);
    });

    it('is kept before the plan of it is drawn', async () => {
        const { posted, planned } = slow();
        const day = await onScreen();
        await planned(0);
        expect(await day.here(2, 100, 200)).toBe(true);
        expect(posted[0]!.path).toBe('day/people');
        expect(day.busy.value).toBe(false);
    });
});
