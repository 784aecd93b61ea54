// Measures on this machine: the core's solver as deployed, the API of the running shop, and pages in Chromium.
import { execFileSync } from 'node:child_process';
import { readFileSync, existsSync, readdirSync, statSync } from 'node:fs';
import { gzipSync } from 'node:zlib';
import { chromium } from '@playwright/test';
import { CHROMIUM } from '../e2e/browser.mjs';
import { READY } from '../e2e/screens.mjs';
import { line, PEOPLE, quantile, signIn } from './measure.mjs';

const here = process.env.HERE;
const state = process.env.LARAVEL_STORAGE_PATH ?? `${here}/storage`;

console.log('── core (PHP with opcache and tracing JIT, as php-fpm runs it)');
process.stdout.write(
    execFileSync(
        'php',
        [
            '-d',
            'opcache.enable_cli=1',
            '-d',
            'opcache.jit=tracing',
            '-d',
            'opcache.jit_buffer_size=64M',
            `${here}/core/bin/bench.php`,
        ],
        { encoding: 'utf8' },
    ),
);

const portFile = `${state}/run/web-port`;
if (!existsSync(portFile)) {
    console.log('\nThe shop is not running: `dithermic start`, then bench again for the API and the pages.');
    process.exit(0);
}
const base = `http://127.0.0.1:${readFileSync(portFile, 'utf8').trim()}`;
const browser = await chromium.launch({
    executablePath: CHROMIUM,
    args: [
        '--no-sandbox',
        '--disable-gpu',
        '--disable-quic',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
    ],
});
const fresh = async () => {
    const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
    const page = await context.newPage();
    await page.goto(`${base}/sign-in`);
    await page.getByLabel('Name to sign in').fill(process.env.BENCH_LOGIN ?? 'ines');
    await page.getByLabel('Password').fill(process.env.BENCH_PASSWORD ?? 'flake-to-panel');
    await page.getByRole('button', { name: 'Sign in' }).click();
    await page.getByRole('heading', { name: 'Floor', exact: true }).waitFor();
    return { context, page };
};

/** The set-up screen when its plan is there. */
const drawn = (page) => page.locator('svg.curve').first().waitFor();
const tell = (name, list) =>
    line(name, `p50 ${quantile(list, 0.5).toFixed(0)} ms   p95 ${quantile(list, 0.95).toFixed(0)} ms`);
/** From the slider's move to the plan's curve as it was painted, in the page itself. */
const dragged = async (page, times) => {
    const seen = [];
    for (let i = 0; i < times; i++) {
        seen.push(
            await page.evaluate(
                (value) =>
                    new Promise((resolve) => {
                        const slider = document.querySelector('input[aria-label="Thickness, slider"]');
                        const drawing = document.querySelector('svg.curve').parentElement;
                        const before = drawing.querySelector('svg.curve').outerHTML;
                        const start = performance.now();
                        const watch = new MutationObserver(() => {
                            if (drawing.querySelector('svg.curve').outerHTML === before) return;
                            watch.disconnect();
                            requestAnimationFrame(() => setTimeout(() => resolve(performance.now() - start)));
                        });
                        watch.observe(drawing, {
                            attributes: true,
                            childList: true,
                            characterData: true,
                            subtree: true,
                        });
                        slider.value = String(value);
                        slider.dispatchEvent(new Event('input', { bubbles: true }));
                    }),
                4 + (i % 20) * 0.5 + (i % 2) * 6,
            ),
        );
        await page.waitForTimeout(60);
    }
    return seen;
};

