// Lists, pages, charts, recalls and traces of the running shop, each beside the same question in plain SQL:
// `dithermic bench --scale`, after `dithermic seed --scale`. What is slower than its goal is said. With the folder of
// another shop (`bench --scale /tmp/small`) each question is asked of both by turns, and how much it grows is told: the
// pace of a machine moves by more than that from one minute to the next.
import { PEOPLE, quantile, shopIn, signIn } from './measure.mjs';

const TIMES = 25;
const WARM = 3;
const GROWS = 1.2;

/** A running shop by its folder: what asks its API, what asks its database, and some of each to ask about. */
async function shopAt(state) {
    const { base, psql } = shopIn(state);
    const rows = (sql) =>
        psql(sql)
            .split('\n')
            .filter(Boolean)
            .map((l) => l.split('|'));
    const headers = await signIn(base, PEOPLE[0]);

    const [[runs, pieces, events, readings]] =
        rows(`select (select count(*) from runs), (select count(*) from pieces),
        (select count(*) from run_events), (select sum(greatest(reltuples, 0))::bigint from pg_class where relname ~ '^readings_[0-9]{4}_[0-9]{2}$')`);
    // One that is asked again and again is answered from what is at hand: each time another.
    const some = (sql) => rows(sql).map(([id]) => id);
    const ids = {
        run: some(
            `select id from runs where ended_at is not null order by md5(id::text) limit ${TIMES + WARM}`,
        ),
        moulded: some(
            `select r.id from runs r join products p on p.id = r.product_id where p.process = 'injection' and r.ended_at is not null order by md5(r.id::text) limit ${TIMES + WARM}`,
        ),
        product: some('select id from products order by id'),
        machine: some('select id from machines order by id'),
        source: some('select id from sources order by id'),
        // Those of a hundred runs or so, which any shop has, and the largest of this one.
        sack: some(
            `select lot_id from run_materials group by lot_id order by abs(count(*) - 100), lot_id limit ${TIMES + WARM}`,
        ),
        largest: some(
            `select lot_id from run_materials group by lot_id order by count(*) desc, lot_id limit ${TIMES + WARM}`,
        ),
    };
    const code = new Map(rows(`select id, code from lots where id in (${ids.sack.join(',')})`));
    const deep = [];
    for (let after = '', i = 0; i < 40; i++) {
        const page = await (await fetch(`${base}/api/v1/runs?after=${after}`, { headers })).json();
        if (page.next === null) break;
        deep.push(page.next);
        after = page.next;
    }

    return {
        has: `${runs} runs, ${pieces} pieces, ${events} entries, about ${readings} readings`,
        ids,
        code,
        deep,
        /** ms that an answer takes */
        ask: async (path) => {
            const start = performance.now();
            const response = await fetch(`${base}/api/v1/${path}`, { headers });
            const body = await response.text();
            if (!response.ok) throw new Error(`${path}: ${response.status} ${body.slice(0, 300)}`);
            return performance.now() - start;
        },
        /** ms that the database takes for it alone, the best of three */
        alone: (sql) =>
            Math.min(
                ...Array.from({ length: 3 }, () => {
                    const said = psql(`explain (analyze, timing off, summary on) ${sql}`);
                    return Number(/Execution Time: ([\d.]+)/.exec(said)[1]);
                }),
            ),
    };
}

const shop = await shopAt(process.env.DITHERMIC_STATE ?? `${process.env.HERE}/storage`);
const beside = process.argv[2] === undefined ? null : await shopAt(process.argv[2]);
console.log(`${shop.has}; ${TIMES} times each${beside === null ? '' : `\nbeside ${beside.has}`}\n`);

const now = Math.floor(Date.now() / 1000);
const day = now - (now % 86400) + 6 * 3600;
const at = (list, i) => list[i % list.length];

