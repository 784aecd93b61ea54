import { describe, expect, it } from 'vitest';
import single from '../../../../core/src/Process/Compression/procedure.json';
import type { QueuedEvent } from '../../api/store';
import type { Procedure, Run, RunEvent } from '../../api/types';
import { shown, textOf } from '../../tests/mount';
import RunLog from './RunLog.vue';

const procedure = single as unknown as Procedure;
const event = (key: string, over: Partial<RunEvent> = {}): RunEvent =>
    ({
        key,
        seq: 1,
        type: 'noted',
        at: 1000,
        recorded_at: 1000,
        by: 'Ines Halloran',
        source: 'tap',
        data: { text: `note ${key}` },
        ...over,
    }) as RunEvent;
const log = (events: RunEvent[], over: object = {}, entries: object[] = []) =>
    shown(RunLog, {
        run: { events, entries } as unknown as Run,
        procedure,
        waiting: [],
        refused: [],
        ...over,
    });
const typed = procedure.entries.find((e) => !e.fields.some((f) => f.kind === 'thickness_grid'))!;

describe('the log of a run', () => {
    it('has every entry with who and when, the newest last', async () => {
        const page = await log([event('a'), event('b', { by: 'Jun Asare', source: 'signal' })]);
        const lines = page.findAll('[data-entry]').map((l) => textOf(l));
        expect(lines).toHaveLength(2);
        expect(lines[0]).toContain('Ines Halloran');
        expect(lines[1]).toContain('Jun Asare, by foot');
        expect(textOf(page)).toContain('2 entries');
    });

    it('marks what is only on this screen, and says how much that is', async () => {
        const page = await log([event('a'), event('b')], { waiting: [{ key: 'b' }] as QueuedEvent[] });
        expect(textOf(page)).toContain('◆ 1 kept on this screen, not yet with the server');
        expect(page.findAll('.held')).toHaveLength(1);
        expect(page.findAll('.held')[0]!.text()).toContain('kept here');
    });

    it('shows a hundred of a long run, and the earlier ones on a touch', async () => {
        const page = await log(Array.from({ length: 250 }, (_, i) => event(`k${i}`)));
        expect(page.findAll('[data-entry]')).toHaveLength(100);
        expect(textOf(page)).toContain('150 earlier');
        expect(page.findAll('[data-entry]').at(-1)!.text()).toContain('note k249');
        await page.get('ol button').trigger('click');
        expect(page.findAll('[data-entry]')).toHaveLength(200);
    });

    it('lets a typed number be put right, and nothing that is not with the server yet', async () => {
        const entry = event('x', { type: 'logged', data: { entry: typed.id, values: {} } });
        const standing = [{ key: 'x', entry: typed.id, values: {}, corrected: 0 }];
        const page = await log([entry], {}, standing);
        const button = page.findAll('button').find((b) => b.text() === 'Correct')!;
        await button.trigger('click');
        expect(page.emitted('correct')).toEqual([['x']]);
        const held = await log([entry], { waiting: [{ key: 'x' }] as QueuedEvent[] }, standing);
        expect(held.findAll('button').some((b) => b.text() === 'Correct')).toBe(false);
    });

    it('does not let a whole grid be put right by a pad, and says what was', async () => {
        const grid = procedure.entries.find((e) => e.fields.some((f) => f.kind === 'thickness_grid'))!;
        const page = await log(
            [
                event('g', { type: 'logged', data: { entry: grid.id, values: {} } }),
                event('x', { type: 'logged', data: { entry: typed.id, values: {} } }),
            ],
            {},
            [
                { key: 'g', entry: grid.id, values: {}, corrected: 0 },
                { key: 'x', entry: typed.id, values: {}, corrected: 1 },
            ],
        );
        expect(page.findAll('button').filter((b) => b.text() === 'Correct')).toHaveLength(1);
        expect(page.findAll('[data-entry]')[1]!.text()).toContain('(corrected later)');
    });

    it('keeps what was refused in sight with its reason, until it was seen', async () => {
        const refused = [
            {
                key: 'r',
                by: 'Jun Asare',
                refused: 'is in the future: check this device’s clock',
                event: { key: 'r', type: 'noted', at: 1000, data: { text: 'late' } },
            },
        ] as unknown as QueuedEvent[];
        const page = await log([], { refused });
        expect(page.get('.refused').text()).toContain('not stored, Jun Asare');
        expect(page.get('.refused').text()).toContain('is in the future');
        await page.get('.refused button').trigger('click');
        expect(page.emitted('drop')).toEqual([['r']]);
    });
});
