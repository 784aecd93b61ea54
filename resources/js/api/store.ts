import { openDB, type DBSchema } from 'idb';
import type { Change, Floor, NewEvent, Run, Session } from './types';

export interface QueuedEvent {
    key: string;
    run_id: string;
    order: number;
    event: NewEvent;
    by: string;
    refused: string | null;
}

/** Said of a job change, as a person here did it. */
export interface ChangeSaid {
    id: string;
    change_id: string;
    order: number;
    by_id: number;
    /** the newest entry that was seen */
    after: number;
    /** s since 1970 UTC */
    at: number;
    kind: string;
    said: Record<string, unknown>;
    refused: string | null;
}

interface Kept extends DBSchema {
    queue: { key: string; value: QueuedEvent; indexes: { run: string } };
    runs: { key: string; value: Run };
    /** `floor`, `session`, `change ID`, `said ID`: another store would want every window of an older release closed */
    last: { key: string; value: Floor | Session | Change | ChangeSaid };
}

/** What this screen keeps for itself: entries not yet with the server, and the last it heard, for a reload without it. */
export const kept = openDB<Kept>('dithermic', 1, {
    upgrade(db) {
        db.createObjectStore('queue', { keyPath: 'key' }).createIndex('run', 'run_id');
        db.createObjectStore('runs', { keyPath: 'summary.id' });
        db.createObjectStore('last');
    },
});
