// What every bench of a running demo wants: its address and its database by its folder, somebody who is signed in, and
// how times are told.
import { execFileSync } from 'node:child_process';
import { readFileSync } from 'node:fs';

/** Everybody of the demo: name and password to sign in. */
export const PEOPLE = [
    ['maren', 'two-heats-oak'],
    ['ines', 'flake-to-panel'],
    ['teodor', 'warm-in-cold-out'],
    ['jun', 'slow-and-even'],
];

export const quantile = (list, q) =>
    [...list].sort((a, b) => a - b)[Math.min(list.length - 1, Math.floor(q * list.length))] ?? NaN;

export const line = (name, value) => console.log(`${name.padEnd(58)} ${value}`);

/** A shop that `start` began, by its folder: where it answers, and what asks its database. */
export function shopIn(state) {
    const read = (name) => readFileSync(`${state}/${name}`, 'utf8').trim();
    const password = /^DITHERMIC_DB_PASSWORD=['"]?([^'"\n]+)/m.exec(read('app.env'))[1];

    return {
        base: `http://127.0.0.1:${read('run/web-port')}`,
        psql: (sql) =>
            execFileSync('psql', ['-qtAX', '-h', '127.0.0.1', '-p', read('run/pg-port'), '-U', 'dithermic'], {
                env: { ...process.env, PGDATABASE: 'dithermic', PGPASSWORD: password },
                input: sql,
                encoding: 'utf8',
            }).trim(),
    };
}

/** Headers of a screen of somebody who is signed in. */
export async function signIn(base, [login, password]) {
    const said = { Accept: 'application/json', 'Content-Type': 'application/json', Origin: base };
    const cookies = new Map();
    const keep = (answer) => {
        for (const cookie of answer.headers.getSetCookie()) {
            const [, name, value] = /^([^=]+)=([^;]*)/.exec(cookie);
            cookies.set(name, value);
        }
    };
    const headers = () => ({
        ...said,
        Cookie: [...cookies].map(([name, value]) => `${name}=${value}`).join('; '),
        'X-XSRF-TOKEN': decodeURIComponent(cookies.get('XSRF-TOKEN') ?? ''),
    });
    keep(await fetch(`${base}/api/v1/session`, { headers: said }));
    const answer = await fetch(`${base}/api/v1/session`, {
        method: 'POST',
        headers: headers(),
        body: JSON.stringify({ login, password }),
    });
    if (!answer.ok) throw new Error(`signing in: ${answer.status} ${await answer.text()}`);
    keep(answer);
    return headers();
}
