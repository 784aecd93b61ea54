import { afterEach, describe, expect, it, vi } from 'vitest';
import single from '../../../../core/src/Process/Compression/procedure.json';
import { session } from '../../api/session';
import type { OwnChange, Procedure, ProcedureEntryOf, ProcedureStep } from '../../api/types';
import { buttonOf, refusal, server, shown, textOf } from '../../tests/mount';
import ProposedWay from './ProposedWay.vue';
import StepChange from './StepChange.vue';

afterEach(() => {
    vi.unstubAllGlobals();
    session.person = null as unknown as typeof session.person;
});
const as = (role: string) => {
    session.person = { id: 1, name: 'Maren Okafor', role } as typeof session.person;
};
const proposal = (over: Partial<ProcedureEntryOf> = {}): ProcedureEntryOf =>
    ({
        id: 7,
        by: 'Ines Halloran',
        at: 0,
        runs: [{ id: 'r140', number: 140 }],
        reason: 'the sheet sticks when it is warm',
        says: ['Open and store flat: usually 6 min'],
        doubts: ['what is hot waits 6 min'],
        outdated: false,
        ...over,
    }) as ProcedureEntryOf;

describe('a way that is proposed', () => {
    const card = (over: Partial<ProcedureEntryOf> = {}) =>
        shown(ProposedWay, { way: 'press_sheet', proposal: proposal(over) });

    it('says what would be otherwise, what proves it, and what a lead should think of', async () => {
        as('operator');
        const text = textOf(await card());
        expect(text).toContain('Proposed by Ines Halloran');
        expect(text).toContain('seen in run 140');
        expect(text).toContain('Open and store flat: usually 6 min');
        expect(text).toContain('▲ what is hot waits 6 min');
        expect(text).toContain('A lead decides.');
        expect(textOf(await card({ says: [] }))).toContain('All as shipped again');
    });

    it('is approved by a lead, with a word or without', async () => {
        as('lead');
        const asked = server({ 'procedures/press_sheet/proposals/7/decide': { key: 'press_sheet' } });
        const open = await card();
        await open.get('form').trigger('submit');
        await vi.waitFor(() => expect(open.emitted('decided')).toEqual([[{ key: 'press_sheet' }]]));
        expect(asked[0]!.body).toEqual({ approve: true, reason: '' });
    });

    it('is turned down with a reason alone', async () => {
        as('lead');
        const asked = server({ 'procedures/press_sheet/proposals/7/decide': { key: 'press_sheet' } });
        const open = await card();
        expect(buttonOf(open, 'Turn it down').attributes('disabled')).toBeDefined();
        await open.get('input').setValue('it is the release agent');
        await buttonOf(open, 'Turn it down').trigger('click');
        await vi.waitFor(() => expect(asked).toHaveLength(1));
        expect(asked[0]!.body).toEqual({ approve: false, reason: 'it is the release agent' });
    });

    it('that another overtook cannot be approved, and a refusal is said', async () => {
        as('lead');
        expect(buttonOf(await card({ outdated: true }), 'Approve').attributes('disabled')).toBeDefined();
        server({
            'procedures/press_sheet/proposals/7/decide': refusal('after', 'another way was approved since'),
        });
        const open = await card();
        await open.get('form').trigger('submit');
        await vi.waitFor(() => expect(textOf(open)).toContain('After another way was approved since.'));
        expect(open.emitted('decided')).toBeUndefined();
    });
});

describe('a step worked otherwise', () => {
    const procedure = single as unknown as Procedure;
    const shipped = procedure.steps[1]!;
    const form = (change: OwnChange, of: ProcedureStep | null = shipped) =>
        shown(StepChange, { procedure, shipped: of, fault: null, modelValue: change });
    const newest = (page: Awaited<ReturnType<typeof form>>) => page.emitted('update:modelValue')!.at(-1)![0];

    it('opens with what ships, and says what stands whatever is changed', async () => {
        const page = await form({ step: shipped.id });
        const [title, button] = page.findAll('input');
        expect(title!.element.value).toBe(shipped.title);
        expect(button!.element.value).toBe(shipped.button);
        expect(textOf(page)).toContain(`${shipped.confirm?.length ?? 0} to confirm`);
    });

    it('keeps what was changed alone, beside what it was', async () => {
        const page = await form({ step: shipped.id, title: 'Wipe both' });
        await page.findAll('textarea')[0]!.setValue('Wipe them twice.');
        expect(newest(page)).toEqual({ step: shipped.id, title: 'Wipe both', do: 'Wipe them twice.' });
        const changed = await form({ step: shipped.id, do: 'Wipe them twice.' });
        expect(textOf(changed)).toContain(`Shipped: ${shipped.do}`.replace(/\s+/g, ' '));
    });

    it('asks for no fewer people than it takes', async () => {
        const two = await form({ step: shipped.id }, { ...shipped, people: 2 });
        const options = two
            .get('select')
            .findAll('option')
            .map((o) => o.text());
        expect(options[0]).toBe('2');
        expect(options.at(-1)).toBe('6');
        await two.get('select').setValue('3');
        expect(newest(two)).toEqual({ step: shipped.id, people: 3 });
    });

    it('of the shop’s own says after which it comes, where, and which hands are free', async () => {
        const own = await form({ after: shipped.id, title: 'Cool the plates' }, null);
        expect(own.get('h2').text()).toBe(`Our own step after “${shipped.title}”`);
        expect(own.findAll('select')).toHaveLength(3);
        await own.findAll('select')[2]!.setValue('none');
        expect(newest(own)).toMatchObject({ hands: 'none' });
        expect((await form({ step: shipped.id })).findAll('select')).toHaveLength(1);
    });
});
