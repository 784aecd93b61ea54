import { expect, test, type Locator, type Page } from './story';
import { READY } from './screens.mjs';
import { accessible, choose, list, menu, scan, signIn, signInByForm } from './shop';

test('every screen is accessible, in light and in dark, keeps to the content policy and logs no error', async ({
    page,
}) => {
    test.setTimeout(600_000);
    const faults: string[] = [];
    page.on('console', (m) => {
        if (m.type() === 'error' && !m.text().includes('status of 4')) faults.push(m.text());
    });
    page.on('pageerror', (e) => faults.push(e.message));
    await page.emulateMedia({ colorScheme: 'light', reducedMotion: 'reduce' });
    await page.goto('/sign-in');
    await expect(page.getByRole('button', { name: 'Sign in' })).toBeVisible();
    await accessible(page);
    await signIn(page, 'maren');
    for (const [path, heading] of Object.entries(READY)) {
        await page.goto(path);
        await expect(page.getByRole('heading', { name: heading, exact: true, level: 1 })).toBeVisible();
        await page.waitForLoadState('networkidle');
        await accessible(page);
        // What is dark is the same page in other colours.
        await page.emulateMedia({ colorScheme: 'dark' });
        await expect(page.locator('.v-theme--dark').first()).toBeVisible();
        await accessible(page, { colours: 'only' });
        await page.emulateMedia({ colorScheme: 'light' });
    }
    await page.goto('/sort');
    await page.getByRole('link', { name: 'L-0101' }).click();
    await expect(page.getByRole('heading', { name: 'Ledger' })).toBeVisible();
    await accessible(page);
    const runs = await list<{ id: string; product: string }>(page, 'runs?limit=100');
    await page.goto(`/parts/${runs.find((r) => r.product === 'hive floor panel')!.id}`);
    await expect(page.getByRole('region', { name: 'top face' })).toBeVisible();
    await accessible(page);
    expect(faults).toEqual([]);
});

test('gloves get larger targets, and the set-up stays accessible', async ({ page }) => {
    await signIn(page, 'teodor');
    await menu(page, 'Teodor Blum', 'Glove size: off');
    await expect(page.locator('html')).toHaveClass(/glove/);
    await page.goto('/set');
    await expect(page.getByRole('heading', { name: 'Press a sheet' })).toBeVisible();
    await accessible(page);
    for (const button of await page.getByRole('button').all()) {
        const box = await button.boundingBox();
        if (box) expect(box.height, await button.innerText()).toBeGreaterThanOrEqual(24);
    }
    await menu(page, 'Teodor Blum', 'Glove size: on');
});

test('keys go everywhere and show themselves', async ({ page }) => {
    await signIn(page, 'teodor');
    await page.keyboard.press('4');
    await expect(page.getByRole('heading', { name: 'Press a sheet' })).toBeVisible();
    await page.keyboard.press('7');
    await expect(page.getByRole('heading', { name: 'Learn' })).toBeVisible();
    await scan(page, 'L-0104');
    await expect(page.getByRole('heading', { name: 'L-0104' })).toBeVisible();
    await page.keyboard.press('?');
    await expect(page.getByRole('dialog')).toContainText('Show these keys');
    await page.keyboard.press('Escape');
    await expect(page.getByRole('dialog')).toBeHidden();
});

test('a person is switched by PIN on a known screen only', async ({ page }) => {
    await signInByForm(page, 'ines');
    await choose(page, 'Ines Halloran', 'Switch person');
    await expect(page.getByRole('dialog')).toContainText('Nobody else has signed in on this screen yet');
    await page.keyboard.press('Escape');
    await signInByForm(page, 'teodor');
    await choose(page, 'Teodor Blum', 'Switch person');
    await page.getByRole('dialog').getByRole('button', { name: 'Ines Halloran' }).click();
    await page.getByLabel('PIN').fill('0000');
    await page.getByRole('button', { name: 'Go', exact: true }).click();
    await expect(page.getByText('PIN is not right')).toBeVisible();
    await page.getByLabel('PIN').fill('7305');
    await page.getByRole('button', { name: 'Go', exact: true }).click();
    await expect(page.getByRole('button', { name: 'Ines Halloran' })).toBeVisible();
});

test('units follow the person, on the screen only', async ({ page }) => {
    await signIn(page, 'teodor');
    await menu(page, 'Teodor Blum', 'Units: mm');
    await page.goto('/set');
    await expect(page.getByLabel('Platens', { exact: true })).toHaveValue(/°F/);
    await page.getByLabel('Platens', { exact: true }).fill('374');
    await page.getByLabel('Platens', { exact: true }).press('Enter');
    await expect
        .poll(() => page.evaluate(() => JSON.parse(localStorage.getItem('dithermic.set')!).settings.platen_c))
        .toBeCloseTo(190, 6);
    await page.getByRole('button', { name: 'Back to the recipe' }).click();
    await menu(page, 'Teodor Blum', 'Units: in');
});

test('the line that says that the server is away comes in under nobody’s finger', async ({ page }) => {
    await signIn(page, 'ines');
    await page.goto('/set');
    const every = page.getByRole('button', { name: 'Show every lot' });
    await expect(every).toBeVisible();
    const away = page.getByText('The server does not answer: what stands here');
    await every.hover();
    const where = await every.boundingBox();
    await page.mouse.down();
    await page.context().setOffline(true);
    // The screen asks for the floor, as it does every few seconds: the head says so, where nothing moves.
    await page.evaluate(() => document.dispatchEvent(new Event('visibilitychange')));
    await expect(page.getByText('No server')).toBeVisible();
    await expect(away).toBeHidden();
    expect(await every.boundingBox()).toEqual(where);
    await page.mouse.up();
    await expect(page.getByRole('button', { name: /^Only/ })).toBeVisible();
    await expect(away).toBeVisible();
    await page.context().setOffline(false);
    await expect(away).toBeHidden();
});

