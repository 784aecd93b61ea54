import { readFileSync } from 'node:fs';
import { expect, test, type Page } from './story';
import { accessible, list, menu, signIn } from './shop';

const bench = JSON.parse(readFileSync(new URL('../core/data/bench.json', import.meta.url), 'utf8')) as {
    name: string;
    title: string;
}[];

/** The answer once it no longer changes: a form that is filled in from the shop asks more than once. */
async function settled(page: Page): Promise<string> {
    const says = page.locator('p.says');
    let before = '';
    await expect
        .poll(
            async () => {
                const now = await says.innerText();
                const same = now !== '' && now === before;
                before = now;
                return same;
            },
            { intervals: [1500], timeout: 15_000 },
        )
        .toBe(true);
    return before;
}

// In parts, so that two workers share them and a slow machine has time for each.
const PARTS = 4;
test.describe('the scratch bench', () => {
    test.describe.configure({ mode: 'parallel', timeout: 240_000 });
    for (let part = 0; part < PARTS; part++) {
        test(`every calculation answers, accessibly: part ${part + 1}`, async ({ page }) => {
            await signIn(page, 'teodor');
            const known = await list<{ name: string }>(page, 'calc');
            expect(known.map((k) => k.name).sort()).toEqual(bench.map((b) => b.name).sort());
            await page.goto('/reckon');
            const calculations = page.getByRole('navigation', { name: 'Calculations' });
            const answer = page.getByRole('region', { name: 'The answer' });
            for (const { name, title } of bench.filter((_, i) => i % PARTS === part)) {
                await calculations.getByRole('link', { name: title, exact: true }).click();
                await expect(page.getByRole('heading', { name: title, exact: true })).toBeVisible();
                await expect(answer.locator('p.says'), name).not.toBeEmpty();
                await expect(answer.getByRole('alert'), name).toHaveCount(0);
                // From the top: what a sticky head lies over half-way down is no fault of the form.
                await page.evaluate(() => window.scrollTo(0, 0));
                // The frame around it is the same for all.
                await accessible(page, { within: 'main' });
            }
        });
    }
});

test('an answer is found by what people say, refused by name, kept, compared and reopened by its link', async ({
    page,
}) => {
    await signIn(page, 'teodor');
    await page.goto('/reckon');
    await page.getByLabel('What do you want to know').fill('is my pump enough');
    await page.getByRole('link', { name: 'Pump-down' }).click();
    await expect(page.locator('p.says')).toContainText('139 s');
    await page.getByLabel(/^Speed/).fill('240');
    await expect(page.locator('p.says')).toContainText('69 s');
    await page.getByRole('button', { name: 'Keep' }).click();
    await page.getByLabel(/^Target/).fill('4');
    await expect(page.getByRole('alert').first()).toContainText('never gets below 5 kPa');
    await page.getByLabel(/^Target/).fill('20');
    await expect(page.locator('p.says')).not.toContainText('69 s');
    const now = await page.locator('p.says').innerText();
    await page.getByRole('button', { name: 'Keep' }).click();
    await expect(page.getByRole('table').last().getByRole('columnheader')).toHaveCount(3);
    await page.getByRole('button', { name: 'Link to this' }).click();
    await expect(page).toHaveURL(/\?i=/);
    const link = page.url();
    await page.goto('/');
    await page.goto(link);
    await expect(page.locator('p.says')).toHaveText(now);
    const [file] = await Promise.all([
        page.waitForEvent('download'),
        page.getByRole('button', { name: 'JSON', exact: true }).click(),
    ]);
    expect(JSON.parse(readFileSync((await file.path())!, 'utf8')).input.target_kpa).toBe(20);
});

