import { afterEach, describe, expect, it, vi } from 'vitest';
import { session } from '../../api/session';
import type { DayJob, DayLane, Order } from '../../api/types';
import { buttonOf, page, server, shown, textOf } from '../../tests/mount';
import { timeOfDay } from '../../parts/units';
import DayJobs from './DayJobs.vue';
import DaysOff from './DaysOff.vue';
import MachineStands from './MachineStands.vue';
import OneMoreCard from './OneMoreCard.vue';
import OrdersCard from './OrdersCard.vue';
import PersonHere from './PersonHere.vue';

afterEach(() => vi.unstubAllGlobals());
/** ten in the morning where the screen stands */
const NOW = new Date(2026, 10, 27, 10, 0).getTime() / 1000;
const at = (hours: number, minutes = 0) => new Date(2026, 10, 27, hours, minutes).getTime() / 1000;

const job = (over: Partial<DayJob> = {}): DayJob =>
    ({
        id: 'order-1',
        product_id: 4,
        product: 'hive floor panel',
        count: 6,
        pieces: 6,
        counts: 'sheets',
        order: 12,
        due: at(17),
        starts: at(11),
        ends: at(15, 30),
        machine: 'Anvil',
        likely_from: at(15),
        likely_to: at(16),
        known_from: 12,
        late_min: 0,
        because: [],
        first: [],
        holds: [],
        wish: 'free',
        ...over,
    }) as DayJob;

describe('what is to be made', () => {
    const list = (jobs: DayJob[], chosen: string | null = null) =>
        shown(DayJobs, { jobs, from: NOW - 3600, now: NOW, chosen, busy: false });

    it('says when, on what, and how sure that is', async () => {
        const text = textOf(await list([job()]));
        expect(text).toContain('6 × hive floor panel');
        expect(text).toContain(`${timeOfDay(at(11))} to ${timeOfDay(at(15, 30))} on Anvil`);
        expect(text).toContain('as the last 12 went');
        expect(textOf(await list([job({ known_from: 0 })]))).toContain('as shops do');
    });

    it('says what holds a late one up, the first three links of it', async () => {
        const late = job({
            late_min: 40,
            because: ['Anvil is busy', 'the lot dries', 'Ines is away', 'more'],
        });
        const text = textOf(await list([late]));
        expect(text).toContain('Held up by Anvil is busy; then the lot dries; then Ines is away');
        expect(text).not.toContain('more');
        expect(textOf(await list([job({ because: ['Anvil is busy'] })]))).not.toContain('Held up');
    });

    it('says why one is not in the plan', async () => {
        const out = { starts: null, ends: null };
        expect(textOf(await list([job({ ...out, holds: ['no lot of HDPE holds enough'] })]))).toContain(
            'no lot of HDPE holds enough',
        );
        expect(textOf(await list([job({ ...out, wish: 'left_out' })]))).toContain('Left out of this day.');
        expect(textOf(await list([job(out)]))).toContain('Not in the plan.');
        expect(textOf(await list([]))).toContain('Nothing is ordered');
    });

    it('is opened and shut by one tap', async () => {
        const shut = await list([job()]);
        await shut.get('button.head').trigger('click');
        expect(shut.emitted('choose')).toEqual([['order-1']]);
        const open = await list([job()], 'order-1');
        await open.get('button.head').trigger('click');
        expect(open.emitted('choose')).toEqual([[null]]);
    });

    it('is pinned to a time of this day, and to nothing that is no time', async () => {
        const open = await list([job()]);
        await open.setProps({ chosen: 'order-1' });
        const input = open.get('input');
        expect(input.element.value).toBe(timeOfDay(at(11)));
        await input.setValue('14:30');
        await open.get('form').trigger('submit');
        expect(open.emitted('wish')).toEqual([['order-1', 'pinned', at(14, 30)]]);
        await input.setValue('later');
        await open.get('form').trigger('submit');
        expect(open.emitted('wish')).toHaveLength(1);
    });

    it('goes to a set-up of as many as are wanted', async () => {
        const open = await list([job()], 'order-1');
        expect(buttonOf(open, 'Set it up').attributes('href')).toBe('/set?product=4&sheets=6');
        const one = await list([job({ pieces: 1 })], 'order-1');
        expect(buttonOf(one, 'Set it up').attributes('href')).toBe('/set?product=4');
    });

    it('that was left out can be taken in again, and only that', async () => {
        const out = await list([job({ wish: 'left_out' })], 'order-1');
        expect(textOf(out)).not.toContain('Pin it there');
        await buttonOf(out, 'Take it in again').trigger('click');
        expect(out.emitted('wish')).toEqual([['order-1', 'free', null]]);
        const pinned = await list([job({ wish: 'pinned' })], 'order-1');
        await buttonOf(pinned, 'Free it').trigger('click');
        await buttonOf(pinned, 'Not today').trigger('click');
        expect(pinned.emitted('wish')).toEqual([
            ['order-1', 'free', null],
            ['order-1', 'left_out', null],
        ]);
    });
});

