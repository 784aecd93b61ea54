import { mount } from '@vue/test-utils';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { defineComponent } from 'vue';
import series from '../../../../core/src/Process/Compression/series.json';
import injection from '../../../../core/src/Process/Injection/procedure.json';
import { api, Unreachable } from '../../api/client';
import { forget, queue } from '../../api/queue';
import { kept } from '../../api/store';
import type { Run } from '../../api/types';
import { noteServerTime } from '../../parts/clock';
import { useRun } from './useRun';
import { useRunAnswers } from './useRunAnswers';
import { useThisStep } from './useThisStep';

vi.mock('../../api/floor', () => ({ refreshFloor: vi.fn() }));

const NOW = 10_000;
const cooling = (piece: number, ends: number) => ({
    piece,
    outcome: 'open',
    step: 'cool',
    step_since: NOW,
    done: ['shoot'],
    timers: [{ id: 'cool', started_at: NOW, ends_at: ends, minutes: 1, answered_at: null }],
    confirmed: {},
    missing: [],
});
/** Two shots cool, in two moulds: the second is ready 30 s after the first. */
const run = () =>
    ({
        summary: {
            id: 'r',
            status: 'running',
            step: null,
            stations: [{ role: 'barrel', title: 'injector', machine: 'Heron' }],
        },
        plan: { cool_min: 1 },
        procedure: injection,
        steps: [],
        timers: [],
        confirmed: {},
        pieces: [cooling(1, NOW + 60), cooling(2, NOW + 90)],
        closing: false,
        entries: [],
        events: [],
        step_since: NOW,
    }) as unknown as Run;

let page: ReturnType<typeof useRun>;
let answers: ReturnType<typeof useRunAnswers>;
function setup() {
    page = useRun('r');
    answers = useRunAnswers(page, useThisStep(page));
    return () => null;
}
let screen: ReturnType<typeof mount>;
beforeEach(async () => {
    vi.restoreAllMocks();
    for (const waiting of [...queue.waiting]) await forget(waiting.key);
    delete queue.runs.r;
    noteServerTime(NOW);
    vi.spyOn(api, 'get').mockResolvedValue(run());
    vi.spyOn(api, 'post').mockRejectedValue(new Unreachable('off'));
    screen = mount(defineComponent({ setup }));
    await vi.waitFor(() => expect(page.run.value).not.toBeNull());
});
afterEach(() => {
    page.stop();
    screen.unmount();
});
const entered = () => queue.waiting.map((q) => [q.event.type, (q.event.data as { piece?: number }).piece]);

describe('a piece that is not begun yet', () => {
    it('is begun once by touches that follow faster than the screen keeps them', async () => {
        queue.runs.r = { ...run(), procedure: series, pieces: [] } as unknown as Run;
        expect(page.focus.value).toEqual({ piece: 1, next: true });
        const items = ['wiped', 'smooth', 'release'];
        const touches = items.map((item) => page.log('confirmed', { step: 'plates', item }));
        await Promise.all(touches);
        expect(entered()).toEqual([
            ['piece_begun', 1],
            ['confirmed', 1],
            ['confirmed', 1],
            ['confirmed', 1],
        ]);
        // The screen stays with it, though another could be begun at the bench.
        expect(page.focus.value).toEqual({ piece: 1, next: false });
    });
});

describe('a touch that goes on to the next step', () => {
    it('is asked after the touches before it are kept, and its second is not one of the next step', async () => {
        queue.runs.r = { ...run(), procedure: series, pieces: [] } as unknown as Run;
        const items = ['wiped', 'smooth', 'release'];
        await page.log('confirmed', { step: 'plates', item: items.shift() });
        const touches = [
            ...items.map((item) => page.log('confirmed', { step: 'plates', item })),
            answers.advance(),
            answers.advance(),
        ];
        await Promise.all(touches);
        expect(answers.asking.value).toBeNull();
        expect(entered().map(([type]) => type)).toEqual([
            'piece_begun',
            ...Array(3).fill('confirmed'),
            'step_done',
        ]);
        expect(page.step.value?.id).toBe('weigh');
    });
});

describe('a screen that turns to what is due by itself', () => {
    it('takes no touch for a moment after it has turned, and then again', async () => {
        page.pick({ piece: 2, next: false });
        expect(page.focus.value.piece).toBe(2);
        expect(page.settling.value).toBe(false);
        await new Promise((done) => setTimeout(done, 350));
        // Somebody else has taken shot 2 out: the screen turns to shot 1.
        const without = run();
        without.pieces[1]!.outcome = 'dropped';
        queue.runs.r = without;
        expect(page.focus.value.piece).toBe(1);
        expect(page.settling.value).toBe(true);
        await vi.waitFor(() => expect(page.settling.value).toBe(false), 1500);
    });

    it('does not turn away from what a number pad or a question is about, whatever comes due', async () => {
        page.pick({ piece: 2, next: false });
        page.hold(true);
        noteServerTime(NOW + 61);
        const without = run();
        without.pieces[1]!.outcome = 'dropped';
        queue.runs.r = without;
        expect(page.focus.value.piece).toBe(2);
        const kept = page.log('logged', { entry: 'disposition', values: { verdict: 'scrap' } });
        page.hold(false);
        await kept;
        // It is about shot 2, as it was when it was asked; the server says whether that still goes.
        expect(entered()).toEqual([['logged', 2]]);
        expect(page.focus.value.piece).toBe(1);
    });

    it('takes the next touch at once where it turned because of the last', async () => {
        page.pick({ piece: 2, next: false });
        await page.log('step_done', { step: 'cool', reason: 'cold' });
        expect(page.step.value?.id).not.toBe('cool');
        expect(page.settling.value).toBe(false);
        expect(entered()).toEqual([['step_done', 2]]);
    });

    it('knows its own touch again, however long the disk takes to keep it', async () => {
        const store = await kept;
        const put = store.put.bind(store) as typeof store.put;
        vi.spyOn(store, 'put').mockImplementation(async (...of: Parameters<typeof store.put>) => {
            await new Promise((done) => setTimeout(done, 400));
            return put(...of);
        });
        page.pick({ piece: 2, next: false });
        await page.log('step_done', { step: 'cool', reason: 'cold' });
        expect(page.step.value?.id).not.toBe('cool');
        expect(page.settling.value).toBe(false);
    });

    it('goes back to what is due once what was looked at is answered', async () => {
        page.pick({ piece: 2, next: false });
        noteServerTime(NOW + 61);
        expect(page.focus.value.piece).toBe(2);
        await page.log('noted', { text: 'seen' });
        expect(page.focus.value.piece).toBe(1);
    });
});

describe('the end of a run', () => {
    it('is the end once the server has it: what this screen alone says may be refused, and is asked for on', async () => {
        await page.logRun('aborted', { reason: 'the heater smells' });
        expect(page.run.value?.summary.status).toBe('aborted');
        expect(page.over.value).toBe(false);
        const ended = run();
        ended.summary.status = 'aborted';
        queue.runs.r = ended;
        expect(page.over.value).toBe(true);
    });
});
