import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { nextTick, ref } from 'vue';
import { floor } from '../api/floor';
import * as entries from '../api/queue';
import { session } from '../api/session';
import type { Floor, Hand } from '../api/types';
import { buttonOf, server, shownAt, textOf } from '../tests/mount';
import * as clock from './clock';
import HandsNext from './HandsNext.vue';
import * as sound from './sound';
import { timeOfDay } from './units';

const NOW = 1_000_000;
const hand = (over: Partial<Hand> = {}): Hand =>
    ({
        to: '/run/r1',
        run_id: null,
        number: 145,
        about: 'divider board, run 145',
        machine: 'Little Pond',
        at: NOW + 90,
        what: 'Open and store flat',
        why: 'A warm sheet keeps bending for hours.',
        step: 'open',
        entry: null,
        timer: 'cool',
        people: 1,
        piece: null,
        button: null,
        presses: 1,
        waits: '',
        minutes: 1,
        by: null,
        whose: [],
        everyones_at: null,
        ...over,
    }) as Hand;
const open = async (hands: Hand[], path = '/sort') => {
    floor.now = { alarms: [], stages: [], lanes: [], hands, server_time: NOW } as unknown as Floor;
    return shownAt(HandsNext, '/sort', path);
};
let ring: ReturnType<typeof vi.spyOn>;
beforeEach(() => {
    server({ floor: { alarms: [], stages: [], lanes: [], hands: [], server_time: NOW } });
    vi.spyOn(clock, 'useNow').mockReturnValue(ref(NOW));
    ring = vi.spyOn(sound, 'ring').mockImplementation(() => undefined);
});
afterEach(() => {
    vi.restoreAllMocks();
    vi.unstubAllGlobals();
    floor.now = null;
});

