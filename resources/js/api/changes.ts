import { computed, reactive, shallowReactive } from 'vue';
import { serverNow } from '../parts/clock';
import { sentence } from '../parts/useSend';
import { api, Refused, Unreachable } from './client';
import { GAVE_UP, nextOrder, oneAtATime, plain, stepsAside } from './outbox';
import { newKey, queue } from './queue';
import { session } from './session';
import { kept, type ChangeSaid } from './store';
import type { Change } from './types';

/**
 * Job changes as this screen knows them, and what was said of them here. It is kept in this browser before it is sent,
 * as entries of a run are: each goes out once, in order, by the person who said it.
 */
export const changes = reactive({
    known: shallowReactive<Record<string, Change>>({}) as Record<string, Change>,
    said: [] as ChangeSaid[],
});
export const unsentSaid = computed(() => changes.said.filter((s) => s.refused === null).length);

const EVERY_MS = 3000;

export async function openChanges(): Promise<void> {
    const said = await (await kept).getAll('last', IDBKeyRange.bound('said ', 'said ~'));
    changes.said = (said as ChangeSaid[]).sort((a, b) => a.order - b.order);
    window.addEventListener('online', () => void sendSaid());
    window.setInterval(() => void sendSaid(), EVERY_MS);
    void sendSaid();
}

/** What the server last said. An answer overtaken on its way by one that knows of more is let go. */
export async function keepChange(change: Change): Promise<void> {
    if ((changes.known[change.id]?.after ?? 0) > change.after) return;
    changes.known[change.id] = change;
    await (await kept).put('last', plain(change), `change ${change.id}`);
}

/** As the server has it; without one as this screen saw it last; null where it never did. */
export async function loadChange(id: string): Promise<Change | null> {
    try {
        await keepChange(await api.get<Change>(`changes/${id}`));
    } catch (error) {
        if (error instanceof Refused && error.status !== 401) throw error;
        const before = (await (await kept).get('last', `change ${id}`)) as Change | undefined;
        if (before && !changes.known[id]) changes.known[id] = before;
    }
    return changes.known[id] ?? null;
}

/** Keeps it here and shows it; it is sent when that can be, and no hand waits for it. */
export async function sayOfChange(
    change: Change,
    kind: string,
    said: Record<string, unknown>,
): Promise<void> {
    const one: ChangeSaid = {
        id: newKey(),
        change_id: change.id,
        order: nextOrder(),
        by_id: session.person?.id ?? 0,
        after: change.after,
        at: Math.round(serverNow() * 1000) / 1000,
        kind,
        said: plain(said),
        refused: null,
    };
    await (await kept).put('last', one, `said ${one.id}`);
    changes.said.push(one);
    void sendSaid();
}

/** What was refused is let go once somebody has read why. */
export async function letGo(id: string): Promise<void> {
    await (await kept).delete('last', `said ${id}`);
    changes.said = changes.said.filter((s) => s.id !== id);
}

export const sendSaid = oneAtATime(sendAll);

async function sendAll(): Promise<void> {
    for (;;) {
        const next = changes.said.find((s) => s.refused === null && s.by_id === session.person?.id);
        if (!next) return;
        try {
            const { id, after, at, kind, said } = next;
            const answer = await api.post<Change>(`changes/${next.change_id}/entries`, {
                id,
                after,
                at,
                kind,
                ...said,
            });
            queue.online = true;
            await keepChange(answer);
            await letGo(id);
        } catch (error) {
            if (error instanceof Unreachable && error.broke) {
                if (!stepsAside(next.id)) return;
                await refuse(next, GAVE_UP);
                continue;
            }
            if (!(error instanceof Refused)) {
                queue.online = false;
                return;
            }
            if ([401, 419, 429].includes(error.status)) {
                if (error.status !== 429) queue.signedOut = true;
                return;
            }
            await refuse(next, sentence(error));
        }
    }
}

/** It is kept with the reason; how the change stands is asked for, somebody else may have gone on. */
async function refuse(said: ChangeSaid, why: string): Promise<void> {
    said.refused = why;
    await (await kept).put('last', plain(said), `said ${said.id}`);
    await loadChange(said.change_id).catch(() => null);
}
