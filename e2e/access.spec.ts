import { expect, test } from './story';
import { accessible, list, signIn } from './shop';

test('a lead adds somebody, helps who forgot a password, and switches off', async ({ page, browser }) => {
    await signIn(page, 'maren');
    await page.goto('/shop');
    await page.getByRole('button', { name: 'Somebody new' }).click();
    await page.getByLabel('Name', { exact: true }).fill('Saturday helper');
    await page.getByLabel('Signs in as').fill('helper');
    await page.getByLabel('First password').fill('first of many words');
    await page.getByRole('button', { name: 'Add', exact: true }).click();
    await expect(page.getByText('Saturday helper can sign in.')).toBeVisible();
    const row = page.getByRole('row', { name: /Saturday helper/ });
    await row.getByRole('button', { name: 'New password' }).click();
    await page.getByLabel('New password, 10 letters or more').first().fill('second of many words');
    await page.getByRole('button', { name: 'Set it' }).click();
    await expect(page.getByText('Saturday helper has a new password and no PIN')).toBeVisible();
    await accessible(page);

    const other = await (await browser.newContext()).newPage();
    const base = new URL(page.url()).origin;
    const enter = async (password: string) => {
        await other.goto(`${base}/sign-in`);
        await other.getByLabel('Name to sign in').fill('helper');
        await other.getByLabel('Password').fill(password);
        await other.getByRole('button', { name: 'Sign in' }).click();
    };
    await enter('first of many words');
    await expect(other.getByText('do not match')).toBeVisible();
    await enter('second of many words');
    await expect(other.getByRole('heading', { name: 'Floor', exact: true })).toBeVisible();

    // Switched off, and out at once on the other screen.
    await row.getByRole('button', { name: 'Switch off' }).click();
    await expect(page.getByText('Saturday helper is switched off')).toBeVisible();
    expect(
        (
            await other.request.get(`${base}/api/v1/floor`, {
                headers: { Accept: 'application/json', Origin: base },
            })
        ).status(),
    ).toBe(401);
});

test('a token is shown once, opens what it says, is listed and revoked; a screen is forgotten', async ({
    page,
    playwright,
}) => {
    await signIn(page, 'maren');
    await page.goto('/shop');
    await page.getByRole('button', { name: 'A new token' }).click();
    await page.getByLabel('For what').fill('platen thermometer');
    await page.getByLabel(/^Machine/).selectOption('Anvil');
    await page.getByRole('button', { name: 'Make it' }).click();
    const secret = await page.locator('.secret').innerText();
    expect(secret).toMatch(/^\d+\|dith_/);
    const base = new URL(page.url()).origin;
    const instrument = await playwright.request.newContext({
        extraHTTPHeaders: { Authorization: `Bearer ${secret}`, Accept: 'application/json' },
    });
    const send = (machine: string) =>
        instrument.post(`${base}/api/v1/readings`, {
            data: { readings: [{ machine, channel: 'platen_top_c', value: 183.5 }] },
        });
    expect((await send('Anvil')).status()).toBe(201);
    expect((await send('Little Pond')).status()).toBe(422);
    expect((await instrument.get(`${base}/api/v1/lots`)).status()).toBe(403);
    const made = await instrument.post(`${base}/api/v1/tokens`, { data: { name: 'more', scopes: ['shop'] } });
    expect(made.status()).toBe(403);
    await page
        .getByRole('row', { name: /platen thermometer/ })
        .getByRole('button', { name: 'Revoke' })
        .click();
    await expect(page.getByText('platen thermometer opens nothing any more.')).toBeVisible();
    expect((await send('Anvil')).status()).toBe(401);

    const before = await list<{ id: number }>(page, 'screens');
    await page.getByRole('button', { name: 'Forget' }).first().click();
    await expect(page.getByText('there the password is needed again')).toBeVisible();
    expect((await list<{ id: number }>(page, 'screens')).length).toBe(before.length - 1);
    await instrument.dispose();
});
