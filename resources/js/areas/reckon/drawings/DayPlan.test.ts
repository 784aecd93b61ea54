import { mount } from '@vue/test-utils';
import { describe, expect, it } from 'vitest';
import DayPlan from './DayPlan.vue';

const tasks = [
    { job: 'panel', piece: 1, task: 'heat', station: 'Anvil', start: 480, end: 495, people: [] },
    { job: 'panel', piece: 1, task: 'cool', station: 'Pond', start: 495, end: 507, people: [] },
    { job: 'lid', piece: 1, task: 'form', station: 'Bellows', start: 480, end: 487, people: [] },
    { job: 'panel', piece: 2, task: 'heat', station: 'Anvil', start: 495, end: 510, people: [] },
];
const hands = [{ person: 'Jun', from: 480, to: 482, what: 'panel 1, heat', station: 'Anvil' }];
const bar = (text: string, page: ReturnType<typeof mount>) => {
    const of = page.findAll('title').find((t) => t.text().startsWith(text))!.element.parentElement!;
    const rect = of.querySelector('rect')!;
    return { from: Number(rect.getAttribute('x')), wide: Number(rect.getAttribute('width')) };
};

describe('a plan as lanes', () => {
    it('has a lane for every station and every person, and each task where and as long as it is', () => {
        const page = mount(DayPlan, { props: { tasks, hands, now: 480 } });
        const lanes = page.findAll('g').filter((g) => g.attributes('transform'));
        expect(lanes.map((l) => l.find('text').text())).toEqual(['Anvil', 'Pond', 'Bellows', 'Jun']);
        const [first, second, cool] = [
            bar('panel 1, heat, 480', page),
            bar('panel 2, heat', page),
            bar('panel 1, cool', page),
        ];
        // the next one on a station begins where the last one ends
        expect(second.from).toBeCloseTo(first.from + first.wide + 1, 5);
        expect(cool.from).toBeCloseTo(second.from, 5);
        expect(second.wide).toBeCloseTo(first.wide, 5);
        expect(page.find('svg').attributes('aria-label')).toContain('4 tasks on Anvil, Pond, Bellows');
    });

    it('says of nothing planned that it is nothing', () => {
        const page = mount(DayPlan, { props: { tasks: [], hands: [], now: 0 } });
        expect(page.findAll('rect')).toHaveLength(0);
        expect(page.find('svg').attributes('aria-label')).toContain('hands of nobody');
    });
});