describe('who is here', () => {
    const person = (over: Partial<DayLane> = {}): DayLane =>
        ({ id: 'person-3', name: 'Ines Halloran', here_from: at(8), here_to: at(16), ...over }) as DayLane;
    const card = (over: Partial<DayLane> = {}) =>
        shown(PersonHere, { person: person(over), from: at(7), until: at(17), busy: false });

    it('opens with her hours, and with the shop’s where she is away', async () => {
        const values = (c: Awaited<ReturnType<typeof card>>) =>
            c.findAll('input').map((i) => (i.element as HTMLInputElement).value);
        expect(values(await card())).toEqual([timeOfDay(at(8)), timeOfDay(at(16))]);
        expect(values(await card({ here_from: null, here_to: null }))).toEqual([
            timeOfDay(at(7)),
            timeOfDay(at(17)),
        ]);
    });

    it('keeps hours of this day, and no day that ends before it begins', async () => {
        const open = await card();
        const [from, until] = open.findAll('input');
        await from!.setValue('9:15');
        await until!.setValue('12');
        await open.get('form').trigger('submit');
        const kept = open.emitted('here') as [number, number][] | undefined;
        expect(kept?.[0]).toEqual([at(9, 15), at(12)]);
        await until!.setValue('8:00');
        await open.get('form').trigger('submit');
        expect(open.emitted('here')).toHaveLength(1);
        expect(buttonOf(open, 'Keep it').attributes('disabled')).toBeDefined();
    });

    it('is away by one tap: hours that are none', async () => {
        const open = await card();
        await buttonOf(open, 'Not here today').trigger('click');
        expect(open.emitted('here')).toEqual([[at(7), at(7)]]);
    });
});

describe('orders', () => {
    const order = (over: Partial<Order> = {}): Order =>
        ({
            id: 'o1',
            number: 7,
            product: 'syrup feeder tray',
            count: 4,
            ready: 1,
            due: at(17),
            words: 'for the spring fair',
            after: 31,
            ...over,
        }) as Order;
    const card = async (orders: Order[]) => {
        server({ products: page([{ id: 4, name: 'syrup feeder tray' }]) });
        return shown(OrdersCard, { orders, now: NOW, busy: false });
    };

    it('say how many of them are on the shelf, and are delivered when all are', async () => {
        const few = await card([order()]);
        expect(textOf(few)).toContain('1 of 4 on the shelf');
        expect(buttonOf(few, 'It is delivered').attributes('disabled')).toBeDefined();
        const all = await card([order({ ready: 4 })]);
        await buttonOf(all, 'It is delivered').trigger('click');
        expect(all.emitted('say')![0]!.slice(0, 2)).toEqual([
            'orders/o1/entries',
            { kind: 'delivered', after: 31, due: null, reason: '' },
        ]);
    });

    it('are cancelled with a reason, and moved to another day', async () => {
        const list = await card([order()]);
        await buttonOf(list, 'Cancel').trigger('click');
        expect(list.get('input').attributes('required')).toBeDefined();
        await list.get('input').setValue('they closed');
        await list.get('form').trigger('submit');
        expect(list.emitted('say')![0]!.slice(0, 2)).toEqual([
            'orders/o1/entries',
            { kind: 'cancelled', after: 31, due: null, reason: 'they closed' },
        ]);
        // Done with, the question goes; what was refused stays open.
        (list.emitted('say')![0]![2] as () => void)();
        await list.vm.$nextTick();
        await buttonOf(list, 'Another day').trigger('click');
        await list.get('input[type="datetime-local"]').setValue('2026-12-01T12:00');
        await list.get('form').trigger('submit');
        expect(list.emitted('say')![1]![1]).toMatchObject({
            kind: 'moved',
            due: new Date('2026-12-01T12:00').getTime() / 1000,
        });
    });

    it('are taken with how many and by when, and not with less', async () => {
        const list = await card([]);
        expect(textOf(list)).toContain('Nobody waits for anything.');
        await buttonOf(list, 'Take an order').trigger('click');
        await list.get('form').trigger('submit');
        expect(list.emitted('say')).toBeUndefined();
        await list.get('input[data-typed="number"]').setValue('12');
        await list.get('input[data-typed="number"]').trigger('blur');
        await list.get('input[type="datetime-local"]').setValue('2026-12-01T12:00');
        await list.get('input[maxlength="200"]').setValue('white, please');
        await list.get('form').trigger('submit');
        expect(list.emitted('say')![0]!.slice(0, 2)).toEqual([
            'orders',
            {
                product_id: 4,
                count: 12,
                due: new Date('2026-12-01T12:00').getTime() / 1000,
                words: 'white, please',
            },
        ]);
    });
});

