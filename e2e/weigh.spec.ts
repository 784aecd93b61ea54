import { spawn, type ChildProcess } from 'node:child_process';
import { connect } from 'node:net';
import { expect, test, type Page } from './story';
import type { Reading } from '../resources/js/areas/weigh/scale/driver';
import { LineReader, ownPattern, PATTERNS } from '../resources/js/areas/weigh/scale/lines';
import { accessible, ask, scan, signIn } from './shop';

async function begin(page: Page, product: string, mix: RegExp | null): Promise<void> {
    await page.goto('/weigh');
    await page.getByLabel(/^For/).selectOption({ label: product });
    await expect(page.getByLabel(/^Charge/)).not.toHaveValue('');
    if (mix)
        await page
            .getByLabel(/^Mix/)
            .selectOption({ label: (await page.getByRole('option', { name: mix }).textContent())! });
    await page.getByRole('button', { name: 'To the scale' }).click();
    await expect(page.getByRole('heading', { name: /^C-\d{4}$/ })).toBeVisible();
}

const pour = async (page: Page, ...grams: number[]) => {
    for (const g of grams)
        await page.getByRole('button', { name: `${g < 0 ? '−' : '+'}${Math.abs(g)}`, exact: true }).click();
};

test('a mix of three colours is weighed on the simulated scale: a wrong lot, an overshoot, a pulled cable, and on to its run', async ({
    page,
}) => {
    test.setTimeout(240_000);
    await signIn(page, 'ines');
    const before = (await ask<{ lot: { mass_g: number } }>(page, 'lots/L-0101')).lot.mass_g;
    await begin(page, 'hive floor panel', /meadow/);
    await accessible(page);
    await scan(page, 'https://shop.invalid/l/L-0104');
    await expect(page.getByRole('alert')).toContainText('Stop: L-0104 is HIPS, this charge is HDPE');
    await expect(page.getByRole('button', { name: /^Take / })).toBeDisabled();
    await scan(page, 'L-0101');
    await expect(page.getByRole('alert')).toBeHidden();
    await page.getByRole('button', { name: 'unplug' }).click();
    await expect(page.getByText('The scale is unplugged')).toBeVisible();
    await page.getByRole('button', { name: 'plug in' }).click();
    // Too much goes in, and some is taken out again.
    await pour(page, 1000, 100, 100, 100, 100);
    await expect(page.getByText(/g too much\.$/)).toBeVisible();
    await page.getByRole('button', { name: /^Take 1 400 g/ }).click();
    await expect(page.getByText(/take it out again, or make/)).toBeVisible();
    await page.getByRole('button', { name: /taken out$/ }).click();
    await expect(page.getByRole('listitem').filter({ hasText: 'leaf green' })).toContainText('good');
    // The next two: one steady reading goes in by itself, one is typed.
    await expect(page.getByRole('heading', { name: /^black:/ })).toBeVisible();
    await expect(page.getByRole('radio', { name: /L-0102/ })).toBeChecked();
    await pour(page, 100, 100, 100, 100, 100, 10, 10, 10, 10, 1, 1);
    await expect(page.getByRole('heading', { name: /^mixed green:/ })).toBeVisible({ timeout: 15_000 });
    const last = (await page.getByRole('heading', { name: /^mixed green:/ }).textContent())!.match(
        /: ([\d\u202F]+)/,
    )![1]!;
    // The wrong number is typed: it comes out again, and is weighed anew.
    await page.getByRole('textbox', { name: 'By hand' }).fill('200');
    await page.getByRole('button', { name: 'In', exact: true }).click();
    await page.getByRole('button', { name: 'Weigh mixed green again' }).click();
    await expect(page.getByRole('button', { name: 'Weigh mixed green again' })).toBeHidden();
    await page.getByRole('textbox', { name: 'By hand' }).fill(last);
    await page.getByRole('button', { name: 'In', exact: true }).click();
    await page.getByRole('button', { name: 'The charge is weighed' }).click();
    await expect(page.getByRole('heading', { name: 'It waits for its run' })).toBeVisible();
    await accessible(page);
    const held = (await ask<{ lot: { mass_g: number } }>(page, 'lots/L-0101')).lot.mass_g;
    const target = Number(
        ((await page.getByRole('row').filter({ hasText: 'leaf green' }).allTextContents())
            .join(' ')
            .match(/−?\+?([\d\u202F]+)\u00A0g/) ?? [])[1]?.replace('\u202F', ''),
    );
    expect(target).toBeGreaterThan(1000);
    expect(before - held).toBeGreaterThan(1280);
    expect(before - held).toBeLessThan(1320);
    await page.getByRole('button', { name: 'Set its run up' }).click();
    await expect(page.getByRole('radio', { name: /Charge C-/ })).toBeChecked();
    await page.goBack();
    await page.getByLabel('Not needed after all, because').fill('only a test');
    await page.getByRole('button', { name: 'Give it back to its lots' }).click();
    await expect
        .poll(async () => (await ask<{ lot: { mass_g: number } }>(page, 'lots/L-0101')).lot.mass_g)
        .toBe(before);
});

