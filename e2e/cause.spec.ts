import { expect, test } from './story';
import { accessible, list, signIn } from './shop';

interface Row {
    id: string;
    number: number;
    process: string;
    product: string;
    bad: number;
    status: string;
}
interface Lesson {
    taken: boolean | null;
}

test('a bad shot is asked for its cause, one change goes into the next set-up, and the shop learns', async ({
    page,
}) => {
    test.setTimeout(480_000);
    await signIn(page, 'ines');
    const run = (await list<Row>(page, 'runs?limit=100')).find(
        (r) => r.process === 'injection' && r.bad > 0,
    )!;
    await page.goto(`/learn/${run.id}`);
    await page.getByRole('link', { name: 'Why?' }).first().click();
    await page.getByPlaceholder('bubbles, short, warped …').fill('incomplete');
    await page.getByRole('button', { name: /^Short shot/ }).click();
    await accessible(page);
    await page.getByRole('button', { name: 'Find the cause' }).click();

    // What can hurt stands first, and what is in the log nobody is asked for.
    await expect(page.getByText('Melt under pressure can spurt')).toBeVisible();
    const known = page.getByRole('region', { name: 'Known without asking' });
    await expect(known).toContainText('the barrel as it was logged');
    await accessible(page);

    // Nobody can read the push here; the charge was small.
    const change = page.getByRole('region', { name: 'Change one thing' });
    const asked = page.getByRole('region', { name: /^(First|To be surer)$/ });
    for (let i = 0; i < 14 && !(await change.isVisible()); i++) {
        const text = await asked.getByRole('paragraph').first().innerText();
        const charge = asked.getByRole('button', { name: 'under 0.98' });
        const small = /plunger reach its stop/.test(text) ? 'Yes' : "Can't tell";
        if (await charge.isVisible()) await charge.click();
        else await asked.getByRole('button', { name: small, exact: true }).click();
        await expect(asked.getByText(text)).toBeHidden();
    }
    await expect(change).toContainText('most likely');
    await expect(change).toContainText('Not past:');
    const into = change.getByRole('button', { name: 'Into the next set-up' });
    await into.click();
    const judge = page.getByRole('region', { name: 'Was that it?' });
    await expect(judge).toContainText('none has been judged yet');
    await expect(page.getByRole('region', { name: 'Changed so far' })).toContainText('not judged yet');

    // Anybody's next set-up opens with it, and says where it is from.
    await page.goto('/set');
    await page.getByText(run.product, { exact: true }).first().click();
    await expect(page.getByText(/Opens with version/)).toContainText(`tried after run ${run.number}`);
    await page.goBack();

    await judge.getByRole('button', { name: 'It worked' }).click();
    await expect(page.getByRole('region', { name: 'What this shop has seen' })).toContainText(
        '1 times it was',
    );
    await page.getByRole('button', { name: 'Take the last judgement back' }).click();
    await expect(page.getByRole('region', { name: 'What this shop has seen' })).toBeHidden();
    await page.goto(`/learn/${run.id}`);
    await expect(page.getByRole('link', { name: /^Short shot, piece/ })).toBeVisible();
});

test('what a run taught is one sentence, and yes is kept', async ({ page }) => {
    test.setTimeout(360_000);
    await signIn(page, 'ines');
    let found: Row | null = null;
    for (const run of await list<Row>(page, 'runs?limit=60&status=finished')) {
        const [lesson] = await list<Lesson>(page, `runs/${run.id}/lessons`);
        if (lesson && lesson.taken === null) {
            found = run;
            break;
        }
    }
    await page.goto(`/learn/${found!.id}`);
    const lesson = page.getByRole('region', { name: 'What it taught' });
    await expect(lesson).toContainText('than planned');
    await accessible(page);
    await lesson.getByRole('button', { name: 'Keep it for the next' }).click();
    await expect(lesson.getByRole('status')).toContainText('kept Ines Halloran');
    await page.reload();
    await expect(lesson.getByRole('status')).toContainText('kept');
});

test('a sack is followed to every run that has of it, and a run back to its sacks', async ({ page }) => {
    await signIn(page, 'ines');
    const run = (await list<Row>(page, 'runs?limit=100')).find((r) => r.process === 'injection')!;
    await page.goto(`/learn/${run.id}`);
    await page.getByRole('link', { name: 'Made of' }).click();
    const lots = page.getByRole('region', { name: 'Lots that it is made of' });
    await expect(lots).toContainText('100 %');
    await accessible(page);
    await lots.getByRole('link').first().click();
    await page.getByRole('link', { name: 'Where it went' }).click();
    const runs = page.getByRole('region', { name: 'Runs that have of it' });
    await expect(runs.getByRole('link', { name: `run ${run.number}`, exact: true })).toBeVisible();
    await expect(page.getByRole('img', { name: /from left to right/ })).toBeVisible();
    await accessible(page);
    const download = page.waitForEvent('download');
    await page.getByRole('link', { name: 'Recall list, CSV' }).click();
    expect((await download).suggestedFilename()).toMatch(/^recall-L-\d+\.csv$/);
});

test('flaws are tapped on the part: one place on every part, and the cause is not asked for it', async ({
    page,
}) => {
    await signIn(page, 'ines');
    const run = (await list<Row>(page, 'runs?limit=100&status=finished')).find(
        (r) => r.process === 'injection' && r.bad > 0,
    )!;
    await page.goto(`/learn/${run.id}`);
    await page.getByRole('link', { name: /^Mark (more|where a flaw is)$/ }).click();
    const part = page.getByRole('application', { name: /The part, seen flat/ });
    await page
        .getByRole('region', { name: 'What is it' })
        .getByRole('combobox')
        .selectOption({ label: 'Burn marks (trapped-air scorch)' });
    const box = (await part.boundingBox())!;
    const which = page.getByRole('region', { name: 'Which part' }).getByRole('combobox');
    for (const [i, of] of ['part 1', 'part 2', 'part 3', 'part 4'].entries()) {
        await which.selectOption(of);
        await page.mouse.click(box.x + box.width * (0.5 + 0.004 * i), box.y + box.height * 0.5);
        await expect(
            page.getByRole('button', { name: `Take back Burn marks (trapped-air scorch) on ${of}` }),
        ).toBeVisible();
    }
    await expect(page.getByRole('status')).toContainText('4 of 4 parts have it in the centre');
    await accessible(page);
    // The search for its cause knows it: nobody is asked where it is, or how it comes and goes.
    await page.getByRole('link', { name: 'Find the cause' }).click();
    await page.getByRole('button', { name: /^Burn marks/ }).click();
    await page.getByRole('button', { name: 'Find the cause' }).click();
    await expect(page.getByText('map of flaws').first()).toBeVisible();
});