describe('what needs hands next', () => {
    it('is of two that wait at once the one that costs more, and says why', async () => {
        const cold = hand({
            at: NOW - 300,
            what: 'Open the press',
            presses: 0.7,
            waits: 'its place stays taken',
        });
        const hot = hand({ at: NOW - 5, what: 'Take it out', presses: 8, waits: 'it goes on heating' });
        const { page } = await open([cold, hot, hand({ at: NOW + 5, presses: 50 })]);
        expect(textOf(page.get('.first'))).toContain('Take it out');
        expect(textOf(page.get('.turn'))).toBe('First: it goes on heating.');
        expect(textOf(page.findAll('.rest li')[0]!)).toContain('Open the press');
    });

    it('says no reason where nothing else waits', async () => {
        const { page } = await open([hand({ at: NOW - 5, presses: 8, waits: 'it goes on heating' }), hand()]);
        expect(page.find('.turn').exists()).toBe(false);
    });

    it('is the first of them, with what, where, why and how long still', async () => {
        const { page } = await open([hand({ at: NOW + 3600, what: 'Later' }), hand()]);
        const first = textOf(page.get('.first'));
        expect(first).toContain('1:30');
        expect(first).toContain('Open and store flat: Little Pond');
        expect(first).toContain('A warm sheet keeps bending for hours.');
        expect(textOf(page.get('.rest'))).toContain('Later: Little Pond');
    });

    it('says that it waits when its time is over, and sounds', async () => {
        const { page } = await open([hand({ at: NOW - 30 })]);
        expect(page.get('.first').classes()).toContain('late');
        expect(textOf(page)).toContain('waiting for hands');
        // It rings while one waits, and not for what is still to come.
        expect(ring.mock.calls.length).toBeLessThanOrEqual(1);
    });

    it('says that it cannot be heard before somebody touched it, where there is something to call for', async () => {
        sound.heard.value = false;
        const { page } = await open([hand()]);
        expect(textOf(page)).toContain('Sound is off: touch once');
        sound.heard.value = true;
        await nextTick();
        expect(textOf(page)).not.toContain('Sound is off');
        sound.heard.value = false;
        expect(textOf((await open([])).page)).not.toContain('Sound is off');
        // What may be done at any time calls for nobody.
        expect(textOf((await open([hand({ timer: null, entry: null })])).page)).not.toContain('Sound is off');
    });

    it('does not ring for what is to come', async () => {
        await open([hand()]);
        expect(ring).not.toHaveBeenCalled();
    });

    it('of what may be done at any time is now, and not late', async () => {
        const { page } = await open([hand({ timer: null, entry: null, at: NOW - 500 })]);
        expect(page.get('.count').text()).toBe('now');
        expect(textOf(page)).not.toContain('waiting for hands');
    });

    it('says when two are wanted', async () => {
        expect(textOf((await open([hand({ people: 2 })])).page)).toContain('2 people.');
        expect(textOf((await open([hand()])).page)).not.toContain('people');
    });

    it('tells a moment of the day from a wait: what is hours off stands by the clock', async () => {
        const { page } = await open([
            hand(),
            hand({ at: NOW + 9000, step: 'x' }),
            hand({ at: NOW + 600, step: 'y' }),
        ]);
        const rest = page.findAll('.rest .when').map((w) => w.text());
        expect(rest).toEqual(['10:00', timeOfDay(NOW + 9000)]);
    });

    it('goes there by a tap, and says when one is there already', async () => {
        const { page, router } = await open([hand()]);
        await buttonOf(page, 'Go there').trigger('click');
        await vi.waitFor(() => expect(router.currentRoute.value.path).toBe('/run/r1'));
        const here = await open([hand({ to: '/sort' })]);
        expect(textOf(here.page)).toContain('You are there');
    });

    it('logs by one touch what one touch says, for the piece that it is of', async () => {
        const logged = vi.spyOn(entries, 'record').mockResolvedValue(undefined as never);
        const { page, router } = await open([
            hand({ run_id: 'r1', entry: 'pump', button: 'Pumped', piece: 2, timer: null }),
        ]);
        await buttonOf(page, 'Pumped').trigger('click');
        expect(logged).toHaveBeenCalledWith('r1', 'logged', { entry: 'pump', values: {}, piece: 2 });
        expect(router.currentRoute.value.path).toBe('/sort');
    });

    it('goes to the run for what has to be said more of, and logs nothing', async () => {
        const logged = vi.spyOn(entries, 'record').mockResolvedValue(undefined as never);
        const { page, router } = await open([hand({ run_id: 'r1', entry: 'look', button: null, piece: 1 })]);
        await buttonOf(page, 'Go there').trigger('click');
        await vi.waitFor(() => expect(router.currentRoute.value.path).toBe('/run/r1'));
        expect(logged).not.toHaveBeenCalled();
    });

    it('shows all of them on a phone when they are asked for', async () => {
        const { page } = await open([hand(), hand({ step: 'x', at: NOW + 200 })]);
        const more = page.get('button.more');
        expect(more.text()).toBe('All 2');
        await more.trigger('click');
        expect(page.get('aside').classes()).toContain('open');
        expect(more.attributes('aria-expanded')).toBe('true');
        expect((await open([hand()])).page.find('button.more').exists()).toBe(false);
    });

    describe('with two people', () => {
        const her = { what: 'Trim it', whose: ['Ines'], at: NOW + 60 };
        const his = { what: 'Pump it', whose: ['Teodor'], at: NOW + 30, step: 'x' };
        const signedIn = (name: string) =>
            Object.assign(session, { person: { id: 3, name, login: 'x', role: 'operator' } });
        afterEach(() => Object.assign(session, { person: null }));

        it('shows each their own first, and what the other has after it', async () => {
            signedIn('Ines');
            const { page } = await open([hand(his), hand(her)]);
            expect(textOf(page.get('.first'))).toContain('Trim it');
            expect(page.find('.first .whose').exists()).toBe(false);
            expect(textOf(page.get('.theirs'))).toContain('Pump it');
            expect(textOf(page.get('.theirs'))).toContain('For Teodor.');
            signedIn('Teodor');
            await nextTick();
            expect(textOf(page.get('.first'))).toContain('Pump it');
        });

        it('rings for what is theirs, and for what nobody has come to for a minute', async () => {
            signedIn('Ines');
            const late = { ...his, what: 'Open it', at: NOW - 40, everyones_at: NOW + 20 };
            const waits = await open([hand(late), hand(her)]);
            expect(textOf(waits.page.get('.first'))).toContain('Trim it');
            expect(waits.page.get('.first').classes()).not.toContain('late');
            const left = await open([hand({ ...late, at: NOW - 61, everyones_at: NOW - 1 }), hand(her)]);
            expect(textOf(left.page.get('.first'))).toContain('Open it');
            expect(textOf(left.page.get('.first'))).toContain('For Teodor.');
            expect(left.page.get('.first').classes()).toContain('late');
        });

        it('shows all of it to who has nothing to do', async () => {
            signedIn('Maren');
            const { page } = await open([hand(his), hand(her)]);
            expect(textOf(page.get('.first'))).toContain('For Teodor.');
            expect(page.findAll('.rest li')).toHaveLength(1);
        });

        it('says with whom what wants two is done', async () => {
            signedIn('Ines');
            const { page } = await open([hand({ people: 2, whose: ['Teodor', 'Ines'] })]);
            expect(textOf(page.get('.whose'))).toBe('With Teodor.');
        });
    });

    it('says that nothing waits', async () => {
        expect(textOf((await open([])).page)).toContain('Nothing waits.');
    });
});
