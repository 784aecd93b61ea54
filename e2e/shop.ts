import { expect, type Locator, type Page } from './story';
import axe from 'axe-core';

declare global {
    interface Window {
        axe: typeof axe;
    }
}

export const PEOPLE = { maren: 'two-heats-oak', ines: 'flake-to-panel', teodor: 'warm-in-cold-out' } as const;

type Cookies = Awaited<ReturnType<ReturnType<Page['context']>['cookies']>>;
/** what was signed in with before by this worker, at its shop */
const signedIn = new Map<string, Cookies>();

/** On a screen that nobody has used: with the session of a story before, where that is still one, else by the form. */
export async function signIn(page: Page, login: keyof typeof PEOPLE): Promise<void> {
    const before = signedIn.get(login);
    if (before && (await page.context().cookies()).length === 0) {
        await page.context().addCookies(before);
        if ((await ask<{ person: unknown }>(page, 'session')).person !== null) {
            await page.goto('/');
            await expect(page.getByRole('heading', { name: 'Floor', exact: true })).toBeVisible();
            return;
        }
    }
    await signInByForm(page, login);
    signedIn.set(login, await page.context().cookies());
}

export async function signInByForm(page: Page, login: keyof typeof PEOPLE): Promise<void> {
    await page.goto('/sign-in');
    await page.getByLabel('Name to sign in').fill(login);
    await page.getByLabel('Password').fill(PEOPLE[login]);
    await page.getByRole('button', { name: 'Sign in' }).click();
    await expect(page.getByRole('heading', { name: 'Floor', exact: true })).toBeVisible();
}

/** Of the shop that this worker has for itself. */
const origin = () => new URL(process.env.BASE_URL ?? 'http://127.0.0.1:8080').origin;

/** Asks the API as the signed-in browser would, once it has all that this screen was told. */
export async function ask<T>(page: Page, path: string): Promise<T> {
    await expect(page.getByText('not yet with the server')).toBeHidden();
    const response = await page.request.get(`/api/v1/${path}`, {
        headers: { Accept: 'application/json', Origin: origin() },
    });
    expect(response.ok(), `${path}: ${response.status()}`).toBeTruthy();
    return (await response.json()) as T;
}

/** The first page of a list. */
export async function list<T>(page: Page, path: string): Promise<T[]> {
    return (await ask<{ items: T[] }>(page, path)).items;
}

/** Sends to the API as the signed-in browser would. */
export async function put(page: Page, path: string, body: unknown): Promise<unknown> {
    const token = decodeURIComponent(
        (await page.context().cookies()).find((c) => c.name === 'XSRF-TOKEN')?.value ?? '',
    );
    const response = await page.request.post(`/api/v1/${path}`, {
        data: body,
        headers: { Accept: 'application/json', Origin: origin(), 'X-XSRF-TOKEN': token },
    });
    expect(response.ok(), `${path}: ${response.status()} ${await response.text()}`).toBeTruthy();
    return response.json();
}

/** The whole page by every rule; or a part of it; or by its colours alone. */
export async function accessible(
    page: Page,
    what: { within?: string; colours?: 'only' } = {},
): Promise<void> {
    // A page that changes without being loaded anew still has it from before.
    if (!(await page.evaluate(() => 'axe' in window))) await page.evaluate(axe.source);
    const found = await page.evaluate(async ({ within, colours }) => {
        // The bars that stay in view, as if they scrolled too: what is half under one can be scrolled out.
        const bars = [...document.querySelectorAll<HTMLElement>('.setup .start, header.bar')];
        bars.forEach((bar) => (bar.style.position = 'static'));
        const { violations } = await window.axe.run(within ?? document, {
            runOnly: colours ? ['color-contrast'] : ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa'],
            resultTypes: ['violations'],
            preload: false,
        });
        bars.forEach((bar) => (bar.style.position = ''));
        return violations.map(({ id, nodes }) => {
            const places = nodes.map((node) => node.target.join(' '));
            return `${id}: ${places.slice(0, 3).join(' | ')}`;
        });
    }, what);
    expect(found).toEqual([]);
}

/** Types on the number pad that is open, field after field, and logs it. */
export async function pad(page: Page, ...values: string[]): Promise<void> {
    await expect(page.getByRole('dialog')).toBeVisible();
    for (const value of values) {
        await page.keyboard.type(value);
        await page.keyboard.press('Enter');
    }
    await expect(page.getByRole('dialog')).toBeHidden();
}

/** Ticks it in the middle of the screen: a press half a pixel over the line that starts a run belongs to that line. */
export async function tick(box: Locator): Promise<void> {
    await box.evaluate((element) => element.scrollIntoView({ block: 'center' }));
    await box.check();
}

export async function setUpPanel(page: Page): Promise<void> {
    await page.goto('/set');
    await expect(page.getByRole('heading', { name: 'Press a sheet' })).toBeVisible();
    await page.getByText('hive floor panel', { exact: true }).first().click();
    await tick(page.getByRole('radio', { name: /L-0101/ }));
    await tick(page.getByRole('checkbox', { name: /Eyes, hands/ }));
    await tick(page.getByRole('checkbox', { name: /Extraction/ }));
}

export async function confirmAll(page: Page, ...texts: string[]): Promise<void> {
    for (const text of texts) await page.getByRole('button', { name: text, exact: true }).click();
}

