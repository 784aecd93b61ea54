import { mount } from '@vue/test-utils';
import { describe, expect, it } from 'vitest';
import injection from '../../../../core/src/Process/Injection/procedure.json';
import type { Procedure, Run } from '../../api/types';
import PieceBoard from './PieceBoard.vue';

const procedure = injection as unknown as Procedure;
const piece = (n: number, over: Record<string, unknown> = {}) => ({
    piece: n,
    outcome: 'open',
    step: 'cool',
    step_since: 100,
    done: ['shoot'],
    timers: [{ id: 'cool', started_at: 100, ends_at: 116, minutes: 0.27, answered_at: null }],
    confirmed: {},
    missing: [],
    ...over,
});
const judged = (n: number, verdict: string) => ({
    key: `v${n}`,
    entry: 'disposition',
    piece: n,
    step: 'judge',
    values: { verdict },
});
const runOf = (over: Record<string, unknown>): Run =>
    ({
        summary: { status: 'running', step: null },
        procedure,
        plan: {},
        pieces: [],
        entries: [],
        timers: [],
        confirmed: {},
        closing: false,
        ...over,
    }) as unknown as Run;
const board = (run: Run, props: Record<string, unknown> = {}) =>
    mount(PieceBoard, {
        props: {
            run,
            procedure,
            focus: { piece: null, next: false },
            now: 110,
            wanted: 20,
            mayClose: false,
            ...props,
        },
    });

describe('the pieces of a run', () => {
    it('counts what was judged, here and on the server, and what was taken out', () => {
        const run = runOf({
            pieces: [
                piece(1, { outcome: 'done', step: null }),
                piece(2, { outcome: 'done', step: null }),
                piece(3, { outcome: 'dropped', step: null }),
            ],
            entries: [judged(1, 'good'), judged(2, 'scrap')],
        });
        expect(board(run).get('.count').text().replace(/\s+/g, ' ')).toBe('1 good of 20, 2 not');
    });

    it('shows each piece under way with its step and its own clock', () => {
        const run = runOf({ pieces: [piece(1, { outcome: 'done', step: null }), piece(2)] });
        const items = board(run).findAll('li');
        expect(items).toHaveLength(1);
        expect(items[0]!.text()).toContain('shot 2');
        expect(items[0]!.text()).toContain('Hold, refill, cool');
        expect(items[0]!.text()).toContain('0:06');
    });

    it('says in colour and words that a wait is over', () => {
        const late = board(runOf({ pieces: [piece(1)] }), { now: 140 });
        expect(late.find('.over').exists()).toBe(true);
        expect(late.get('.over').text()).toMatch(/^[-–−]/);
    });

    it('offers the next piece only where its place is free, and asks which one somebody wants', async () => {
        expect(board(runOf({ pieces: [piece(1)] })).text()).not.toContain('Next');
        const free = board(runOf({ pieces: [piece(1, { step: 'judge', timers: [] })] }));
        const next = free.findAll('button').find((b) => b.text().includes('Next'))!;
        expect(next.text()).toContain('shot 2');
        await next.trigger('click');
        await free.findAll('button')[0]!.trigger('click');
        expect(free.emitted('pick')).toEqual([[{ piece: 2, next: true }], [{ piece: 1, next: false }]]);
    });

    it('marks what the screen is about', () => {
        const run = runOf({ pieces: [piece(1)] });
        const on = board(run, { focus: { piece: 1, next: false } }).get('button');
        expect(on.attributes('aria-pressed')).toBe('true');
        expect(board(run).get('button').attributes('aria-pressed')).toBe('false');
    });

    it('shuts down only when it may', async () => {
        expect(board(runOf({})).find('.close').exists()).toBe(false);
        const may = board(runOf({}), { mayClose: true });
        await may.get('.close').trigger('click');
        expect(may.emitted('close')).toHaveLength(1);
    });
});
