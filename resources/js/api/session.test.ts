import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { api, Refused, Unreachable } from './client';
import { loadSession, session, setPreferences, signIn, signOut, switchPerson } from './session';
import { kept } from './store';
import type { Session } from './types';

const INES = { id: 3, name: 'Ines Halloran', role: 'operator' } as Session['person'];
const TEODOR = { id: 2, name: 'Teodor Blum', role: 'operator' } as Session['person'];
const of = (person: Session['person'], over: Partial<Session> = {}): Session => ({
    person,
    preferences: { units: 'metric', theme: 'auto', glove: false },
    people: [],
    server_time: 0,
    sitting: null,
    ...over,
});
const later = () => {
    let done: (answer: Session) => void = () => undefined;
    const promise = new Promise<Session>((resolve) => (done = resolve));
    return { promise, done };
};

beforeEach(async () => {
    await (await kept).clear('last');
    Object.assign(session, of(null), { known: false });
});
afterEach(() => vi.restoreAllMocks());

describe('who sits at this screen', () => {
    it('is whom the server says, and is known again without it after a reload', async () => {
        vi.spyOn(api, 'get').mockResolvedValueOnce(of(INES, { sitting: 'proof-of-ines' }));
        await loadSession();
        expect(session.person?.name).toBe('Ines Halloran');
        Object.assign(session, of(null), { known: false });
        vi.spyOn(api, 'get').mockRejectedValueOnce(new Unreachable('The server does not answer.'));
        await loadSession();
        expect(session.person?.name).toBe('Ines Halloran');
        expect(session.sitting).toBe('proof-of-ines');
        expect(session.known).toBe(true);
    });

    it('is who was, where the server is there and will not say now', async () => {
        vi.spyOn(api, 'get').mockResolvedValueOnce(of(INES));
        await loadSession();
        Object.assign(session, of(null), { known: false });
        vi.spyOn(api, 'get').mockRejectedValueOnce(new Refused(429, '', 'Too many tries. Wait a minute.'));
        await loadSession();
        expect(session.person?.name).toBe('Ines Halloran');
        expect(session.known).toBe(true);
    });

    it('is who was, where the answer never comes', async () => {
        vi.spyOn(api, 'get').mockResolvedValueOnce(of(INES));
        await loadSession();
        Object.assign(session, of(null), { known: false });
        vi.restoreAllMocks();
        vi.spyOn(AbortSignal, 'timeout').mockReturnValueOnce(
            AbortSignal.abort(new DOMException('', 'TimeoutError')),
        );
        vi.stubGlobal('fetch', (_path: string, { signal }: RequestInit) => Promise.reject(signal!.reason));
        await loadSession();
        vi.unstubAllGlobals();
        expect(session.person?.name).toBe('Ines Halloran');
    });

    it('is nobody where nobody ever was and the server is away', async () => {
        vi.spyOn(api, 'get').mockRejectedValueOnce(new Unreachable('The server does not answer.'));
        await loadSession();
        expect(session.person).toBeNull();
        expect(session.known).toBe(true);
    });

    it('keeps the proof of the sitting while the same person sits, and no longer', async () => {
        vi.spyOn(api, 'post').mockResolvedValueOnce(of(INES, { sitting: 'proof-of-ines' }));
        await signIn('ines', 'flake-to-panel');
        vi.spyOn(api, 'get').mockResolvedValueOnce(of(INES));
        await loadSession();
        expect(session.sitting).toBe('proof-of-ines');
        vi.spyOn(api, 'get').mockResolvedValueOnce(of(TEODOR));
        await loadSession();
        expect(session.sitting).toBeNull();
    });

    it('is not put back by an answer that was asked for before somebody took over', async () => {
        vi.spyOn(api, 'post').mockResolvedValueOnce(of(TEODOR));
        await signIn('teodor', 'warm-in-cold-out');
        const slow = later();
        vi.spyOn(api, 'get').mockReturnValueOnce(slow.promise);
        const asking = loadSession();
        await vi.waitFor(() => expect(api.get).toHaveBeenCalled());
        vi.spyOn(api, 'post').mockResolvedValueOnce(of(INES, { sitting: 'proof-of-ines' }));
        await switchPerson(3, '7305');
        slow.done(of(TEODOR));
        await asking;
        expect(session.person?.name).toBe('Ines Halloran');
        expect(session.sitting).toBe('proof-of-ines');
    });

    it('stays who it was when the PIN is wrong', async () => {
        vi.spyOn(api, 'post').mockResolvedValueOnce(of(TEODOR));
        await signIn('teodor', 'warm-in-cold-out');
        vi.spyOn(api, 'post').mockRejectedValueOnce(new Refused(422, 'pin', 'is not right'));
        await expect(switchPerson(3, '0000')).rejects.toThrow('is not right');
        expect(session.person?.name).toBe('Teodor Blum');
    });

    it('is nobody after signing out, also after a reload', async () => {
        vi.spyOn(api, 'post').mockResolvedValueOnce(of(INES, { sitting: 'proof-of-ines' }));
        await signIn('ines', 'flake-to-panel');
        vi.spyOn(api, 'delete').mockResolvedValueOnce(of(null));
        await signOut();
        expect(session.person).toBeNull();
        expect(session.sitting).toBeNull();
        expect((await (await kept).get('last', 'session')) as Session).toMatchObject({ person: null });
    });
});

it('shows a preference at once, and then what the server kept of it', async () => {
    const asked = vi
        .spyOn(api, 'put')
        .mockResolvedValueOnce({ units: 'imperial', theme: 'auto', glove: false });
    const sending = setPreferences({ units: 'imperial', glove: true });
    expect(session.preferences.glove).toBe(true);
    await sending;
    expect(asked.mock.calls[0]).toEqual([
        'me/preferences',
        { units: 'imperial', theme: 'auto', glove: true },
    ]);
    expect(session.preferences).toEqual({ units: 'imperial', theme: 'auto', glove: false });
});
