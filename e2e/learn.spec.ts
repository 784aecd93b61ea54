import { expect, test } from './story';
import { accessible, list, scan, signIn } from './shop';

interface Run {
    id: string;
    number: number;
    product: string;
    good: number;
    status: string;
}

test('a product says what its runs taught: its window, whether it is steady, and how its set-up came to be', async ({
    page,
}) => {
    await signIn(page, 'ines');
    await page.goto('/learn');
    const card = page.getByRole('article', { name: 'hive floor panel' });
    await expect(card).toContainText(/\d+ of \d+ good|\d+ good/);
    await card.getByRole('link', { name: 'What its runs say' }).click();
    await expect(page.getByRole('heading', { name: 'hive floor panel', level: 1 })).toBeVisible();
    const picture = page.getByRole('img', { name: /^Heated against Platens/ });
    await expect(picture).toBeVisible();
    await expect(page.getByText(/^The next one as it was last set: \d+ % good/)).toBeVisible();
    // What was measured of it, between what it has to be.
    const mean = page.getByRole('region', { name: 'Mean', exact: true });
    await expect(mean).toContainText(/Cpk \d/);
    await expect(page.getByText('Version 1, Anvil')).toBeVisible();
    await accessible(page);
    await page.getByRole('link', { name: 'Set up the next' }).click();
    await expect(page.getByRole('heading', { name: 'Press a sheet' })).toBeVisible();
});

test('the label of a sheet opens its record when it is scanned, and what is found later is said there', async ({
    page,
}) => {
    await signIn(page, 'teodor');
    const runs = await list<Run>(page, 'runs?verdict=good');
    const run = runs.find((r) => r.product === 'divider board' && r.status === 'finished')!;
    await page.goto(`/learn/${run.id}`);
    const label = page.getByRole('link', { name: 'Label', exact: true }).first();
    const file = await page.request.get((await label.getAttribute('href'))!, {
        headers: { Origin: new URL(page.url()).origin },
    });
    expect(file.status()).toBe(200);
    expect((await file.body()).subarray(0, 5).toString()).toBe('%PDF-');
    await page.goto('/');
    await expect(page.getByRole('heading', { name: 'Floor', exact: true })).toBeVisible();
    await scan(page, `R-${String(run.number).padStart(4, '0')}`);
    await page.waitForURL(`**/learn/${run.id}`);
    await expect(page.getByRole('heading', { name: new RegExp(`run ${run.number}$`) })).toBeVisible();
    await page.getByRole('button', { name: 'Found bad later' }).click();
    await page.getByLabel('What was found, and where').fill('a void at the saw');
    await page.getByRole('button', { name: 'It is no good piece' }).click();
    await expect(page.getByText('a void at the saw').first()).toBeVisible();
    await page.goto('/r/1999999');
    await expect(page.getByText('There is no run 1999999 here')).toBeVisible();
});

test('a part goes out with a code that shows what a lead has ticked, to whoever has it and nobody else', async ({
    page,
    browser,
}) => {
    await signIn(page, 'maren');
    const runs = await list<Run>(page, 'runs?verdict=good');
    const run = runs.find((r) => r.product === 'divider board' && r.status === 'finished')!;
    await page.goto(`/learn/${run.id}`);
    const card = page.getByRole('region', { name: 'Passport of its parts' });
    await expect(card).toContainText('Nobody outside the shop sees anything of it.');
    await card.getByLabel('Plastic, with its mark').check();
    await card.getByRole('button', { name: 'Show what is ticked' }).click();
    const address = (await card.getByRole('link', { name: /made/ }).getAttribute('href'))!;
    await accessible(page, { within: '[aria-labelledby=passport]' });
    const stranger = await browser.newPage();
    const path = new URL(address).pathname;
    await stranger.goto(path);
    await expect(stranger.getByRole('definition')).toHaveText('>PS-HI< (high-impact polystyrene)');
    await expect(stranger.getByText('divider board')).toHaveCount(0);
    await accessible(stranger);
    await card.getByRole('button', { name: 'Take it back' }).click();
    await expect(card).toContainText('Nobody outside the shop sees anything of it.');
    await stranger.reload();
    await expect(stranger.getByRole('heading', { name: 'There is nothing here' })).toBeVisible();
    await stranger.close();
});

test('a press is asked what it really can do, and what its readings say is used and taken back', async ({
    page,
}) => {
    await signIn(page, 'maren');
    const machines = await list<{ id: number; name: string }>(page, 'machines');
    await page.goto(`/shop/machines/${machines.find((m) => m.name === 'Anvil')!.id}`);
    const card = page.getByRole('region', { name: 'What its runs say' });
    await card.getByRole('button', { name: 'Ask its runs' }).click();
    await expect(card).toContainText(/The readings of its last \d runs say/, { timeout: 60_000 });
    await card.getByText('The numbers').click();
    await expect(card.getByRole('row')).toHaveCount(4);
    await accessible(page);
    await card.getByRole('button', { name: 'Use it' }).click();
    await expect(card).toContainText('Plans reckon with it from now on.');
    await expect(page.getByRole('row', { name: /Heater.*fitted/ }).first()).toBeVisible();
    await card.getByRole('button', { name: 'Take it back' }).click();
    await expect(card.getByRole('button', { name: 'Use it' })).toBeVisible();
});

test('how the shop works comes in as CSV, and waits for a lead', async ({ page }) => {
    await signIn(page, 'ines');
    await page.goto('/sort/csv');
    await page.getByLabel('CSV file').setInputFiles({
        name: 'ways.csv',
        mimeType: 'text/csv',
        buffer: Buffer.from(
            'procedure;step;own;what;value\nextrusion;heat_up;;checks;Guard is down\nextrusion;tank;;typical_min;14,5\n',
        ),
    });
    // What it holds is told by its columns.
    await expect(page.getByRole('button', { name: 'How we work' })).toHaveAttribute('aria-pressed', 'true');
    await expect(page.getByText('2 rows, all good. Nothing is in yet.')).toBeVisible();
    await expect(page.getByText(/to confirm: Guard is down/)).toBeVisible();
    await accessible(page);
    await page.getByRole('button', { name: 'Bring 2 rows in' }).click();
    await expect(page.getByText('2 rows are in.')).toBeVisible();
    await page.goto('/shop');
    await expect(page.getByRole('region', { name: 'Waits for a lead' })).toContainText(
        'proposed by Ines Halloran',
    );
});
