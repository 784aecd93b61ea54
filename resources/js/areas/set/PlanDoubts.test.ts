import { mount } from '@vue/test-utils';
import { describe, expect, it } from 'vitest';
import PlanDoubts from './PlanDoubts.vue';
import SafetyGate from './SafetyGate.vue';

const check = (id: string, state: string) => ({ id, state, says: `${id} says`, needs: null, has: null });
const doubts = (plan: Record<string, unknown>) =>
    mount(PlanDoubts, { props: { plan: { checks: [], unknowns: [], cautions: [], ...plan } as never } });

describe('what stands in the way of a plan', () => {
    it('says nothing where all is well', () => {
        expect(
            doubts({ checks: [check('bed', 'ok')] })
                .find('section')
                .exists(),
        ).toBe(false);
    });
    it('tells what cannot be done apart from what is to be minded', () => {
        const shown = doubts({ checks: [check('bed', 'ok'), check('shot', 'block'), check('fill', 'warn')] });
        expect(shown.findAll('.doubt')).toHaveLength(2);
        expect(shown.findAll('[role=alert]').map((a) => a.text())).toEqual(['▲ shot says']);
    });
    it('names what nobody has said and what that does', () => {
        const shown = doubts({ unknowns: [{ fact: 'area', effect: 'Not checked.' }] });
        expect(shown.text()).toBe('Not known: area. Not checked.');
    });
});

const gate = (safety: Record<string, unknown> | null, answers: Record<string, boolean> = {}) =>
    mount(SafetyGate, {
        props: {
            safety: (safety === null
                ? null
                : {
                      blocks: [],
                      cautions: [],
                      required_ppe: ['eye protection'],
                      acknowledgements: [],
                      explanation: '',
                      warnings: [],
                      ...safety,
                  }) as never,
            lead: false,
            answers,
            overrides: {},
            scale: 'production',
        },
        global: { stubs: { 'v-textarea': true } },
    });
const block = (id: string) => ({ id, because: `${id} stands`, who_may_override: 'nobody', do: 'mend it' });

describe('the gate before heat', () => {
    it('asks what every process asks until it is known what goes in', () => {
        const shown = gate(null);
        expect(shown.findAll('.ticks label')).toHaveLength(2);
        expect(shown.text()).toContain('Choose a lot');
    });
    it('asks what the core asks of this process, and keeps each answer by its name', async () => {
        const answers: Record<string, boolean> = {};
        const shown = gate(
            { acknowledgements: [{ id: 'guard_closed', text: 'The guard is shut.', given: false }] },
            answers,
        );
        expect(shown.get('.ticks').text()).toBe('The guard is shut');
        await shown.get('input[type=checkbox]').setValue(true);
        expect(shown.props('answers')).toEqual({ guard_closed: true });
    });
    it('shows a block once: not those that are the empty ticks', () => {
        const shown = gate({ blocks: [block('guard_open'), block('above_ceiling')] });
        expect(shown.findAll('.block').map((b) => b.get('strong').text())).toEqual([
            '▲ above_ceiling stands',
        ]);
    });
    it('asks for lifting gear only where something is heavy', () => {
        expect(gate({}).text()).not.toContain('Lifting gear');
        expect(gate({ blocks: [block('heavy')] }).text()).toContain('Lifting gear');
        expect(gate({}, { lifting_gear: true }).text()).toContain('Lifting gear');
    });
});
