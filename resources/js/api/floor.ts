import { reactive } from 'vue';
import { api, Refused, Unreachable } from './client';
import { queue } from './queue';
import { session } from './session';
import { kept } from './store';
import type { Floor } from './types';

/** The floor is asked for every few seconds and on every change; the last answer stands while the server is away. */
export const floor = reactive<{ now: Floor | null }>({ now: null });

export async function refreshFloor(): Promise<void> {
    if (!session.person) return;
    try {
        floor.now = await api.get<Floor>('floor');
        queue.online = true;
        await (await kept).put('last', JSON.parse(JSON.stringify(floor.now)) as Floor, 'floor');
    } catch (error) {
        if (error instanceof Unreachable) queue.online = false;
        else if (error instanceof Refused && error.status === 401) queue.signedOut = true;
        floor.now ??= ((await (await kept).get('last', 'floor')) as Floor | undefined) ?? null;
    }
}

export function watchFloor(): void {
    void refreshFloor();
    window.setInterval(() => {
        if (document.visibilityState === 'visible') void refreshFloor();
    }, 4000);
    document.addEventListener('visibilitychange', () => void refreshFloor());
}
