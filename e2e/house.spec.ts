import { expect, test, type Page } from './story';
import { accessible, ask, confirmAll, intoTheHeat, pad, setUpPanel, signIn, stopRun, tick } from './shop';

interface Plan {
    plan: {
        targets: Record<string, number>;
        weighing: { schools: { id: string; charge_mass_g: number }[] };
    };
}

/** The answer that the Set page gets to one way of weighing. */
async function planBy(page: Page, method: string, name: RegExp): Promise<Plan> {
    const answered = page.waitForResponse(
        (r) => r.url().endsWith('/plans') && (r.request().postData() ?? '').includes(`"${method}"`),
    );
    await tick(page.getByRole('radio', { name }));
    return (await (await answered).json()) as Plan;
}

test('the way of weighing sets the target, on Set and on the scale alike', async ({ page }) => {
    await signIn(page, 'maren');
    await setUpPanel(page);
    const water = await planBy(page, 'as_water', /Weighed as water/);
    const wanted = water.plan.weighing.schools.find((s) => s.id === 'as_water')!.charge_mass_g;
    expect(Math.abs(water.plan.targets.charge_mass_g! - wanted)).toBeLessThan(0.1);
    const density = await planBy(page, 'true_density', /By true density/);
    expect(density.plan.targets.charge_mass_g).not.toBe(water.plan.targets.charge_mass_g);

    // The scale asks the same plan, and says of what is not weighed that it is not.
    await page.goto('/weigh');
    await page.getByRole('combobox', { name: /^For/ }).selectOption({ label: 'hive floor panel' });
    await expect
        .poll(async () =>
            Number(
                (await page.getByRole('textbox', { name: /^Charge, g/ }).inputValue()).replace(/[^\d.]/g, ''),
            ),
        )
        .toBeCloseTo(density.plan.targets.charge_mass_g!, 0);
    await page.getByRole('combobox', { name: /^For/ }).selectOption({ label: 'travel lid' });
    await expect(page.getByText('it is cut, not weighed')).toBeVisible();
});

test('a sheet larger than the bed is said by name before anybody starts', async ({ page }) => {
    await signIn(page, 'ines');
    await setUpPanel(page);
    await page.getByLabel('Length', { exact: true }).fill('1400 mm');
    await page.getByLabel('Length', { exact: true }).press('Enter');
    const region = page.getByRole('region', { name: 'What this machine can do' });
    await expect(region.getByRole('alert')).toContainText('the bed of Anvil');
    await expect(page.getByRole('button', { name: /^Start the run/ })).toBeDisabled();
});

test.describe('kept for later', () => {
    test.use({ serviceWorkers: 'allow' });

    test('a gate refuses without the server what the server would refuse', async ({ page, context }) => {
        test.setTimeout(180_000);
        await signIn(page, 'ines');
        await setUpPanel(page);
        await page.getByRole('button', { name: /^Start the run/ }).click();
        await expect(page.getByRole('heading', { name: /^Preheat, closed/ })).toBeVisible();
        const id = page.url().split('/').pop()!;
        await page.evaluate(() => navigator.serviceWorker.ready.then(() => true));
        await context.setOffline(true);
        // Platens under their set-point are not hot, whatever was logged.
        await page.keyboard.press('t');
        await pad(page, '150', '184');
        await expect(page.getByRole('button', { name: /^Platens are hot/ })).toContainText(
            'both platens within 5 °C of the set-point',
        );
        await page.keyboard.press('t');
        await pad(page, '186', '184');
        await page.getByRole('button', { name: /^Platens are hot/ }).click();
        await confirmAll(
            page,
            'Both plates wiped',
            'No scratches on the inner faces',
            'Release agent on both',
        );
        await page.getByRole('button', { name: /^Plates are ready/ }).click();
        await page.getByRole('button', { name: /^Scale/ }).click();
        await pad(page, '2000');
        // A weight out of its tolerance does not open the gate: it asks for a reason, here as there.
        await expect(page.getByRole('button', { name: /^Charge is weighed/ })).toContainText(
            'the charge within tolerance',
        );
        await page.getByRole('button', { name: /^Charge is weighed/ }).click();
        await page.getByLabel('Why').fill('the lot ran out');
        await page.getByRole('button', { name: 'Go on, with the reason' }).click();
        await expect(page.getByRole('heading', { name: /^Spread and corners/ })).toBeVisible();
        await context.setOffline(false);
        await expect(page.getByText('not yet with the server')).toBeHidden({ timeout: 20_000 });
        const run = await ask<{ summary: { step: string }; events: { type: string }[] }>(page, `runs/${id}`);
        expect(run.summary.step).toBe('spread');
        await stopRun(page);
    });
});

test('the tub is empty: another lot goes in, asked of as the first was, and what is weighed comes off that one', async ({
    page,
}) => {
    await signIn(page, 'ines');
    await setUpPanel(page);
    await page.getByRole('button', { name: /^Start the run/ }).click();
    await expect(page.getByRole('heading', { name: /^Preheat, closed/ })).toBeVisible();
    const id = page.url().split('/').pop()!;
    await page.getByRole('button', { name: 'Another lot' }).click();
    const dialog = page.getByRole('dialog');
    await expect(dialog).toContainText('L-0101 goes in until now');
    await expect(dialog.getByRole('listitem').filter({ hasText: 'L-0103' })).toBeVisible();
    await expect(dialog.getByText('L-0106')).toHaveCount(0);
    await accessible(page, { within: '[role=dialog]' });
    await dialog
        .getByRole('listitem')
        .filter({ hasText: 'L-0102' })
        .getByRole('button', { name: 'From this one' })
        .click();
    await expect(dialog).toBeHidden();
    await expect(page.getByText('HDPE from L-0102')).toBeVisible();
    await intoTheHeat(page);
    const { materials } = await ask<{ materials: { lot: string; mass_g: number | null }[] }>(
        page,
        `runs/${id}`,
    );
    expect(materials.map((m) => [m.lot, m.mass_g])).toEqual([
        ['L-0102', 2170],
        ['L-0101', null],
    ]);
    await stopRun(page);
});

test('what readings tell is on the bench: a pull, a cause, a press', async ({ page }) => {
    await signIn(page, 'ines');
    await page.goto('/reckon/vacuum.trace');
    await expect(page.getByText(/^Sealed at 4\.9 s/)).toBeVisible();
    await expect(page.getByRole('img', { name: /sealed at/ })).toBeVisible();
    await page.goto('/reckon/diagnose.rank');
    await expect(page.getByText(/^Most likely: heated too short/)).toBeVisible();
    await expect(page.getByText('for it: heat time ratio: 0.85')).toBeVisible();
    // A press is learnt by the queue, while the page waits.
    await page.goto('/reckon/fit.press');
    await expect(page.getByText(/^Learnt from 1 run/)).toBeVisible({ timeout: 30_000 });
});
