import type { ChangeSaid } from '../api/store';
import type { Change, ChangeTask } from '../api/types';

/**
 * A job change with what was said here laid over it, by the rules of the core (core/src/Process/Change/ChangeFile.php),
 * for as long as the server does not know of it.
 */
export function withSaid(change: Change, said: ChangeSaid[]): Change {
    const mine = said.filter((s) => s.change_id === change.id && s.refused === null);
    if (mine.length === 0) return change;
    const tasks = change.tasks.map((t) => mine.reduce((task, s) => (isOf(s, t) ? after(task, s) : task), t));
    const over = new Set(tasks.filter(isThrough).map((t) => t.task.id));
    const now = Math.max(...mine.map((s) => s.at));
    return {
        ...change,
        ended_at: tasks.every(isThrough) ? now : change.ended_at,
        tasks: tasks.map((t) =>
            t.state === 'waits' && t.task.after.every((id) => over.has(id)) ? { ...t, state: 'ready' } : t,
        ),
    };
}

/** Why something may not be said now; null where it may. What only the server can judge is not asked here. */
export function mayNot(change: Change, kind: string, said: Record<string, unknown>): string | null {
    const task = change.tasks.find((t) => t.task.id === said.task);
    if (kind !== 'over' || task?.task.asks !== 'temperature') return null;
    const set = Number(task.task.set_c);
    const off = Number(said.c) - set;
    if (Math.abs(off) <= change.ready_within_k) return null;
    const apart = `${Math.abs(off).toFixed(0)} K ${off < 0 ? 'under' : 'over'} ${set.toFixed(0)} °C`;
    return `It is ${apart}: wait, or leave it out with a reason.`;
}

const isThrough = (task: ChangeTask) => task.state === 'through' || task.state === 'passed';
const isOf = (said: ChangeSaid, task: ChangeTask) => said.said.task === task.task.id;

function after(task: ChangeTask, { kind, said, at }: ChangeSaid): ChangeTask {
    switch (kind) {
        case 'begun':
            return { ...task, state: 'under_way', from: at, to: at + 60 * task.task.minutes };
        case 'tapped':
            return lacking({ ...task, tapped: [...new Set([...task.tapped, String(said.tap)])] });
        case 'looked':
            return lacking({
                ...task,
                looks: [
                    ...task.looks,
                    {
                        look: said.look as ChangeTask['looks'][number]['look'],
                        mass_g: (said.mass_g as number) ?? null,
                        at,
                    },
                ],
                purged_g: task.purged_g + Number(said.mass_g ?? 0),
            });
        case 'over':
            return { ...task, state: 'through', to: at };
        case 'passed':
            return { ...task, state: 'passed', to: at, passed: String(said.why) };
        default:
            return task;
    }
}

function lacking(task: ChangeTask): ChangeTask {
    const untapped = task.task.taps.filter((t) => !task.tapped.includes(t)).length;
    return { ...task, lacks: untapped > 0 ? `${untapped} to tap` : unclean(task) };
}

function unclean(task: ChangeTask): string | null {
    const last = task.looks.at(-1)?.look;
    if (task.task.asks !== 'purging' || last === 'clean') return null;
    return last === undefined ? 'look at what comes out' : 'purge on until it comes clean';
}
