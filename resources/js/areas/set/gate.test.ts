import { describe, expect, it } from 'vitest';
import { shown, textOf } from '../../tests/mount';
import SafetyGate from './SafetyGate.vue';

const block = (over: object = {}) => ({
    id: 'source_not_accepted',
    because: 'Village fete is on trial.',
    do: 'Run a small trial first.',
    who_may_override: 'lead',
    ...over,
});
const safety = (over: object = {}) => ({
    required_ppe: ['glasses', 'gloves'],
    acknowledgements: [
        { id: 'people_protected', text: 'Eyes, hands, arms and feet covered.' },
        { id: 'air_moving', text: 'Extraction is on.' },
    ],
    blocks: [],
    cautions: ['Hot metal.', 'Two hands.'],
    ...over,
});
const gate = (props: object = {}) =>
    shown(SafetyGate, {
        safety: safety(),
        lead: false,
        answers: {},
        overrides: {},
        scale: 'production',
        ...props,
    });

describe('the gate before heat', () => {
    it('asks what every process asks before it is known what goes in', async () => {
        const page = await gate({ safety: null });
        expect(page.findAll('input[type="checkbox"]')).toHaveLength(2);
        expect(textOf(page)).toContain('Choose a lot: then it is known what goes into the heat.');
        expect(textOf(page)).not.toContain('Wear:');
    });

    it('says what is worn, and asks what the core asks', async () => {
        const page = await gate();
        expect(textOf(page)).toContain('Wear: glasses, gloves.');
        const box = page.findAll('input[type="checkbox"]')[1]!;
        await box.setValue(true);
        expect(page.props('answers')).toEqual({ air_moving: true });
    });

    it('says why it is shut, what to do, and who may open it', async () => {
        const operator = textOf(await gate({ safety: safety({ blocks: [block()] }) }));
        expect(operator).toContain('▲ Village fete is on trial.');
        expect(operator).toContain('Run a small trial first.');
        expect(operator).toContain('A lead may override this in writing.');
        const nobody = await gate({
            safety: safety({ blocks: [block({ who_may_override: 'nobody' })] }),
            lead: true,
        });
        expect(textOf(nobody)).toContain('Nobody may override this.');
        expect(nobody.find('textarea').exists()).toBe(false);
    });

    it('lets a lead write why, and only a lead', async () => {
        const blocks = [block({ id: 'over_ceiling' })];
        expect((await gate({ safety: safety({ blocks }) })).find('textarea').exists()).toBe(false);
        const lead = await gate({ safety: safety({ blocks }), lead: true });
        await lead.get('textarea').setValue('checked with the maker');
        expect(lead.props('overrides')).toEqual({ over_ceiling: 'checked with the maker' });
    });

    it('does not say twice what is only not ticked yet', async () => {
        const blocks = ['people_unprotected', 'no_air', 'guard_open'].map((id) =>
            block({ id, because: `${id}.` }),
        );
        expect((await gate({ safety: safety({ blocks }) })).findAll('[role="alert"]')).toHaveLength(0);
    });

    it('offers a trial where the source has not earned more, and the way back', async () => {
        const page = await gate({ safety: safety({ blocks: [block()] }) });
        await page.get('.trial select').setValue('small_trial');
        expect(page.emitted('update:scale')).toEqual([['small_trial']]);
        const trial = await gate({ scale: 'small_trial' });
        expect(textOf(trial)).toContain('Runs as a small trial.');
        await trial.get('button.plain').trigger('click');
        expect(trial.emitted('update:scale')).toEqual([['production']]);
    });

    it('asks for lifting gear as long as something is heavy, also once it is ticked', async () => {
        const heavy = await gate({ safety: safety({ blocks: [block({ id: 'heavy', because: '48 kg.' })] }) });
        expect(heavy.findAll('input[type="checkbox"]')).toHaveLength(3);
        const ticked = await gate({ answers: { lifting_gear: true } });
        expect(ticked.findAll('input[type="checkbox"]')).toHaveLength(3);
        expect(await gate().then((g) => g.findAll('input[type="checkbox"]'))).toHaveLength(2);
    });

    it('counts its cautions, and keeps every one', async () => {
        const page = await gate();
        expect(textOf(page)).toContain('Cautions (2)');
        expect(page.findAll('details li').map((l) => l.text())).toEqual(['Hot metal.', 'Two hands.']);
    });
});