describe('a person whose bars the plan moves', () => {
    it('keeps what is being typed of them', async () => {
        const person = {
            id: 3,
            name: 'Ines Halloran',
            here_from: at(8),
            here_to: at(17),
            bars: [] as object[],
        };
        const page = await shown(PersonHere, { person, from: at(8), until: at(17), busy: false });
        await page.findAll('input')[1]!.setValue('12:3');
        await page.setProps({ person: { ...person, bars: [{ from: at(9), to: at(10) }] } });
        expect((page.findAll('input')[1]!.element as HTMLInputElement).value).toBe('12:3');
        await page.setProps({ person: { ...person, here_to: at(15) } });
        expect((page.findAll('input')[1]!.element as HTMLInputElement).value).toBe('15:00');
    });
});

describe('a machine that somebody works on', () => {
    const machine = { id: 1, name: 'Anvil', kind: 'hot_press', here_from: null, here_to: null } as DayLane;
    const form = (stands: object | null = null) =>
        shown(MachineStands, { machine, stands, from: at(8), until: at(17), now: NOW, busy: false });

    it('stands from now to the end of the day unless somebody says otherwise', async () => {
        const page = await form();
        const [begin, end, why] = page.findAll('input');
        expect([begin, end].map((i) => (i!.element as HTMLInputElement).value)).toEqual(['10:00', '17:00']);
        await end!.setValue('12.30');
        await why!.setValue(' grease the posts ');
        await page.get('form').trigger('submit');
        expect(page.emitted('stands')).toEqual([[at(10), at(12, 30), 'grease the posts']]);
        expect(textOf(page)).not.toContain('It does not stand');
    });

    it('keeps what is being typed while the plan moves its bars, and takes what somebody else has said', async () => {
        const page = await form();
        await page.findAll('input')[2]!.setValue('grease the posts');
        await page.setProps({ machine: { ...machine, bars: [{ from: at(12), to: at(13) }] }, now: NOW + 60 });
        expect((page.findAll('input')[2]!.element as HTMLInputElement).value).toBe('grease the posts');
        await page.setProps({ stands: { machine_id: 1, from: at(9), to: at(11), why: 'new heater' } });
        expect(page.findAll('input').map((i) => (i.element as HTMLInputElement).value)).toEqual([
            '09:00',
            '11:00',
            'new heater',
        ]);
    });

    it('stands until midnight where the day of an evening ends there', async () => {
        const page = await shown(MachineStands, {
            machine,
            stands: null,
            from: at(12),
            until: at(24),
            now: at(19, 45),
            busy: false,
        });
        expect(page.findAll('input').map((i) => (i.element as HTMLInputElement).value)).toEqual([
            '19:45',
            '00:00',
            '',
        ]);
        await page.get('form').trigger('submit');
        expect(page.emitted('stands')).toEqual([[at(19, 45), at(24), '']]);
    });

    it('is not said to stand backwards, and is let go by one tap', async () => {
        const page = await form({ machine_id: 1, from: at(9), to: at(11), why: 'guides' });
        await page.findAll('input')[1]!.setValue('8:00');
        expect(buttonOf(page, 'Keep it').attributes('disabled')).toBeDefined();
        await page.get('form').trigger('submit');
        expect(page.emitted('stands')).toBeUndefined();
        await buttonOf(page, 'It does not stand').trigger('click');
        expect(page.emitted('stands')).toEqual([[at(8), at(8), '']]);
    });
});

