import { reactive } from 'vue';
import { api, Refused, Unreachable } from './client';
import { keepAsking } from './news';
import { plain } from './outbox';
import { queue } from './queue';
import { session } from './session';
import { kept } from './store';
import type { Floor } from './types';

const EVERY_MS = 4000;
/** However much is told by however many, it is asked for at once and then no more often, ms. */
const GATHER_MS = 3000;

/** The floor is asked for every few seconds and on every change; the last answer stands while the server is away. */
export const floor = reactive<{ now: Floor | null }>({ now: null });

export async function refreshFloor(): Promise<void> {
    if (!session.person) return;
    try {
        floor.now = await api.get<Floor>('floor');
        queue.online = true;
        await (await kept).put('last', plain(floor.now), 'floor');
    } catch (error) {
        if (error instanceof Unreachable) queue.online = false;
        else if (error instanceof Refused && error.status === 401) queue.signedOut = true;
        floor.now ??= ((await (await kept).get('last', 'floor')) as Floor | undefined) ?? null;
    }
}

export function watchFloor(): void {
    void refreshFloor();
    keepAsking(() => void refreshFloor(), {
        kinds: ['run', 'change', 'alarms', 'stock', 'dry', 'charge', 'sorting'],
        everyMs: EVERY_MS,
        gatherMs: GATHER_MS,
    });
    document.addEventListener('visibilitychange', () => void refreshFloor());
}
