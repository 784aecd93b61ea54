import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { changes, letGo } from '../../api/changes';
import { session } from '../../api/session';
import type { Change, ChangeTask, Hose } from '../../api/types';
import { serverNow } from '../../parts/clock';
import { type Asked, buttonOf, refusal, server, shown, shownAt, textOf } from '../../tests/mount';
import AllTasks from './AllTasks.vue';
import { bars, handsNow, isDue, ports, waits } from './change';
import ChangePage from './ChangePage.vue';
import ChangeStrip from './ChangeStrip.vue';
import HandsTask from './HandsTask.vue';
import WaitTask from './WaitTask.vue';
import WaterDrawing from './WaterDrawing.vue';
import WhyDialog from './WhyDialog.vue';

const BEGAN = Math.floor(serverNow()) - 600;
const task = (
    id: string,
    over: Partial<Omit<ChangeTask, 'task'>> & { task?: Partial<ChangeTask['task']> } = {},
): ChangeTask => ({
    state: 'ready',
    from: BEGAN + 600,
    to: BEGAN + 900,
    lacks: null,
    tapped: [],
    looks: [],
    purged_g: 0,
    passed: null,
    said: null,
    ...over,
    task: {
        id,
        title: id.replaceAll('_', ' '),
        do: 'Do it.',
        why: 'Or else.',
        hands: true,
        minutes: 5,
        after: [],
        people: 1,
        front: false,
        late: false,
        asks: null,
        set_c: null,
        mass_g: null,
        polymer: null,
        taps: [],
        caution: null,
        start_min: 0,
        end_min: 5,
        critical: false,
        ...over.task,
    },
});
const HOSES: Hose[] = [
    { from: 'feed 1', to: '1 in', circuit: 1, loop: false, says: 'feed 1 → 1 in' },
    { from: '1 out', to: '2 in', circuit: 1, loop: true, says: '1 out → 2 in' },
    { from: '2 out', to: 'return 1', circuit: 1, loop: false, says: '2 out → return 1' },
];
const change = (tasks: ChangeTask[], over: Partial<Change> = {}): Change => ({
    id: 'c1',
    machine_id: 5,
    machine: 'Wren',
    product_id: 4,
    product: 'frame spacer clip',
    lot_id: 9,
    lot: 'L-0109',
    polymer: 'PA6',
    swatch: '#e8e2cf',
    was_polymer: 'HDPE',
    was_swatch: null,
    was_mould: null,
    mould: 'Dormouse',
    by: 'Ines Halloran',
    at: BEGAN,
    ended_at: null,
    given_up: null,
    after: 7,
    people: 1,
    says: '40 min to the first good part.',
    stop: null,
    ready_at: BEGAN + 2400,
    planned_min: 40,
    hands_min: 20,
    serial_min: 55,
    purge_g: 300,
    route: ['HDPE', 'PA6'],
    tasks,
    positions: [],
    hoses: HOSES,
    cares: [],
    unknown: [],
    ready_within_k: 5,
    ...over,
});

describe('what is next of a change', () => {
    const tasks = [
        task('settings', { from: BEGAN + 1200 }),
        task('hopper', { from: BEGAN + 600 }),
        task('heat_1', { state: 'ready', task: { hands: false } }),
        task('dry', { state: 'under_way', task: { hands: false } }),
        task('purge_1', { state: 'waits' }),
        task('water_off', { state: 'through' }),
    ];
    it('is for hands what is ready, as it is foretold', () =>
        expect(handsNow(change(tasks)).map((t) => t.task.id)).toEqual(['hopper', 'settings']));
    it('goes on by itself where it was begun or could be', () =>
        expect(waits(change(tasks)).map((t) => t.task.id)).toEqual(['heat_1', 'dry']));
    it.each([
        ['its time has come', BEGAN + 600, 'ready', true],
        ['it is half a minute early', BEGAN + 571, 'ready', true],
        ['it is too early: what is hot early only cooks', BEGAN + 500, 'ready', false],
        ['it goes on already', BEGAN + 900, 'under_way', false],
    ] as const)('is due to begin or not: %s', (_says, at, state, due) =>
        expect(isDue(task('heat_1', { state, task: { hands: false } }), at)).toBe(due),
    );
});

