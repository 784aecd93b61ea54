// Twenty people at work while instruments send 5,000 readings a second, and the database is killed half way:
// `dithermic bench --busy [SECONDS]`, in a demo that is thrown away. Then it is counted what was acknowledged and is
// not there.
import { spawn } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { setTimeout as pause } from 'node:timers/promises';
import { line, PEOPLE, quantile, shopIn, signIn } from './measure.mjs';

const state = process.env.LARAVEL_STORAGE_PATH;
const { base, psql } = shopIn(state);
const SECONDS = Number(process.argv[2] ?? 600);
const SCREENS = 20;
const RUNS = 8;
const MACHINES = 10;
const CHANNELS = 10;
const HZ = 50;
const TAP_GOAL_MS = 150;

const spread = (list) =>
    `p50 ${quantile(list, 0.5).toFixed(0)}   p95 ${quantile(list, 0.95).toFixed(0)}   longest ${Math.max(...list).toFixed(0)} ms`;

/** Status and JSON of an answer; null where none came in time. */
async function ask(method, path, headers, body) {
    try {
        const answer = await fetch(`${base}/api/v1/${path}`, {
            method,
            headers,
            body: body === undefined ? undefined : JSON.stringify(body),
            signal: AbortSignal.timeout(20_000),
        });
        return { status: answer.status, json: await answer.json().catch(() => null) };
    } catch {
        return null;
    }
}
const must = async (method, path, headers, body) => {
    const answer = await ask(method, path, headers, body);
    if (answer === null || answer.status >= 300)
        throw new Error(`${method} ${path}: ${answer?.status} ${JSON.stringify(answer?.json).slice(0, 300)}`);
    return answer.json;
};

const screens = [];
for (let i = 0; i < SCREENS; i++) screens.push(await signIn(base, PEOPLE[i % PEOPLE.length]));
const lead = screens[0];
const machines = (await must('GET', 'machines', lead)).items.slice(0, MACHINES);
// With all that was logged of them: what a tap costs is that the whole run is looked at before it is taken.
const runs = (await must('GET', 'runs', lead)).items.slice(0, RUNS).map((run) => run.id);
const tokens = [];
for (const machine of machines)
    tokens.push(
        await must('POST', 'tokens', lead, {
            name: `busy ${machine.name}`,
            scopes: ['readings'],
            machine_id: machine.id,
            days: 1,
        }),
    );

const began = Date.now();
const until = began + SECONDS * 1000;
/** When the database was not there, ms of Date.now(). */
const gone = { from: Infinity, to: Infinity };
const isCalm = (from, to) => to < gone.from || from > gone.to;

/** behind: by machine, whole seconds of readings that wait to be sent */
const sent = { acknowledged: 0, again: 0, ms: [], behind: new Map() };
async function instrument(machine, token) {
    const headers = {
        Accept: 'application/json',
        'Content-Type': 'application/json',
        Authorization: `Bearer ${token}`,
    };
    for (let second = 0; began + second * 1000 < until; second++) {
        await pause(Math.max(0, began + (second + 1) * 1000 + machine.id * 90 - Date.now()));
        const from = began / 1000 + second;
        const readings = [];
        for (let channel = 0; channel < CHANNELS; channel++)
            for (let i = 0; i < HZ; i++)
                readings.push({
                    machine: machine.name,
                    channel: `busy_${channel}_bar`,
                    value: 40 + channel + Math.sin(second + i / HZ),
                    at: Math.round(1000 * (from + i / HZ)) / 1000,
                });
        const batch = { id: randomUUID(), readings };
        for (;;) {
            const start = Date.now();
            sent.behind.set(machine.id, Math.floor((start - began) / 1000) - second - 1);
            const answer = await ask('POST', 'readings', headers, batch);
            if (answer?.status === 201) {
                if (isCalm(start, Date.now())) sent.ms.push(Date.now() - start);
                sent.acknowledged += readings.length;
                break;
            }
            sent.again++;
            await pause(1000);
        }
    }
    sent.behind.set(machine.id, 0);
}

const taps = { keys: [], ms: [], late: [], again: 0, refused: [] };
const looks = [];
async function person(headers, nth) {
    await pause(200 * nth);
    const run = runs[nth % runs.length];
    let since = 0;
    while (Date.now() < until) {
        const key = `busy-${randomUUID()}`;
        const touched = Date.now();
        for (let tries = 1; ; tries++) {
            const answer = await ask('POST', `runs/${run}/events`, headers, {
                since,
                events: [{ key, type: 'noted', at: touched / 1000, data: { text: `busy ${nth}` } }],
            });
            if (answer?.status === 200 || answer?.status === 201) {
                since = answer.json.run.since + answer.json.run.events.length;
                if (answer.json.stored?.includes(key)) taps.keys.push(key);
                else taps.refused.push(JSON.stringify(answer.json.refused ?? answer.json).slice(0, 200));
                (isCalm(touched, Date.now()) && tries === 1 ? taps.ms : taps.late).push(Date.now() - touched);
                break;
            }
            taps.again++;
            await pause(1000);
        }
        const looked = Date.now();
        const floor = await ask('GET', 'floor', headers);
        if (floor?.status === 200 && isCalm(looked, Date.now())) looks.push(Date.now() - looked);
        await pause(2000 + 2000 * Math.random());
    }
}

