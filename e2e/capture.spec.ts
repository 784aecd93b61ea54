import { expect, test } from './story';
import { accessible, list, put, signIn } from './shop';

interface Named {
    id: number;
    name: string;
}

test('what a controller shows at a good cycle is kept once, and held to what a printed mould bears', async ({
    page,
}) => {
    test.setTimeout(180_000);
    await signIn(page, 'maren');
    const [run] = await list<{ id: string; number: number; machine: string; product: string; good: number }>(
        page,
        'runs?process=injection&verdict=good',
    ).then((runs) => runs.filter((r) => r.machine === 'Wren' && r.good > 0));
    await put(page, 'machines', {
        name: 'Resin Dormouse',
        kind: 'injection_mould',
        facts: {
            allowable_mpa: { value: 30, origin: 'plate' },
            land_area_cm2: { value: 20, origin: 'measured' },
            projected_area_cm2: { value: 12, origin: 'measured' },
        },
    });
    await page.goto(`/learn/${run!.id}`);
    const card = page.getByRole('region', { name: 'As the controller has it' });
    await card.getByRole('button', { name: 'Keep what it shows' }).click();
    const numbers = {
        Stroke: '40',
        Hydraulic: '90',
        'Hold hydraulic': '45',
        'Back hydraulic': '6',
        Speed: '60',
        Rpm: '120',
        Cushion: '4',
        Changeover: '8',
        Clamp: '220',
    };
    for (const [name, value] of Object.entries(numbers))
        await card.getByLabel(new RegExp(`^${name}[,\\s]`)).fill(value);
    await card.getByLabel('Page 1 of the controller').setInputFiles('docs/screenshots/bench.png');
    await expect(card.getByRole('img', { name: 'The picture taken' })).toBeVisible();
    await accessible(page);
    await card.getByRole('button', { name: 'Keep it' }).click();
    await expect(card).toContainText('Kept by Maren Okafor, 1 photograph.');

    const product = (await list<Named>(page, 'products')).find((p) => p.name === run!.product)!;
    await page.goto(`/learn/product/${product.id}`);
    const kept = page.getByRole('region', { name: 'On the controller' });
    await expect(kept.getByRole('row', { name: /Hydraulic/ }).first()).toContainText('90');
    await kept.getByLabel('What is it on').selectOption({ label: 'Resin Dormouse, printed' });
    await expect(kept).toContainText('snug by hand');
    await accessible(page, { within: '[aria-label="On the controller"]' });
});
