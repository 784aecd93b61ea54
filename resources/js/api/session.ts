import { reactive } from 'vue';
import { api, coming, comings, Refused, Unreachable } from './client';
import { plain } from './outbox';
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

const become = async (answer: Promise<Session>) => take(await coming(answer));

async function take(next: Session): Promise<void> {
    // The proof of a sitting is told once, as it begins: it is kept while the same person sits here.
    const sitting =
        next.sitting ??
        (next.person !== null && next.person.id === session.person?.id ? session.sitting : null);
    const now = { ...next, sitting };
    Object.assign(session, now, { known: true });
    await (await kept).put('last', plain(now), 'session');
}

/** An answer that is lost on its way never comes: a screen that begins does not wait for it. */
const PATIENCE_MS = 10_000;

/** Who is signed in; without the server, or where it does not say now, who was. */
export async function loadSession(): Promise<void> {
    // A reload begins with nothing in hand: who sat here, and the proof of it, stand in this screen's own store.
    const last = (await (await kept).get('last', 'session')) as Session | undefined;
    if (last && !session.known)
        Object.assign(session, { person: last.person, sitting: last.sitting ?? null });
    const before = comings.count;
    try {
        const now = await api.get<Session>('session', AbortSignal.timeout(PATIENCE_MS));
        // An answer that was asked for before is of somebody who may have left.
        if (comings.count === before) await take(now);
    } catch (error) {
        if (!(error instanceof Unreachable || error instanceof Refused)) throw error;
        if (last && comings.count === before) Object.assign(session, last);
        session.known = true;
    }
}

/** A screen that hangs on the wall for days stays signed in: asking for the session renews its cookie. */
setInterval(() => {
    if (session.person) void loadSession().catch(() => undefined);
}, 3600_000);

export const signIn = (login: string, password: string) =>
    become(api.post<Session>('session', { login, password }));
export const switchPerson = (person_id: number, pin: string) =>
    become(api.post<Session>('session/pin', { person_id, pin }));
export const signOut = () => become(api.delete<Session>('session'));

export async function setPreferences(change: Partial<Preferences>): Promise<void> {
    session.preferences = { ...session.preferences, ...change };
    session.preferences = await api.put<Preferences>('me/preferences', session.preferences);
}
