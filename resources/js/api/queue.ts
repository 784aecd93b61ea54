import { computed, reactive, shallowReactive } from 'vue';
import { serverNow } from '../parts/clock';
import { api, Refused, Unreachable } from './client';
import { GAVE_UP, nextOrder, oneAtATime, plain, stepsAside } from './outbox';
import { session } from './session';
import { kept, type QueuedEvent } from './store';
import type { Appended, NewEvent, Run } from './types';
import { newest, whole } from './whole';

/**
 * Entries go into this browser's own database first, are shown at once, and are sent with their key until the server
 * has them. The server stores each key once, so sending twice is harmless.
 */
interface State {
    waiting: QueuedEvent[];
    runs: Record<string, Run>;
    online: boolean;
    signedOut: boolean;
}

export const queue = reactive<State>({
    waiting: [],
    runs: shallowReactive<Record<string, Run>>({}) as Record<string, Run>,
    online: true,
    signedOut: false,
});
export const unsent = computed(() => queue.waiting.filter((q) => q.refused === null).length);

export function newKey(): string {
    const bytes = crypto.getRandomValues(new Uint8Array(16));
    bytes[6] = (bytes[6]! & 0x0f) | 0x40;
    bytes[8] = (bytes[8]! & 0x3f) | 0x80;
    const hex = [...bytes].map((b) => b.toString(16).padStart(2, '0')).join('');
    return `${hex.slice(0, 8)}-${hex.slice(8, 12)}-${hex.slice(12, 16)}-${hex.slice(16, 20)}-${hex.slice(20)}`;
}

export async function openQueue(): Promise<void> {
    const db = await kept;
    queue.waiting = (await db.getAll('queue')).sort((a, b) => a.order - b.order);
    window.addEventListener('online', () => void flush());
    window.setInterval(() => void flush(), 3000);
    void flush();
}

/** What is entered; by a touch of the screen unless it says otherwise. */
export interface Entry {
    type: NewEvent['type'];
    data: Record<string, unknown>;
    source?: NewEvent['source'];
}

/** One entry for a run; kept here before it is sent, and shown at once. */
export const record = (runId: string, type: NewEvent['type'], data: Record<string, unknown>) =>
    recordAll(runId, [{ type, data }]);

/** Entries of one touch: all are kept before any is sent, and they are sent together, in this order. */
export async function recordAll(runId: string, entries: Entry[]): Promise<void> {
    await keepAll(runId, entries);
    await flush();
}

/** The half of it that asks no server: kept in this browser, and shown. */
export async function keepAll(runId: string, entries: Entry[]): Promise<void> {
    const at = Math.round(serverNow() * 1000) / 1000;
    const all = entries.map(({ type, data, source }): QueuedEvent => {
        const event: NewEvent = {
            key: newKey(),
            type,
            at,
            by_id: session.person?.id ?? null,
            sitting: session.sitting ?? null,
            source: source ?? 'tap',
            data: plain(data),
        };
        return {
            key: event.key,
            run_id: runId,
            order: nextOrder(),
            event,
            by: session.person?.name ?? '',
            refused: null,
        };
    });
    const store = await kept;
    for (const queued of all) await store.put('queue', queued);
    queue.waiting.push(...all);
}

export async function forget(key: string): Promise<void> {
    await (await kept).delete('queue', key);
    queue.waiting = queue.waiting.filter((q) => q.key !== key);
}

const knowsLess = (run: Run, known: Run | undefined) =>
    known !== undefined && run.events.length < known.events.length;

/** What the server last said. An answer overtaken on its way by one that knows of more entries is let go. */
export async function keepRun(answer: Run): Promise<void> {
    const { id } = answer.summary;
    const run = whole(queue.runs[id], answer) ?? (await api.get<Run>(`runs/${id}`));
    if (knowsLess(run, queue.runs[id])) return;
    queue.runs[id] = run;
    await (await kept).put('runs', plain(run));
}

export async function loadRun(id: string): Promise<Run | null> {
    try {
        const since = newest(queue.runs[id]);
        const run = await api.get<Run>(since > 0 ? `runs/${id}?since=${since}` : `runs/${id}`);
        queue.online = true;
        await keepRun(run);
        return queue.runs[id] ?? run;
    } catch (error) {
        if (error instanceof Refused) {
            if (error.status === 401) queue.signedOut = true;
            if (error.status !== 401) throw error;
        } else queue.online = false;
        const before = await (await kept).get('runs', id);
        if (before && !knowsLess(before, queue.runs[id])) queue.runs[id] = before;
        return queue.runs[id] ?? null;
    }
}

/** runs whose entries are sent one by one for now, because a batch broke the server */
const alone = new Set<string>();

/** Asked for while one was under way, which may have looked before the last entry was there, it looks again. */
export const flush = oneAtATime(send);

async function send(): Promise<void> {
    for (;;) {
        const first = queue.waiting.find((q) => q.refused === null);
        if (!first) {
            alone.clear();
            return;
        }
        const batch = queue.waiting
            .filter((q) => q.refused === null && q.run_id === first.run_id)
            .slice(0, alone.has(first.run_id) ? 1 : 100);
        try {
            const answer = await api.post<Appended>(`runs/${first.run_id}/events`, {
                since: newest(queue.runs[first.run_id]),
                events: batch.map((q) => q.event),
            });
            queue.online = true;
            queue.signedOut = false;
            await keepRun(answer.run);
            for (const key of answer.stored) await forget(key);
            for (const refused of answer.refused) await refuse(refused.key, refused.message);
            if (answer.stored.length + answer.refused.length === 0) return;
        } catch (error) {
            if (error instanceof Unreachable && error.broke) {
                // Something in it breaks the server. Sent one by one the good ones get through; one that has broken it
                // three times alone steps aside and says so, and is kept here.
                if (!alone.has(first.run_id)) {
                    alone.add(first.run_id);
                    continue;
                }
                if (!stepsAside(first.key)) return;
                await refuse(first.key, GAVE_UP);
                continue;
            }
            if (error instanceof Unreachable) {
                queue.online = false;
                return;
            }
            if (error instanceof Refused && (error.status === 401 || error.status === 419)) {
                queue.signedOut = true;
                return;
            }
            if (error instanceof Refused && error.status === 429) return;
            if (!(error instanceof Refused)) return;
            // A batch that was refused as a whole is sent one by one: only the entry that is wrong carries the reason.
            if (batch.length > 1) alone.add(first.run_id);
            else await refuse(first.key, error.message);
        }
    }
}

async function refuse(key: string, message: string): Promise<void> {
    const queued = queue.waiting.find((q) => q.key === key);
    if (!queued) return;
    queued.refused = message;
    await (await kept).put('queue', plain(queued));
}
