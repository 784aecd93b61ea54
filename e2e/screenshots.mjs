// Takes the pictures of docs/screenshots from a running demo shop: node e2e/screenshots.mjs [address]
import { chromium } from '@playwright/test';
import { CHROMIUM } from './browser.mjs';

const base = process.argv[2] ?? 'http://127.0.0.1:8080';
const out = new URL('../docs/screenshots/', import.meta.url).pathname;
const browser = await chromium.launch({
    executablePath: CHROMIUM,
    args: [
        '--no-sandbox',
        '--disable-gpu',
        '--disable-quic',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
    ],
});
/** A screen as somebody has it: touched once, so that it may sound; the frame that flashes while it calls is not of a page. */
const opened = async () => {
    const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
    await context.addInitScript(() => {
        const calm = new CSSStyleSheet();
        calm.replaceSync('.flash { display: none !important }');
        document.adoptedStyleSheets = [calm];
    });
    return context.newPage();
};
const taken = async (of, name) => {
    await of.keyboard.press('F8');
    await of.waitForTimeout(900);
    await of.screenshot({ path: `${out}${name}.png` });
};
const page = await opened();
const shot = (name) => taken(page, name);
const log = async (key, ...values) => {
    await page.keyboard.press(key);
    await page.getByRole('dialog').waitFor();
    for (const v of values) {
        await page.keyboard.type(v);
        await page.keyboard.press('Enter');
    }
    await page.getByRole('dialog').waitFor({ state: 'hidden' });
};
const tap = async (...names) => {
    for (const name of names) {
        await page
            .getByRole('button', { name, exact: typeof name === 'string' })
            .first()
            .click();
        await page.waitForTimeout(250);
    }
};
const anyway = async (name) => {
    await tap(name);
    await page.getByLabel('Why').fill('shown for a picture');
    await tap('Go on, with the reason');
};

await page.goto(`${base}/sign-in`);
await page.getByLabel('Name to sign in').fill('ines');
await page.getByLabel('Password').fill('flake-to-panel');
await tap('Sign in');
await page.getByRole('heading', { name: 'Floor', exact: true }).waitFor();
for (const [path, name] of [
    ['/sort', 'sort'],
    ['/dry', 'dry'],
    ['/reckon/heat.press_cycle', 'reckon'],
    ['/learn', 'learn'],
]) {
    await page.goto(base + path);
    await shot(name);
}
await page.goto(`${base}/sort/find`);
await tap(/waxy, hard/);
await page.waitForTimeout(600);
await shot('find');
await page.goto(`${base}/sort/batches`);
await page.getByLabel(/^From/).selectOption({ label: 'Garden nursery' });
await page.getByLabel('What it is').fill('pots and trays');
await page.getByLabel('Whole batch, net').fill('8200');
await tap('Begin');
for (const [polymer, colour] of [
    ['PP', 'black'],
    ['HIPS', 'brown'],
    ['PP', 'grey'],
    ['UNKNOWN', 'mixed'],
    ['waste', ''],
]) {
    await tap('+ Open a container');
    await page.getByLabel(/^Polymer/).selectOption(polymer);
    if (colour) await page.getByLabel('Colour').fill(colour);
    await tap('Open it');
}
for (const key of 'qqqqqqqwwwwweer') await page.keyboard.press(key);
for (const [bin, mass] of [
    [0, '4100'],
    [1, '2350'],
    [4, '620'],
]) {
    await page.getByRole('article').nth(bin).getByRole('button', { name: 'Weigh' }).click();
    await page.getByLabel('Net mass').fill(mass);
    await page.keyboard.press('Enter');
    await page.waitForTimeout(400);
}
await page.goto(`${base}/weigh`);
await page.getByLabel(/^For/).selectOption({ label: 'hive floor panel' });
await page.waitForTimeout(800);
await page.getByLabel(/^Mix/).selectOption({ index: 1 });
await tap('To the scale', '+1000', '+100', '+100');
await page.waitForTimeout(1500);
await shot('bench');
await page.goto(`${base}/learn`);
await page
    .getByRole('article', { name: 'hive floor panel' })
    .getByRole('link', { name: 'What its runs say' })
    .click();
await page.getByRole('heading', { name: 'The window as it was run' }).waitFor();
await page.waitForTimeout(800);
await shot('window');
await page.goto(`${base}/learn`);
await page
    .getByRole('row', { name: /hive floor panel/ })
    .first()
    .click();