/** @type {[string, (of: object, i: number) => string, number, string | null][]} name, path, goal in ms, the same in SQL */
const questions = [
    ['floor', () => 'floor', 150, "select * from runs where status = 'running'"],
    ['runs, first page', () => 'runs', 150, 'select * from runs order by started_at desc, id desc limit 51'],
    [
        'runs, forty pages on',
        (of, i) => `runs?after=${at(of.deep, Math.max(0, of.deep.length - 1 - (i % 5)))}`,
        150,
        null,
    ],
    [
        'runs of a product',
        (of, i) => `runs?product_id=${at(of.ids.product, i)}`,
        150,
        `select * from runs where product_id = ${shop.ids.product[0]} order by started_at desc, id desc limit 51`,
    ],
    ['runs that were scrap', () => 'runs?verdict=scrap', 150, null],
    [
        'runs of a process',
        (of, i) => `runs?process=${at(['compression', 'injection', 'extrusion', 'vacuum_forming'], i)}`,
        150,
        null,
    ],
    ['a run by its number', (of, i) => `runs?number=${20 + 37 * i}`, 150, null],
    [
        'a run',
        (of, i) => `runs/${at(of.ids.run, i)}`,
        150,
        `select * from run_events where run_id = '${shop.ids.run[0]}' order by seq`,
    ],
    ['readings of a run', (of, i) => `runs/${at(of.ids.run, i)}/readings`, 300, null],
    ['a run back to its sacks', (of, i) => `runs/${at(of.ids.moulded, i)}/trace`, 300, null],
    ['flaws of a product', (of, i) => `products/${at(of.ids.product, i)}/flaws`, 150, null],
    ['lots', () => 'lots', 150, 'select lot_id, sum(mass_g) from lot_movements group by lot_id'],
    ['lots that are found', (of, i) => `lots?find=${at(['red', 'Rack', 'co-op', 'S30'], i)}`, 150, null],
    ['a lot and its ledger', (of, i) => `lots/${of.code.get(at(of.ids.sack, i))}`, 150, null],
    [
        'a sack to its runs',
        (of, i) => `lots/${at(of.ids.sack, i)}/trace`,
        300,
        `select count(*) from run_materials m join pieces p using (run_id) where lot_id = ${shop.ids.sack[0]}`,
    ],
    ['a recall', (of, i) => `lots/${at(of.ids.sack, i)}/recall.csv`, 300, null],
    ['the largest sacks to their runs', (of, i) => `lots/${at(of.ids.largest, i)}/trace`, 300, null],
    ['a recall of the largest', (of, i) => `lots/${at(of.ids.largest, i)}/recall.csv`, 300, null],
    ['sources', () => 'sources', 150, null],
    ['a source', (of, i) => `sources/${at(of.ids.source, i)}`, 150, null],
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
    ['learnt of a product, with its charts', (of, i) => `learnt/${at(of.ids.product, i)}`, 150, null],
    ['a machine', (of, i) => `machines/${at(of.ids.machine, i)}`, 150, null],
    ['channels of a machine', (of, i) => `machines/${at(of.ids.machine, i)}/channels`, 150, null],
    ['products', () => 'products', 150, null],
    ['what wants care', () => 'care', 150, null],
    ['what to look at again', () => 'review', 150, null],
    ['drying', () => 'drying', 150, null],
    ['changes', () => 'changes', 150, null],
];
let slow = 0;
let grew = 0;
for (const [name, path, goal, sql] of questions) {
    const [seen, seenBeside] = [[], []];
    for (let i = 0; i < TIMES + WARM; i++) {
        const took = await shop.ask(path(shop, i));
        const tookBeside = beside === null ? 0 : await beside.ask(path(beside, i));
        if (i < WARM) continue;
        seen.push(took);
        seenBeside.push(tookBeside);
    }
    const p95 = quantile(seen, 0.95);
    const times = quantile(seen, 0.5) / quantile(seenBeside, 0.5);
    slow += p95 > goal ? 1 : 0;
    grew += beside !== null && times > GROWS ? 1 : 0;
    const says = [
        name.padEnd(40),
        `p50 ${quantile(seen, 0.5).toFixed(0).padStart(5)}`,
        `p95 ${p95.toFixed(0).padStart(5)} ms`,
        `goal ${goal}${p95 > goal ? ' ✗' : ''}`,
    ];
    if (beside !== null)
        says.push(
            `beside ${quantile(seenBeside, 0.5).toFixed(0).padStart(4)}`,
            `${(100 * (times - 1)).toFixed(0).padStart(4)} %${times > GROWS ? ' ✗' : ''}`,
        );
    if (sql) says.push(`in SQL alone ${shop.alone(sql).toFixed(0)} ms`);
    console.log(says.join('   '));
}
console.log(`\n${slow} of ${questions.length} slower than their goal`);
if (beside !== null) console.log(`${grew} of ${questions.length} grow by more than a fifth`);