describe('the strip', () => {
    const of = change([
        task('hopper', { from: BEGAN, to: BEGAN + 600 }),
        task('dry', { from: BEGAN, to: BEGAN + 1200, task: { hands: false } }),
        task('heat_1', { from: BEGAN + 600, to: BEGAN + 1800, task: { hands: false, critical: true } }),
        task('mould_warms', { from: BEGAN + 1200, to: BEGAN + 2400, task: { hands: false } }),
    ]);
    it('stands from the begin to the end', () => {
        const all = bars(of);
        expect(all.find((b) => b.id === 'hopper')).toMatchObject({ left: 0, width: 25, hands: true });
        expect(all.find((b) => b.id === 'mould_warms')).toMatchObject({ left: 50, width: 50 });
    });
    it('lays waits that meet under one another, and those that do not in one row', () => {
        const row = (id: string) => bars(of).find((b) => b.id === id)!.row;
        expect([row('dry'), row('heat_1'), row('mould_warms')]).toEqual([0, 1, 0]);
    });
    it('says what is critical, and where it is now', async () => {
        const page = await shown(ChangeStrip, { change: of, now: BEGAN + 1200 });
        expect(page.findAll('.critical')).toHaveLength(1);
        expect(page.get('.here').attributes('style')).toContain('50%');
        expect(page.get('[role=img]').attributes('aria-label')).toContain('40 min to the first good part.');
        page.unmount();
        const over = await shown(ChangeStrip, { change: of, now: BEGAN + 9999 });
        expect(over.find('.here').exists()).toBe(false);
        over.unmount();
    });
});

describe('the water', () => {
    it('has the machine at one side and the mould at the other, in the order of their numbers', () =>
        expect(ports(HOSES)).toEqual({
            machine: ['feed 1', 'return 1'],
            mould: ['1 in', '1 out', '2 in', '2 out'],
        }));
    it('draws through what is on', async () => {
        const page = await shown(WaterDrawing, {
            hoses: HOSES,
            tapped: ['1 out → 2 in'],
            mould: 'Dormouse',
            machine: 'Wren',
        });
        expect(page.findAll('.hose.on')).toHaveLength(1);
        expect(page.findAll('.hose')).toHaveLength(3);
        expect(page.get('svg').attributes('aria-label')).toBe('1 of 3 hoses are on Dormouse.');
        page.unmount();
    });
});

describe('what hands do', () => {
    const open = (of: ChangeTask) => shown(HandsTask, { task: of, change: change([of]), busy: false });
    const fields = (page: Awaited<ReturnType<typeof open>>) => page.findAll('input');

    it('says what may hurt before what to do, and whether it wants two', async () => {
        const page = await open(task('mould_in', { task: { caution: '58 kg: hoist.', people: 2 } }));
        const text = textOf(page);
        expect(text.indexOf('58 kg: hoist.')).toBeLessThan(text.indexOf('Do it.'));
        expect(text).toContain('Two persons, or a hoist.');
        page.unmount();
    });

    it('is tapped port by port, and over only then', async () => {
        const page = await open(
            task('hoses_on', {
                lacks: '2 to tap',
                tapped: ['feed 1 → 1 in'],
                task: { asks: 'ports', taps: HOSES.map((h) => h.says) },
            }),
        );
        expect(buttonOf(page, '2 to tap').attributes('disabled')).toBeDefined();
        expect(buttonOf(page, 'feed 1 → 1 in').attributes('disabled')).toBeDefined();
        await buttonOf(page, '1 out → 2 in').trigger('click');
        expect(page.emitted('say')).toEqual([['tapped', { tap: '1 out → 2 in' }]]);
        page.unmount();
    });

    it('is looked at until it comes clean, weighed or not', async () => {
        const page = await open(task('purge_1', { task: { asks: 'purging', set_c: 248, mass_g: 300 } }));
        await buttonOf(page, 'Streaks').trigger('click');
        await fields(page)[0]!.setValue('180');
        await buttonOf(page, 'Clean').trigger('click');
        expect(page.emitted('say')).toEqual([
            ['looked', { look: 'streaks', mass_g: null }],
            ['looked', { look: 'clean', mass_g: 180 }],
        ]);
        expect(textOf(page)).toContain('248 °C');
        page.unmount();
    });

    it('is proved by water in and out, both of them', async () => {
        const page = await open(task('water_on', { task: { asks: 'water' } }));
        await fields(page)[0]!.setValue('16');
        expect(buttonOf(page, 'Done').attributes('disabled')).toBeDefined();
        await fields(page)[1]!.setValue('18,5');
        await buttonOf(page, 'Done').trigger('click');
        expect(page.emitted('say')).toEqual([['over', { in_c: 16, out_c: 18.5 }]]);
        page.unmount();
    });

    it('counts the first parts', async () => {
        const page = await open(task('first_parts', { task: { asks: 'first_parts' } }));
        expect(buttonOf(page, 'Done').attributes('disabled')).toBeDefined();
        await fields(page)[0]!.setValue('2');
        await buttonOf(page, 'Done').trigger('click');
        expect(page.emitted('say')).toEqual([['over', { good: 2, bad: 0 }]]);
        page.unmount();
    });
});

