import { execFile, execFileSync } from 'node:child_process';
import { chmodSync, mkdtempSync, rmSync } from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { promisify } from 'node:util';
import { expect, test, type Page } from './story';
import { signInByForm, stopRun } from './shop';

/** A shift moves its shop's clock by hours: it has a shop of its own, as anybody would start one. */
const command = new URL('../bin/dithermic', import.meta.url).pathname;
const room = mkdtempSync(`${tmpdir()}/dithermic-shift.`);
const { PATH, HOME, DITHERMIC_DEMO } = process.env;
const env = { PATH, HOME, DITHERMIC_DEMO, DITHERMIC_STATE: `${room}/shop` };
const freePort = () =>
    new Promise<number>((resolve) => {
        const door = createServer().listen(0, '127.0.0.1', () => {
            const { port } = door.address() as { port: number };
            door.close(() => resolve(port));
        });
    });

interface Told {
    machines: number;
    people: number;
    runs: number;
    ended: number;
    events: number;
    events_lost: number;
    readings_lost: number;
    faults: number;
    faults_missed: number;
    alarms_false: number;
    refused: string[];
}
interface Floor {
    server_time: number;
    alarms: { id: string; machine: string; says: string }[];
}
const SHIFT_H = 2;

test.describe('a shift at six hundred times the pace', () => {
    let base = '';
    test.beforeAll(async () => {
        test.setTimeout(300_000);
        chmodSync(room, 0o711);
        const port = await freePort();
        base = `http://127.0.0.1:${port}`;
        await promisify(execFile)(command, ['start', '--port', String(port)], { env });
    });
    test.afterAll(() => {
        execFileSync(command, ['stop'], { env });
        rmSync(room, { recursive: true, force: true });
    });

    const floorOf = async (page: Page) =>
        (await (
            await page.request.get('/api/v1/floor', {
                headers: { Accept: 'application/json', Origin: base },
            })
        ).json()) as Floor;
    /** What is under way is stopped by its own button: its clocks would run as fast. */
    async function stopAll(page: Page) {
        for (;;) {
            await page.goto('/run');
            const link = page.locator('a.one').first();
            await expect(link.or(page.getByText('Nothing is running'))).toBeVisible();
            if (!(await link.isVisible())) return;
            await link.click();
            await stopRun(page);
            await expect(page.getByText('not yet with the server')).toBeHidden();
        }
    }

    test('shows a browser every fault, follows the clock, and loses nothing', async ({ browser }) => {
        // On a busy machine it goes as quickly as it can.
        test.setTimeout(600_000);
        const context = await browser.newContext({ baseURL: base });
        const page = await context.newPage();
        const errors: string[] = [];
        page.on('console', (said) => said.type() === 'error' && errors.push(said.text()));
        page.on('pageerror', (error) => errors.push(String(error)));
        await signInByForm(page, 'maren');
        await stopAll(page);
        await page.goto('/');
        await expect(page.getByRole('heading', { name: 'Floor', exact: true })).toBeVisible();
        const plan = await context.newPage();
        await plan.goto('/plan');
        await page.bringToFront();
        const before = await floorOf(page);

        let told: Told | null = null;
        const shift = promisify(execFile)(command, ['simulate', '--speed=600', `--hours=${SHIFT_H}`], {
            env,
        }).then(({ stdout }) => (told = JSON.parse(stdout.slice(stdout.indexOf('{'))) as Told));
        const bar = page.getByRole('status', { name: 'Alarms' });
        const seen = new Set<string>();
        const lanes = new Set<string>();
        while (told === null) {
            if (await bar.isVisible()) {
                const fold = bar.getByRole('button', { name: 'Show', exact: true });
                if (await fold.isVisible()) await fold.click();
                for (const says of await bar.locator('.alarm p').allTextContents()) seen.add(says);
            }
            for (const run of await page
                .locator('.lane a[href^="/run/"]')
                .evaluateAll((all) => all.map((a) => a.getAttribute('href') ?? '')))
                lanes.add(run);
            await Promise.race([shift, new Promise((over) => setTimeout(over, 250))]);
        }
        await shift;
        const done = told as unknown as Told;
        expect(done).toMatchObject({ machines: 4, people: 2, events_lost: 0, readings_lost: 0, refused: [] });
        expect(done).toMatchObject({ faults: 3, faults_missed: 0, alarms_false: 0, ended: done.runs });
        expect(done.events).toBeGreaterThan(100);
        // The browser had each of them before its eyes, and every machine at work, while hours went by in seconds.
        const machines = new Set([...seen].map((says) => /^[^\w]*([A-Z]\w+(?: [A-Z]\w+)?),/.exec(says)?.[1]));
        machines.delete(undefined);
        expect([...machines]).toHaveLength(3);
        expect(lanes.size).toBeGreaterThanOrEqual(4);
        const after = await floorOf(page);
        expect(after.server_time - before.server_time).toBeGreaterThan(SHIFT_H * 3600 - 60);
        await page.reload();
        await expect(page.getByRole('heading', { name: 'Floor', exact: true })).toBeVisible();
        for (const alarm of after.alarms) await expect(bar).toContainText(alarm.machine);
        expect(errors).toEqual([]);
    });
});