console.log('\n── API, one after the other from the browser');
{
    const { context, page } = await fresh();
    await page.goto(`${base}/set`);
    await drawn(page);
    const times = await page.evaluate(async () => {
        const token = decodeURIComponent(
            document.cookie
                .split('; ')
                .find((c) => c.startsWith('XSRF-TOKEN='))
                .slice(11),
        );
        const post = (path, body) =>
            fetch(`/api/v1/${path}`, {
                method: 'POST',
                headers: {
                    'Content-Type': 'application/json',
                    Accept: 'application/json',
                    'X-XSRF-TOKEN': token,
                },
                body: JSON.stringify(body),
            });
        const draft = JSON.parse(localStorage.getItem('dithermic.set'));
        const out = {};
        const run = async (name, n, go) => {
            out[name] = [];
            for (let i = 0; i < n + 5; i++) {
                const start = performance.now();
                const response = await go(i);
                if (!response.ok) throw new Error(`${name}: ${response.status} ${await response.text()}`);
                await response.arrayBuffer();
                if (i >= 5) out[name].push(performance.now() - start);
            }
        };
        await run('POST calc/charge.sheet', 60, (i) =>
            post('calc/charge.sheet', {
                length_mm: 600 + i,
                width_mm: 450,
                thickness_mm: 8,
                polymer: 'HDPE',
            }),
        );
        await run('POST calc/heat.press_cycle', 60, (i) =>
            post('calc/heat.press_cycle', {
                polymer: 'HDPE',
                thickness_mm: 6 + i / 10,
                initial_c: 20,
                platen_c: 185,
            }),
        );
        await run('POST plans (everything the set-up screen shows)', 60, (i) =>
            post('plans', { ...draft, settings: { thickness_mm: 6 + i / 10 } }),
        );
        await run('GET floor', 40, () => fetch('/api/v1/floor', { headers: { Accept: 'application/json' } }));
        const shelves = await fetch('/api/v1/lots', { headers: { Accept: 'application/json' } });
        const lots = (await shelves.json()).items;
        await run('GET lots (a page of the stock list)', 40, () =>
            fetch('/api/v1/lots', { headers: { Accept: 'application/json' } }),
        );
        await run('GET lots?find=', 40, (i) =>
            fetch(`/api/v1/lots?find=${['red', 'Rack 4', 'co-op', 'B-0191'][i % 4]}`, {
                headers: { Accept: 'application/json' },
            }),
        );
        await run('GET lots/N (a lot and its ledger)', 40, (i) =>
            fetch(`/api/v1/lots/${lots[i % lots.length].id}`, { headers: { Accept: 'application/json' } }),
        );
        await run('GET charges', 20, () =>
            fetch('/api/v1/charges', { headers: { Accept: 'application/json' } }),
        );
        await run('GET runs', 40, () => fetch('/api/v1/runs', { headers: { Accept: 'application/json' } }));
        return out;
    });
    for (const [name, list] of Object.entries(times)) tell(name, list);

    tell('slider moved → drawing on screen', await dragged(page, 60));
    await context.close();
}

console.log(
    '\n── fifty screens at work for 20 s: each looks at the floor every 4 s, and one in five calculates',
);
{
    const sessions = await Promise.all(PEOPLE.map((person) => signIn(base, person)));
    const floor = [];
    const answers = {};
    let until = 0;
    const pause = (ms) => new Promise((done) => setTimeout(done, ms));
    const { context, page } = await fresh();
    await page.goto(`${base}/set`);
    await drawn(page);
    until = Date.now() + 20_000;
    const sliding = pause(4000).then(() => dragged(page, 60));
    await Promise.all(
        Array.from({ length: 50 }, async (_, i) => {
            const headers = sessions[i % sessions.length];
            await pause(80 * i);
            while (Date.now() < until) {
                const start = performance.now();
                const response = await fetch(`${base}/api/v1/floor`, { headers });
                await response.arrayBuffer();
                floor.push(performance.now() - start);
                answers[response.status] = (answers[response.status] ?? 0) + 1;
                if (i % 5 === 0)
                    await (
                        await fetch(`${base}/api/v1/calc/heat.press_cycle`, {
                            method: 'POST',
                            headers,
                            body: JSON.stringify({
                                polymer: 'HDPE',
                                thickness_mm: 6 + (i % 7),
                                initial_c: 20,
                                platen_c: 185,
                            }),
                        })
                    ).arrayBuffer();
                await pause(4000);
            }
        }),
    );
    tell('slider moved → drawing on screen, beside them', await sliding);
    await context.close();
    line(
        `GET floor, ${floor.length} times (${Object.entries(answers)
            .map(([s, n]) => `${s}: ${n}`)
            .join(', ')})`,
        `p50 ${quantile(floor, 0.5).toFixed(0)} ms   p95 ${quantile(floor, 0.95).toFixed(0)} ms`,
    );
}