test('a part is measured from its STL file, seen in three dimensions, and goes on to the clamp', async ({
    page,
}) => {
    await signIn(page, 'teodor');
    await page.goto('/reckon/mesh.measure');
    await page
        .getByRole('combobox', { name: 'STL file' })
        .selectOption(await page.getByRole('option', { name: /^syrup feeder tray/ }).getAttribute('value'));
    await expect(page.locator('p.says')).toContainText('2182.4 cm³');
    await expect(page.getByRole('img', { name: /^The part, coloured by draft/ })).toBeVisible();
    await page.getByRole('button', { name: 'From below' }).click();
    // A wedge made here: 60 × 40 × 20 mm, half a cuboid, written as text.
    const [a, b, c, d, e, f] = ['0 0 0', '60 0 0', '60 40 0', '0 40 0', '0 0 20', '0 40 20'];
    const facets = [
        [a, d, c],
        [a, c, b],
        [a, b, e],
        [d, f, c],
        [a, e, f],
        [a, f, d],
        [b, c, f],
        [b, f, e],
    ];
    const stl = `solid wedge\n${facets.map((v) => `facet normal 0 0 0\nouter loop\n${v.map((x) => `vertex ${x}\n`).join('')}endloop\nendfacet\n`).join('')}endsolid wedge\n`;
    await page.getByLabel('Bring an STL file').setInputFiles({
        name: 'not a part.stl',
        mimeType: 'model/stl',
        buffer: Buffer.from('solid advice: weigh it first'),
    });
    await expect(page.getByRole('alert')).toContainText('not a part.stl');
    await page
        .getByLabel('Bring an STL file')
        .setInputFiles({ name: 'wedge.stl', mimeType: 'model/stl', buffer: Buffer.from(stl) });
    await expect(page.locator('p.says')).toContainText('24.0 cm³, 24.0 cm² of shadow');
    await page.getByLabel(/^Pull/).selectOption('+x');
    await expect(page.locator('p.says')).toContainText('8.0 cm² of shadow');
    await page
        .getByRole('region', { name: 'The answer' })
        .getByRole('link', { name: 'Clamping a mould' })
        .click();
    await expect(page.getByLabel(/^Projected area/)).toHaveValue('8');
    await page.goto('/reckon/mesh.measure');
    await page.getByRole('button', { name: 'take this one away' }).click();
    await expect(page.locator('p.says')).toContainText('2182.4 cm³');
});

test('numbers come from the shop, in the units of the person, as they are typed', async ({ page }) => {
    await signIn(page, 'teodor');
    await page.goto('/reckon/heat.vacuum_sheet');
    await page.getByLabel(/^Machine/).selectOption('Bellows');
    await expect(page.getByLabel(/^Heater/)).toHaveValue('390');
    await page.getByLabel(/^Part and mould/).selectOption('travel lid');
    await expect(page.getByLabel(/^Thickness/)).toHaveValue('3');
    await expect(page.getByLabel(/^Polymer/)).toHaveValue('ABS');
    const thick = await settled(page);
    await page.getByLabel(/^Thickness/).fill('3/32 in');
    await page.getByLabel(/^Thickness/).blur();
    await expect(page.getByLabel(/^Thickness/)).toHaveValue('2.38125');
    await expect(page.locator('p.says')).not.toHaveText(thick);
    const metric = await settled(page);
    await menu(page, 'Teodor Blum', 'Units: mm');
    await expect(page.getByLabel(/^Heater/)).toHaveValue('734');
    await expect(page.locator('p.says')).toHaveText(metric);
    await page.getByLabel(/^Heater/).fill('900');
    await expect(page.locator('p.says')).not.toHaveText(metric);
    await menu(page, 'Teodor Blum', 'Units: in');
    await expect(page.getByLabel(/^Heater/)).toHaveValue('482.2222');
    // Lists are rows: one more colour makes the mix another.
    await page.goto('/reckon/charge.sheet');
    await page.getByRole('link', { name: 'Weigh it out' }).click();
    await expect(page.getByLabel(/^Charge/)).not.toHaveValue('');
    await expect(page.getByLabel(/^Polymer/)).toHaveValue('HDPE');
    await page.goto('/reckon/charge.blend');
    await page.getByRole('button', { name: 'Add one' }).click();
    await page.getByLabel('Name 4').fill('white');
    await page.getByLabel('Name 4').blur();
    await page.getByLabel('Parts 4').fill('30');
    await expect(
        page.getByRole('region', { name: 'The answer' }).getByRole('cell', { name: 'white' }),
    ).toBeVisible();
    await page.getByRole('button', { name: 'Take out 4' }).click();
    await expect(
        page.getByRole('region', { name: 'The answer' }).getByRole('cell', { name: 'white' }),
    ).toBeHidden();
});
