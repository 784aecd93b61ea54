import { execFile, execFileSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { promisify } from 'node:util';
import { expect, request, test, type Page } from './story';
import { accessible, list, put, signIn } from './shop';

interface Machine {
    id: number;
    name: string;
}

async function tokenFor(page: Page, machine: Machine): Promise<string> {
    const made = (await put(page, 'tokens', {
        name: `probe of ${machine.name}`,
        scopes: ['readings'],
        machine_id: machine.id,
        days: 1,
    })) as { token: string };
    return made.token;
}

/** An instrument of one machine, with a token of its own. */
async function instrumentOf(page: Page, machine: Machine) {
    const token = await tokenFor(page, machine);
    const door = await request.newContext({
        baseURL: new URL(page.url()).origin,
        extraHTTPHeaders: { Authorization: `Bearer ${token}`, Accept: 'application/json' },
    });
    return async (channel: string, ...values: number[]) => {
        for (const value of values) {
            const answer = await door.post('/api/v1/readings', {
                data: { readings: [{ machine: machine.name, channel, value }] },
            });
            expect(answer.status(), await answer.text()).toBe(201);
        }
    };
}

test('an instrument speaks, is watched, and its alarm is one person’s on every screen', async ({
    page,
    browser,
}) => {
    test.setTimeout(180_000);
    await signIn(page, 'maren');
    const pond = (await list<Machine>(page, 'machines')).find((m) => m.name === 'Little Pond')!;
    const probe = await instrumentOf(page, pond);
    await probe('bath_c', 21.4);

    // It is known from its first reading on; a lead says between what it should stay.
    await page.goto(`/shop/machines/${pond.id}`);
    const card = page.getByRole('region', { name: 'What instruments read' });
    await expect(card).toContainText('21.4');
    await card.getByRole('button', { name: 'Limits: Bath' }).click();
    await card.getByLabel('Watch it').selectOption('always');
    await card.getByLabel('Highest, °C').fill('30');
    await card.getByLabel('Counts after, s').fill('0');
    await accessible(page);
    await card.getByRole('button', { name: 'Keep it' }).click();
    await expect(card).toContainText('always: at most 30 °C');

    // Elsewhere somebody works on something else; it is hers by one tap, and the lead sees that it is.
    const other = await (await browser.newContext()).newPage();
    await signIn(other, 'ines');
    await other.goto('/weigh');
    await probe('bath_c', 33);
    const bar = other.getByRole('status', { name: 'Alarms' });
    await expect(bar).toContainText('Little Pond, bath: 33 °C, over 30 °C');
    await accessible(other);
    await bar.getByRole('button', { name: 'I see to it' }).click();
    await expect(bar).toContainText('You see to it');
    await expect(page.getByRole('status', { name: 'Alarms' })).toContainText('Ines Halloran sees to it');
    await expect(card).toContainText('too high');

    await probe('bath_c', 24);
    await expect(bar).toBeHidden();
    await expect(page.getByRole('status', { name: 'Alarms' })).toBeHidden();

    // What is read is told to every screen: nobody here asks for it before twenty seconds are over.
    await probe('bath_c', 24.7);
    await expect(card).toContainText('24.7', { timeout: 5000 });
    await probe('bath_c', 24);

    // Held beside a glass thermometer: what it sends from now on is put right.
    await card.getByRole('button', { name: 'Calibrate: Bath' }).click();
    await card.getByLabel('The reference says, °C').fill('25');
    await card.getByLabel('Note: held beside what, or why').fill('glass thermometer');
    await card.getByRole('button', { name: 'Keep it' }).click();
    await expect(card).toContainText('Off by −1 °C');
    await probe('bath_c', 24.5);
    await expect(card).toContainText('25.5');
    await other.context().close();
});

test('the lines of the shell in the notes on formats are an instrument', async ({ page }) => {
    await signIn(page, 'maren');
    const attic = (await list<Machine>(page, 'machines')).find((m) => m.name === 'Attic')!;
    const notes = readFileSync(new URL('../docs/formats/README.md', import.meta.url), 'utf8');
    const lines = /```sh\n(while value=[\s\S]*?)```/.exec(notes)![1]!;
    // A probe that is read twice and then taken away.
    const probe =
        'n=0; read_probe() { [ ! -e "$HERE/2" ] && { [ -e "$HERE/1" ] && touch "$HERE/2" || touch "$HERE/1"; echo 71.5; }; };';
    execFileSync('bash', ['-c', `HERE=$(mktemp -d); ${probe} ${lines}`], {
        env: {
            PATH: process.env.PATH,
            DITHERMIC: new URL(page.url()).origin,
            TOKEN: await tokenFor(page, attic),
            MACHINE: 'Attic',
            CHANNEL: 'air_out_c',
        },
        timeout: 20_000,
    });
    await page.goto(`/shop/machines/${attic.id}`);
    await expect(page.getByRole('region', { name: 'What instruments read' })).toContainText('71.5');
});

test('an instrument asks, its code is scanned at the machine, and its readings are there', async ({
    page,
}) => {
    await signIn(page, 'maren');
    const attic = (await list<Machine>(page, 'machines')).find((m) => m.name === 'Attic')!;
    const notes = readFileSync(new URL('../docs/formats/README.md', import.meta.url), 'utf8');
    const ask = /```sh\n(ask=[\s\S]*?)```/.exec(notes)![1]!;
    const send = /```python\n([\s\S]*?)```/.exec(notes)![1]!;
    // As it stands on a sticker; another one each time, since who asks is remembered for a quarter of an hour.
    const code = Array.from(
        { length: 8 },
        () => 'ABCDEFGHJKLMNPQRSTUVWXYZ23456789'[Math.floor(32 * Math.random())],
    ).join('');
    await page.goto(`/shop/machines/${attic.id}`);
    const card = page.getByRole('region', { name: 'An instrument for it' });
    await card.getByLabel('Code on the instrument').fill(`I-${code}`);
    await card.getByRole('button', { name: 'Look for it' }).click();
    await expect(page.getByRole('heading', { name: 'No instrument asks by this code' })).toBeVisible();

    // The instrument is switched on: it asks as the notes say, and goes on as a microcontroller would.
    const on = promisify(execFile)('bash', ['-c', `${ask}\nexport TOKEN; /usr/bin/python3 -c "$SEND"`], {
        env: {
            PATH: process.env.PATH,
            DITHERMIC: new URL(page.url()).origin,
            CODE: code,
            SECRET: 'of-this-very-instrument',
            CHANNEL: 'fan_c',
            AGAIN: '1',
            SEND: `import binascii, os, requests, time\n${send}\nsend(os.environ['DITHERMIC'], os.environ['TOKEN'], 'Attic', os.environ['CHANNEL'], lambda: 31.25, times=2, pause=0)`,
        },
        timeout: 100_000,
    });
    await expect(page.getByRole('heading', { name: 'bath thermometer' })).toBeVisible();
    await expect(page.getByText('It will send fan')).toBeVisible();
    await expect(page.getByRole('button', { name: 'Attic', exact: true })).toHaveAttribute(
        'aria-pressed',
        'true',
    );
    await accessible(page);
    await page.getByRole('button', { name: 'It hangs at Attic: let it in' }).click();
    await expect(page.getByRole('heading', { name: 'bath thermometer is let in at Attic' })).toBeVisible();
    await on;
    await page.getByRole('link', { name: 'To Attic' }).click();
    await expect(page.getByRole('region', { name: 'What instruments read' })).toContainText('31.25');
});