/** Words in drawings that are smaller on this screen than anybody reads, px; some stand on their side. */
const LEGIBLE_PX = 9.5;
const tooSmall = (page: Page) =>
    page.locator('svg text').evaluateAll((all, least) => {
        const size = (t: SVGTextElement) => {
            const { a, b } = t.getScreenCTM() ?? { a: 1, b: 0 };
            return parseFloat(getComputedStyle(t).fontSize) * Math.hypot(a, b);
        };
        return (all as SVGTextElement[])
            .filter((t) => t.textContent.trim() !== '' && size(t) < least)
            .map((t) => t.textContent.trim());
    }, LEGIBLE_PX);

test('every page fits a phone: nothing scrolls sideways but what has its own place for it, words in drawings are read', async ({
    page,
}) => {
    await page.setViewportSize({ width: 390, height: 800 });
    await signIn(page, 'ines');
    await expect(page.getByRole('complementary', { name: 'Hands next' })).toBeVisible();
    await accessible(page);
    const [run] = await list<{ id: string }>(page, 'runs?limit=1');
    const [lot] = await list<{ id: number }>(page, 'lots');
    const made = await list<{ id: string; status: string; product_id: number; process: string }>(
        page,
        'runs',
    );
    const pressed = made.find((r) => r.status === 'finished' && r.process === 'compression')!;
    const moulded = made.find((r) => r.process === 'injection')!;
    const pages = [
        ...['/', '/sort', '/sort/batches', '/sort/sources', '/sort/csv', '/dry', '/weigh', '/set', '/check'],
        ...[
            '/learn',
            '/plan',
            '/handover',
            '/reckon',
            '/shop',
            `/learn/${run!.id}`,
            `/flaws/${run!.id}`,
            `/parts/${run!.id}`,
        ],
        ...[`/sort/lots/${lot!.id}`, `/trace/lot/${lot!.id}`, '/reckon/heat.press_cycle'],
        ...[`/learn/${pressed.id}`, `/learn/product/${pressed.product_id}`, '/reckon/schedule.plan'],
        `/set?product=${moulded.product_id}`,
    ];
    for (const at of pages) {
        await page.goto(at);
        await expect(page.getByRole('heading').first()).toBeVisible();
        await page.waitForLoadState('networkidle');
        expect(await page.evaluate(() => document.documentElement.scrollWidth), at).toBeLessThanOrEqual(391);
        expect(await tooSmall(page), at).toEqual([]);
    }
    // Where one is, is never the stage that is cut off.
    await page.goto('/learn');
    await expect(page.locator('nav .here')).toBeInViewport({ ratio: 1 });
    // Nor does one lie over the number of the one before it.
    await expect(page.locator('nav .count')).toHaveCount(6);
    const under = await page
        .locator('nav .top')
        .evaluateAll((all) =>
            all.filter((top) => top.scrollWidth > top.clientWidth).map((top) => top.textContent),
        );
    expect(under).toEqual([]);
    await page.goto('/set');
    await expect(page.locator('.start')).toBeVisible();
    // Two lines stand over the lower edge: neither lies over the other.
    const box = async (of: Locator) => (await of.boundingBox())!;
    const start = await box(page.locator('.start'));
    const hands = await box(page.getByRole('complementary', { name: 'Hands next' }));
    // What is scrolled to ends above both.
    const free = await page.evaluate(() =>
        parseFloat(getComputedStyle(document.documentElement).scrollPaddingBottom),
    );
    expect(free).toBeGreaterThanOrEqual(start.height + hands.height);
    expect(start.y + start.height).toBeLessThanOrEqual(hands.y + 1);
    expect(hands.y + hands.height).toBeLessThanOrEqual(801);
});

test('what the keyboard comes to never stands under the lines at the edges of the screen', async ({
    page,
}) => {
    await signIn(page, 'ines');
    await page.setViewportSize({ width: 1280, height: 700 });
    await page.goto('/set');
    const start = page.getByRole('button', { name: /^Start the run/ });
    await expect(page.getByRole('radio', { name: /L-0101/ })).toBeVisible();
    await expect(start).toBeVisible();
    /** What lies over the middle of what has the focus, by the words it stands in; none where it is seen. */
    const covered = () =>
        page.evaluate(() => {
            const at = document.activeElement as HTMLInputElement | null;
            if (!at || at === document.body) return '';
            const seen = (at.labels?.[0] ?? at).getBoundingClientRect();
            const top = document.elementFromPoint(seen.x + seen.width / 2, seen.y + seen.height / 2);
            const mine = at.labels?.[0] ?? at;
            const own = top !== null && (mine.contains(top) || at.contains(top) || top.contains(mine));
            return own ? '' : `${mine.textContent.trim().slice(0, 40)} under ${top?.className}`;
        });
    const found: string[] = [];
    let reached = 0;
    for (const key of [...Array<string>(70).fill('Tab'), ...Array<string>(70).fill('Shift+Tab')]) {
        await page.keyboard.press(key);
        const under = await covered();
        if (under !== '') found.push(under);
        if (
            await page
                .getByRole('checkbox', { name: /Extraction/ })
                .evaluate((e) => e === document.activeElement)
        )
            reached++;
    }
    expect(found).toEqual([]);
    expect(reached).toBeGreaterThanOrEqual(2);
});
