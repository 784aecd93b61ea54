import { expect, test } from './story';
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

test('a part is bought, a product is finished with it, and what it lacks is ordered', async ({ page }) => {
    test.setTimeout(240_000);
    await signIn(page, 'maren');
    await page.goto('/goods');
    await page.getByRole('button', { name: 'Another part' }).click();
    await page.getByLabel('What it is called').fill('felt pad');
    await page.getByLabel('Order more at, or fewer').fill('20');
    await page.getByLabel('Up to how many').fill('100');
    await page.getByLabel('Comes in, days').fill('4');
    await page.getByRole('button', { name: 'Keep it' }).click();
    const pads = page
        .getByRole('listitem')
        .filter({ has: page.getByRole('button', { name: 'Came in: felt pad' }) });
    await expect(pads).toContainText('Order 100, comes in 4 days');
    await pads.getByRole('button', { name: 'Came in: felt pad' }).click();
    await page.getByLabel('How many came?').fill('25');
    await page.getByRole('button', { name: 'Keep it' }).click();
    await expect(pads.locator('.held')).toHaveText('25');

    // Each tray has six of them, and those on the shelf have none yet.
    const trays = (await list<Goods>(page, 'goods')).find((g) => g.product === 'syrup feeder tray')!;
    expect(trays.held).toBeGreaterThan(5);
    await page.getByRole('link', { name: 'syrup feeder tray' }).click();
    const after = page.getByRole('region', { name: 'After its run' });
    await after.getByRole('button', { name: 'Say what is done to it' }).click();
    await after.getByLabel('What is done').fill('stick the pads on');
    await after.getByLabel('Minutes each').fill('1.5');
    await after.getByRole('button', { name: 'It takes a bought-in part' }).click();
    await after.getByLabel('Takes').fill('6');
    await after.getByRole('combobox', { name: /of which part/ }).selectOption({ label: 'felt pad' });
    await after.getByLabel('Of those on the shelf, still to do').fill('5');
    await accessible(page);
    await after.getByRole('button', { name: 'Keep', exact: true }).click();
    await expect(after).toContainText('6 × felt pad');

    await page.goto('/plan');
    await expect(page.getByRole('region', { name: /^To finish, while/ })).toContainText(
        'stick the pads on: syrup feeder tray',
    );
    await page.goto('/goods');
    const row = page
        .getByRole('listitem')
        .filter({ has: page.getByRole('link', { name: 'syrup feeder tray' }) });
    await expect(row).toContainText('5 to finish');
    await expect(row).toContainText('30 × felt pad are wanted, and 25 are there');
    await row.getByRole('button', { name: 'Finish', exact: true }).click();
    const many = page.getByLabel(/^How many are finished/);
    await expect(many).toHaveValue('4');
    await many.fill('5');
    await page.getByRole('button', { name: 'Keep it' }).click();
    await expect(page.getByRole('alert')).toContainText('finish 4 of 5');
    await many.fill('4');
    await page.getByRole('button', { name: 'Keep it' }).click();
    await expect(row).toContainText('1 to finish');
    await expect(row.locator('.held')).toHaveText(String(trays.held - 1));
    await expect(pads.locator('.held')).toHaveText('1');
    await accessible(page);
    await page.goto('/');
    await expect(page.getByRole('region', { name: 'To finish' })).toContainText('Order 99 × felt pad');
});
