import { expect, test, type Page } from './story';
import { accessible, anyway, ask, confirmAll, intoTheHeat, list, put, setUpPanel, signIn } from './shop';

interface RunBody {
    summary: { id: string; status: string; good: number; bad: number; lot_id: number };
    pieces: { piece: number; step: string | null; outcome: string }[];
    checks: { piece: number; figures: { mean_mm: number } }[];
    materials: { lot: string; mass_g: number }[];
    plan: { charge_mass_g: number };
}

const pick = (page: Page, name: RegExp) =>
    page.getByRole('navigation', { name: 'Steps' }).getByRole('button', { name }).click();

/** A charge of the panel, weighed at the bench from one lot. */
async function weighed(page: Page, lot: number, grams: number): Promise<string> {
    const products = await list<{ id: number; name: string }>(page, 'products');
    const id = crypto.randomUUID();
    await put(page, 'charges', {
        id,
        product_id: products.find((p) => p.name === 'hive floor panel')!.id,
        polymer: 'HDPE',
        scale_g: 1,
        total_g: grams,
    });
    const charge = await ask<{ components: unknown[] }>(page, `charges/${id}`);
    expect(charge.components.length).toBe(1);
    await put(page, `charges/${id}/weighings`, {
        id: crypto.randomUUID(),
        component: 0,
        lot_id: lot,
        mass_g: grams,
        how: 'hand',
    });
    await put(page, `charges/${id}/finish`, { id: crypto.randomUUID() });
    return id;
}

test('two sheets in one run: one heats while one cools, and none heats with nowhere to go', async ({
    page,
}) => {
    test.setTimeout(240_000);
    await signIn(page, 'ines');
    const lots = await list<{ id: number; code: string; mass_g: number }>(page, 'lots');
    const lot = lots.find((l) => l.code === 'L-0101')!;
    const charge = await weighed(page, lot.id, 2166);

    await setUpPanel(page);
    const sheets = page.getByLabel('Sheets in this run', { exact: true });
    await sheets.fill('2');
    await sheets.press('Enter');
    await expect(page.locator('.series')).toContainText(/2 sheets, one every \d+ min/);
    await accessible(page);
    await page.getByRole('button', { name: /^Start the run/ }).click();
    await expect(page).toHaveURL(/\/run\/[0-9a-f-]{36}/);
    const id = page.url().split('/').pop()!;
    const run = () => ask<RunBody>(page, `runs/${id}`);
    await intoTheHeat(page, /^sheet 1/);
    const started = await run();
    expect(started.pieces).toHaveLength(1);

    // While the first heats, the second is made ready; its charge stands weighed at the bench.
    await pick(page, /^Next: sheet 2/);
    await expect(page.getByRole('heading', { name: /(^|: )Plates and release agent/ })).toBeVisible();
    await confirmAll(page, 'Both plates wiped', 'No scratches on the inner faces', 'Release agent on both');
    await page.getByRole('button', { name: /^Plates are ready/ }).click();
    await page.getByRole('button', { name: /^Take C-\d+/ }).click();
    await page.getByRole('button', { name: /^Charge is weighed/ }).click();
    await confirmAll(page, 'Four corners full', 'Even, no holes');
    // It is ready and waits: what wants hands next is the other one.
    await expect(page.getByRole('heading', { name: /^Sheet 1: / })).toBeVisible();
    await pick(page, /^sheet 2/);
    await accessible(page);
    const spread = page.getByRole('button', { name: /^Spread/ });
    await expect(spread).toBeDisabled();
    await expect(spread).toContainText('the cold press is free when it is hot');
    expect((await ask<{ status: string }>(page, `charges/${charge}`)).status).toBe('used');

    // The first goes over and cools; the hot press is free, and still the second waits, for the cold one.
    await pick(page, /^sheet 1/);
    await anyway(page, /^Heating is done/, 'a test cannot wait');
    await page.getByRole('button', { name: /^It is in the cold press/ }).click();
    await page.getByRole('button', { name: /^Pressure is on/ }).click();
    // It would be cold long before the second is hot: that one may go. But the day is warm, and the first takes longer.
    await expect(page.getByRole('heading', { name: /^Sheet 2: / })).toBeVisible();
    await expect(spread).toBeEnabled();
    await pick(page, /^sheet 1/);
    await expect(page.getByRole('heading', { name: /(^|: )Cool under pressure/ })).toBeVisible();
    await page.getByRole('button', { name: 'Change the time' }).click();
    await page.getByRole('textbox', { name: /^More time/ }).fill('40 min');
    await page.getByLabel('Why').fill('warm day');
    await page.getByRole('button', { name: 'Log it' }).click();
    await pick(page, /^sheet 2/);
    await expect(spread).toBeDisabled();

    await pick(page, /^sheet 1/);
    await anyway(page, /^Cooling is done/, 'a test cannot wait');
    await confirmAll(page, 'Release agent wiped off', 'Lying flat under weight', 'Marked with its polymer');
    await page.getByRole('button', { name: /^Out and flat/ }).click();
    await pick(page, /^sheet 2/);
    await spread.click();
    await page.getByRole('button', { name: /^It is in: start the timer/ }).click();

    // The first is measured while the second heats: each has its own check and verdict.
    await pick(page, /^sheet 1/);
    await page.getByLabel('−y −x corner').fill('8.1');
    await page.getByLabel('−y −x corner').press('Enter');
    for (const value of ['8.0', '8.2', '7.9', '8.0', '8.1', '8.0', '8.0', '8.1']) {
        await page.keyboard.type(value);
        await page.keyboard.press('Enter');
    }
    await page.getByLabel(/Mass of the sheet/).fill('2080');
    await page.getByRole('button', { name: 'Log the check' }).click();
    await expect(page.getByText('Mean', { exact: true })).toBeVisible();
    await page.getByRole('button', { name: 'Good', exact: true }).click();
    await pick(page, /^sheet 2/);
    await expect(page.getByText('Mean', { exact: true })).toBeHidden();
    await page.getByRole('button', { name: 'Take it out' }).click();
    await page.getByLabel('Why').fill('stack slipped');
    await page.getByRole('button', { name: 'Log it' }).click();

    await page.getByRole('button', { name: /^No more sheets/ }).click();
    await confirmAll(page, 'Heaters off, or somebody else has the press', 'Cold press empty');
    await page.getByRole('button', { name: /^Finish the run/ }).click();
    await expect(page.getByRole('heading', { name: /(^|: )Done/ })).toBeVisible();
    const ended = await run();
    expect([ended.summary.good, ended.summary.bad]).toEqual([1, 1]);
    expect(ended.checks.map((c) => c.piece)).toEqual([1]);
    // One sheet from the lot, one from the charge: each once.
    const left = (await list<{ code: string; mass_g: number }>(page, 'lots')).find(
        (l) => l.code === 'L-0101',
    )!;
    expect(lot.mass_g - left.mass_g).toBeCloseTo(2170 + 2166, 0);
    await page.goto(`/learn/${id}`);
    await expect(page.getByRole('heading', { name: 'Each sheet' })).toBeVisible();
    await accessible(page);
});