describe('days off', () => {
    const card = (role: string, off: { day: number; why: string }[]) => {
        session.person = { id: 1, name: 'Maren Okafor', role } as typeof session.person;
        return shown(DaysOff, { from: at(8), off, busy: false });
    };

    it('are tapped by a lead, and taken back by one more', async () => {
        const tomorrow = at(8) + 86_400;
        const page = await card('lead', [{ day: at(0) + 2 * 86_400, why: '' }]);
        const days = page.findAll('.tile');
        expect(days.map((d) => d.attributes('aria-pressed'))).toEqual([
            'false',
            'false',
            'true',
            'false',
            'false',
            'false',
            'false',
        ]);
        await days[1]!.trigger('click');
        await days[2]!.trigger('click');
        expect(page.emitted('off')).toEqual([
            [tomorrow, true],
            [tomorrow + 86_400, false],
        ]);
    });

    it('are told to everybody where there are some', async () => {
        const page = await card('operator', [{ day: at(8), why: '' }]);
        expect(page.findAll('.tile').every((d) => d.attributes('disabled') !== undefined)).toBe(true);
        expect(textOf(page)).toContain('Todayoff');
        expect((await card('operator', [])).find('section').exists()).toBe(false);
        session.person = null;
    });
});

describe('one more of what', () => {
    const days = {
        days: 90,
        made: 51,
        worked: 51,
        days_year: 230,
        options: [
            {
                id: 'm4',
                name: 'one more like Heron',
                busy_pct: 63.7,
                sooner_min: 15,
                days: 13,
                most_min: 59,
            },
            {
                id: 'hands',
                name: 'one more pair of hands',
                busy_pct: null,
                sooner_min: 0.4,
                days: 0,
                most_min: 3,
            },
        ],
    };

    it('is asked of the days that were, from midnight on, and says what each would have given', async () => {
        const asked = server({ 'day/more': days });
        const page = await shown(OneMoreCard, { now: NOW, says: ['Anvil is busy 50 % of it'] });
        expect(textOf(page)).toContain('Anvil is busy 50 % of it.');
        await buttonOf(page, 'Ask the last 90 days').trigger('click');
        await vi.waitFor(() => expect(textOf(page)).toContain('The 51 days of the last 90'));
        expect(asked.at(-1)!.path).toContain(`from=${at(0)}&`);
        expect(textOf(page)).toContain('15 min sooner a day, 59 min at most; half an hour or more on 13');
        expect(textOf(page)).toContain('Nothing sooner.');
        // What gives nothing has no price worth asking.
        expect(page.findAll('button').filter((b) => b.text() === 'What does it cost?')).toHaveLength(1);
    });

    it('says of how many when there was no time for all of them', async () => {
        server({ 'day/more': { ...days, worked: 13 } });
        const page = await shown(OneMoreCard, { now: NOW, says: [] });
        await buttonOf(page, 'Ask the last 90 days').trigger('click');
        await vi.waitFor(() => expect(textOf(page)).toContain('The newest 13 (there was no time for more)'));
        expect(textOf(page)).toContain('of the 51 days of the last 90 with more than one run');
    });

    it('says what an hour costs, by the core', async () => {
        const asked = server({
            'day/more': days,
            'GET calc/cost.one_more': { input: { properties: { life_years: { default: 12 } } } },
            'POST calc/cost.one_more': { explanation: '3.86 on each of 230 days: 25.16 for each hour.' },
        });
        const page = await shown(OneMoreCard, { now: NOW, says: [] });
        await buttonOf(page, 'Ask the last 90 days').trigger('click');
        await vi.waitFor(() => expect(textOf(page)).toContain('One more like Heron'));
        await buttonOf(page, 'What does it cost?').trigger('click');
        const price = page.get('input');
        // How long it lasts where nobody says so is the core's to say.
        await vi.waitFor(() => expect(page.findAll('input')[1]!.attributes('placeholder')).toBe('12'));
        await price.setValue('6500');
        await page.get('form').trigger('submit');
        await vi.waitFor(() => expect(textOf(page)).toContain('25.16 for each hour'));
        expect(asked.at(-1)!.body).toEqual({ sooner_min: 15, days_year: 230, price: 6500 });
    });
});
