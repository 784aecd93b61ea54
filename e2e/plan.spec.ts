import { expect, test } from './story';
import { accessible, ask, list, put, signIn } from './shop';

interface Goods {
    product_id: number;
    product: string;
    held: number;
    to_finish: number;
}
interface Floor {
    server_time: number;
}

test('an order becomes a plan of the day, is pinned, waits for who is away, and is delivered', async ({
    page,
}) => {
    test.setTimeout(480_000);
    await signIn(page, 'maren');
    const panel = (await list<Goods>(page, 'goods')).find((g) => g.product === 'hive floor panel')!;
    await page.getByRole('link', { name: 'Plan', exact: true }).click();
    await expect(page.getByRole('group', { name: 'The day by machine and person' })).toBeVisible();

    await page.getByRole('button', { name: 'Take an order' }).click();
    await page.getByLabel('Product').selectOption({ label: 'hive floor panel' });
    await page.getByLabel('How many').fill(String(panel.held + 2));
    await page.getByLabel('For whom, what they said').fill('the apiary on the hill');
    await page.getByRole('button', { name: 'Take it' }).click();
    const orders = page.getByRole('region', { name: 'Orders' });
    await expect(orders).toContainText('the apiary on the hill');
    await expect(orders).toContainText(`${panel.held} of ${panel.held + 2} on the shelf`);

    // What is missing to it is planned, and says when it is there.
    const jobs = page.getByRole('region', { name: 'To make' });
    const job = jobs.getByRole('listitem').filter({ hasText: /2 × hive floor panel\s*order/ });
    await expect(job).toContainText('on Anvil');
    await expect(job).toContainText('to spare');
    await accessible(page);

    const hereAllDay = async (name: string) => {
        await page.getByRole('button', { name, exact: true }).click();
        await page.getByLabel('Here from').fill('0:00');
        await page.getByLabel('until', { exact: true }).fill('24:00');
        await page.getByRole('button', { name: 'Keep it' }).click();
        await expect(page.getByRole('region', { name: `${name} today` })).toBeHidden();
    };

    // Pinned: nothing else may take its time. Two stay until it is over, whatever the clock says as this is run.
    for (const name of ['Teodor Blum', 'Ines Halloran']) await hereAllDay(name);
    await job.getByRole('button', { name: /hive floor panel/ }).click();
    const { server_time } = await ask<Floor>(page, 'floor');
    const at = new Date((Math.ceil(server_time / 300) * 300 + 3600) * 1000);
    const clock = at.toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' });
    const overByMidnight = at.getHours() >= 2 && at.getHours() < 21;
    await job.getByLabel('Begin at').fill(overByMidnight ? clock : '23:55');
    await job.getByRole('button', { name: 'Pin it there' }).click();
    await expect(job).toContainText('pinned');
    if (overByMidnight) await expect(job).toContainText(`${clock} to`);
    await job.getByRole('button', { name: 'Free it' }).click();
    await expect(job).not.toContainText('pinned');

    // Two slide a stack in: with one alone it says so.
    for (const name of ['Teodor Blum', 'Ines Halloran', 'Jun Asare']) {
        await page.getByRole('button', { name, exact: true }).click();
        await page.getByRole('button', { name: 'Not here today' }).click();
        await expect(page.getByRole('region', { name: `${name} today` })).toBeHidden();
    }
    await expect(page.getByText('1 people')).toBeVisible();
    await expect(job).not.toContainText('on Anvil');
    await hereAllDay('Jun Asare');
    await expect(job).toContainText('on Anvil');

    // They are made elsewhere, counted, and go.
    await put(page, `products/${panel.product_id}/goods`, {
        id: crypto.randomUUID(),
        kind: 'counted',
        count: panel.held + 2,
        reason: 'two were behind the shelf',
    });
    await page.reload();
    const mine = orders.getByRole('listitem').filter({ hasText: 'the apiary on the hill' });
    await mine.getByRole('button', { name: 'It is delivered' }).click();
    await expect(mine).toBeHidden();
    expect((await list<Goods>(page, 'goods')).find((g) => g.product === 'hive floor panel')?.held).toBe(0);

    // As it was, for whoever works here next.
    await put(page, `products/${panel.product_id}/goods`, {
        id: crypto.randomUUID(),
        kind: 'counted',
        count: panel.held,
        reason: 'as it was',
    });
});

test('a job that is dragged begins where it was dropped', async ({ page }) => {
    test.setTimeout(300_000);
    await signIn(page, 'ines');
    const rail = (await list<Goods>(page, 'goods')).find((g) => g.product === 'stand rail')!;
    const { server_time } = await ask<Floor>(page, 'floor');
    await put(page, 'orders', {
        id: crypto.randomUUID(),
        product_id: rail.product_id,
        count: rail.held + rail.to_finish + 3,
        due: server_time + 6 * 3600,
        words: 'a drag',
    });
    await page.goto('/plan');
    const job = page
        .getByRole('region', { name: 'To make' })
        .getByRole('listitem')
        .filter({ hasText: /3 × stand rail/ });
    await job.getByRole('button', { name: /stand rail/ }).click();
    const begins = job.getByLabel('Begin at');
    const before = await begins.inputValue();
    const bar = page.locator('.bar.on').first();
    await bar.scrollIntoViewIfNeeded();
    const box = (await bar.boundingBox())!;
    await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
    await page.mouse.down();
    await page.mouse.move(box.x + box.width / 2 + 90, box.y + box.height / 2, { steps: 6 });
    await page.mouse.up();
    await expect(job).toContainText('pinned');
    await expect(job).not.toContainText(`${before} to`);
});

test('a machine that somebody works on has nothing planned on it, and a day off is one tap', async ({
    page,
}) => {
    test.setTimeout(300_000);
    await signIn(page, 'maren');
    await page.goto('/plan');
    const lanes = page.getByRole('group', { name: 'The day by machine and person' });
    await lanes.getByRole('button', { name: 'Bellows' }).click();
    const card = page.getByRole('region', { name: 'Bellows today' });
    await card.getByLabel('What is done to it').fill('new gasket');
    await accessible(page);
    await card.getByRole('button', { name: 'Keep it' }).click();
    await expect(card).toBeHidden();
    const lane = lanes.locator('.lane').filter({ has: page.getByRole('button', { name: 'Bellows' }) });
    await expect(lane).toContainText(/stands \d+:\d\d to/);
    await expect(lane.getByRole('img', { name: 'Bellows stands: new gasket' })).toBeVisible();
    const off = page.getByRole('region', { name: 'Days off' });
    const tomorrow = off.getByRole('button').nth(1);
    await tomorrow.click();
    await expect(tomorrow).toHaveAttribute('aria-pressed', 'true');
    await accessible(page);
    await tomorrow.click();
    await expect(tomorrow).toHaveAttribute('aria-pressed', 'false');
    await lanes.getByRole('button', { name: 'Bellows' }).click();
    await card.getByRole('button', { name: 'It does not stand' }).click();
    await expect(lane).not.toContainText('stands');
});
