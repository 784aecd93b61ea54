import { mount, type VueWrapper } from '@vue/test-utils';
import { describe, expect, it } from 'vitest';
import type { Day, DayLane } from '../../api/types';
import { STUBS } from '../../tests/mount';
import DayLanes from './DayLanes.vue';
import { windowOf } from './day';

type DayBar = DayLane['bars'][number];
const NOW = new Date(2026, 10, 26, 10, 0).getTime() / 1000;
const bar = (over: Partial<DayBar> = {}): DayBar =>
    ({
        from: NOW + 1800,
        to: NOW + 5400,
        says: 'heat, run 12',
        coming: true,
        job: 'j1',
        piece: null,
        ...over,
    }) as DayBar;
const lane = (over: Partial<DayLane> = {}): DayLane =>
    ({
        id: 1,
        name: 'Anvil',
        kind: 'hot_press',
        heat: 'in',
        bars: [bar()],
        here_from: null,
        here_to: null,
        ...over,
    }) as DayLane;
const day = (over: Partial<Day> = {}): Day =>
    ({
        from: NOW - 3 * 3600,
        lanes: [lane()],
        hands: [
            lane({
                id: 3,
                name: 'Ines Halloran',
                kind: 'person',
                here_from: NOW - 7200,
                here_to: NOW + 7200,
            }),
        ],
        jobs: [{ id: 'j1', starts: NOW + 1800 }],
        standstills: [],
        ...over,
    }) as Day;
function lanes(of: Day = day()) {
    return mount(DayLanes, {
        props: { day: of, now: NOW, chosen: null },
        global: { stubs: STUBS },
        attachTo: document.body,
    });
}
async function drag(page: VueWrapper, to: number, bar = 0) {
    const element = page.findAll('.bar')[bar]!;
    const lane = element.element.parentElement!;
    Object.defineProperty(lane, 'clientWidth', { value: 1000, configurable: true });
    (element.element as HTMLElement).setPointerCapture = () => undefined;
    await element.trigger('pointerdown', { clientX: 100, pointerId: 1 });
    await element.trigger('pointermove', { clientX: 100 + to, pointerId: 1 });
    const moved = element.classes('dragged')
        ? (page.element as HTMLElement).style.getPropertyValue('--by')
        : 'not dragged';
    await element.trigger('pointerup', { clientX: 100 + to, pointerId: 1 });
    return moved;
}

describe('the day as lanes', () => {
    it('has a lane for each machine and each person, with how long that one is here', () => {
        const page = lanes(
            day({
                hands: [
                    lane({ id: 3, name: 'Ines Halloran', here_from: NOW, here_to: NOW + 7200, bars: [] }),
                    lane({ id: 4, name: 'Jun Asare', here_from: NOW, here_to: NOW, bars: [] }),
                ],
            }),
        );
        const names = page.findAll('.lane .name').map((n) => n.text().replace(/\s+/g, ' '));
        expect(names[0]).toContain('hot press');
        expect(names[1]).toContain('until 12:00');
        expect(names[2]).toContain('not here today');
        page.unmount();
    });

    it('begins a dragged job where it was dropped, by the width of the day', async () => {
        const page = lanes();
        const span = windowOf(NOW, NOW - 3 * 3600);
        const moved = await drag(page, 200);
        expect(moved).toBe('200px');
        expect(page.findAll('.dragged')).toHaveLength(0);
        const [job, at] = page.emitted('pin')![0] as [string, number];
        expect(job).toBe('j1');
        // A fifth of what is shown later, on five minutes.
        expect(Math.abs(at - (NOW + 1800 + 0.2 * (span.to - span.from)))).toBeLessThanOrEqual(150);
        expect(page.emitted('choose')).toBeUndefined();
        page.unmount();
    });

    it('takes a finger that slips for a tap', async () => {
        const page = lanes();
        await drag(page, 4);
        expect(page.emitted('pin')).toBeUndefined();
        expect(page.emitted('choose')).toEqual([['j1']]);
        page.unmount();
    });

    it('never drags a job into the past', async () => {
        const page = lanes();
        await drag(page, -900);
        const [, at] = page.emitted('pin')![0] as [string, number];
        expect(at).toBeGreaterThanOrEqual(NOW - 300);
        page.unmount();
    });

    it('moves nothing that is no job: what runs is where it is', async () => {
        const page = lanes(day({ lanes: [lane({ bars: [bar({ job: null, coming: false })] })], hands: [] }));
        await drag(page, 200);
        expect(page.emitted('pin')).toBeUndefined();
        expect(page.emitted('choose')).toBeUndefined();
        page.unmount();
    });

    it('drags no job by the hands that it wants', async () => {
        const page = lanes(day({ lanes: [], hands: [lane({ id: 3, name: 'Ines Halloran' })] }));
        await drag(page, 200);
        expect(page.emitted('pin')).toBeUndefined();
        page.unmount();
    });

    it('shows when a machine stands, and why; a tap on it or on a person opens what is said of them', async () => {
        const stands = { machine_id: 1, from: NOW + 3600, to: NOW + 7200, why: 'guides greased' };
        const page = lanes(day({ standstills: [stands] }));
        expect(page.get('.stands').text()).toBe('guides greased');
        expect(page.get('.lane small').text()).toBe('stands 11:00 to 12:00');
        await page.findAll('.name button')[0]!.trigger('click');
        await page.findAll('.name button')[1]!.trigger('click');
        expect(page.emitted('machine')).toEqual([[1]]);
        expect(page.emitted('person')).toEqual([[3]]);
        page.unmount();
        // One that has its number is not a machine.
        const hands = lanes(day({ lanes: [], standstills: [{ ...stands, machine_id: 3 }] }));
        expect(hands.find('.stands').exists()).toBe(false);
        hands.unmount();
    });

    it('tells what is from what comes, and the chosen from the others', () => {
        const page = mount(DayLanes, {
            props: {
                day: day({ hands: [], lanes: [lane({ bars: [bar({ coming: false, job: null }), bar()] })] }),
                now: NOW,
                chosen: 'j1',
            },
            global: { stubs: STUBS },
        });
        const bars = page.findAll('.bar');
        expect(bars.map((b) => b.classes().includes('coming'))).toEqual([false, true]);
        expect(bars.map((b) => b.classes().includes('on'))).toEqual([false, true]);
        page.unmount();
    });

    it('opens a person by a tap on the name', async () => {
        const page = lanes();
        await page.get('.hands .plain').trigger('click');
        expect(page.emitted('person')).toEqual([[3]]);
        page.unmount();
    });
});
