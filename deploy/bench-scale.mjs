// Lists, pages, charts, recalls and traces of the running shop, each beside the same question in plain SQL:
// `dithermic bench --scale`, after `dithermic seed --scale`. What is slower than its goal is said, with the plan of the query.
import { execFileSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { request } from '@playwright/test';

const state = process.env.LARAVEL_STORAGE_PATH;
const base = `http://127.0.0.1:${readFileSync(`${state}/run/web-port`, 'utf8').trim()}`;
const TIMES = 25;
const quantile = (list, q) =>
    [...list].sort((a, b) => a - b)[Math.min(list.length - 1, Math.floor(q * list.length))];

const psql = (sql) =>
    execFileSync(
        'psql',
        ['-qtAX', '-h', process.env.DB_HOST, '-p', process.env.DB_PORT, '-U', process.env.DB_USERNAME],
        {
            env: { ...process.env, PGDATABASE: process.env.DB_DATABASE, PGPASSWORD: process.env.DB_PASSWORD },
            input: sql,
            encoding: 'utf8',
        },
    );
const rows = (sql) =>
    psql(sql)
        .trim()
        .split('\n')
        .filter(Boolean)
        .map((l) => l.split('|'));

/** What the database takes for it alone, the best of three, ms. */
const alone = (sql) =>
    Math.min(
        ...Array.from({ length: 3 }, () => {
            const said = psql(`explain (analyze, timing off, summary on) ${sql}`);
            return Number(/Execution Time: ([\d.]+)/.exec(said)[1]);
        }),
    );

const api = await request.newContext({
    baseURL: base,
    extraHTTPHeaders: { Accept: 'application/json', Origin: base },
});
await api.get('/api/v1/session');
const xsrf = async () =>
    decodeURIComponent((await api.storageState()).cookies.find((c) => c.name === 'XSRF-TOKEN')?.value ?? '');
const signedIn = await api.post('/api/v1/session', {
    data: {
        login: process.env.BENCH_LOGIN ?? 'maren',
        password: process.env.BENCH_PASSWORD ?? 'two-heats-oak',
    },
    headers: { 'X-XSRF-TOKEN': await xsrf() },
});
if (!signedIn.ok()) throw new Error(`signing in: ${signedIn.status()} ${await signedIn.text()}`);

const [[runs, pieces, events, readings]] =
    rows(`select (select count(*) from runs), (select count(*) from pieces),
    (select count(*) from run_events), (select sum(greatest(reltuples, 0))::bigint from pg_class where relname ~ '^readings_[0-9]{4}_[0-9]{2}$')`);
console.log(
    `${runs} runs, ${pieces} pieces, ${events} entries, about ${readings} readings; ${TIMES} times each\n`,
);

// One that is asked again and again is answered from what is at hand: each time another.
const some = (sql) => rows(sql).map(([id]) => id);
const ids = {
    run: some(`select id from runs where ended_at is not null order by md5(id::text) limit ${TIMES + 5}`),
    moulded: some(
        `select r.id from runs r join products p on p.id = r.product_id where p.process = 'injection' and r.ended_at is not null order by md5(r.id::text) limit ${TIMES + 5}`,
    ),
    product: some('select id from products order by id'),
    machine: some('select id from machines order by id'),
    source: some('select id from sources order by id'),
    sack: some(`select lot_id from run_materials group by lot_id order by count(*) desc limit ${TIMES + 5}`),
};
const code = new Map(rows(`select id, code from lots where id in (${ids.sack.join(',')})`));
const now = Math.floor(Date.now() / 1000);
const day = now - (now % 86400) + 6 * 3600;
const deep = [];
for (let after = '', i = 0; i < 40; i++) {
    const page = await (await api.get(`/api/v1/runs?after=${after}`)).json();
    if (page.next === null) break;
    deep.push(page.next);
    after = page.next;
}
const at = (list, i) => list[i % list.length];

/** @type {[string, (i: number) => string, number, string | null][]} name, path, goal in ms, the same in SQL */
const questions = [
    ['floor', () => 'floor', 150, "select * from runs where status = 'running'"],
    ['runs, first page', () => 'runs', 150, 'select * from runs order by started_at desc, id desc limit 51'],
    [
        'runs, forty pages on',
        (i) => `runs?after=${at(deep, Math.max(0, deep.length - 1 - (i % 5)))}`,
        150,
        null,
    ],
    [
        'runs of a product',
        (i) => `runs?product_id=${at(ids.product, i)}`,
        150,
        `select * from runs where product_id = ${ids.product[0]} order by started_at desc, id desc limit 51`,
    ],
    ['runs that were scrap', () => 'runs?verdict=scrap', 150, null],
    [
        'runs of a process',
        (i) => `runs?process=${at(['compression', 'injection', 'extrusion', 'vacuum_forming'], i)}`,
        150,
        null,
    ],
    ['a run by its number', (i) => `runs?number=${20 + 37 * i}`, 150, null],
    [
        'a run',
        (i) => `runs/${at(ids.run, i)}`,
        150,
        `select * from run_events where run_id = '${ids.run[0]}' order by seq`,
    ],
    ['readings of a run', (i) => `runs/${at(ids.run, i)}/readings`, 300, null],
    ['a run back to its sacks', (i) => `runs/${at(ids.moulded, i)}/trace`, 300, null],
    ['flaws of a product', (i) => `products/${at(ids.product, i)}/flaws`, 150, null],
    ['lots', () => 'lots', 150, 'select lot_id, sum(mass_g) from lot_movements group by lot_id'],
    ['lots that are found', (i) => `lots?find=${at(['red', 'Rack', 'co-op', 'S30'], i)}`, 150, null],
    ['a lot and its ledger', (i) => `lots/${code.get(at(ids.sack, i))}`, 150, null],
    [
        'a sack to its runs',
        (i) => `lots/${at(ids.sack, i)}/trace`,
        300,
        `select count(*) from run_materials m join pieces p using (run_id) where lot_id = ${ids.sack[0]}`,
    ],
    ['a recall', (i) => `lots/${at(ids.sack, i)}/recall.csv`, 300, null],
    ['sources', () => 'sources', 150, null],
    ['a source', (i) => `sources/${at(ids.source, i)}`, 150, null],
    [
        'goods',
        () => 'goods',
        150,
        "select product_id, sum(count) from run_outputs where kind = 'goods' group by product_id",
    ],
    ['what to make', () => `proposals?until=${day + 36000}`, 300, null],
    ['the plan of a day', () => `day?from=${day}&until=${day + 36000}`, 300, null],
    ['the hand-over', () => `handover?since=${now - 43200}&from=${day}&until=${day + 36000}`, 150, null],
    ['learnt', () => 'learnt', 150, null],
    ['learnt of a product, with its charts', (i) => `learnt/${at(ids.product, i)}`, 150, null],
    ['a machine', (i) => `machines/${at(ids.machine, i)}`, 150, null],
    ['channels of a machine', (i) => `machines/${at(ids.machine, i)}/channels`, 150, null],
    ['products', () => 'products', 150, null],
    ['what wants care', () => 'care', 150, null],
    ['what to look at again', () => 'review', 150, null],
    ['drying', () => 'drying', 150, null],
    ['changes', () => 'changes', 150, null],
];
let slow = 0;
for (const [name, path, goal, sql] of questions) {
    const seen = [];
    for (let i = 0; i < TIMES + 3; i++) {
        const start = performance.now();
        const response = await api.get(`/api/v1/${path(i)}`);
        await response.body();
        if (!response.ok())
            throw new Error(`${path(i)}: ${response.status()} ${(await response.text()).slice(0, 300)}`);
        if (i >= 3) seen.push(performance.now() - start);
    }
    const p95 = quantile(seen, 0.95);
    slow += p95 > goal ? 1 : 0;
    console.log(
        `${name.padEnd(40)} p50 ${quantile(seen, 0.5).toFixed(0).padStart(5)}   p95 ${p95.toFixed(0).padStart(5)} ms   goal ${goal}${
            p95 > goal ? ' ✗' : ''
        }${sql ? `   in SQL alone ${alone(sql).toFixed(0)} ms` : ''}`,
    );
}
await api.dispose();
console.log(`\n${slow} of ${questions.length} slower than their goal`);
