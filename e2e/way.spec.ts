import { expect, test, type Page } from './story';
import { accessible, pad, setUpPanel, signIn, stopRun } from './shop';

async function begin(page: Page): Promise<void> {
    await setUpPanel(page);
    await page.getByRole('button', { name: /^Start/ }).click();
    await expect(page.getByRole('heading', { name: /^Preheat, closed/ })).toBeVisible();
}

test('a note on a step becomes how the shop works, when a lead has approved it', async ({
    browser,
    page,
}) => {
    test.setTimeout(480_000);
    await signIn(page, 'ines');
    await begin(page);
    await page.keyboard.press('n');
    await page.getByLabel('What you saw').fill('Cable is off the platen');
    await page.getByRole('button', { name: 'Log it' }).click();
    await expect(page.getByText('Cable is off the platen')).toBeVisible();
    await expect(page.getByText('not yet with the server')).toBeHidden();
    await stopRun(page);

    await page.goto('/shop');
    await page.getByRole('link', { name: 'How we work' }).click();
    await accessible(page);
    await page.getByRole('link', { name: 'Press a sheet: hot press, then cold press' }).click();
    const noted = page.getByRole('region', { name: 'Noted while working' });
    await expect(noted).toContainText('at Preheat, closed');
    await noted.getByRole('button', { name: 'Make it part of the way' }).first().click();
    const proposing = page.getByRole('form', { name: 'Propose' });
    await expect(proposing).toContainText('Preheat, closed: to confirm: Cable is off the platen');
    // A step of the shop's own where the stack would stand hot is taken, and doubted.
    await page.getByRole('button', { name: 'Add a step after Move to the cold press' }).click();
    await page.getByLabel('Called').fill('Count the cramps');
    await page.getByLabel('What to do').fill('Count them back onto the rack.');
    await expect(proposing).toContainText('waits and cools without load');
    await page.getByRole('button', { name: 'Take this step away' }).click();
    await expect(proposing).not.toContainText('Count the cramps');
    await accessible(page);
    await page.getByLabel('Why (kept)').fill('it was scorched once');
    await page.getByRole('button', { name: 'Propose it' }).click();
    await expect(page.getByRole('region', { name: 'Proposed by Ines Halloran' })).toContainText(
        'A lead decides.',
    );

    const lead = await browser.newPage();
    await signIn(lead, 'maren');
    await lead.goto('/shop/procedures/compression');
    await lead.getByRole('button', { name: 'Approve: from the next run' }).click();
    await expect(lead.getByText('our own 1')).toBeVisible();
    await expect(lead.getByRole('region', { name: 'Decided' })).toContainText('it was scorched once');

    await begin(page);
    const check = page.getByRole('button', { name: 'Cable is off the platen', exact: true });
    await expect(check).toBeVisible();
    await page.keyboard.press('t');
    await pad(page, '186', '184');
    await expect(page.getByText(/confirm: cable is off the platen/i).first()).toBeVisible();
    await check.click();
    await page.getByRole('button', { name: /^Platens are hot/ }).click();
    await expect(page.getByRole('heading', { name: /^Plates and release agent/ })).toBeVisible();
    await stopRun(page);

    // And back: what ships was never gone.
    await lead.getByRole('button', { name: /^Preheat, closed/ }).click();
    await lead.getByRole('button', { name: 'As shipped again' }).click();
    await lead.getByLabel('Why (kept)').fill('the cable is in a pipe now');
    await lead.getByRole('button', { name: 'Propose it' }).click();
    await lead.getByRole('button', { name: 'Approve: from the next run' }).click();
    await expect(lead.getByText(/Version \d+, as shipped/)).toBeVisible();
    await lead.close();
});
