import { reactive } from 'vue';
import { api, Unreachable } from './client';
import { kept } from './store';
import type { Preferences, Session } from './types';

export const session = reactive<Session & { known: boolean }>({
    person: null,
    preferences: { units: 'metric', theme: 'auto', glove: false },
    people: [],
    server_time: 0,
    sitting: null,
    known: false,
});

async function take(next: Session): Promise<void> {
    // The proof of a sitting is told once, as it begins: it is kept while the same person sits here.
    const sitting =
        next.sitting ??
        (next.person !== null && next.person.id === session.person?.id ? session.sitting : null);
    const now = { ...next, sitting };
    Object.assign(session, now, { known: true });
    await (await kept).put('last', JSON.parse(JSON.stringify(now)) as Session, 'session');
}

/** Who is signed in; without the server, who was. */
export async function loadSession(): Promise<void> {
    // A reload begins with nothing in hand: who sat here, and the proof of it, stand in this screen's own store.
    const last = (await (await kept).get('last', 'session')) as Session | undefined;
    if (last && !session.known)
        Object.assign(session, { person: last.person, sitting: last.sitting ?? null });
    try {
        await take(await api.get<Session>('session'));
    } catch (error) {
        if (!(error instanceof Unreachable)) throw error;
        if (last) Object.assign(session, last);
        session.known = true;
    }
}

/** A screen that hangs on the wall for days stays signed in: asking for the session renews its cookie. */
setInterval(() => {
    if (session.person) void loadSession().catch(() => undefined);
}, 3600_000);

export const signIn = async (login: string, password: string) =>
    take(await api.post<Session>('session', { login, password }));
export const switchPerson = async (person_id: number, pin: string) =>
    take(await api.post<Session>('session/pin', { person_id, pin }));
export const signOut = async () => take(await api.delete<Session>('session'));

export async function setPreferences(change: Partial<Preferences>): Promise<void> {
    session.preferences = { ...session.preferences, ...change };
    session.preferences = await api.put<Preferences>('me/preferences', session.preferences);
}
