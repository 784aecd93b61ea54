import { expect, test } from './story';
import {
    accessible,
    advance,
    ask,
    enterExtruded,
    list,
    pad,
    put,
    signIn,
    startRun,
    stepTitle,
    stopRun,
    untilSmooth,
} from './shop';

interface Lot {
    id: number;
    code: string;
    form: string;
    mass_g: number;
}
test('strips cut hot at one machine are fed to another, oldest first, by two people', async ({
    page,
    browser,
}) => {
    test.setTimeout(360_000);
    await signIn(page, 'maren');
    await enterExtruded(page, 'hot strips for the reducer', {
        diameter_mm: 25,
        feeds_bore_mm: 38,
        feeds_melt_c: 220,
        shot_g: 40,
        bars: 20,
    });
    await page.goto('/set');
    await page.getByText('hot strips for the reducer', { exact: true }).click();
    await expect(page.getByText(/are one shot/).first()).toBeVisible();
    await expect(page.getByText(/on the rack a strip gains nothing any more/)).toBeVisible();
    await accessible(page, { within: '.answers' });
    const cutting = await startRun(page, 'hot strips for the reducer', 'L-0106');
    await untilSmooth(page, '1500');
    await expect(stepTitle(page)).toContainText('Strip 1: Cut at the mark');
    for (let strip = 1; strip <= 3; strip++) {
        await page.getByRole('button', { name: new RegExp(`^Next: strip ${strip}`, 'i') }).click();
        await page.getByRole('button', { name: 'On the rack' }).click();
        await expect(page.getByText(`Strip ${strip}: Cut at the mark: done`)).toBeVisible();
    }
    const rack = page.getByRole('region', { name: 'Rack of strips' });
    await expect(rack.getByRole('listitem')).toHaveCount(3);
    await expect(rack.getByRole('listitem').first()).toContainText('Strip 1');
    await expect(rack.getByRole('listitem').first()).toContainText(/middle \d+/);
    // The first is laid by: with it there is a lot of strips that another run can take.
    await put(page, `runs/${cutting}/events`, {
        events: [
            {
                key: 'strip-story-0001',
                type: 'logged',
                at: Date.now() / 1000,
                data: { entry: 'disposition', values: { verdict: 'good' }, piece: 1 },
            },
            {
                key: 'strip-story-0002',
                type: 'step_done',
                at: Date.now() / 1000,
                data: { step: 'fed', piece: 1 },
            },
        ],
    });
    const strips = (await list<Lot>(page, 'lots?form=strip')).find((l) => l.form === 'strip')!;
    expect(strips.mass_g).toBe(40);

    const other = await browser.newPage();
    await signIn(other, 'teodor');
    const feeding = await startRun(other, 'entrance reducer', strips.code);
    await other.keyboard.press('t');
    await pad(other, '219', '220');
    await advance(other).click();
    await expect(stepTitle(other)).toContainText('Fill and tamp');
    const waiting = other.getByRole('region', { name: 'Rack of strips' });
    await expect(waiting.getByRole('listitem')).toHaveCount(2);
    await expect(waiting.getByRole('listitem').first()).toContainText('Strip 2');
    await accessible(other, { within: '.rack' });
    await waiting
        .getByRole('button', { name: /Load it: 40 g/ })
        .first()
        .click();
    await expect(waiting.getByRole('listitem')).toHaveCount(1);
    await expect(waiting.getByRole('listitem').first()).toContainText('Strip 3');
    // Who cuts sees it gone; the ledger has it in one barrel, and the sack behind it.
    await expect(rack.getByRole('listitem')).toHaveCount(1, { timeout: 20_000 });
    await expect
        .poll(async () => (await ask<{ materials: Lot[] }>(other, `runs/${feeding}`)).materials[0]?.mass_g)
        .toBe(40);
    const trace = await ask<{ nodes: { title: string }[] }>(other, `runs/${feeding}/trace`);
    expect(trace.nodes.map((n) => n.title)).toContain('L-0106');
    await stopRun(other);
    await other.close();
    await stopRun(page);
});

test('a profile is drawn free, and its haul-off is put right by what is measured', async ({ page }) => {
    test.setTimeout(240_000);
    await signIn(page, 'maren');
    await enterExtruded(page, 'edge bead', { diameter_mm: 20, length_mm: 60, die_area_mm2: 400, bars: 5 });
    await page.goto('/set');
    await page.getByText('edge bead', { exact: true }).click();
    await expect(page.getByText('Drawn down by', { exact: true })).toBeVisible();
    await accessible(page);
    await startRun(page, 'edge bead', 'L-0106');
    await untilSmooth(page, '500');
    await expect(stepTitle(page)).toContainText('Thread it');
    for (const item of await page.locator('.confirm button').all()) await item.click();
    await advance(page).click();
    await expect(stepTitle(page)).toContainText('Length 1: From the cut on');
    await advance(page).click();
    await expect(stepTitle(page)).toContainText('Draw');
    await page.keyboard.press('m');
    await pad(page, '21', '0.7');
    await expect(page.getByText(/haul-off from 0\.70 to 0\.77 m\/min/).first()).toBeVisible();
    await stopRun(page);
});
