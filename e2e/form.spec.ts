import { spawn } from 'node:child_process';
import { expect, test, type Page } from './story';
import {
    accessible,
    advance,
    anyway,
    ask,
    intoTheHeat,
    list,
    pad,
    setUpPanel,
    signIn,
    stepTitle,
    stopRun,
} from './shop';

interface Lot {
    code: string;
    form: string;
    mass_g: number;
}
interface Goods {
    product: string;
    held: number;
}
const answer = (page: Page, choice: string) =>
    page.getByRole('dialog').getByRole('button', { name: choice, exact: true }).click();
async function confirmEach(page: Page) {
    for (const item of await page.locator('.confirm button').all()) await item.click();
}
async function choose(page: Page, product: string) {
    await page.goto('/set');
    await page.getByText(product, { exact: true }).click();
    await expect(page.getByRole('heading', { name: 'Form a part' })).toBeVisible();
    await page.getByRole('radio', { name: /HIPS white sheet/ }).check({ force: true });
    for (const tick of await page.locator('.ticks input').all()) await tick.check();
    await expect(page.locator('.start')).toContainText('Nothing stops this run.');
}
/** From the set-up to a sheet that hangs under the heater; the run's id. */
async function underTheHeater(page: Page): Promise<string> {
    await page.getByRole('button', { name: /Start the run/ }).click();
    await expect(stepTitle(page)).toContainText('Heater on');
    await confirmEach(page);
    await advance(page).click();
    await expect(stepTitle(page)).toContainText('Seal test, cold');
    await page.getByRole('button', { name: /^Seal test/ }).click();
    await answer(page, 'holds');
    await page.getByRole('button', { name: 'Log it' }).click();
    await expect(page.getByRole('dialog')).toBeHidden();
    await advance(page).click();
    await expect(stepTitle(page)).toContainText('Part 1: Clamp the sheet');
    return page.url().split('/').pop()!;
}
async function pulled(page: Page) {
    await expect(stepTitle(page)).toContainText('Part 1: Heat, and look');
    await anyway(page, /^Hot: go/, 'it sags already');
    await expect(stepTitle(page)).toContainText('Heater off, seal, pull');
    await advance(page).click();
    await expect(stepTitle(page)).not.toContainText('Heater off, seal, pull');
}

for (const [product, by] of [
    ['pollen drawer', 'Blower, then tank'],
    ['wax tray', 'Pump alone'],
] as const) {
    test(`a formed part goes from an empty set-up to trimmed goods: ${by}`, async ({ page }) => {
        test.setTimeout(360_000);
        await signIn(page, 'maren');
        await page.goto('/shop');
        await page.getByRole('link', { name: 'Add a product' }).click();
        await page.getByLabel('Made by').selectOption('vacuum_forming');
        await page.getByLabel('Polymer').selectOption('HIPS');
        await page.getByLabel('Name', { exact: true }).fill(product);
        await page.getByLabel(/^Length/).fill('240');
        await page.getByLabel(/^Width/).fill('160');
        await page.getByLabel(/^Depth/).fill('30');
        await page.getByLabel(/^Sheet/).fill('2');
        await page.getByLabel(/^Draft/).fill('4');
        await page.getByLabel(/^Corner radius/).fill('8');
        await page.getByRole('button', { name: 'Enter it' }).click();
        await expect(page.getByRole('link', { name: product })).toBeVisible();

        await choose(page, product);
        await page.getByText('By which method').click();
        await page.getByRole('radio', { name: by }).check({ force: true });
        await expect(page.locator('.start')).toContainText('Nothing stops this run.');
        const run = await underTheHeater(page);
        await page.keyboard.press('l');
        await pad(page, '120');
        await advance(page).click();
        await pulled(page);
        await page.getByRole('button', { name: /part 1 Cool on the mould/ }).click();
        await anyway(page, /^Off the mould/, 'it is cold to the hand');
        await page.getByRole('button', { name: /part 1 Good or not/ }).click();
        await page.keyboard.press('c');
        await pad(page, '0.9', '1.2', '1.4');
        await page.getByRole('button', { name: 'Good', exact: true }).click();
        await expect(page.getByText(/^1 good of/)).toBeVisible();
        await page.getByRole('button', { name: 'No more parts: shut down' }).click();
        await expect(stepTitle(page)).toContainText('Heater off, air in');
        await confirmEach(page);
        // The end is a while on its way: what is left is asked for when the server has it, not before.
        await page.route(/\/runs\/[^/]+\/events/, async (route) => {
            await new Promise((over) => setTimeout(over, 1500));
            await route.continue();
        });
        await advance(page).click();
        await expect(page.getByRole('heading', { name: 'Done' })).toBeVisible();

        // What was trimmed off is feed again.
        const left = page.getByRole('region', { name: 'What is left of it' });
        const trim = left.getByRole('listitem').filter({ hasText: /[Tt]rim|[Oo]ffcut/ });
        await trim.getByRole('button', { name: 'Into a tub' }).click();
        await expect(trim.getByRole('link', { name: /^L-/ })).toBeVisible();
        await accessible(page);
        const goods = await list<Goods>(page, 'goods');
        expect(goods.find((g) => g.product === product)?.held).toBe(1);
        const made = await ask<{ materials: Lot[] }>(page, `runs/${run}`);
        expect(made.materials[0]?.mass_g).toBe(120);
    });
}

/** The instruments of this shop, with something wrong, until it is let go. */
function wrong(fault: string): () => Promise<void> {
    const child = spawn('bin/dithermic', ['simulate', '--fault', fault, '--every', '1'], {
        cwd: new URL('..', import.meta.url),
        detached: true,
        stdio: 'ignore',
    });
    return async () => {
        const over = new Promise((resolve) => child.once('exit', resolve));
        process.kill(-child.pid!, 'SIGINT');
        await over;
    };
}

test('a sheet under the heater and a panel in the press have one pair of hands; a pull that leaks is named', async ({
    page,
}) => {
    test.setTimeout(400_000);
    await signIn(page, 'maren');
    const right = wrong('leak:Bellows');
    try {
        await setUpPanel(page);
        await page.getByRole('button', { name: /Start the run/ }).click();
        await intoTheHeat(page);
        const panel = page.url();
        await choose(page, 'syrup feeder tray');
        await underTheHeater(page);
        await advance(page).click();
        await expect(stepTitle(page)).toContainText('Part 1: Heat, and look');
        // Both clocks run, and the hands are told in the order of the moments, whichever screen they are at.
        const hands = page.getByRole('complementary', { name: 'Hands next' });
        await expect(hands.locator('.first')).toContainText('syrup feeder tray');
        await expect(hands.locator('.rest')).toContainText('hive floor panel');
        await page.goto(panel);
        await expect(stepTitle(page)).toContainText('Heat under load');
        await expect(hands.locator('.first')).toContainText('Bellows');
        await hands.getByRole('button', { name: 'Go there' }).click();
        await pulled(page);
        await expect(hands.locator('.rest')).toContainText('hive floor panel');
        // Nobody touched anything: the gauge told it, and said that it leaks.
        const told = page.getByRole('region', { name: 'What the gauge told' });
        await expect(told).toContainText('of part 1', { timeout: 90_000 });
        await expect(told).toContainText(/leak/);
        await accessible(page, { within: '.heard' });
        for (const run of [page.url(), panel]) {
            await page.goto(run);
            await stopRun(page);
        }
    } finally {
        await right();
    }
});
