import { VueQueryPlugin } from '@tanstack/vue-query';
import { flushPromises, mount } from '@vue/test-utils';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { ref } from 'vue';
import { floor } from '../api/floor';
import { session } from '../api/session';
import type { Alarm, Floor } from '../api/types';
import { server } from '../tests/mount';
import AlarmBar from './AlarmBar.vue';
import * as clock from './clock';
import * as sound from './sound';

const link = { props: ['to'], template: '<a :href="to"><slot /></a>' };
const button = { emits: ['click'], template: '<button @click="$emit(\'click\')"><slot /></button>' };
const alarm = (over: Partial<Alarm> = {}): Alarm =>
    ({
        id: 'a1',
        machine_id: 4,
        machine: 'Anvil',
        channel: 'platen_top_c',
        run_id: null,
        kind: 'low',
        says: '171 °C, under 177 °C',
        began_at: clock.serverNow() - 64.5,
        ended_at: null,
        by: null,
        answered_at: null,
        note: '',
        ...over,
    }) as Alarm;
const bar = (...alarms: Alarm[]) => {
    floor.now = { alarms, stages: [], lanes: [], hands: [], server_time: 0 } as unknown as Floor;
    return mount(AlarmBar, {
        global: { plugins: [VueQueryPlugin], stubs: { RouterLink: link, VBtn: button } },
    });
};
beforeEach(() => {
    session.person = { id: 1, name: 'Ines Halloran' } as typeof session.person;
});
afterEach(() => {
    vi.restoreAllMocks();
    vi.unstubAllGlobals();
    floor.now = null;
});

describe('alarms on every page', () => {
    it('are not there while nothing is wrong', () => {
        expect(bar().find('aside').exists()).toBe(false);
    });

    it('say which machine, what, and for how long, and lead to its run', () => {
        const page = bar(alarm({ run_id: 'r9' }));
        expect(page.text()).toContain('Anvil, platen top: 171 °C, under 177 °C for 1:05');
        expect(page.get('a').attributes('href')).toBe('/run/r9');
        expect(bar(alarm()).get('a').attributes('href')).toBe('/shop/machines/4');
    });

    it('sound while one stands that nobody has answered, and not for what somebody sees to', async () => {
        const ring = vi.spyOn(sound, 'ring').mockImplementation(() => undefined);
        // It sounds again after a while: not within this test, however slow the machine is.
        vi.spyOn(clock, 'useNow').mockReturnValue(ref(clock.serverNow()));
        const page = bar(alarm({ by: 'Jun Asare' }), alarm({ id: 'a2', ended_at: clock.serverNow() }));
        await flushPromises();
        expect(ring).not.toHaveBeenCalled();
        floor.now!.alarms.push(alarm({ id: 'a3' }));
        await flushPromises();
        expect(ring).toHaveBeenCalledTimes(1);
        // Seen from across the shop as well, and not for what somebody sees to.
        expect(document.querySelectorAll('.flash')).toHaveLength(1);
        expect(page.get('aside').classes()).toContain('loud');
    });

    it('are answered by one tap, and then say by whom', async () => {
        const sent: string[] = [];
        vi.stubGlobal('fetch', async (url: string, init?: RequestInit) => {
            sent.push(`${init?.method ?? 'GET'} ${new URL(url, 'http://shop').pathname}`);
            return new Response(
                JSON.stringify({
                    alarms: [alarm({ by: 'Ines Halloran' })],
                    stages: [],
                    lanes: [],
                    hands: [],
                }),
            );
        });
        const page = bar(alarm());
        expect(page.get('button').text()).toBe('I see to it');
        await page.get('button').trigger('click');
        await vi.waitFor(() => expect(page.text()).toContain('You see to it'));
        expect(sent).toContain('POST /api/v1/alarms/a1/answer');
        expect(page.find('button').exists()).toBe(false);
    });

    it('that came and went unseen ask only to be seen', () => {
        const page = bar(alarm({ ended_at: clock.serverNow() }));
        expect(page.get('button').text()).toBe('Seen');
        expect(page.text()).toContain('well again');
        expect(page.get('aside').classes()).not.toContain('loud');
    });

    it('that are well again take one line together, are looked at before they are seen, and hide none that stands', async () => {
        const asked = server({});
        const ended = (id: string) => alarm({ id, machine: 'Adder', ended_at: clock.serverNow() - 5 });
        const page = bar(ended('b1'), alarm(), ended('b2'));
        expect(page.text()).toContain('Anvil, platen top');
        expect(page.text()).toContain('2 that are well again: Adder');
        const button = (says: string) => page.findAll('button').find((b) => b.text() === says);
        expect(button('All seen')).toBeUndefined();
        await button('Show')!.trigger('click');
        expect(page.findAll('.alarm')).toHaveLength(4);
        await button('All seen')!.trigger('click');
        await vi.waitFor(() =>
            expect(asked.filter((a) => a.method === 'POST').map((a) => a.path)).toEqual([
                'alarms/b1/answer',
                'alarms/b2/answer',
            ]),
        );
        expect(bar(ended('b1')).text()).not.toContain('that are well again');
    });
});
