import { execFileSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { expect, test } from './story';
import { ask, intoTheHeat, setUpPanel, signIn, stopRun } from './shop';

const root = new URL('..', import.meta.url).pathname;
const state = process.env.DITHERMIC_STATE ?? `${root}storage`;

/** Kills the way a power cut does, and gives the command that brings everything back. */
function killHard(name: 'nginx' | 'php-fpm' | 'postgres'): void {
    if (name === 'postgres')
        execFileSync('bash', [
            '-c',
            `kill -9 $(head -qn 1 $(ls ${state}/pg/data/postmaster.pid 2>/dev/null || ls /var/lib/dithermic/*/data/postmaster.pid))`,
        ]);
    else
        execFileSync('bash', [
            '-c',
            `pid=$(cat ${state}/run/${name}.pid); pkill -9 -P $pid || true; kill -9 $pid`,
        ]);
}

for (const victim of ['nginx', 'php-fpm', 'postgres'] as const) {
    test(`kill -9 of ${victim} in the middle of a run loses no entry and no second`, async ({ page }) => {
        test.setTimeout(240_000);
        await signIn(page, 'ines');
        await setUpPanel(page);
        await page.getByRole('button', { name: /^Start the run/ }).click();
        await intoTheHeat(page);
        const id = page.url().split('/').pop()!;
        interface Heard {
            events: { key: string }[];
            timers: { ends_at: number }[];
        }
        const before = await ask<Heard>(page, `runs/${id}`);

        killHard(victim);
        await page.getByRole('button', { name: 'Gauge more' }).click();
        await page
            .getByRole('button', { name: /^Pumped/ })
            .last()
            .click();
        await expect(page.getByText('1 kept on this screen, not yet with the server')).toBeVisible();
        execFileSync(`${root}bin/dithermic`, ['start', '--port', new URL(page.url()).port], {
            env: { PATH: process.env.PATH, HOME: process.env.HOME, DITHERMIC_STATE: state },
        });
        await expect(page.getByText('not yet with the server')).toBeHidden({ timeout: 20_000 });

        const after = await ask<Heard>(page, `runs/${id}`);
        expect(after.events.slice(0, before.events.length)).toEqual(before.events);
        expect(after.events.length).toBe(before.events.length + 1);
        expect(after.timers[0]!.ends_at).toBe(before.timers[0]!.ends_at);
        expect(readFileSync(`${state}/run/web-port`, 'utf8').trim()).toBe(new URL(page.url()).port);
        await stopRun(page);
    });
}
