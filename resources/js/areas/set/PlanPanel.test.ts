import { mount } from '@vue/test-utils';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { ref } from 'vue';
import type { Planned } from '../../api/types';

const draft = ref<{ choices: Record<string, string>; settings: Record<string, number> }>({
    choices: {},
    settings: {},
});
const SCHOOLS = {
    venting: {
        title: 'Air and gas out of the melt',
        default: 'vacuum',
        because: 'They become pores.',
        choices: [
            { id: 'vacuum', title: 'Vacuum on the vent' },
            { id: 'open', title: 'Vent open' },
            { id: 'closed', title: 'Closed barrel' },
        ],
    },
};
vi.mock('./useSetting', () => ({
    useThisSetting: () => ({
        draft,
        process: ref({ schools: SCHOOLS, settings: {} }),
        value: () => ref(null),
        from: () => '',
    }),
}));
import PlanPanel from './PlanPanel.vue';

const shown = (gives: { school: string; choice: string; says: string }[] | undefined) =>
    mount(PlanPanel, {
        props: {
            plan: {
                process: 'extrusion',
                choices: { venting: 'open' },
                plan: {
                    settings: [],
                    timers: [],
                    charge: { mass_g: 2597 },
                    cautions: [],
                    warnings: [],
                    targets: {},
                    explanation: '',
                    gives,
                },
            } as unknown as Planned,
        },
        global: { stubs: { MachinePicks: true, PlanDrawing: true } },
    });
const gives = (choice: string, says: string) => ({ school: 'venting', choice, says });

describe('methods of a plan', () => {
    beforeEach(() => {
        draft.value = { choices: {}, settings: {} };
    });
    it('say what each would give, and are chosen by a tap', async () => {
        const page = shown([
            gives('closed', 'all gas stays'),
            gives('open', 'what boils leaves'),
            gives('vacuum', 'leaves 20 %'),
        ]);
        expect(page.find('[aria-label="By which method"] summary').text()).toContain('vent open');
        expect(page.findAll('.choice').map((c) => c.find('small').text())).toEqual([
            'leaves 20 %',
            'what boils leaves',
            'all gas stays',
        ]);
        await page.findAll('input[type=radio]')[0]!.trigger('change');
        expect(draft.value.choices.venting).toBe('vacuum');
    });
    it('are not offered where the machine has not what they want', () => {
        const page = shown([gives('closed', 'all gas stays'), gives('open', 'what boils leaves')]);
        expect(page.findAll('.choice')).toHaveLength(2);
        expect(page.text()).not.toContain('Vacuum on the vent');
    });
    it('are all offered where a plan cannot tell them apart', () => {
        const page = shown(undefined);
        expect(page.findAll('.choice')).toHaveLength(3);
        expect(page.find('small').exists()).toBe(false);
    });
});