/** From a started run to the moment the stack is in and the timer runs. In a run of several the screen turns to the next. */
export async function intoTheHeat(page: Page, piece?: RegExp): Promise<void> {
    await expect(page.getByRole('heading', { name: /^Preheat, closed/ })).toBeVisible();
    await page.keyboard.press('t');
    await pad(page, '186', '184');
    await page.getByRole('button', { name: /^Platens are hot/ }).click();
    await expect(page.getByRole('heading', { name: /(^|: )Plates and release agent/ })).toBeVisible();
    await confirmAll(page, 'Both plates wiped', 'No scratches on the inner faces', 'Release agent on both');
    await page.getByRole('button', { name: /^Plates are ready/ }).click();
    await expect(page.getByRole('heading', { name: /(^|: )Weigh in/ })).toBeVisible();
    await page.getByRole('button', { name: /^Scale/ }).click();
    await pad(page, '2170');
    await page.getByRole('button', { name: /^Charge is weighed/ }).click();
    await confirmAll(page, 'Four corners full', 'Even, no holes');
    await page.getByRole('button', { name: /^Spread/ }).click();
    await page.getByRole('button', { name: /^It is in: start the timer/ }).click();
    if (piece) {
        await expect(page.getByRole('heading', { name: /: Plates and release agent/ })).toBeVisible();
        await page.getByRole('button', { name: piece }).click();
    }
    await expect(page.getByRole('heading', { name: /(^|: )Heat under load/ })).toBeVisible();
    await expect(page.getByText('not yet with the server')).toBeHidden();
}

export async function anyway(page: Page, button: RegExp, reason: string): Promise<void> {
    await page.getByRole('button', { name: button }).click();
    await page.getByLabel('Why').fill(reason);
    await page.getByRole('button', { name: 'Go on, with the reason' }).click();
}

/** A scanner types faster than hands, and ends with Enter. */
export async function scan(page: Page, text: string): Promise<void> {
    await page.evaluate((t) => {
        for (const key of [...t, 'Enter'])
            document.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true }));
    }, text);
}

/** Chooses in the person's menu, and waits until the server has kept it. */
export async function menu(page: Page, person: string, item: string): Promise<void> {
    const kept = page.waitForResponse((r) => r.url().includes('/me/preferences'));
    await choose(page, person, item);
    await kept;
}

/** In the menu under one's name, by its key: a pointer that comes while the list still finds its place may be let go beside it. */
export async function choose(page: Page, person: string, item: string): Promise<void> {
    await page.getByRole('button', { name: person }).click();
    await page.getByRole('listitem').filter({ hasText: item }).press('Enter');
}

export const stepTitle = (page: Page) => page.locator('h2.title');
export const advance = (page: Page) => page.locator('.main-acts .advance').last();

/** A product of the extruder that a lead has entered: what it says of itself is how the melt is taken off. */
export async function enterExtruded(
    page: Page,
    name: string,
    dimensions: Record<string, number>,
): Promise<void> {
    await put(page, 'products', { name, process: 'extrusion', polymer: 'PP', dimensions, note: '' });
}

/** From the product to the first step of its run; the run's id. */
export async function startRun(page: Page, product: string, lot: string): Promise<string> {
    await page.goto('/set');
    await page.getByText(product, { exact: true }).click();
    const material = page.getByRole('radio', { name: new RegExp(lot) });
    // What is asked for changes with what has been answered.
    await expect(async () => {
        // The words beside it: what hides under the bar at the foot is scrolled to.
        if (!(await material.isChecked()))
            await page.locator('.choice').filter({ has: material }).click({ timeout: 2000 });
        for (const tick of await page.locator('.ticks input').all()) await tick.check();
        await expect(page.locator('.start')).toContainText('Nothing stops this run.', { timeout: 1000 });
    }).toPass();
    await page.getByRole('button', { name: /Start the run/ }).click();
    await expect(stepTitle(page)).toContainText('Heat the barrel');
    return page.url().split('/').pop()!;
}

/** From a cold extruder to a melt that comes smooth; what was let out until then, where somebody weighed it. */
export async function untilSmooth(page: Page, grams: string, letOut?: string): Promise<void> {
    await page.keyboard.press('t');
    await pad(page, '230');
    await advance(page).click();
    await expect(stepTitle(page)).toContainText('Fill the hopper');
    await page.keyboard.press('l');
    await pad(page, grams);
    await advance(page).click();
    await expect(stepTitle(page)).toContainText('Run free until smooth');
    await page.getByRole('button', { name: /^Free run/ }).click();
    await page.getByRole('dialog').getByRole('button', { name: 'smooth', exact: true }).click();
    if (letOut) {
        await page.getByRole('button', { name: /^Into the bucket/ }).click();
        await page.keyboard.type(letOut);
    }
    await page.getByRole('button', { name: 'Log it' }).click();
    // Its vent has a vacuum on it: no bar before that pulls.
    await expect(page.getByText(/the vacuum on the vent/).first()).toBeVisible();
    await page.getByRole('button', { name: /^Vent/ }).click();
    await pad(page, '0.8');
    await advance(page).click();
}

/** Shows every lot on Set. */
export async function everyLot(page: Page): Promise<void> {
    await page.getByRole('button', { name: 'Show every lot' }).click();
    await expect(page.getByRole('button', { name: /^Only / })).toBeVisible();
}

/** Stops the run that is open, for good. */
export async function stopRun(page: Page): Promise<void> {
    await page.getByRole('button', { name: 'Stop the run' }).click();
    await page.getByLabel('Why').fill('the story is over');
    await page.getByRole('button', { name: 'Stop: what is hot stays hot' }).click();
    await expect(page.getByRole('heading', { name: 'Stopped' })).toBeVisible();
}
