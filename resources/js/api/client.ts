import { noteServerTime } from '../parts/clock';

/** What the server refused: which field, and why. */
export class Refused extends Error {
    constructor(readonly status: number, readonly field: string, message: string, readonly body: Record<string, unknown> = {}) {
        super(message);
    }
}

/** The server could not be reached, or could not take it now; nothing is lost, it is worth another try. */
export class Unreachable extends Error {}

function cookie(name: string): string | null {
    const found = document.cookie.split('; ').find((part) => part.startsWith(`${name}=`));
    return found ? decodeURIComponent(found.slice(name.length + 1)) : null;
}

async function send(method: string, path: string, body?: unknown, signal?: AbortSignal): Promise<Response> {
    const headers: Record<string, string> = { Accept: 'application/json' };
    if (body !== undefined) headers['Content-Type'] = 'application/json';
    const token = cookie('XSRF-TOKEN');
    if (token !== null) headers['X-XSRF-TOKEN'] = token;
    try {
        return await fetch(`/api/v1/${path}`, { method, headers, body: body === undefined ? undefined : JSON.stringify(body), credentials: 'same-origin', signal });
    } catch (error) {
        if (error instanceof DOMException && error.name === 'AbortError') throw error;
        throw new Unreachable('The server does not answer.');
    }
}

async function request<T>(method: string, path: string, body?: unknown, signal?: AbortSignal): Promise<T> {
    if (method !== 'GET' && cookie('XSRF-TOKEN') === null) await fetchToken();
    let response = await send(method, path, body, signal);
    if (response.status === 419) {
        await fetchToken();
        response = await send(method, path, body, signal);
    }
    if (response.status === 204) return undefined as T;
    if (response.status >= 502 || response.status === 500) throw new Unreachable('The server cannot take this now.');
    const json = (await response.json().catch(() => null)) as (T & { error?: { field: string; message: string }; server_time?: number }) | null;
    if (!response.ok) {
        const error = json?.error ?? { field: '', message: response.status === 429 ? 'Too many tries. Wait a minute.' : response.status === 403 ? 'You may not do this.' : 'That did not work.' };
        throw new Refused(response.status, error.field, error.message, error as unknown as Record<string, unknown>);
    }
    if (json && typeof json.server_time === 'number') noteServerTime(json.server_time);
    return json as T;
}

async function fetchToken(): Promise<void> {
    try {
        await fetch('/sanctum/csrf-cookie', { credentials: 'same-origin' });
    } catch {
        throw new Unreachable('The server does not answer.');
    }
}

export const api = {
    get: <T>(path: string, signal?: AbortSignal) => request<T>('GET', path, undefined, signal),
    post: <T>(path: string, body: unknown, signal?: AbortSignal) => request<T>('POST', path, body, signal),
    put: <T>(path: string, body: unknown) => request<T>('PUT', path, body),
    delete: <T>(path: string) => request<T>('DELETE', path),
};
