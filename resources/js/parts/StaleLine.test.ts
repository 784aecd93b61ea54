import { afterEach, describe, expect, it, vi } from 'vitest';
import { nextTick, ref } from 'vue';
import { floor } from '../api/floor';
import { queue } from '../api/queue';
import type { Floor } from '../api/types';
import { shown, textOf } from '../tests/mount';
import * as clock from './clock';
import StaleLine from './StaleLine.vue';
import { timeOfDay } from './units';

const READ = 1_000_000;
afterEach(() => {
    vi.restoreAllMocks();
    queue.online = true;
    floor.now = null;
});

describe('while the server is away', () => {
    it('says from when it is what stands here, and how long that is', async () => {
        const now = ref(READ + 30);
        vi.spyOn(clock, 'useNow').mockReturnValue(now);
        floor.now = { server_time: READ } as unknown as Floor;
        const page = await shown(StaleLine, {});
        expect(page.find('p').exists()).toBe(false);
        queue.online = false;
        await nextTick();
        expect(textOf(page)).toContain(`as it was at ${timeOfDay(READ)}, just now`);
        now.value = READ + 7 * 60;
        await nextTick();
        expect(textOf(page)).toContain('7 min ago');
        queue.online = true;
        await nextTick();
        expect(page.find('p').exists()).toBe(false);
    });

    it('does not come in under a finger: it is there when that is lifted', async () => {
        vi.useFakeTimers();
        floor.now = { server_time: READ } as unknown as Floor;
        const page = await shown(StaleLine, {});
        window.dispatchEvent(new Event('pointerdown'));
        queue.online = false;
        await nextTick();
        expect(page.find('p').exists()).toBe(false);
        window.dispatchEvent(new Event('pointerup'));
        vi.advanceTimersByTime(1);
        await nextTick();
        expect(page.find('p').exists()).toBe(true);
        vi.useRealTimers();
    });
});
