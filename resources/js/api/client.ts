import { noteServerTime } from '../parts/clock';
import { lifted } from '../parts/pressed';
import type { Page } from './types';

/** What the server refused: which field, and why. */
export class Refused extends Error {
    constructor(
        readonly status: number,
        readonly field: string,
        message: string,
        readonly body: Record<string, unknown> = {},
    ) {
        super(message);
    }
}

/** The server could not be reached, or could not take it now; nothing is lost, it is worth another try. */
export class Unreachable extends Error {
    /** @param broke the server was there and failed at just this: sent alone, again and again, it will fail again */
    constructor(
        message: string,
        readonly broke = false,
    ) {
        super(message);
    }
}

function cookie(name: string): string | null {
    const found = document.cookie.split('; ').find((part) => part.startsWith(`${name}=`));
    return found ? decodeURIComponent(found.slice(name.length + 1)) : null;
}

/** Who comes and goes at this screen: how often that was, and a change of it that is under way. */
export const comings: { count: number; now: Promise<unknown> | null } = { count: 0, now: null };

/** Somebody comes or goes: what is asked meanwhile by who was here before is asked again by who is here then. */
export async function coming<T>(answer: Promise<T>): Promise<T> {
    comings.count++;
    comings.now = answer.catch(() => undefined);
    try {
        return await answer;
    } finally {
        comings.count++;
        comings.now = null;
    }
}

const WAIT_MS = 250;
const WAITS = 20;
/** Too many at once, which is over as soon as another is answered; too many in a minute says how long to wait. */
const isCrowded = (response: Response) => response.status === 429 && !response.headers.has('Retry-After');

async function send(method: string, path: string, body?: unknown, signal?: AbortSignal): Promise<Response> {
    const before = comings.count;
    let response = await sendOnce(method, path, body, signal);
    if (response.status === 401 && !path.startsWith('session')) {
        // The session that it was asked in ended with the one who has just left the screen.
        await comings.now;
        if (comings.count !== before) response = await sendOnce(method, path, body, signal);
    }
    for (let waited = 0; isCrowded(response) && waited < WAITS; waited++) {
        await new Promise((resolve) => setTimeout(resolve, WAIT_MS));
        signal?.throwIfAborted();
        response = await sendOnce(method, path, body, signal);
    }
    return response;
}

async function sendOnce(
    method: string,
    path: string,
    body?: unknown,
    signal?: AbortSignal,
): Promise<Response> {
    const headers: Record<string, string> = { Accept: 'application/json' };
    if (body !== undefined) headers['Content-Type'] = 'application/json';
    const token = cookie('XSRF-TOKEN');
    if (token !== null) headers['X-XSRF-TOKEN'] = token;
    try {
        return await fetch(`/api/v1/${path}`, {
            method,
            headers,
            body: body === undefined ? undefined : JSON.stringify(body),
            credentials: 'same-origin',
            signal,
        });
    } catch (error) {
        if (error instanceof DOMException && error.name === 'AbortError') throw error;
        throw new Unreachable('The server does not answer.');
    }
}

/** What the server does in its queue: how far it is, then the answer that a short request would have given. */
interface Task {
    id: string;
    state: 'waiting' | 'running' | 'done' | 'failed';
    share: number;
    answer: unknown;
    fault: { field: string; message: string } | null;
}
export type Progress = (share: number) => void;

const POLL_MS = 500;
const isTask = (status: number, body: unknown): body is Task =>
    status === 202 && typeof body === 'object' && body !== null && 'share' in body && 'state' in body;

async function settled<T>(task: Task, progress?: Progress, signal?: AbortSignal): Promise<T> {
    for (let now = task; ; now = await request<Task>('GET', `tasks/${task.id}`, undefined, signal)) {
        if (now.state === 'done') return now.answer as T;
        if (now.state === 'failed')
            throw new Refused(422, now.fault?.field ?? '', now.fault?.message ?? 'That did not work.');
        progress?.(now.share);
        await new Promise((resolve) => setTimeout(resolve, POLL_MS));
    }
}

