import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { session } from '../../api/session';
import {
    type Asked,
    buttonOf,
    page as items,
    refusal,
    server,
    shown,
    shownAt,
    textOf,
} from '../../tests/mount';
import CareCard from './CareCard.vue';
import GoodsPage from './GoodsPage.vue';
import OwnValues from './OwnValues.vue';
import PeopleCard from './PeopleCard.vue';
import ShopWants from './ShopWants.vue';

const as = (role: string) => {
    session.person = { id: 1, name: 'Maren Okafor', role } as typeof session.person;
};
beforeEach(() => as('lead'));
afterEach(() => vi.unstubAllGlobals());
const sent = (asked: Asked[], method: string) => asked.filter((a) => a.method === method);

describe('goods on the shelf', () => {
    const goods = (over: object = {}) => ({
        product_id: 4,
        product: 'entrance reducer',
        process: 'injection',
        polymer: 'PP',
        held: 12,
        wants: 8,
        reorder_at: 20,
        make_to: 20,
        revision: 3,
        to_finish: 0,
        operations: [],
        finish_min: 0,
        can_finish: 0,
        lacks: [],
        ...over,
    });
    const open = async (row: object = {}, answers: object = {}) => {
        const asked = server({ goods: items([goods(row)]), ...answers });
        return { asked, ...(await shownAt(GoodsPage, '/goods', '/goods')) };
    };

    it('say what wants making, and lead to its set-up', async () => {
        const { page } = await open();
        expect(textOf(page)).toContain('8 to make (at 20 or fewer, make up to 20)');
        expect(buttonOf(page, 'Set up a run').attributes('href')).toBe('/set?product=4');
        const { page: enough } = await open({ wants: 0, reorder_at: null, make_to: null });
        expect(textOf(enough)).toContain('not watched');
        expect(textOf(enough)).not.toContain('Set up a run');
    });

    it('go out one at a time unless somebody says how many, and not from an empty shelf', async () => {
        const { asked, page } = await open({}, { 'products/4/goods': goods({ held: 11 }) });
        await buttonOf(page, 'Take out').trigger('click');
        await page.findAll('form input')[1]!.setValue('the spring fair');
        await page.get('form').trigger('submit');
        await vi.waitFor(() => expect(textOf(page)).toContain('entrance reducer: 11 on the shelf.'));
        expect(sent(asked, 'POST')[0]!.body).toMatchObject({
            kind: 'taken',
            count: 1,
            reason: 'the spring fair',
        });
        const { page: empty } = await open({ held: 0 });
        expect(buttonOf(empty, 'Take out').attributes('disabled')).toBeDefined();
    });

    it('say what is still to be done to them, and take off what was finished', async () => {
        const trays = {
            wants: 0,
            to_finish: 6,
            can_finish: 5,
            finish_min: 18,
            operations: [
                { title: 'trim', minutes: 2, people: 1, uses: [] },
                { title: 'fit', minutes: 1, people: 1, uses: [{ part_id: 2, part: 'rivet', count: 4 }] },
            ],
            lacks: ['24 × rivet are wanted, and 20 are there: 4 are missing.'],
        };
        const { asked, page } = await open(trays, {
            'products/4/finished': goods({ ...trays, held: 17, to_finish: 1, can_finish: 0 }),
        });
        expect(textOf(page)).toContain('6 to finish: trim, fit, 18 min of hands');
        expect(textOf(page)).toContain('4 are missing');
        await buttonOf(page, 'Finish').trigger('click');
        // As many as there are parts for.
        expect((page.findAll('form input')[0]!.element as HTMLInputElement).value).toBe('5');
        await page.get('form').trigger('submit');
        await vi.waitFor(() => expect(textOf(page)).toContain('17 on the shelf, 1 to finish.'));
        expect(sent(asked, 'POST')[0]!).toMatchObject({ path: 'products/4/finished', body: { count: 5 } });
        const { page: none } = await open();
        expect(textOf(none)).not.toContain('to finish');
    });

    it('are counted with nothing guessed', async () => {
        const { page } = await open();
        await buttonOf(page, 'Count').trigger('click');
        expect((page.findAll('form input')[0]!.element as HTMLInputElement).value).toBe('');
    });

    it('are watched by a lead, over nobody else’s word', async () => {
        const { asked, page } = await open(
            {},
            { 'products/4/shelf': refusal('after_revision', 'somebody has changed it meanwhile') },
        );
        await buttonOf(page, 'When to make more').trigger('click');
        await page.get('form').trigger('submit');
        await vi.waitFor(() => expect(textOf(page)).toContain('somebody has changed it meanwhile'));
        expect(sent(asked, 'POST')[0]!.body).toEqual({ after_revision: 3, reorder_at: 20, make_to: 20 });
        as('operator');
        expect(textOf((await open()).page)).not.toContain('When to make more');
    });
});

