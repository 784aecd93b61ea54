import { expect, test } from '@playwright/test';
import { accessible, list, signIn } from './shop';

interface Goods {
    product: string;
    held: number;
    reorder_at: number | null;
}

test('an empty shelf becomes a set-up, and what somebody saw of the press is asked for there', async ({
    page,
}) => {
    await signIn(page, 'maren');
    const panel = (await list<Goods>(page, 'goods')).find((g) => g.product === 'hive floor panel')!;
    expect(panel.held).toBeGreaterThan(panel.reorder_at!);
    await page.goto('/goods');
    const row = page.getByRole('listitem').filter({ hasText: 'hive floor panel' });
    await expect(row).not.toContainText('▲');
    await accessible(page);

    // More than there are is not taken; what is there is.
    await row.getByRole('button', { name: 'Take out' }).click();
    await page.getByLabel('How many go?').fill('999');
    await page.getByRole('button', { name: 'Keep it' }).click();
    await expect(page.getByRole('alert')).toContainText(`the ${panel.held} that stand there`);
    await page.getByLabel('How many go?').fill(String(panel.held));
    await page.getByLabel('For whom').fill('market day');
    await page.getByRole('button', { name: 'Keep it' }).click();
    await expect(row).toContainText('12 to make');
    await expect(row.locator('.held')).toHaveText('0');

    // Somebody has seen something of the press.
    await page.goto('/shop');
    await page.getByRole('link', { name: 'Anvil', exact: true }).click();
    await page.getByRole('button', { name: 'Add something' }).click();
    await page.getByLabel('What', { exact: true }).fill('Top platen rattles');
    await page.getByRole('button', { name: 'Keep it' }).click();
    const care = page.getByRole('region', { name: 'Looking after it' });
    await expect(care).toContainText('Top platen rattles');
    await accessible(page);

    // From the floor to the set-up of what runs short, on that press.
    await page.goto('/');
    const toMake = page.getByRole('region', { name: 'To make' });
    await expect(toMake).toContainText('12 × hive floor panel');
    await toMake
        .getByRole('listitem')
        .filter({ hasText: 'hive floor panel' })
        .getByRole('link', { name: 'Set it up' })
        .click();
    await expect(page.getByRole('heading', { name: 'Press a sheet' })).toBeVisible();
    // As many as are wanted.
    await expect(page.getByLabel('Sheets in this run', { exact: true })).toHaveValue('12');
    await expect(page.getByRole('region', { name: 'To look after' })).toContainText('Top platen rattles');

    await page.goto('/shop');
    await page.getByRole('link', { name: 'Anvil', exact: true }).click();
    await care.locator('li', { hasText: 'Top platen rattles' }).getByRole('button', { name: 'Done' }).click();
    await page.getByLabel('What was found, where it matters').fill('bolt was loose');
    await page.getByRole('button', { name: 'It is done' }).click();
    await expect(care).not.toContainText('Top platen rattles');
});