/** The database dies with all its processes, and is begun again as a shop is begun. */
async function killed() {
    await pause((SECONDS * 1000) / 2);
    const where = readFileSync(`${state}/cluster`, 'utf8').trim();
    const pidFile = `${where === 'here' ? `${state}/pg` : where}/data/postmaster.pid`;
    gone.from = Date.now();
    process.kill(Number(readFileSync(pidFile, 'utf8').split('\n')[0]), 'SIGKILL');
    const start = spawn(`${process.env.HERE}/bin/dithermic`, ['start'], {
        env: { PATH: process.env.PATH, HOME: process.env.HOME ?? '/', DITHERMIC_STATE: state },
        stdio: 'ignore',
    });
    const started = new Promise((done) => start.on('exit', done));
    while ((await ask('GET', 'floor', lead))?.status !== 200) await pause(100);
    gone.back = Date.now();
    await started;
    // What waited meanwhile comes in at once: that is of the outage too.
    while (Math.max(...sent.behind.values()) > 1) await pause(100);
    gone.to = Date.now();
}

/** Of each minute: how its taps went, and how much of its time the host of this machine gave to others. */
const minutes = [];
async function watched() {
    const times = () =>
        readFileSync('/proc/stat', 'utf8').split('\n')[0].split(/\s+/).slice(1, 9).map(Number);
    for (let from = times(); Date.now() < until;) {
        const before = taps.ms.length;
        await pause(Math.min(60_000, until - Date.now()));
        const spent = times().map((now, i) => now - from[i]);
        from = times();
        minutes.push([taps.ms.slice(before), spent[7] / spent.reduce((sum, one) => sum + one, 0)]);
    }
}

console.log(
    `${SCREENS} people, ${machines.length} machines of ${CHANNELS} channels at ${HZ} Hz, ${SECONDS} s; taps on the ${runs.length} newest runs\n`,
);
await Promise.all([
    ...machines.map((machine, i) => instrument(machine, tokens[i].token)),
    ...screens.map(person),
    killed(),
    watched(),
]);
const took = (Date.now() - began) / 1000;

const stored = Number(
    psql(
        `select count(*) from readings where channel like 'busy\\_%' and at >= to_timestamp(${began / 1000 - 1})`,
    ),
);
const noted = Number(
    psql(`select count(*) from run_events where key in (${taps.keys.map((key) => `'${key}'`).join(',')})`),
);
const lost = Math.max(0, sent.acknowledged - stored) + Math.max(0, taps.keys.length - noted);
const p95 = quantile(taps.ms, 0.95);
line(
    'readings acknowledged',
    `${sent.acknowledged}, ${(sent.acknowledged / SECONDS).toFixed(0)} a second; all ${took.toFixed(0)} s after the first was read`,
);
line(`a batch of ${CHANNELS * HZ}, ${sent.ms.length}`, spread(sent.ms));
line(
    `taps of people, ${taps.ms.length}`,
    `${spread(taps.ms)}   goal ${TAP_GOAL_MS}${p95 > TAP_GOAL_MS ? ' ✗' : ''}`,
);
for (const [i, [ms, stolen]] of minutes.entries())
    line(
        `  in minute ${i + 1}, of which ${(100 * stolen).toFixed(0)} % were not given to this machine`,
        spread(ms),
    );
line(`looks at the floor, ${looks.length}`, spread(looks));
line(
    'the database was killed: floor again, all caught up after',
    `${((gone.back - gone.from) / 1000).toFixed(1)} s, ${((gone.to - gone.from) / 1000).toFixed(1)} s`,
);
line(`taps that fell on that, ${taps.late.length}, until they were saved`, spread(taps.late));
line('batches and taps sent again', `${sent.again} and ${taps.again}`);
line(
    'readings and taps there, of those acknowledged',
    `${stored} of ${sent.acknowledged}, ${noted} of ${taps.keys.length}`,
);
if (taps.refused.length > 0) line(`refused, ${taps.refused.length}`, taps.refused[0]);
console.log(`\n${lost} lost, of what was acknowledged`);
process.exit(lost > 0 || p95 > TAP_GOAL_MS ? 1 : 0);