console.log('\n── pages in Chromium');
for (const [path, heading] of [
    ['/', 'Floor'],
    ['/set', 'Press a sheet'],
    ['/learn', 'Learn'],
]) {
    const { context, page } = await fresh();
    const time = async () => {
        const start = performance.now();
        await page.goto(base + path);
        await page
            .getByRole('heading', { name: heading, exact: true })
            .waitFor({ timeout: 10000 })
            .catch(async () => {
                throw new Error(
                    `${path} did not come up: ${page.url()} ${(await page.locator('body').innerText()).slice(0, 300)}`,
                );
            });
        if (path === '/set') await drawn(page);
        return performance.now() - start;
    };
    const cold = await time();
    const warm = [];
    for (let i = 0; i < 8; i++) warm.push(await time());
    line(
        `${path} usable`,
        `first ${cold.toFixed(0)} ms   warm p50 ${quantile(warm, 0.5).toFixed(0)} ms   p95 ${quantile(warm, 0.95).toFixed(0)} ms`,
    );
    await context.close();
}
console.log(
    '\n── every screen once more, until its heading stands and the last answer that it asked for is in',
);
{
    const { context, page } = await fresh();
    const get = (path) =>
        page.evaluate(
            async (of) => (await fetch(`/api/v1/${of}`, { headers: { Accept: 'application/json' } })).json(),
            path,
        );
    const runs = (await get('runs?limit=100')).items;
    const lot = (await get('lots')).items[0];
    const run = runs.find((one) => one.status === 'finished');
    const screens = {
        ...READY,
        '/plan': null,
        '/reckon': null,
        [`/sort/lots/${lot.id}`]: null,
        [`/trace/lot/${lot.id}`]: null,
        [`/learn/${run.id}`]: null,
        [`/run/${runs.find((one) => one.status === 'running')?.id ?? run.id}`]: null,
        [`/parts/${runs.find((one) => one.product === 'hive floor panel').id}`]: null,
    };
    let last = 0;
    let asked = 0;
    const isAnswer = (one) => one.url().includes('/api/') && !one.url().includes('/news');
    page.on('request', (one) => (asked += isAnswer(one) ? 1 : 0));
    for (const event of ['requestfinished', 'requestfailed'])
        page.on(event, (one) => {
            if (!isAnswer(one)) return;
            asked--;
            last = performance.now();
        });
    const usable = async (path, heading) => {
        asked = 0;
        const start = (last = performance.now());
        await page.goto(base + path);
        await page
            .getByRole('heading', { level: 1, ...(heading && { name: heading, exact: true }) })
            .waitFor();
        last = Math.max(last, performance.now());
        while (asked > 0 || performance.now() - last < 300) await page.waitForTimeout(20);
        return last - start;
    };
    for (const [path, heading] of Object.entries(screens)) {
        await usable(path, heading);
        const times = [];
        for (let i = 0; i < 5; i++) times.push(await usable(path, heading));
        const slow = quantile(times, 0.5) > 500;
        line(
            path.replace(/[0-9a-f-]{36}/, '…'),
            `p50 ${quantile(times, 0.5).toFixed(0)} ms   longest ${Math.max(...times).toFixed(0)} ms${slow ? ' ✗' : ''}`,
        );
    }
    await context.close();
}
/** Seconds of work that all processes of the shop have done so far. */
const worked = () => {
    const processes = new Map();
    for (const pid of readdirSync('/proc').filter((name) => /^\d+$/.test(name))) {
        try {
            const stat = readFileSync(`/proc/${pid}/stat`, 'utf8');
            const fields = stat.slice(stat.lastIndexOf(')') + 2).split(' ');
            const says =
                readFileSync(`/proc/${pid}/cmdline`, 'utf8') + readFileSync(`/proc/${pid}/environ`, 'utf8');
            processes.set(pid, {
                parent: fields[1],
                ticks: +fields[11] + +fields[12],
                own: says.includes(state),
            });
        } catch {
            // It ended meanwhile, or is another's.
        }
    }
    const isWithin = (pid, root) =>
        pid === root || (processes.has(pid) && isWithin(processes.get(pid).parent, root));
    const isOurs = (pid) => {
        const of = processes.get(pid);
        // What looks on is no part of it.
        if (of === undefined || pid === String(process.pid)) return false;
        return of.own && !isWithin(of.parent, String(process.pid)) ? true : isOurs(of.parent);
    };
    return [...processes].filter(([pid]) => isOurs(pid)).reduce((sum, [, of]) => sum + of.ticks, 0) / 100;
};
console.log('\n── nobody does anything: one screen shows the floor, instruments post, for half a minute');
{
    const { context, page } = await fresh();
    await page.waitForTimeout(10_000);
    const before = worked();
    await page.waitForTimeout(30_000);
    line('of one core', `${((100 * (worked() - before)) / 30).toFixed(1)} %`);
    await context.close();
}

