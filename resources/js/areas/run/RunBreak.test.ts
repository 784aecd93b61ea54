import { flushPromises } from '@vue/test-utils';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { forget, queue } from '../../api/queue';
import type { Run } from '../../api/types';
import { noteServerTime } from '../../parts/clock';
import { buttonOf, refusal, textOf, type Shown } from '../../tests/mount';
import { runOfShots, shownOnRun } from '../../tests/onRun';
import RunBreak from './RunBreak.vue';

const NOW = 1_790_000_000;
const run = (over: object = {}) => runOfShots({ step_since: NOW - 600, ...over });
const stood = { from: NOW - 1200, to: null, reason: 'The power went', by: 'Ines' };
const off = { 'POST runs/r/events': { status: 503, error: { code: 'down', field: '', message: 'down' } } };
let page: Shown;

async function shownOf(of: Run, answers: Record<string, unknown> = {}) {
    const on = await shownOnRun(RunBreak, of, { ...off, ...answers });
    page = on.page;
    return on.asked;
}
const told = () => queue.waiting.map((q) => [q.event.type, q.event.data]);

beforeEach(async () => {
    for (const waiting of [...queue.waiting]) await forget(waiting.key);
    noteServerTime(NOW);
});
afterEach(() => {
    page.unmount();
    delete queue.runs.r;
    vi.unstubAllGlobals();
});

describe('a run that stands still', () => {
    it('is said so by two touches, and shown at once, without a server', async () => {
        await shownOf(run());
        await buttonOf(page, 'Interrupted').trigger('click');
        expect(textOf(page)).toContain('heat that comes back with nobody there is a fire');
        await buttonOf(page, 'The power went').trigger('click');
        await vi.waitFor(() => expect(told()).toEqual([['interrupted', { reason: 'The power went' }]]));
        await flushPromises();
        expect(textOf(page)).toContain('Stands still since');
        expect(textOf(page)).toContain('The power went');
    });

    it('goes on after as long as the machine needs, by what it reads', async () => {
        const answer = {
            off_min: 20,
            barrel_c: 167.4,
            wait_min: 24.3,
            says: '20 min without heat.',
            cautions: ['A cold plug.'],
        };
        const asked = await shownOf(run({ breaks: [stood] }), { 'runs/r/restart': answer });
        await buttonOf(page, 'It goes on').trigger('click');
        await flushPromises();
        expect(textOf(page)).toContain('20 min without heat.');
        expect(textOf(page)).toContain('A cold plug.');
        const [reads, wait] = page.findAll('input');
        expect((wait!.element as HTMLInputElement).value).toContain('25');
        await reads!.setValue('150');
        await reads!.trigger('blur');
        await flushPromises();
        expect(asked.map((a) => a.path)).toContain('runs/r/restart?read_c=150');
        await buttonOf(page, 'Heat is on: go on').trigger('click');
        await vi.waitFor(() => expect(told()).toEqual([['resumed', { wait_min: 25, read_c: 150 }]]));
        await flushPromises();
        expect(textOf(page)).toContain('Hot through again at');
    });

    it('asks again when the server has heard of the break, and leaves what a person typed', async () => {
        const asked = await shownOf(run({ breaks: [stood] }), {
            'runs/r/restart': { off_min: 20, barrel_c: 167, wait_min: 24.3, says: 'Cold.', cautions: [] },
        });
        const times = () => asked.filter((a) => a.path.startsWith('runs/r/restart')).length;
        await buttonOf(page, 'It goes on').trigger('click');
        await flushPromises();
        expect(times()).toBe(1);
        await page.findAll('input')[1]!.setValue('12');
        await page.findAll('input')[1]!.trigger('blur');
        queue.waiting.push({
            key: 'k',
            run_id: 'r',
            refused: null,
            event: { key: 'k', type: 'noted', at: NOW, data: {} },
        } as never);
        await flushPromises();
        expect(times()).toBe(2);
        expect((page.findAll('input')[1]!.element as HTMLInputElement).value).toContain('12');
    });

    it('asks a person how long, where nobody else can say', async () => {
        await shownOf(run({ breaks: [stood] }), { 'runs/r/restart': refusal('run', 'is not interrupted') });
        await buttonOf(page, 'It goes on').trigger('click');
        await flushPromises();
        expect(textOf(page)).toContain('Say yourself how long it needs');
        expect(buttonOf(page, 'Heat is on: go on').attributes('disabled')).toBeDefined();
        await page.findAll('input')[1]!.setValue('12');
        await page.findAll('input')[1]!.trigger('blur');
        await buttonOf(page, 'Heat is on: go on').trigger('click');
        await vi.waitFor(() => expect(told()).toEqual([['resumed', { wait_min: 12 }]]));
    });

    it('need not wait for what somebody sees is hot, with the reason kept', async () => {
        const timer = {
            id: 'restart',
            title: '',
            kind: 'wait',
            started_at: NOW - 60,
            ends_at: NOW + 540,
            minutes: 10,
            answered_at: null,
        };
        await shownOf(run({ breaks: [{ ...stood, to: NOW - 60 }], timers: [timer] }));
        expect(textOf(page)).toContain('in 9:00');
        await buttonOf(page, 'It is hot already').trigger('click');
        await page.get('input').setValue('probe through the nozzle: 205');
        await buttonOf(page, 'Go on now').trigger('click');
        await vi.waitFor(() =>
            expect(told()).toEqual([
                ['extended', { timer: 'restart', minutes: -9, reason: 'probe through the nozzle: 205' }],
            ]),
        );
    });
});
