import { expect, test, type Locator, type Page } from './story';
import { ask, choose, list, put, setUpPanel, signIn } from './shop';

/** What hands type into a field of each kind, and what it is in the unit the shop keeps it in: worked out by hand. */
const TYPED: Record<string, [text: string, value: number][]> = {
    mass: [
        ['2,1 kg', 2100],
        ['2.1kg', 2100],
        ['1 lb', 453.592],
        ['75', 75],
    ],
    length: [
        ['3/4 in', 19.05],
        ['0,8 cm', 8],
        ['6', 6],
    ],
    temperature: [
        ['350F', 176.667],
        ['180 °C', 180],
        ['60', 60],
    ],
    time: [
        ['12 min', 720],
        ['2,5 min', 150],
    ],
    pressure: [
        ['2,5 bar', 250],
        ['1 psi', 6.895],
    ],
    number: [
        ['2,5', 2.5],
        ['4', 4],
    ],
};

interface Field {
    kind: string;
    value: string;
    refused: boolean;
}
const read = (field: Locator): Promise<Field> =>
    field.evaluate((e: HTMLInputElement) => ({
        kind: e.dataset.typed ?? '',
        value: e.dataset.value ?? '',
        refused: e.getAttribute('aria-invalid') === 'true',
    }));

/** Every way in which text arrives: keys as fast as a scanner, and the clipboard. */
async function enters(page: Page, field: Locator, text: string, way: 'keys' | 'paste'): Promise<void> {
    await field.click();
    await page.keyboard.press('ControlOrMeta+a');
    if (way === 'keys') await page.keyboard.type(text);
    else await page.keyboard.insertText(text);
    await page.keyboard.press('Tab');
}

async function everyField(page: Page, where: string): Promise<number> {
    const fields = page.locator('main [data-typed]:visible:enabled');
    await expect(fields.first(), where).toBeVisible();
    const many = await fields.count();
    for (let i = 0; i < many; i++) {
        const field = fields.nth(i);
        const { kind } = await read(field);
        for (const [n, [text, value]] of (TYPED[kind] ?? []).entries()) {
            await enters(page, field, text, n % 2 === 0 ? 'keys' : 'paste');
            const now = await read(field);
            if (now.refused) continue;
            // A calculation counts in its own unit, minutes or bar: the quantity is the same to a factor of that unit.
            const units = [1, 60, 3600, 100, 1000, 10, 0.001, 0.01];
            expect(
                units.some((u) => Math.abs(Number(now.value) * u - value) <= 1e-3 * value),
                `${where}, field ${i + 1} (${kind}): "${text}" became ${now.value}`,
            ).toBe(true);
        }
        const before = await read(field);
        await enters(page, field, 'nonsense', 'keys');
        const after = await read(field);
        expect(
            after.refused || after.value === before.value || after.value === '' || after.value === 'nonsense',
            `${where}, field ${i + 1}: nonsense became ${after.value}`,
        ).toBe(true);
    }
    return many;
}

test('every field of the shop reads what is typed into it whole', async ({ page }) => {
    test.setTimeout(360_000);
    await signIn(page, 'maren');
    const lots = await list<{ id: number; code: string }>(page, 'lots');
    const lot = lots.find((l) => l.code === 'L-0102')!.id;
    let seen = 0;
    for (const path of [
        '/sort/deliver',
        '/weigh',
        '/weigh/mixes',
        '/dry',
        '/sort/find',
        '/set',
        '/reckon/charge.sheet',
        '/reckon/heat.slab',
        '/reckon/heat.press_cycle',
    ]) {
        await page.goto(path);
        await page.waitForLoadState('networkidle');
        seen += await everyField(page, path);
    }
    for (const act of ['Split', 'Stock-take', 'Foreign matter', 'To waste']) {
        await page.goto(`/sort/lots/${lot}`);
        const button = page.getByRole('button', { name: act, exact: true });
        await button.click();
        seen += await everyField(page, `${act} of a lot`);
    }
    expect(seen).toBeGreaterThan(30);
});