test('two people weigh from one lot on two screens, and the ledger has both', async ({ browser }) => {
    const [one, other] = [
        await (await browser.newContext()).newPage(),
        await (await browser.newContext()).newPage(),
    ];
    await signIn(one, 'ines');
    await signIn(other, 'teodor');
    const before = (await ask<{ lot: { mass_g: number } }>(one, 'lots/L-0104')).lot.mass_g;
    for (const page of [one, other]) {
        await begin(page, 'divider board', null);
        await page.getByRole('radio', { name: 'By hand' }).check();
        await scan(page, 'L-0104');
        await page.getByRole('textbox', { name: 'By hand' }).fill('400');
    }
    await Promise.all(
        [one, other].map((page) => page.getByRole('button', { name: 'In', exact: true }).click()),
    );
    for (const page of [one, other])
        await expect(page.getByRole('row', { name: /L-0104/ })).toContainText('400');
    const after = await ask<{ lot: { mass_g: number }; movements: { by: string; mass_g: number }[] }>(
        one,
        'lots/L-0104',
    );
    expect(after.lot.mass_g).toBeCloseTo(before - 800, 6);
    expect(
        after.movements
            .slice(0, 2)
            .map((m) => m.by)
            .sort(),
    ).toEqual(['Ines Halloran', 'Teodor Blum']);
    for (const page of [one, other]) {
        await page.getByLabel('Not needed after all, because').fill('only a test');
        await page.getByRole('button', { name: 'Give it back to its lots' }).click();
        await expect(page.getByRole('button', { name: 'Give it back to its lots' })).toBeHidden();
        await page.context().close();
    }
});

/** What a reader makes of the stand-in scale's bytes, as they come. */
async function listen(
    args: string[],
    pattern: keyof typeof PATTERNS,
    ms: number,
): Promise<{ readings: Reading[]; dropped: number; closed: boolean }> {
    let program: ChildProcess | null = null;
    try {
        program = spawn(process.execPath, [
            new URL('../deploy/scale.mjs', import.meta.url).pathname,
            '--port',
            '0',
            ...args,
        ]);
        const port = await new Promise<number>((resolve) =>
            program!.stdout!.on('data', (d: Buffer) => {
                const p = /:(\d+)/.exec(String(d));
                if (p) resolve(Number(p[1]));
            }),
        );
        const reader = new LineReader(PATTERNS[pattern]!);
        const readings: Reading[] = [];
        let closed = false;
        const socket = connect(port, '127.0.0.1');
        socket.on('data', (bytes) => readings.push(...reader.feed(new Uint8Array(bytes))));
        socket.on('close', () => (closed = true));
        await new Promise((resolve) => setTimeout(resolve, ms));
        socket.destroy();
        return { readings, dropped: reader.dropped, closed };
    } finally {
        program?.kill();
    }
}

test('lines of a scale are read out of odd pieces and garbage', async () => {
    const { readings, dropped } = await listen(
        ['--garbage', '--script', '0,250.0,-12.5,1302.0'],
        'plain',
        1500,
    );
    const steady = [...new Set(readings.filter((r) => r.stable).map((r) => r.grams))];
    expect(steady).toEqual([0, 250, -12.5, 1302]);
    expect(readings.some((r) => !r.stable)).toBe(true);
    expect(dropped).toBeGreaterThan(0);
    expect(readings.every((r) => Number.isFinite(r.grams))).toBe(true);
});

test('an overload is told, a dropped line ends cleanly, an endless line is thrown away, an own pattern is checked', async () => {
    const over = await listen(['--script', '100,20000', '--drop-after', '30'], 'plain', 1500);
    expect(over.readings.some((r) => r.fault === 'overload')).toBe(true);
    expect(over.closed).toBe(true);
    const reader = new LineReader(PATTERNS.plain!);
    expect(reader.feed(new Uint8Array(5000).fill(49))).toEqual([]);
    expect(reader.dropped).toBe(1);
    expect(reader.feed(new TextEncoder().encode('\r\nmass 12.0 kg steady\r\n'))).toEqual([
        { grams: 12000, stable: true, fault: null },
    ]);
    expect(() => ownPattern('(', 'g', '')).toThrow('not a pattern');
    expect(() => ownPattern('\\d+', 'g', '')).toThrow('needs a group');
    expect(
        new LineReader(ownPattern('^W(?<value>\\d+)$', 'oz', '')).feed(new TextEncoder().encode('W2\n'))[0]!
            .grams,
    ).toBeCloseTo(56.699, 3);
});
