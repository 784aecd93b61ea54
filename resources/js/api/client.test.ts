import { afterEach, expect, it, vi } from 'vitest';
import { api, coming, Refused, Unreachable } from './client';

const answer = (status: number, body: unknown) =>
    new Response(JSON.stringify(body), { status, headers: { 'Content-Type': 'application/json' } });
const task = (over: Record<string, unknown>) => ({
    id: 'a-task',
    kind: 'calc',
    state: 'waiting',
    share: 0,
    answer: null,
    fault: null,
    at: 0,
    ...over,
});

/** Answers one request after the other, and keeps what was asked. */
function server(...answers: Response[]) {
    const asked: string[] = [];
    vi.stubGlobal('fetch', async (path: string, init?: RequestInit) => {
        asked.push(`${init?.method ?? 'GET'} ${path}`);
        return answers.shift() ?? answer(500, {});
    });
    document.cookie = 'XSRF-TOKEN=known';
    return asked;
}

afterEach(() => {
    vi.unstubAllGlobals();
    vi.useRealTimers();
});

it('waits for what the server does in its queue and tells how far it is', async () => {
    vi.useFakeTimers();
    const asked = server(
        answer(202, task({})),
        answer(200, task({ state: 'running', share: 0.4 })),
        answer(200, task({ state: 'done', share: 1, answer: { volume_cm3: 12 } })),
    );
    const told: number[] = [];
    const result = api.post<{ volume_cm3: number }>('calc/mesh.measure', { file: 'x' }, undefined, (share) =>
        told.push(share),
    );
    await vi.runAllTimersAsync();
    expect(await result).toEqual({ volume_cm3: 12 });
    expect(told).toEqual([0, 0.4]);
    expect(asked).toEqual([
        'POST /api/v1/calc/mesh.measure',
        'GET /api/v1/tasks/a-task',
        'GET /api/v1/tasks/a-task',
    ]);
});

it('refuses as a short request would when the task failed, and gives up when the server is gone', async () => {
    vi.useFakeTimers();
    server(
        answer(202, task({})),
        answer(200, task({ state: 'failed', fault: { field: 'file', message: 'has no facets' } })),
    );
    const refused = api.post('calc/mesh.measure', {}).catch((error: unknown) => error);
    await vi.runAllTimersAsync();
    expect(await refused).toBeInstanceOf(Refused);
    expect(await refused).toMatchObject({ field: 'file', message: 'has no facets' });
    server(answer(202, task({})), answer(503, { error: { field: 'database', message: 'not now' } }));
    const gone = api.post('calc/mesh.measure', {}).catch((error: unknown) => error);
    await vi.runAllTimersAsync();
    expect(await gone).toBeInstanceOf(Unreachable);
});

it('takes an accepted answer that is no task as it is', async () => {
    server(answer(202, { stored: ['a'] }));
    expect(await api.post('readings', {})).toEqual({ stored: ['a'] });
});

const crowded = () => answer(429, { error: { field: '', message: 'too many at once' } });

it('waits its turn where too many are asked at once, and is answered', async () => {
    vi.useFakeTimers();
    const asked = server(crowded(), crowded(), answer(200, { range_mm: 0.3 }));
    const result = api.post<{ range_mm: number }>('calc/quality.thickness_grid', {});
    await vi.runAllTimersAsync();
    expect(await result).toEqual({ range_mm: 0.3 });
    expect(asked).toHaveLength(3);
});

it('does not try again while it was told how long to wait, nor for ever', async () => {
    vi.useFakeTimers();
    const told = new Response('{"error":{"field":"","message":"too many tries: wait 4 s"}}', {
        status: 429,
        headers: { 'Retry-After': '4' },
    });
    const one = server(told);
    await expect(api.post('session', {})).rejects.toThrow('too many tries: wait 4 s');
    expect(one).toHaveLength(1);
    const many = server(...Array.from({ length: 40 }, crowded));
    const refused = api.post('calc/heat.sheet', {}).catch((error: unknown) => error);
    await vi.runAllTimersAsync();
    expect(await refused).toBeInstanceOf(Refused);
    expect(many).toHaveLength(21);
});

it('asks no more for what nobody waits for', async () => {
    vi.useFakeTimers();
    const asked = server(crowded(), answer(200, {}));
    const letGo = new AbortController();
    const refused = api.post('calc/heat.sheet', {}, letGo.signal).catch((error: unknown) => error);
    await vi.advanceTimersByTimeAsync(10);
    letGo.abort();
    await vi.runAllTimersAsync();
    expect((await refused) as DOMException).toMatchObject({ name: 'AbortError' });
    expect(asked).toHaveLength(1);
});

const refusedSession = () => answer(401, { error: { field: 'session', message: 'sign in first' } });

it('asks again what was asked by who was here before, once somebody else is here', async () => {
    let arrives: (person: string) => void = () => undefined;
    const switching = coming(new Promise<string>((resolve) => (arrives = resolve)));
    const asked = server(refusedSession(), answer(200, { lanes: [] }));
    const floor = api.get<{ lanes: unknown[] }>('floor');
    await vi.waitFor(() => expect(asked).toHaveLength(1));
    // Not before the other is here: the old cookie would be refused again.
    await new Promise((resolve) => setTimeout(resolve, 20));
    expect(asked).toHaveLength(1);
    arrives('Ines Halloran');
    expect(await floor).toEqual({ lanes: [] });
    expect(await switching).toBe('Ines Halloran');
    expect(asked).toHaveLength(2);
});

it('asks again also where the refusal comes after the other has come', async () => {
    let refuse: (response: Response) => void = () => undefined;
    const asked: string[] = [];
    vi.stubGlobal('fetch', async (path: string) => {
        asked.push(path);
        return asked.length === 1
            ? new Promise<Response>((resolve) => (refuse = resolve))
            : answer(200, { lanes: [] });
    });
    const floor = api.get<{ lanes: unknown[] }>('floor');
    await coming(Promise.resolve('Ines Halloran'));
    refuse(refusedSession());
    expect(await floor).toEqual({ lanes: [] });
});

it('is signed out where nobody came: it asks no second time', async () => {
    const asked = server(refusedSession());
    await expect(api.get('floor')).rejects.toMatchObject({ status: 401 });
    expect(asked).toHaveLength(1);
});

it('does not take a wrong PIN for somebody who came', async () => {
    await expect(coming(Promise.reject(new Refused(422, 'pin', 'is not right')))).rejects.toThrow(
        'is not right',
    );
    const asked = server(refusedSession());
    await expect(api.get('floor')).rejects.toMatchObject({ status: 401 });
    expect(asked).toHaveLength(1);
});
