import { beforeEach, describe, expect, it, vi } from 'vitest';
import { api, Refused, Unreachable } from './client';
import { flush, forget, loadRun, queue, record, unsent } from './queue';
import { session } from './session';
import { kept } from './store';
import type { Run } from './types';

const run = { summary: { id: 'r1' }, events: [], entries: [], steps: [], timers: [] } as unknown as Run;
const stored = (keys: string[]) => ({ stored: keys, refused: [], run });

beforeEach(async () => {
    vi.restoreAllMocks();
    for (const waiting of [...queue.waiting]) await forget(waiting.key);
    Object.assign(session, {
        person: { id: 7, name: 'Ines Halloran', role: 'operator', has_pin: true },
        sitting: 'sit.secret',
    });
});

describe('the queue of entries', () => {
    it('keeps an entry here before it is sent, with its author and the proof of it', async () => {
        vi.spyOn(api, 'post').mockRejectedValue(new Unreachable('off'));
        await record('r1', 'noted', { text: 'seen' });
        expect(queue.online).toBe(false);
        const [held] = await (await kept).getAll('queue');
        expect(held!.event).toMatchObject({
            type: 'noted',
            by_id: 7,
            sitting: 'sit.secret',
            data: { text: 'seen' },
        });
        expect(unsent.value).toBe(1);
    });

    it('sends in the order they were made, each once, and forgets what the server has', async () => {
        const post = vi
            .spyOn(api, 'post')
            .mockRejectedValueOnce(new Unreachable('off'))
            .mockRejectedValueOnce(new Unreachable('off'));
        await record('r1', 'noted', { text: 'one' });
        await record('r1', 'noted', { text: 'two' });
        post.mockImplementation((_path, body) =>
            Promise.resolve(stored((body as { events: { key: string }[] }).events.map((e) => e.key))),
        );
        await flush();
        const last = post.mock.calls.at(-1)![1] as { events: { data: { text: string } }[] };
        expect(last.events.map((e) => e.data.text)).toEqual(['one', 'two']);
        expect(queue.waiting).toEqual([]);
        expect(await (await kept).getAll('queue')).toEqual([]);
    });

    it('keeps a refused entry with its reason, and lets the others go', async () => {
        vi.spyOn(api, 'post').mockImplementation((_path, body) => {
            const [event] = (body as { events: { key: string }[] }).events;
            return Promise.resolve({
                stored: [],
                refused: [{ key: event!.key, field: 'data.step', message: 'not yet' }],
                run,
            });
        });
        await record('r1', 'step_done', { step: 'heat' });
        expect(queue.waiting[0]!.refused).toBe('not yet');
        expect(unsent.value).toBe(0);
    });

    const textOf = (body: unknown) => (body as { events: { key: string; data: { text: string } }[] }).events;
    const wait = async (texts: string[]) => {
        vi.spyOn(api, 'post').mockRejectedValue(new Unreachable('off'));
        for (const text of texts) await record('r1', 'noted', { text });
    };

    it('lets an entry that breaks the server step aside after three tries, and sends the good ones round it', async () => {
        await wait(['one', 'poison', 'three']);
        const sent: string[] = [];
        vi.spyOn(api, 'post').mockImplementation((_path, body) => {
            const events = textOf(body);
            if (events.some((e) => e.data.text === 'poison'))
                return Promise.reject(new Unreachable('broke', true));
            sent.push(...events.map((e) => e.data.text));
            return Promise.resolve(stored(events.map((e) => e.key)));
        });
        for (let i = 0; i < 4; i++) await flush();
        expect(sent).toEqual(['one', 'three']);
        expect(queue.waiting.map((q) => (q.event.data as { text: string }).text)).toEqual(['poison']);
        expect(queue.waiting[0]!.refused).toMatch(/three times/);
        // It is kept on this screen, also after a reload.
        expect((await (await kept).getAll('queue')).map((q) => q.refused)).toEqual([
            expect.stringMatching(/three times/),
        ]);
    });

    it('does not give an entry up while the server is only away', async () => {
        await wait(['one']);
        for (let i = 0; i < 6; i++) await flush();
        expect(queue.waiting[0]!.refused).toBeNull();
    });

    it('blames the entry that is wrong, not the first of its batch', async () => {
        await wait(['one', 'too long', 'three']);
        vi.spyOn(api, 'post').mockImplementation((_path, body) => {
            const events = textOf(body);
            if (events.some((e) => e.data.text === 'too long'))
                return Promise.reject(new Refused(422, 'events.1.data', 'is too long'));
            return Promise.resolve(stored(events.map((e) => e.key)));
        });
        await flush();
        expect(queue.waiting.map((q) => [(q.event.data as { text: string }).text, q.refused])).toEqual([
            ['too long', 'is too long'],
        ]);
    });

    it('waits when nobody is signed in and when it is too much at once, and refuses nothing for it', async () => {
        for (const status of [401, 419, 429]) {
            vi.spyOn(api, 'post').mockRejectedValue(new Refused(status, '', 'wait'));
            await record('r1', 'noted', { text: String(status) });
        }
        expect(unsent.value).toBe(3);
        expect(queue.signedOut).toBe(true);
    });

    it('lets an answer go that was overtaken by one that knows of more', async () => {
        const at = (events: number) => ({ ...run, summary: { id: 'r2' }, events: Array(events).fill({}) });
        let late: (run: unknown) => void = () => {};
        vi.spyOn(api, 'get').mockReturnValueOnce(new Promise((done) => (late = done)));
        vi.spyOn(api, 'post').mockImplementation((_path, body) =>
            Promise.resolve({
                stored: textOf(body).map((e) => e.key),
                refused: [],
                run: at(3),
            }),
        );
        const asked = loadRun('r2');
        await record('r2', 'noted', { text: 'seen' });
        late(at(2));
        expect((await asked)?.events).toHaveLength(3);
        expect(queue.runs.r2?.events).toHaveLength(3);
        expect((await (await kept).get('runs', 'r2'))?.events).toHaveLength(3);
    });

    it('lets the whole go, too, that was asked for because something was missing and then overtaken', async () => {
        const at = (id: string, events: number, since = 0) => ({
            ...run,
            since,
            summary: { id },
            events: Array.from({ length: events - since }, (_, i) => ({
                key: `k${since + i}`,
                seq: since + i + 1,
            })),
        });
        let whole: (run: unknown) => void = () => {};
        vi.spyOn(api, 'get')
            .mockResolvedValueOnce(at('r3', 9, 8))
            .mockReturnValueOnce(new Promise((done) => (whole = done)));
        vi.spyOn(api, 'post').mockImplementation((_path, body) =>
            Promise.resolve({ stored: textOf(body).map((e) => e.key), refused: [], run: at('r3', 10) }),
        );
        const asked = loadRun('r3');
        await record('r3', 'noted', { text: 'seen' });
        whole(at('r3', 9));
        expect((await asked)?.events).toHaveLength(10);
    });

    it('goes on with what it knows where the server is away, however old what is kept is', async () => {
        const at = (events: number) => ({ ...run, summary: { id: 'r4' }, events: Array(events).fill({}) });
        vi.spyOn(api, 'get').mockResolvedValueOnce(at(3)).mockRejectedValue(new Unreachable('off'));
        await loadRun('r4');
        await (await kept).put('runs', JSON.parse(JSON.stringify(at(2))));
        expect((await loadRun('r4'))?.events).toHaveLength(3);
        // Another page of this browser has heard more.
        await (await kept).put('runs', JSON.parse(JSON.stringify(at(4))));
        expect((await loadRun('r4'))?.events).toHaveLength(4);
        expect(queue.online).toBe(false);
    });

    it('sends at once what was entered while another was being answered', async () => {
        const sent: string[] = [];
        vi.spyOn(api, 'post').mockImplementation(async (_path, body) => {
            sent.push(...textOf(body).map((e) => e.data.text));
            return stored(textOf(body).map((e) => e.key));
        });
        await Promise.all(['one', 'two', 'three'].map((text) => record('r1', 'noted', { text })));
        await vi.waitFor(() => expect(queue.waiting).toEqual([]));
        expect(sent).toEqual(['one', 'two', 'three']);
    });
});