describe('looking after a machine', () => {
    const care = (over: object = {}) => ({
        id: 'c1',
        machine_id: 1,
        machine: 'Anvil',
        title: 'Grease the columns',
        why: 'they squeak',
        says: 'every 200 pieces, 4 left',
        state: 'due',
        done: [],
        at: 0,
        by: 'Maren Okafor',
        ...over,
    });
    const open = async (list: object[], answers: object = {}) => {
        const asked = server({ 'GET machines/1/care': items(list), ...answers });
        return { asked, page: await shown(CareCard, { machine: 1 }) };
    };

    it('says what is due, why, and when it was done last', async () => {
        const { page } = await open([care({ done: [{ at: 0, by: 'Jun Asare', note: 'one was dry' }] })]);
        const text = textOf(page);
        expect(text).toContain('dueGrease the columns');
        expect(text).toContain('they squeak');
        expect(text).toContain('Jun Asare: one was dry');
    });

    it('is done with what was found', async () => {
        const { asked, page } = await open([care()], { 'care/c1/done': care({ state: 'ok' }) });
        await buttonOf(page, 'Done').trigger('click');
        await page.get('form input').setValue('all four dry');
        await page.get('form').trigger('submit');
        await vi.waitFor(() => expect(sent(asked, 'POST')).toHaveLength(1));
        expect(sent(asked, 'POST')[0]!.body).toMatchObject({ note: 'all four dry' });
    });

    it('is raised by anybody, and comes again only when a lead says so', async () => {
        as('operator');
        const { asked, page } = await open([], { 'POST machines/1/care': care() });
        expect(textOf(page)).not.toContain('No longer asked');
        await buttonOf(page, 'I have seen something').trigger('click');
        await page.findAll('form input')[0]!.setValue('a frayed cable');
        await page.get('form').trigger('submit');
        await vi.waitFor(() => expect(sent(asked, 'POST')).toHaveLength(1));
        expect(sent(asked, 'POST')[0]!.body).toEqual({
            id: expect.any(String),
            title: 'a frayed cable',
            why: '',
        });
        as('lead');
        const lead = await open([], { 'POST machines/1/care': care() });
        await buttonOf(lead.page, 'Add something').trigger('click');
        await lead.page.findAll('form input')[0]!.setValue('grease');
        await lead.page.findAll('input[data-typed="number"]')[0]!.setValue('200');
        await lead.page.get('form').trigger('submit');
        await vi.waitFor(() => expect(sent(lead.asked, 'POST')).toHaveLength(1));
        expect(sent(lead.asked, 'POST')[0]!.body).toMatchObject({ every_pieces: 200, every_days: null });
    });
});