describe('what goes on by itself', () => {
    const open = (of: ChangeTask, now: number) => shown(WaitTask, { task: of, now, busy: false });
    const heat = (over: Partial<ChangeTask> = {}) =>
        task('heat_1', { ...over, task: { hands: false, asks: 'temperature', set_c: 248 } });

    it('says when to begin it, and that it is not yet time', async () => {
        const page = await open(heat(), BEGAN + 300);
        expect(textOf(page)).toContain('not sooner');
        page.unmount();
        const due = await open(heat(), BEGAN + 600);
        expect(textOf(due)).toContain('Begin it now.');
        await buttonOf(due, 'Begun').trigger('click');
        expect(due.emitted('say')).toEqual([['begun', {}]]);
        due.unmount();
    });

    it('is over by what was read', async () => {
        const page = await open(heat({ state: 'under_way' }), BEGAN + 700);
        expect(textOf(page)).toContain('3:20');
        await page.get('input').setValue('246');
        await page.get('form').trigger('submit');
        expect(page.emitted('say')).toEqual([['over', { c: 246 }]]);
        page.unmount();
    });

    it('is not over before its time where nothing is read', async () => {
        const dry = task('dry', { state: 'under_way', task: { hands: false } });
        const page = await open(dry, BEGAN + 700);
        expect(buttonOf(page, 'It is over').attributes('disabled')).toBeDefined();
        page.unmount();
        const late = await open(dry, BEGAN + 901);
        expect(textOf(late)).toContain('time is over');
        await buttonOf(late, 'It is over').trigger('click');
        expect(late.emitted('say')).toEqual([['over', {}]]);
        late.unmount();
    });
});

describe('all of it', () => {
    const of = change([
        task('hopper', { state: 'through', said: 'in 16 °C' }),
        task('heat_1', { state: 'passed', passed: 'the probe is out', task: { hands: false } }),
        task('settings'),
        task('purge_1', { state: 'waits', task: { critical: true } }),
    ]);
    it('takes back what was done, leaves out what may begin, and neither of what waits', async () => {
        const page = await shown(AllTasks, { change: of, open: true, done: 2, busy: false, lead: false });
        const rows = page.findAll('tbody tr');
        await rows[0]!.get('button').trigger('click');
        await rows[2]!.get('button').trigger('click');
        expect(page.emitted('back')).toEqual([['hopper']]);
        expect(page.emitted('leave')).toEqual([['settings']]);
        expect(rows[3]!.find('button').exists()).toBe(false);
        expect(rows[1]!.text()).toContain('the probe is out');
        expect(rows[3]!.find('strong').exists()).toBe(true);
        page.unmount();
    });
    it('is looked at alone when it is over', async () => {
        const page = await shown(AllTasks, { change: of, open: false, done: 4, busy: false, lead: true });
        expect(page.findAll('button')).toHaveLength(0);
        page.unmount();
    });
});

