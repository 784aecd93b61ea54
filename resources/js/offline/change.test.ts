import { describe, expect, it } from 'vitest';
import written from '../../../core/tests/conformance/change.json';
import type { ChangeSaid } from '../api/store';
import type { Change, ChangeTask } from '../api/types';
import { mayNot, withSaid } from './change';

type Stand = [ChangeTask['state'], string | null];
const began = written.began as unknown as Record<string, Stand>;
const steps = written.steps as unknown as {
    kind: string;
    said: Record<string, unknown>;
    at: number;
    turned: Record<string, Stand>;
}[];

const change = {
    id: 'c1',
    at: 0,
    ended_at: null,
    ready_within_k: 5,
    tasks: written.tasks.map((task) => ({
        task,
        state: began[task.id]![0],
        lacks: began[task.id]![1],
        from: 60 * task.start_min,
        to: 60 * task.end_min,
        tapped: [],
        looks: [],
        purged_g: 0,
        passed: null,
        said: null,
    })),
} as unknown as Change;
const said = steps.map(({ kind, said, at }, i) => ({
    id: `s${i}`,
    change_id: 'c1',
    order: i,
    by_id: 1,
    after: 0,
    at,
    kind,
    said,
    refused: null,
})) as ChangeSaid[];
const standing = (of: Change) =>
    Object.fromEntries(of.tasks.map((t): [string, Stand] => [t.task.id, [t.state, t.lacks]]));

describe('a job change while no server hears it', () => {
    it('stands after every entry as the core says that it stands', () => {
        const expected = { ...began };
        for (const [i, step] of steps.entries()) {
            Object.assign(expected, step.turned);
            const now = standing(withSaid(change, said.slice(0, i + 1)));
            expect(now, `${i}: ${step.kind} ${String(step.said.task)}`).toEqual(expected);
        }
        expect(steps.length).toBeGreaterThan(20);
    });
    it('is over with its last task, and not before', () => {
        expect(withSaid(change, said.slice(0, -1)).ended_at).toBeNull();
        expect(withSaid(change, said).ended_at).toBe(steps.at(-1)!.at);
    });
    it('is the server’s word where nothing waits for it, was refused, or is of another change', () => {
        expect(withSaid(change, [])).toBe(change);
        expect(withSaid(change, [{ ...said[0]!, refused: 'is through' }])).toBe(change);
        expect(withSaid(change, [{ ...said[0]!, change_id: 'c2' }])).toBe(change);
    });
    it('weighs together what came out', () => {
        const looks = said.filter((s) => s.kind === 'looked');
        const task = withSaid(change, looks).tasks.find((t) => t.task.id === looks[0]!.said.task)!;
        expect(task.looks.map((l) => l.look)).toEqual(['streaks', 'clean']);
        expect(task.purged_g).toBe(240);
    });
    it.each([
        [-6, 'It is 6 K under 2'],
        [-4, null],
        [5, null],
        [9, 'It is 9 K over 2'],
    ])('takes a heat that is %d K off as the core does', (off, says) => {
        const heat = change.tasks.find((t) => t.task.asks === 'temperature')!;
        const why = mayNot(change, 'over', { task: heat.task.id, c: Number(heat.task.set_c) + off });
        if (says === null) expect(why).toBeNull();
        else expect(why).toContain(says);
        expect(mayNot(change, 'passed', { task: heat.task.id })).toBeNull();
    });
});
