import { expect, test, type Page } from './story';
import {
    everyLot,
    accessible,
    advance,
    ask,
    enterExtruded,
    list,
    put,
    signIn,
    startRun,
    stepTitle,
    untilSmooth,
} from './shop';

/** As soon as what it waits for is over; once more where the button still took the touch for one of the step before. */
async function goOn(page: Page) {
    const there = stepTitle(page).filter({ hasText: await stepTitle(page).innerText() });
    await expect(async () => {
        if ((await there.count()) === 0) return;
        await expect(advance(page).locator('small')).toHaveCount(0, { timeout: 30_000 });
        await advance(page).click({ timeout: 5000 });
        await expect(there).toHaveCount(0, { timeout: 2000 });
    }).toPass({ timeout: 60_000 });
}

/** From an empty mould at the nozzle into the tank. */
async function intoTheTank(page: Page, bar: number) {
    for (const step of [
        'Mould on, locked',
        'Fill to overflow',
        'Chill the nozzle end',
        'Mould off, into the tank',
    ]) {
        await expect(stepTitle(page)).toContainText(`Bar ${bar}: ${step}`);
        await goOn(page);
    }
}

test('a shift of bars: three moulds from cold to the shelf and the tub, and no fourth bar before a mould is free', async ({
    page,
    context,
}) => {
    test.setTimeout(360_000);
    await signIn(page, 'maren');
    await enterExtruded(page, 'peg', {
        width_mm: 6,
        height_mm: 6,
        length_mm: 40,
        plug_mm: 0.2,
        moulds: 3,
        bars: 4,
    });
    await page.goto('/set');
    await page.getByText('peg', { exact: true }).click();
    await expect(page.getByText(/bars a shift from cold/)).toBeVisible();
    await expect(page.getByText(/holds it back/).first()).toBeVisible();
    await accessible(page);
    const id = await startRun(page, 'peg', 'L-0106');
    await untilSmooth(page, '400', '60');

    await intoTheTank(page, 1);
    // The cable is out for the second: what is touched is kept here, in its order.
    await context.setOffline(true);
    await intoTheTank(page, 2);
    await context.setOffline(false);
    await expect(page.getByText('not yet with the server')).toBeHidden({ timeout: 30_000 });
    await intoTheTank(page, 3);

    await expect(stepTitle(page)).toContainText('Bar 1: In the tank');
    // All three moulds are out: no fourth bar before one is stripped, for a screen and for whoever asks the server.
    await ask(page, `runs/${id}`);
    const begun = {
        key: crypto.randomUUID(),
        type: 'piece_begun',
        at: Date.now() / 1000,
        data: { piece: 4 },
    };
    const { refused } = (await put(page, `runs/${id}/events`, { events: [begun] })) as {
        refused: { message: string }[];
    };
    expect(refused[0]?.message).toContain('no mould is free: bar 1 and 2 and 3 are still in them');
    // Out, stripped and good is one touch; its mould is free, and the machine would have the next bar.
    await goOn(page);
    await expect(page.getByText('1 good of 4')).toBeVisible();
    // Unless the second rings first, on a slow machine.
    await expect(stepTitle(page)).toContainText(/Bar 4: Mould on, locked|Bar 2:\s+In the tank/);
    await expect(page.getByRole('button', { name: /^(Next: )?bar 4/i })).toBeVisible();
    await accessible(page);
    for (const bar of [2, 3]) {
        await page
            .getByRole('navigation', { name: 'Steps' })
            .getByRole('button', { name: new RegExp(`^bar ${bar}`, 'i') })
            .click();
        await expect(stepTitle(page)).toContainText(`Bar ${bar}: In the tank`);
        await expect(page.getByRole('img', { name: /^Skin .* carry it/ })).toBeVisible();
        await goOn(page);
        await expect(page.getByText(`${bar} good of 4`)).toBeVisible();
    }
    await page.getByRole('button', { name: 'No more bars: shut down' }).click();
    await expect(stepTitle(page)).toContainText('Empty the barrel');
    await page.getByRole('button', { name: /^What stays/ }).click();
    await page.getByRole('dialog').getByRole('button', { name: 'empty', exact: true }).click();
    await page.getByRole('button', { name: 'Log it' }).click();
    await goOn(page);
    await expect(stepTitle(page)).toContainText('Heaters off');
    for (const item of await page.locator('.confirm button').all()) await item.click();
    await goOn(page);
    await expect(page.getByRole('heading', { name: 'Done' })).toBeVisible();

    // What was run free is a tub of regrind, a pass hotter; the bars are goods.
    const left = page.getByRole('region', { name: 'What is left of it' }).getByRole('listitem');
    const free = left.filter({ hasText: 'Free run' });
    await free.getByRole('button', { name: 'Into a tub' }).click();
    const tub = (await free.getByRole('link', { name: /^L-/ }).getAttribute('href'))!.split('/').pop();
    const run = await ask<{ summary: { good: number }; pieces: { outcome: string }[] }>(page, `runs/${id}`);
    expect([run.summary.good, run.pieces.length]).toEqual([3, 3]);
    expect(await ask(page, `lots/${tub}`)).toMatchObject({
        lot: { form: 'offcut', mass_g: 60, made_small: 'flake' },
    });
});

test('film of nobody knows what is no production material, and the screen says what may be done instead', async ({
    page,
}) => {
    await signIn(page, 'maren');
    const sources = await list<{ id: number; name: string }>(page, 'sources');
    const lot = (await put(page, 'lots', {
        id: crypto.randomUUID(),
        source_id: sources[0]!.id,
        polymer: 'UNKNOWN',
        form: 'film',
        colour: 'mixed',
        swatch: '#9aa0a2',
        mass_g: 3000,
        location: 'Bay 1',
    })) as { id: number; code: string };
    await page.goto(`/sort/lots/${lot.id}`);
    await expect(page.getByRole('button', { name: 'Densify', exact: true })).toBeVisible();
    await page.goto('/set');
    await page.getByText('stand rail', { exact: true }).click();
    await everyLot(page);
    await page.getByPlaceholder(/^Find: code/).fill(lot.code);
    await page
        .locator('.choice')
        .filter({ has: page.getByRole('radio', { name: new RegExp(lot.code) }) })
        .click();
    await expect(page.getByText(/It is no production material/).first()).toBeVisible();
    await expect(page.getByText(/densify and dry that/).first()).toBeVisible();
});