console.log('\n── what is dragged, in Chromium: the longest a page was held up by one move of 240');
/** Milliseconds between frames while something is dragged to and fro, the longest first. */
const frames = async (page, x, y, by) => {
    await page.evaluate(() => {
        window.frames_ms = [];
        let last = performance.now();
        const tick = (now) => {
            window.frames_ms.push(now - last);
            last = now;
            window.frames_on = requestAnimationFrame(tick);
        };
        window.frames_on = requestAnimationFrame(tick);
    });
    await page.mouse.move(x, y);
    await page.mouse.down();
    for (let i = 1; i <= 240; i++) await page.mouse.move(x + by * Math.sin(i / 12), y);
    await page.mouse.up();
    return page.evaluate(() => {
        cancelAnimationFrame(window.frames_on);
        return window.frames_ms.slice(2).sort((a, b) => b - a);
    });
};
const told = (name, ms) =>
    line(
        name,
        `longest ${ms[0].toFixed(0)} ms   p99 ${ms[Math.floor(ms.length / 100)].toFixed(0)} ms   over 50 ms: ${ms.filter((f) => f > 50).length} of ${ms.length}`,
    );
{
    const { context, page } = await fresh();
    const run = await page.evaluate(async () => {
        const runs = await (await fetch('/api/v1/runs', { headers: { Accept: 'application/json' } })).json();
        return runs.items.find((r) => r.status === 'finished').id;
    });
    const began = Date.now() / 1000 - 40_000;
    const channel = (level) =>
        Array.from({ length: 50_000 }, (_, i) => [began + i / 5, level + Math.sin(i / 900) + (i % 13) / 20]);
    await page.route(`**/runs/${run}/readings*`, (route) =>
        route.fulfill({ json: { platen_top_c: channel(183), platen_low_c: channel(181) } }),
    );
    await page.goto(`${base}/learn/${run}`);
    const board = page.locator('.board');
    await board.waitFor();
    await page.getByRole('button', { name: 'Closer' }).click();
    await board.scrollIntoViewIfNeeded();
    await page.waitForTimeout(1000);
    const box = await board.boundingBox();
    told('trace of 100,000 points, moved', await frames(page, box.x + box.width / 2, box.y + 60, 200));
    await context.close();
}
{
    // Twelve machines and five people, a week of stretches: as many as a day is drawn from at once.
    const { context, page } = await fresh();
    await page.route('**/api/v1/day?*', async (route) => {
        const day = await (await route.fetch()).json();
        const bars = (nth, coming) =>
            Array.from({ length: 84 }, (_, i) => ({
                from: day.from + i * 7200 + nth * 300,
                to: day.from + i * 7200 + nth * 300 + 5400,
                says: `piece ${i + 1}`,
                coming,
                job: coming ? (day.jobs[0]?.id ?? null) : null,
                run_id: null,
            }));
        const lane = (id, kind, heat, coming) => ({
            id,
            name: `${kind} ${id}`,
            kind,
            heat,
            here_from: day.from,
            here_to: day.until,
            bars: bars(id, coming),
        });
        day.lanes = Array.from({ length: 12 }, (_, i) => lane(i + 1, 'machine', i % 2 ? 'in' : 'out', true));
        day.hands = Array.from({ length: 5 }, (_, i) => lane(i + 1, 'person', 'hands', true));
        await route.fulfill({ json: day });
    });
    const start = performance.now();
    await page.goto(`${base}/plan`);
    const bar = page.locator('.bar[data-drag=true]').nth(3);
    await bar.waitFor();
    line(
        'plan of 12 machines, 5 people and a week drawn',
        `${(performance.now() - start).toFixed(0)} ms with its page`,
    );
    await bar.scrollIntoViewIfNeeded();
    await page.waitForTimeout(1000);
    const box = await bar.boundingBox();
    told('a job of it, dragged', await frames(page, box.x + box.width / 2, box.y + box.height / 2, 120));
    await context.close();
}
{
    const context = await browser.newContext({ serviceWorkers: 'block' });
    const page = await context.newPage();
    let script = 0;
    let all = 0;
    page.on('response', async (r) => {
        const size = (
            await r
                .request()
                .sizes()
                .catch(() => ({ responseBodySize: 0 }))
        ).responseBodySize;
        all += size;
        if (r.url().endsWith('.js')) script += size;
    });
    await page.goto(`${base}/sign-in`, { waitUntil: 'networkidle' });
    line(
        'first load over the wire',
        `script ${(script / 1024).toFixed(0)} kB   everything ${(all / 1024).toFixed(0)} kB`,
    );
    await context.close();
}
const assets = `${here}/public/build/assets`;
const js = readdirSync(assets).filter((f) => f.endsWith('.js'));
line(
    'all script of every screen, compressed',
    `${(js.reduce((s, f) => s + gzipSync(readFileSync(`${assets}/${f}`)).length, 0) / 1024).toFixed(0)} kB in ${js.length} files (${(js.reduce((s, f) => s + statSync(`${assets}/${f}`).size, 0) / 1024).toFixed(0)} kB unpacked)`,
);
await browser.close();
