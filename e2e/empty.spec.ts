import { execFileSync } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect, test, type Page } from './story';
import { accessible, anyway, confirmAll, pad } from './shop';

const root = new URL('..', import.meta.url).pathname;
const state = mkdtempSync(join(tmpdir(), 'dithermic-empty-'));
const port = 8290 + Number(process.env.TEST_PARALLEL_INDEX ?? 0);
const shop = (...args: string[]) =>
    execFileSync(`${root}bin/dithermic`, args, {
        env: { PATH: process.env.PATH, HOME: process.env.HOME, DITHERMIC_STATE: state },
        encoding: 'utf8',
    });

let password = '';
test.beforeAll(() => {
    test.setTimeout(240_000);
    password = /password (\S+)/.exec(shop('start', '--no-demo', '--port', String(port)))![1]!;
});
test.afterAll(() => {
    shop('stop');
    rmSync(state, { recursive: true, force: true });
});
const at = (page: Page, path = '') => page.goto(`http://127.0.0.1:${port}/${path}`);

test('an empty shop gets from nothing to its first pressed sheet, as a new lead goes', async ({ page }) => {
    test.setTimeout(360_000);
    await at(page, 'sign-in');
    await page.getByLabel('Name to sign in').fill('lead');
    await page.getByLabel('Password').fill(password);
    await page.getByRole('button', { name: 'Sign in' }).click();
    await expect(page.getByRole('heading', { name: 'From nothing to the first run' })).toBeVisible();
    await accessible(page);

    await page.getByRole('link', { name: 'Add a machine' }).click();
    await page.getByLabel('Kind').selectOption('hot_press');
    await page.getByLabel('Name', { exact: true }).fill('Flatiron');
    await page.getByRole('textbox', { name: /^Max, / }).fill('220');
    await page.getByRole('button', { name: 'Enter it' }).click();
    await expect(page.getByRole('heading', { name: 'Flatiron' })).toBeVisible();

    await at(page);
    await page.getByRole('link', { name: 'Add a product' }).click();
    await page.getByLabel('Made by').selectOption('compression');
    await page.getByLabel('Polymer').selectOption('HDPE');
    await page.getByLabel('Name', { exact: true }).fill('roof board');
    await page.getByRole('textbox', { name: /^Length/ }).fill('400');
    await page.getByRole('textbox', { name: /^Width/ }).fill('300');
    await page.getByRole('textbox', { name: /^Thickness, mm/ }).fill('6');
    await page.getByRole('button', { name: 'Enter it' }).click();
    await expect(page.getByRole('link', { name: 'roof board' })).toBeVisible();

    await at(page);
    await page.getByRole('link', { name: 'Name a source' }).click();
    await page.getByLabel('New source').fill('Market co-op');
    await page.getByRole('button', { name: 'Add, on trial' }).click();
    await expect(page.getByRole('heading', { name: 'Market co-op' })).toBeVisible();

    await at(page);
    await page.getByRole('link', { name: 'Take a delivery in' }).click();
    await page.getByRole('button', { name: /^Market co-op/ }).click();
    await page.getByLabel('Polymer').selectOption('HDPE');
    await page.getByLabel('Colour').fill('leaf green');
    await page.getByLabel(/^On the scale/).fill('6 kg');
    await page.getByLabel(/^On the scale/).press('Tab');
    await page.getByRole('button', { name: 'Take it in' }).click();
    await expect(page.getByRole('region', { name: 'Taken in' })).toContainText('A small trial');

    await at(page);
    await page.getByRole('link', { name: 'Set up the first run' }).click();
    await expect(page.getByRole('heading', { name: 'Press a sheet' })).toBeVisible();
    // What the plan cannot do without is said by name, and is put right where the product is.
    await expect(page.getByRole('alert')).toContainText('Thickness tolerance is not known yet');
    await page.getByRole('link', { name: 'Say it of the product' }).click();
    await page.getByRole('textbox', { name: /^Thickness tolerance/ }).fill('0.8');
    await page.getByRole('button', { name: 'Keep' }).click();
    await at(page, 'set');
    // No ideal press in silence: what is not known is named, and the physics only a bound.
    await expect(page.getByText(/at the very least/).first()).toBeVisible();
    await page.getByRole('radio', { name: /HDPE leaf green/ }).check({ force: true });
    await expect(page.locator('.start')).toContainText(/trial/);
    await page.getByLabel('This is a').selectOption('small_trial');
    for (const tick of await page.locator('.ticks input').all()) await tick.check();
    await expect(page.locator('.start')).toContainText('Nothing stops this run.');
    await accessible(page);
    await page.getByRole('button', { name: /Start the run/ }).click();

    await expect(page.getByRole('heading', { name: /^Preheat, closed/ })).toBeVisible();
    await page.keyboard.press('t');
    await pad(page, '199', '198');
    await page.getByRole('button', { name: /^Platens are hot/ }).click();
    await confirmAll(page, 'Both plates wiped', 'No scratches on the inner faces', 'Release agent on both');
    await page.getByRole('button', { name: /^Plates are ready/ }).click();
    const wanted = page.locator('.shows p').filter({ hasText: 'Weigh out' }).locator('strong');
    const grams = (await wanted.innerText()).replace(/[^0-9.]/g, '');
    await page.getByRole('button', { name: /^Scale/ }).click();
    await pad(page, grams);
    await page.getByRole('button', { name: /^Charge is weighed/ }).click();
    await confirmAll(page, 'Four corners full', 'Even, no holes');
    await page.getByRole('button', { name: /^Spread/ }).click();
    await page.getByRole('button', { name: /^It is in: start the timer/ }).click();
    await anyway(page, /^Heating is done/, 'a test cannot wait');
    await page.getByRole('button', { name: /^It is in the cold press/ }).click();
    await page.getByRole('button', { name: /^Pressure is on/ }).click();
    await anyway(page, /^Cooling is done/, 'a test cannot wait');
    await confirmAll(page, 'Release agent wiped off', 'Lying flat under weight', 'Marked with its polymer');
    await page.getByRole('button', { name: /^Out and flat/ }).click();
    await page.getByLabel('−y −x corner').fill('6.1');
    await page.getByLabel('−y −x corner').press('Enter');
    for (const value of ['6.0', '6.0', '5.9', '6.0', '6.1', '6.0', '6.0', '6.1']) {
        await page.keyboard.type(value);
        await page.keyboard.press('Enter');
    }
    await page.getByLabel(/Mass of the sheet/).fill('690');
    await page.getByRole('button', { name: 'Log the check' }).click();
    await page.getByRole('button', { name: /^Checked/ }).click();
    await page.getByRole('button', { name: /^Good or scrap/ }).click();
    await page.getByRole('button', { name: 'good', exact: true }).click();
    await page.getByRole('button', { name: 'Log it' }).click();
    await page.getByRole('button', { name: /^Finish the run/ }).click();
    await expect(page.getByRole('heading', { name: 'Done', exact: true })).toBeVisible();
    await at(page);
    await expect(page.getByRole('heading', { name: 'From nothing to the first run' })).toBeHidden();
});
