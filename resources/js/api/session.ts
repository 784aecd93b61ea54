import { reactive } from 'vue';
import { api, Unreachable } from './client';
import { kept } from './store';
import type { Preferences, Session } from './types';

export const session = reactive<Session & { known: boolean }>({
    person: null, preferences: { units: 'metric', theme: 'auto', glove: false }, people: [], server_time: 0, known: false,
});

async function take(next: Session): Promise<void> {
    Object.assign(session, next, { known: true });
    await (await kept).put('last', JSON.parse(JSON.stringify(next)) as Session, 'session');
}

/** Who is signed in; without the server, who was. */
export async function loadSession(): Promise<void> {
    try {
        await take(await api.get<Session>('session'));
    } catch (error) {
        if (!(error instanceof Unreachable)) throw error;
        const last = (await (await kept).get('last', 'session')) as Session | undefined;
        if (last) Object.assign(session, last);
        session.known = true;
    }
}

/** A screen that hangs on the wall for days stays signed in: asking for the session renews its cookie. */
setInterval(() => { if (session.person) void loadSession().catch(() => undefined); }, 3600_000);

export const signIn = async (login: string, password: string) => take(await api.post<Session>('session', { login, password }));
export const switchPerson = async (person_id: number, pin: string) => take(await api.post<Session>('session/pin', { person_id, pin }));
export const signOut = async () => take(await api.delete<Session>('session'));

export async function setPreferences(change: Partial<Preferences>): Promise<void> {
    session.preferences = { ...session.preferences, ...change };
    session.preferences = await api.put<Preferences>('me/preferences', session.preferences);
}