test('2,1 kg and Enter is 2 100 g on the delivery, in the ledger and in what is split off', async ({
    page,
}) => {
    await signIn(page, 'ines');
    await page.goto('/sort/deliver');
    await page.getByRole('button', { name: /^Market co-op/ }).click();
    await page.getByRole('button', { name: /^Something else/ }).click();
    await page.getByLabel(/^Polymer/).selectOption('PP');
    await page.getByLabel('Colour').fill('moss');
    await page.getByLabel('Container, tare').fill('0');
    await page.getByLabel('On the scale').click();
    await page.keyboard.type('2,1 kg');
    await page.keyboard.press('Enter');
    await page.getByRole('link', { name: /^Open L-/ }).click();
    await page.waitForURL(/\/sort\/lots\/\d+$/);
    const id = Number(page.url().split('/').pop());
    expect((await ask<{ lot: { mass_g: number } }>(page, `lots/${id}`)).lot.mass_g).toBe(2100);

    // A refused text holds the form back, and says why; the book is as it was.
    await page.getByRole('button', { name: 'Split', exact: true }).click();
    const part = page.locator('form').getByRole('textbox').first();
    await part.click();
    await page.keyboard.type('0,6 kilos');
    await page.keyboard.press('Enter');
    expect((await ask<{ lot: { mass_g: number } }>(page, `lots/${id}`)).lot.mass_g).toBe(2100);
    await part.fill('0,6 kg');
    await part.press('Enter');
    await expect
        .poll(async () => (await ask<{ lot: { mass_g: number } }>(page, `lots/${id}`)).lot.mass_g)
        .toBe(1500);
});

test('what one person has looked at is not looked at by the next', async ({ page }) => {
    await signIn(page, 'teodor');
    await signIn(page, 'ines');
    await setUpPanel(page);
    const start = page.getByRole('button', { name: /^Start the run/ });
    await expect(start).toBeEnabled();
    await choose(page, 'Ines Halloran', 'Switch person');
    await page.getByRole('dialog').getByRole('button', { name: 'Teodor Blum' }).click();
    await page.getByLabel('PIN', { exact: true }).fill('2386');
    await page.getByRole('button', { name: 'Go', exact: true }).click();
    await expect(page.getByRole('button', { name: 'Teodor Blum' })).toBeVisible();
    await expect(page.getByRole('checkbox', { name: /Eyes, hands/ })).not.toBeChecked();
    await expect(page.getByRole('checkbox', { name: /Extraction/ })).not.toBeChecked();
    await expect(start).toBeDisabled();
});

test('a kilogram taken for a gram is put right by one tap, and only a lead is shown the list', async ({
    page,
}) => {
    await signIn(page, 'maren');
    const lots = await list<{ id: number; code: string; mass_g: number }>(page, 'lots');
    const lot = lots.find((l) => l.code === 'L-0103')!;
    const held = async () => (await ask<{ lot: { mass_g: number } }>(page, `lots/${lot.id}`)).lot.mass_g;
    await put(page, `lots/${lot.id}/acts`, {
        id: crypto.randomUUID(),
        kind: 'waste',
        mass_g: 2,
        reason: 'floor sweepings',
    });
    expect(await held()).toBeCloseTo(lot.mass_g - 2, 6);
    await page.goto(`/sort/lots/${lot.id}`);
    const line = page.getByRole('row', { name: /floor sweepings/ });
    await line.getByRole('button', { name: /^It was 2 000/ }).click();
    await expect(page.getByRole('row', { name: /meant in kilograms/ })).toBeVisible();
    expect(await held()).toBeCloseTo(lot.mass_g - 2000, 6);
    // Once, and the line that was wrong stays.
    await expect(line.getByRole('button', { name: /^It was/ })).toHaveCount(0);
    await expect(line).toBeVisible();
    await page.goto('/shop');
    await expect(page.getByRole('heading', { name: 'Shop', exact: true })).toBeVisible();
    await signIn(page, 'ines');
    await page.goto('/shop');
    await expect(page.getByRole('heading', { name: /To look at again/ })).toHaveCount(0);
    const refused = await page.request.get('/api/v1/review', {
        headers: { Accept: 'application/json', Origin: new URL(page.url()).origin },
    });
    expect(refused.status()).toBe(403);
});
