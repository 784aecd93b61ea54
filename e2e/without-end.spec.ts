import { expect, test } from './story';
import { everyLot, list, signIn, tick } from './shop';

// Last of all stories: what it brings in stands before everything else in the lists.
test('a long file goes in by the queue, and says how far it is', async ({ page }) => {
    await signIn(page, 'maren');
    const source = (await list<{ name: string }>(page, 'sources'))[0]!.name;
    const rows = Array.from({ length: 1100 }, () => `${source},HDPE,flake,queue grey,10`);
    await page.goto('/sort/csv');
    await page.getByLabel('CSV file').setInputFiles({
        name: 'lots.csv',
        mimeType: 'text/csv',
        buffer: Buffer.from(['source,polymer,form,colour,mass_g', ...rows].join('\n')),
    });
    await expect(page.getByText('1100 rows, all good. Nothing is in yet.')).toBeVisible({ timeout: 30_000 });
    await page.getByRole('button', { name: 'Bring 1100 rows in' }).click();
    await expect(page.getByText('1100 rows are in.')).toBeVisible({ timeout: 30_000 });
    const found = await list<{ colour: string }>(page, 'lots?find=queue%20grey');
    // A page of them: the rest stands behind it.
    expect(found).toHaveLength(100);

    // What stands behind them in the lists is found by a word, wherever a lot is chosen.
    const lots = await list<{ id: number; code: string; polymer: string }>(page, 'lots?find=L-0104');
    await page.goto('/dry');
    await page.getByLabel('Find a lot').fill('L-0104');
    await page.getByRole('combobox', { name: /^Lot/ }).selectOption(String(lots[0]!.id));
    await page.goto('/set');
    await everyLot(page);
    await expect(page.getByRole('radio', { name: /L-0107/ })).toBeHidden();
    await page.getByLabel('Find a lot').fill('L-0107');
    await tick(page.getByRole('radio', { name: /L-0107/ }));
    await expect(page.getByRole('alert').filter({ hasText: 'not identified' })).toBeVisible();
});
