import { mount } from '@vue/test-utils';
import { describe, expect, it } from 'vitest';
import type { Tracked } from '../../api/types';
import { timeOfDay } from '../../parts/units';
import TrackLine from './TrackLine.vue';

const ENDS = 1_790_000_600;
const button = { emits: ['click'], template: '<button @click="$emit(\'click\')"><slot /></button>' };
const line = (over: Partial<Tracked>) =>
    mount(TrackLine, {
        props: {
            tracked: {
                piece: null,
                timer: 'heat',
                state: 'ok',
                says: 'It goes as planned.',
                now_c: 121.4,
                ready_at: ENDS + 4,
                on_time: true,
                more_min: 0,
                as_if_s: 300,
                of_what: 'Middle',
                at: ENDS - 300,
                ...over,
            },
        },
        global: { stubs: { VBtn: button } },
    });

describe('a timer beside what instruments say of it', () => {
    it('says no more than that it goes as planned, where it does', () => {
        const page = line({});
        expect(page.text()).toBe('As measured: on time. Middle 121\u00A0°C.');
        expect(page.find('button').exists()).toBe(false);
    });

    it('says until when, why, and gives the minutes with their reason by one tap', async () => {
        const page = line({
            state: 'warn',
            ready_at: ENDS + 130,
            on_time: false,
            more_min: 2,
            says: '2 min late: the platens are at 171 °C, 14 under their set-point.',
        });
        expect(page.text()).toContain(`until ${timeOfDay(ENDS + 130)}`);
        expect(page.text()).toContain('14 under their set-point');
        await page.get('button').trigger('click');
        expect(page.emitted('more')).toEqual([
            [2, 'as measured. 2 min late: the platens are at 171 °C, 14 under their set-point.'],
        ]);
    });

    it('gives a sheet under its heater seconds more, on the second', () => {
        const page = line({ ready_at: ENDS + 21, on_time: false, more_min: 20 / 60 });
        expect(page.get('button').text()).toBe('Give it 0:20 more');
        expect(page.text()).toContain('As measured: 0:20 later.');
    });

    it('says when it is early, and takes nothing away', () => {
        const page = line({ ready_at: ENDS - 90, on_time: false, says: '2 min early.' });
        expect(page.text()).toContain(`until ${timeOfDay(ENDS - 90)}`);
        expect(page.find('button').exists()).toBe(false);
    });

    it('says that it never gets there', () => {
        const page = line({
            state: 'block',
            ready_at: null,
            on_time: false,
            says: 'It never gets hot enough.',
        });
        expect(page.text()).toContain('it never is');
        expect(page.classes()).toContain('block');
    });
});
