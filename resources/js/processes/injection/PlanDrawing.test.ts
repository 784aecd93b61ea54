import { mount } from '@vue/test-utils';
import { describe, expect, it } from 'vitest';
import { plain } from '../../tests/mount';
import PlanDrawing from './PlanDrawing.vue';

const plan = (shot: object, over: object = {}) => ({
    shot: { barrel_fraction: 0.25, shots_per_fill: 4, shot_mass_g: 38.5, barrel_capacity_g: 151, ...shot },
    settings: [
        { name: 'fill_s', value: 2 },
        { name: 'open_s', value: 20 },
    ],
    hold_s: 3,
    cool_s: 12,
    cycle_s: 734,
    ...over,
});
const drawn = (shot: object = {}, over: object = {}) =>
    mount(PlanDrawing, { props: { plan: plan(shot, over) as never } });
const number = (of: { attributes(name: string): string | undefined }, name: string) =>
    Number(of.attributes(name));

describe('a shot in its barrel', () => {
    it('takes its share of the melt, at the nozzle, and marks those that follow', () => {
        const page = drawn();
        const [melt, shot] = [page.get('.melt'), page.get('.shot')];
        expect(number(shot, 'width')).toBeCloseTo(number(melt, 'width') / 4, 6);
        const end = (of: typeof melt) => number(of, 'x') + number(of, 'width');
        expect(end(shot)).toBeCloseTo(end(melt), 6);
        expect(page.findAll('.mark')).toHaveLength(3);
        expect(shot.classes('over')).toBe(false);
        expect(plain(page.text())).toContain('holds 151 g, 4 shots');
    });

    it('that the barrel does not hold is marked, and drawn no longer than it', () => {
        const page = drawn({ barrel_fraction: 1.4, shots_per_fill: 0 });
        expect(page.get('.shot').classes('over')).toBe(true);
        expect(number(page.get('.shot'), 'width')).toBeCloseTo(number(page.get('.melt'), 'width'), 6);
        expect(page.findAll('.mark')).toHaveLength(0);
    });

    it('stays within the drawing, whose words do not lie on each other', () => {
        const page = drawn();
        const [, , wide] = page.get('svg').attributes('viewBox')!.split(' ').map(Number);
        expect(number(page.get('.melt'), 'x') + number(page.get('.melt'), 'width')).toBeLessThan(wide! - 70);
        const [one, holds] = page.findAll('svg')[0]!.findAll('text');
        expect(Math.abs(number(one!, 'y') - number(holds!, 'y'))).toBeGreaterThan(13);
    });

    it('is followed by the time until the next: what waits for the melt is told only where something does', () => {
        const strip = (over: object) => drawn({}, over).findAll('svg')[1]!.attributes('aria-label');
        expect(strip({})).toBe(
            'A cycle of 734 s: shoot 2 s, hold 3 s, cool 9 s, open 20 s, melt gets ready 700 s',
        );
        expect(strip({ cycle_s: 34 })).toBe('A cycle of 34 s: shoot 2 s, hold 3 s, cool 9 s, open 20 s');
    });
});
