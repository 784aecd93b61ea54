import { openDB, type DBSchema } from 'idb';
import type { Floor, NewEvent, Run, Session } from './types';

export interface QueuedEvent {
    key: string;
    run_id: string;
    order: number;
    event: NewEvent;
    by: string;
    refused: string | null;
}

interface Kept extends DBSchema {
    queue: { key: string; value: QueuedEvent; indexes: { run: string } };
    runs: { key: string; value: Run };
    last: { key: 'floor' | 'session'; value: Floor | Session };
}

/** What this screen keeps for itself: entries not yet with the server, and the last it heard, for a reload without it. */
export const kept = openDB<Kept>('dithermic', 1, {
    upgrade(db) {
        db.createObjectStore('queue', { keyPath: 'key' }).createIndex('run', 'run_id');
        db.createObjectStore('runs', { keyPath: 'summary.id' });
        db.createObjectStore('last');
    },
});