await shot('record');
const asked = (path) => page.evaluate((p) => fetch(`/api/v1/${p}`).then((r) => r.json()), path);
const bad = (await asked('runs?limit=100')).items.find((r) => r.product === 'entrance reducer' && r.bad > 0);
await page.goto(`${base}/cause/new/${bad.id}`);
await tap(/^Short shot/, 'Find the cause');
// The first question is another in another week.
await page.locator('section.cause .big button').first().click();
await shot('cause');
await page.goto(`${base}/trace/lot/${(await asked(`runs/${bad.id}`)).materials[0].lot_id}`);
await shot('trace');
await page.goto(`${base}/shop/procedures/compression`);
await tap(/^Weigh in/);
await shot('way');
await page.goto(`${base}/set`);
await page.getByText('frame spacer clip', { exact: true }).first().click();
await page.getByLabel('injector').selectOption({ label: 'Wren' });
await page.getByRole('radio', { name: /L-0109/ }).check();
await page.getByLabel('Who works on it').selectOption('2');
await tap('Begin the change', 'Dormouse in', 'closed 180 mm', 'open 250 mm', 'ejector out 30 mm', 'Done');
await tap('Hoses on', 'feed 1 → 1 in', '1 out → return 1');
await shot('change');
await page.goto(`${base}/set`);
await page.getByText('hive floor panel', { exact: true }).first().click();
await shot('set');
await page.getByRole('radio', { name: /L-0101/ }).check();
await page.getByRole('checkbox', { name: /Eyes, hands/ }).check();
await page.getByRole('checkbox', { name: /Extraction/ }).check();
await tap(/^Start the run/);
await page.getByRole('heading', { name: /^Preheat/ }).waitFor();
await log('t', '186', '184');
await tap(
    /^Platens are hot/,
    'Both plates wiped',
    'No scratches on the inner faces',
    'Release agent on both',
    /^Plates are ready/,
    /^Scale/,
);
await page.keyboard.type('2170');
await page.keyboard.press('Enter');
await page.waitForTimeout(600);
await tap(/^Charge is weighed/, 'Four corners full', 'Even, no holes', /^Spread/, /^It is in: start/);
await page.waitForTimeout(150_000);
await shot('run');
await page.goto(base);
await shot('floor');
await page.goBack();
await page.getByRole('heading', { name: /^Heat under load/ }).waitFor();
await anyway(/^Heating is done/);
await tap(/^It is in the cold press/, /^Pressure is on/);
await anyway(/^Cooling is done/);
await tap('Release agent wiped off', 'Lying flat under weight', 'Marked with its polymer', /^Out and flat/);
for (const [i, v] of ['8.1', '8.0', '8.4', '7.9', '7.8', '8.3', '8.0', '8.0', '8.5'].entries())
    await page.locator('.nine input').nth(i).fill(v);
await page.getByLabel(/Mass of the sheet/).fill('2080');
await shot('run-check');
await page.goto(`${base}/set`);
await page.getByText('entrance reducer', { exact: true }).click();
await page.getByRole('radio', { name: /L-0106/ }).check();
await page.waitForTimeout(800);
for (const tick of await page.locator('.ticks input').all()) await tick.check();
await page.evaluate(() => window.scrollTo(0, 0));
await tap(/^Start the run/);
await page.getByRole('heading', { name: /^Heat the barrel/ }).waitFor();
await log('t', '218', '221');
await tap(/^Barrel is hot/);
await log('l', '150');
await tap(/^Full: start/);
await anyway(/^Soaked/);
await tap(/^Test shot/, 'smooth', 'Log it', /^It comes smooth/);
await tap('Clean and dry inside', 'Bolts even', 'Warmed', /^Mould is ready/);
for (let n = 0; n < 2; n++) {
    await tap('It is full');
    await page.getByRole('button', { name: 'Good', exact: true }).click({ timeout: 40_000 });
    await page.waitForTimeout(500);
}
await tap('It is full');
await shot('run-shots');
await page.goto(`${base}/plan`);
await page.getByRole('group', { name: 'The day by machine and person' }).waitFor();
await shot('plan');
const lead = await opened();
await lead.goto(`${base}/sign-in`);
await lead.getByLabel('Name to sign in').fill('maren');
await lead.getByLabel('Password').fill('two-heats-oak');
await lead.getByRole('button', { name: 'Sign in' }).click();
await lead.getByRole('heading', { name: 'Floor', exact: true }).waitFor();
await lead.goto(`${base}/shop`);
await lead.waitForTimeout(2000);
await taken(lead, 'shop');
await browser.close();