async function request<T>(
    method: string,
    path: string,
    body?: unknown,
    signal?: AbortSignal,
    progress?: Progress,
): Promise<T> {
    if (method !== 'GET' && cookie('XSRF-TOKEN') === null) await fetchToken();
    let asked = performance.now();
    let response = await send(method, path, body, signal);
    if (response.status === 419) {
        await fetchToken();
        asked = performance.now();
        response = await send(method, path, body, signal);
    }
    if (response.status === 204) return undefined as T;
    if (response.status >= 500)
        throw new Unreachable('The server cannot take this now.', response.status === 500);
    const json = (await response.json().catch(() => null)) as
        (T & { error?: { field: string; message: string }; server_time?: number }) | null;
    if (!response.ok) {
        const error = json?.error ?? {
            field: '',
            message:
                response.status === 429
                    ? 'Too many tries. Wait a minute.'
                    : response.status === 403
                      ? 'You may not do this.'
                      : 'That did not work.',
        };
        throw new Refused(
            response.status,
            error.field,
            error.message,
            error as unknown as Record<string, unknown>,
        );
    }
    if (isTask(response.status, json)) return settled<T>(json, progress, signal);
    if (json && typeof json.server_time === 'number') noteServerTime(json.server_time, asked);
    if (method === 'GET') await lifted();
    return json as T;
}

async function fetchToken(): Promise<void> {
    try {
        await fetch('/sanctum/csrf-cookie', { credentials: 'same-origin' });
    } catch {
        throw new Unreachable('The server does not answer.');
    }
}

/** A file, with how much of it has gone (fetch cannot tell that), then how far the server is with it. */
async function upload<T>(
    path: string,
    file: File,
    progress: Progress,
    fields: Record<string, string> = {},
): Promise<T> {
    if (cookie('XSRF-TOKEN') === null) await fetchToken();
    const body = new FormData();
    for (const [name, value] of Object.entries(fields)) body.append(name, value);
    body.append('file', file);
    return new Promise<T>((resolve, reject) => {
        const ask = new XMLHttpRequest();
        ask.open('POST', `/api/v1/${path}`);
        ask.responseType = 'json';
        ask.setRequestHeader('Accept', 'application/json');
        ask.setRequestHeader('X-XSRF-TOKEN', cookie('XSRF-TOKEN') ?? '');
        ask.upload.onprogress = (e) => progress(e.total > 0 ? e.loaded / e.total : 0);
        ask.onerror = () => reject(new Unreachable('The server does not answer.'));
        ask.onload = () => {
            const answer = ask.response as (T & { error?: { field: string; message: string } }) | null;
            if (isTask(ask.status, answer)) settled<T>(answer, progress).then(resolve, reject);
            else if (ask.status >= 200 && ask.status < 300 && answer) resolve(answer);
            else if (ask.status >= 500) reject(new Unreachable('The server cannot take this now.'));
            else
                reject(
                    new Refused(
                        ask.status,
                        answer?.error?.field ?? 'file',
                        answer?.error?.message ??
                            (ask.status === 413
                                ? 'is larger than 200 MB'
                                : ask.status === 429
                                  ? 'must wait a minute: too many at once'
                                  : 'was not taken'),
                    ),
                );
        };
        ask.send(body);
    });
}

/** Bytes as they are, for a drawing. */
async function bytes(path: string, signal?: AbortSignal): Promise<ArrayBuffer> {
    const response = await fetch(`/api/v1/${path}`, { credentials: 'same-origin', signal });
    if (!response.ok) throw new Unreachable('The server cannot give this now.');
    return response.arrayBuffer();
}

export const api = {
    upload,
    bytes,
    get: <T>(path: string, signal?: AbortSignal) => request<T>('GET', path, undefined, signal),
    /** A page of a list. */
    page: <T>(path: string, signal?: AbortSignal) => request<Page<T>>('GET', path, undefined, signal),
    /** What stands on the first page of a list: for those that have but one. */
    list: async <T>(path: string, signal?: AbortSignal) =>
        (await request<Page<T>>('GET', path, undefined, signal)).items,
    post: <T>(path: string, body: unknown, signal?: AbortSignal, progress?: Progress) =>
        request<T>('POST', path, body, signal, progress),
    put: <T>(path: string, body: unknown) => request<T>('PUT', path, body),
    delete: <T>(path: string) => request<T>('DELETE', path),
};
