import { readFileSync } from 'node:fs';
import { expect, test } from '@playwright/test';
import { accessible, ask, signIn } from './shop';

const bench = JSON.parse(readFileSync(new URL('../core/data/bench.json', import.meta.url), 'utf8')) as { name: string; title: string }[];

test('every calculation answers on the scratch bench, accessibly', async ({ page }) => {
    test.setTimeout(240_000);
    await signIn(page, 'teodor');
    const known = await ask<{ name: string }[]>(page, 'calc');
    expect(known.map((k) => k.name).sort()).toEqual(bench.map((b) => b.name).sort());
    await page.goto('/reckon');
    for (const { name, title } of bench) {
        await page.getByRole('navigation', { name: 'Calculations' }).getByRole('link', { name: title, exact: true }).click();
        const answer = page.getByRole('region', { name: 'The answer' });
        await expect(page.getByRole('heading', { name: title, exact: true })).toBeVisible();
        await expect(answer.locator('p.says'), name).not.toBeEmpty();
        await expect(answer.getByRole('alert'), name).toHaveCount(0);
    }
    for (const name of ['heat.press_cycle', 'charge.blanks', 'changeover.sequence', 'quality.control_chart', 'forming.wall', 'cycle.capacity', 'safety.check']) {
        await page.goto(`/reckon/${name}`);
        await expect(page.locator('p.says')).not.toBeEmpty();
        await accessible(page);
    }
});

test('an answer is found by what people say, refused by name, kept, compared and reopened by its link', async ({ page }) => {
    await signIn(page, 'teodor');
    await page.goto('/reckon');
    await page.getByLabel('What do you want to know').fill('is my pump enough');
    await page.getByRole('link', { name: 'Pump-down' }).click();
    await expect(page.locator('p.says')).toContainText('139 s');
    await page.getByLabel(/^Speed/).fill('240');
    await expect(page.locator('p.says')).toContainText('69 s');
    await page.getByRole('button', { name: 'Keep' }).click();
    await page.getByLabel(/^Target/).fill('4');
    await expect(page.getByRole('alert').first()).toContainText('never gets below 5 kPa');
    await page.getByLabel(/^Target/).fill('20');
    await expect(page.locator('p.says')).not.toContainText('69 s');
    const now = await page.locator('p.says').innerText();
    await page.getByRole('button', { name: 'Keep' }).click();
    await expect(page.getByRole('table').last().getByRole('columnheader')).toHaveCount(3);
    await page.getByRole('button', { name: 'Link to this' }).click();
    await expect(page).toHaveURL(/\?i=/);
    const link = page.url();
    await page.goto('/');
    await page.goto(link);
    await expect(page.locator('p.says')).toHaveText(now);
    const [file] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name: 'JSON', exact: true }).click()]);
    expect(JSON.parse(readFileSync((await file.path())!, 'utf8')).input.target_kpa).toBe(20);
});
