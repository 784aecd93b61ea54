import { beforeEach, describe, expect, it, vi } from 'vitest';
import { changes, keepChange, letGo, loadChange, sayOfChange, sendSaid, unsentSaid } from './changes';
import { api, Refused, Unreachable } from './client';
import { queue } from './queue';
import { session } from './session';
import { kept } from './store';
import type { Change } from './types';

const change = (after: number) => ({ id: 'c1', after, tasks: [] }) as unknown as Change;
const person = (id: number) => ({ id, name: 'Ines Halloran', role: 'operator', has_pin: true });

beforeEach(async () => {
    vi.restoreAllMocks();
    for (const said of [...changes.said]) await letGo(said.id);
    delete changes.known.c1;
    await (await kept).delete('last', 'change c1');
    Object.assign(session, { person: person(7) });
    queue.online = true;
    queue.signedOut = false;
});

describe('what is said of a job change', () => {
    it('is kept here before it is sent, with who said it, when, and what they had seen', async () => {
        vi.spyOn(api, 'post').mockRejectedValue(new Unreachable('off'));
        await sayOfChange(change(4), 'tapped', { task: 'water_on', tap: '1 in' });
        await sendSaid();
        const stored = await (await kept).get('last', `said ${changes.said[0]!.id}`);
        expect(stored).toMatchObject({ by_id: 7, after: 4, kind: 'tapped', said: { tap: '1 in' } });
        expect((stored as { at: number }).at).toBeGreaterThan(1e9);
        expect(unsentSaid.value).toBe(1);
        expect(queue.online).toBe(false);
    });
    it('goes out in order, each once, and is forgotten then', async () => {
        const post = vi.spyOn(api, 'post').mockRejectedValue(new Unreachable('off'));
        await sayOfChange(change(4), 'tapped', { task: 'w', tap: 'a' });
        await sayOfChange(change(4), 'tapped', { task: 'w', tap: 'b' });
        await sendSaid();
        post.mockReset();
        post.mockImplementation(async () => change(9));
        await Promise.all([sendSaid(), sendSaid()]);
        expect(post.mock.calls.map((c) => (c[1] as { tap: string }).tap)).toEqual(['a', 'b']);
        expect(changes.said).toEqual([]);
        expect(changes.known.c1!.after).toBe(9);
        expect(await (await kept).getAll('last', IDBKeyRange.bound('said ', 'said ~'))).toEqual([]);
    });
    it('waits for the person who said it', async () => {
        const post = vi.spyOn(api, 'post').mockRejectedValueOnce(new Unreachable('off'));
        await sayOfChange(change(4), 'over', { task: 'w' });
        await sendSaid();
        post.mockResolvedValue(change(5));
        session.person = person(8);
        await sendSaid();
        expect(changes.said).toHaveLength(1);
        session.person = person(7);
        await sendSaid();
        expect(changes.said).toHaveLength(0);
    });
    it('stays with the reason when it is refused, and what comes after it goes out', async () => {
        vi.spyOn(api, 'get').mockResolvedValue(change(6));
        const post = vi.spyOn(api, 'post').mockRejectedValueOnce(new Refused(422, 'task', 'is through'));
        await sayOfChange(change(4), 'over', { task: 'w' });
        await sendSaid();
        expect(changes.said[0]!.refused).toBe('Task is through.');
        expect(changes.known.c1!.after).toBe(6);
        post.mockResolvedValue(change(7));
        await sayOfChange(change(6), 'over', { task: 'v' });
        await sendSaid();
        expect(changes.said.map((s) => s.said.task)).toEqual(['w']);
        expect(unsentSaid.value).toBe(0);
    });
    it('steps aside when it breaks the server three times, and lets the others go', async () => {
        vi.spyOn(api, 'get').mockResolvedValue(change(6));
        const post = vi
            .spyOn(api, 'post')
            .mockImplementation((_path, body) =>
                (body as { task: string }).task === 'bad'
                    ? Promise.reject(new Unreachable('500', true))
                    : Promise.resolve(change(7)),
            );
        await sayOfChange(change(4), 'over', { task: 'bad' });
        await sayOfChange(change(4), 'over', { task: 'good' });
        for (let i = 0; i < 4; i++) await sendSaid();
        expect(changes.said.map((s) => s.said.task)).toEqual(['bad']);
        expect(changes.said[0]!.refused).toContain('three times');
        expect(post.mock.calls.filter((c) => (c[1] as { task: string }).task === 'good')).toHaveLength(1);
    });
    it('holds no hand up while a server that does not answer is waited for', async () => {
        let answer: (change: Change) => void = () => undefined;
        vi.spyOn(api, 'post').mockReturnValue(new Promise((done) => (answer = done)));
        await sayOfChange(change(4), 'over', { task: 'w' });
        expect(unsentSaid.value).toBe(1);
        answer(change(5));
        await vi.waitFor(() => expect(unsentSaid.value).toBe(0));
    });
    it.each([401, 419])('asks for a sign-in on %d and loses nothing', async (status) => {
        vi.spyOn(api, 'post').mockRejectedValue(new Refused(status, '', 'sign in'));
        await sayOfChange(change(4), 'over', { task: 'w' });
        await sendSaid();
        expect(queue.signedOut).toBe(true);
        expect(unsentSaid.value).toBe(1);
    });
});

describe('a change that is looked up', () => {
    it('is as it was seen last where no server answers', async () => {
        const get = vi.spyOn(api, 'get').mockResolvedValueOnce(change(4));
        await loadChange('c1');
        delete changes.known.c1;
        get.mockRejectedValue(new Unreachable('off'));
        expect((await loadChange('c1'))!.after).toBe(4);
        expect(await loadChange('never')).toBeNull();
    });
    it('is not what was asked before an answer that knows of more', async () => {
        await keepChange(change(9));
        vi.spyOn(api, 'get').mockResolvedValue(change(7));
        expect((await loadChange('c1'))!.after).toBe(9);
    });
    it('is refused where there is none', async () => {
        vi.spyOn(api, 'get').mockRejectedValue(new Refused(404, '', 'none'));
        await expect(loadChange('c1')).rejects.toThrow('none');
    });
});