describe('own values of a polymer', () => {
    const value = (over: object = {}) => ({
        path: 'injection.melt_c',
        title: 'Melt',
        unit: '°C',
        own: 214,
        library: 220,
        after: 5,
        min: 150,
        max: 300,
        log: [{ id: 5, at: 0, by: 'Maren Okafor', value: 214, reason: 'browns at 220' }],
        ...over,
    });
    const open = async (list: object[], answers: object = {}) => {
        const asked = server({ 'GET polymers/PP/overrides': items(list), ...answers });
        return { asked, page: await shown(OwnValues, { code: 'PP' }) };
    };

    it('stand beside the library’s, with who said so and why', async () => {
        const { page } = await open([value()]);
        const text = textOf(page);
        expect(text).toContain('214 °C');
        expect(text).toContain('ours');
        expect(text).toContain('220 °C');
        expect(text).toContain('browns at 220');
        expect(textOf((await open([value({ own: null, log: [] })])).page)).toContain(
            'None: all that is known of PP is the library',
        );
    });

    it('that went back say that they did', async () => {
        const log = [
            { id: 5, at: 0, by: 'Maren Okafor', value: 214, reason: 'browns' },
            { id: 6, at: 1, by: 'Maren Okafor', value: null, reason: 'it was the heater' },
        ];
        const { page } = await open([value({ own: null, log })]);
        expect(textOf(page)).toContain("the library's");
        expect(textOf(page)).toContain('back to the library, it was the heater');
    });
});

describe('people', () => {
    const colleague = (over: object = {}) => ({
        id: 2,
        name: 'Jun Asare',
        login: 'jun',
        role: 'operator',
        active: true,
        has_pin: true,
        ...over,
    });
    const open = async (list: object[], answers: object = {}) => {
        const asked = server({ people: items(list), 'people/all': items(list), ...answers });
        return { asked, page: await shown(PeopleCard, {}) };
    };

    it('are switched off and on, made a lead and not, by a lead, and never by oneself', async () => {
        const { asked, page } = await open(
            [colleague(), colleague({ id: 1, name: 'Maren Okafor', role: 'lead' })],
            { 'PUT people/2': colleague() },
        );
        expect(page.findAll('button').filter((b) => b.text() === 'Switch off')).toHaveLength(1);
        await buttonOf(page, 'Switch off').trigger('click');
        await vi.waitFor(() =>
            expect(textOf(page)).toContain('Jun Asare is switched off: signed out everywhere, tokens gone.'),
        );
        expect(sent(asked, 'PUT')[0]!.body).toEqual({ active: false, role: 'operator' });
        await buttonOf(page, 'Make a lead').trigger('click');
        await vi.waitFor(() => expect(sent(asked, 'PUT')).toHaveLength(2));
        expect(sent(asked, 'PUT')[1]!.body).toEqual({ active: true, role: 'lead' });
    });

    it('say why a change was refused', async () => {
        const { page } = await open([colleague()], {
            'PUT people/2': refusal('role', 'the last lead stays one'),
        });
        await buttonOf(page, 'Make a lead').trigger('click');
        await vi.waitFor(() => expect(textOf(page)).toContain('Role the last lead stays one.'));
    });

    it('are a list without acts for everybody else', async () => {
        as('operator');
        const { page } = await open([colleague({ has_pin: false })]);
        expect(textOf(page)).toContain('no PIN');
        expect(textOf(page)).not.toContain('Switch off');
    });
});

describe('what the shop waits for', () => {
    const way = (over: object = {}) => ({
        key: 'press_sheet',
        title: 'Press a sheet',
        proposals: [{ id: 1, by: 'Ines Halloran' }],
        ...over,
    });
    const open = (answers: object) => {
        server({
            care: items([]),
            review: items([]),
            procedures: items([way(), way({ key: 'bars', title: 'Bars', proposals: [] })]),
            ...answers,
        });
        return shown(ShopWants, {});
    };

    it('is what was proposed, for a lead to decide', async () => {
        const page = await open({});
        expect(textOf(page)).toContain('To decidePress a sheetproposed by Ines Halloran');
        expect(textOf(page)).not.toContain('Bars');
        as('operator');
        expect(textOf(await open({}))).toContain('Waits for a lead');
    });

    it('is what a stricter rule would not let in now', async () => {
        const page = await open({
            review: items([
                { name: 'L-0007', says: 'has no source', do: 'name one', link: '/sort/lots/7', lot_id: 7 },
            ]),
        });
        expect(textOf(page)).toContain('To look at again (1)');
        expect(page.get('a[href="/sort/lots/7"]').text()).toBe('L-0007');
    });

    it('is nothing where nothing waits', async () => {
        expect(textOf(await open({ procedures: items([]) }))).toBe('');
    });
});