describe('the page of a change', () => {
    let asked: Asked[] = [];
    beforeEach(async () => {
        asked = [];
        Object.assign(session, { person: { id: 3, name: 'Ines Halloran', role: 'operator', has_pin: true } });
        delete changes.known.c1;
        for (const said of [...changes.said]) await letGo(said.id);
    });
    afterEach(() => vi.unstubAllGlobals());
    const of = change([task('hopper'), task('settings'), task('heat_1', { task: { hands: false } })]);
    const open = async (answers: Record<string, unknown> = {}) => {
        asked = server({ 'changes/c1': of, ...answers });
        return shownAt(ChangePage, '/change/:id', '/change/c1');
    };
    const said = () => asked.filter((a) => a.path === 'changes/c1/entries').map((a) => a.body);

    it('says from what to what, and when it is ready', async () => {
        const { page } = await open();
        expect(textOf(page)).toContain('HDPE, no mould → PA6 of L-0109, Dormouse');
        expect(textOf(page)).toContain('Ready at');
        page.unmount();
    });

    it('says that it is later than was planned', async () => {
        const { page } = await open({ 'changes/c1': { ...of, ready_at: BEGAN + 2400 + 720 } });
        expect(textOf(page)).toContain('12 min late');
        page.unmount();
    });

    it('keeps what is said with the newest entry that was seen', async () => {
        const { page } = await open({ 'POST changes/c1/entries': { ...of, after: 8 } });
        await buttonOf(page, 'Done').trigger('click');
        await vi.waitFor(() => expect(said()).toHaveLength(1));
        expect(said()[0]).toMatchObject({ after: 7, kind: 'over', task: 'hopper' });
        page.unmount();
    });

    it('lets hands choose what is ready', async () => {
        const { page } = await open({ 'POST changes/c1/entries': of });
        await buttonOf(page, 'settings').trigger('click');
        await buttonOf(page, 'Done').trigger('click');
        await vi.waitFor(() => expect(said()[0]).toMatchObject({ task: 'settings' }));
        page.unmount();
    });

    it('says why it was refused, and looks again', async () => {
        const { page } = await open({
            'POST changes/c1/entries': refusal(
                'after',
                'is not the newest: somebody has added to this change',
            ),
        });
        const before = asked.length;
        await buttonOf(page, 'Done').trigger('click');
        await vi.waitFor(() => expect(page.get('[role=alert]').text()).toContain('somebody has added'));
        await vi.waitFor(() => expect(asked.slice(before).some((a) => a.method === 'GET')).toBe(true));
        page.unmount();
    });

    it('goes on without a server, says so, and sends it when there is one', async () => {
        const { page } = await open({ 'POST changes/c1/entries': { status: 503, error: {} } });
        await buttonOf(page, 'Done').trigger('click');
        await vi.waitFor(() => expect(textOf(page)).toContain('1 kept on this screen, not sent yet'));
        expect(page.get('section.hands h2').text()).toBe('settings');
        expect(buttonOf(page, 'Give it up').attributes('disabled')).toBeDefined();
        page.unmount();
    });

    it('does not take a heat for there that is not', async () => {
        const heat = task('heat_1', {
            state: 'under_way',
            task: { hands: false, asks: 'temperature', set_c: 230 },
        });
        const { page } = await open({ 'changes/c1': { ...of, tasks: [heat] } });
        await page.get('form input').setValue('210');
        await page.get('form input').trigger('change');
        await page.get('form').trigger('submit');
        await vi.waitFor(() => expect(page.get('[role=alert]').text()).toContain('20 K under'));
        expect(said()).toHaveLength(0);
        page.unmount();
    });

    it('stands over all that two must not meet', async () => {
        const { page } = await open({ 'changes/c1': { ...of, stop: 'POM and PA6 must not meet.' } });
        expect(textOf(page)).toContain('POM and PA6 must not meet. No purging may be left out.');
        page.unmount();
    });

    it('goes on to the set-up when it is over, and not when it was given up', async () => {
        const { page } = await open({ 'changes/c1': { ...of, ended_at: BEGAN + 2400 } });
        expect(page.get('a[href="/set?product=4"]').text()).toContain('frame spacer clip');
        page.unmount();
        const up = await open({ 'changes/c1': { ...of, ended_at: BEGAN + 2400, given_up: 'a power cut' } });
        expect(textOf(up.page)).toContain('a power cut');
        expect(up.page.find('a[href="/set?product=4"]').exists()).toBe(false);
        up.page.unmount();
    });
});

it('asks why, and takes no silence for an answer', async () => {
    const page = await shown(WhyDialog, { asking: 'all', busy: false });
    expect(buttonOf(page, 'Give it up').attributes('disabled')).toBeDefined();
    await page.get('textarea').setValue('  ');
    expect(buttonOf(page, 'Give it up').attributes('disabled')).toBeDefined();
    await page.get('textarea').setValue(' the mould is cracked ');
    await buttonOf(page, 'Give it up').trigger('click');
    expect(page.emitted('why')).toEqual([['the mould is cracked']]);
    page.unmount();
});
