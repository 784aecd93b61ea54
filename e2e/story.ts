import { test as base, type BrowserContext, type Page } from '@playwright/test';

export * from '@playwright/test';

/** How much of what happened last is told. */
const LAST = 40;
const heard = new WeakMap<Page, string[]>();

/** What the page was pressed, typed and told: the last of it, with the second since the page was opened. */
function listen(page: Page): void {
    const begun = Date.now();
    const lines: string[] = [];
    heard.set(page, lines);
    const say = (what: string) => {
        lines.push(`${((Date.now() - begun) / 1000).toFixed(2)} ${what}`);
        if (lines.length > LAST) lines.shift();
    };
    page.on('framenavigated', (frame) => frame === page.mainFrame() && say(`at ${frame.url()}`));
    page.on('pageerror', (error) => say(`error ${error}`));
    page.on('crash', () => say('crashed'));
    page.on('requestfailed', (r) => say(`failed ${r.method()} ${r.url()} ${r.failure()?.errorText}`));
    page.on('response', async (response) => {
        const asked = response.request();
        if (asked.method() === 'GET' && response.status() < 400) return;
        say(
            `${response.status()} ${asked.method()} ${asked.url()} ${(asked.postData() ?? '').slice(0, 200)}`,
        );
        const answer = (await response.json().catch(() => null)) as {
            error?: object;
            refused?: object[];
        } | null;
        if (answer?.error || answer?.refused?.length)
            say(`refused ${JSON.stringify(answer.error ?? answer.refused)}`);
    });
    page.on(
        'console',
        (said) => said.type() === 'debug' && said.text().startsWith('story ') && say(said.text()),
    );
}

/** In the page: which element heard it, by its words. */
function tellEvents(): void {
    const words = (element: Element | null) =>
        `${element?.tagName} ${element?.closest('button, label, a, section')?.textContent?.trim().slice(0, 40)}`;
    for (const kind of ['pointerdown', 'click', 'input', 'submit'])
        addEventListener(
            kind,
            (event) => console.debug(`story ${kind} ${words(event.target as Element)}`),
            true,
        );
}

async function tell(context: BrowserContext): Promise<void> {
    for (const page of context.pages())
        console.log([`── ${page.url()}`, ...(heard.get(page) ?? [])].join('\n'));
}

/** A story whose failing tells what its pages heard last. */
export const test = base.extend({
    context: async ({ context }, use, story) => {
        context.on('page', listen);
        await context.addInitScript(tellEvents);
        await use(context);
        if (story.status !== story.expectedStatus) await tell(context);
    },
});
