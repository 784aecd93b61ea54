import type { QueuedEvent } from './store';
import type { Procedure, Run } from './types';

/**
 * A run as this screen should show it now: what the server last said, with the entries that still wait here laid over
 * it. Gates stay the server's: an entry that it refuses comes back with the reason and leaves this picture again.
 */
export function overlay(run: Run, waiting: QueuedEvent[]): Run {
    const mine = waiting.filter((q) => q.run_id === run.summary.id && q.refused === null && !run.events.some((e) => e.key === q.key));
    if (mine.length === 0) return run;
    const next = JSON.parse(JSON.stringify(run)) as Run;
    const procedure = next.procedure as unknown as Procedure;
    for (const { event, by } of mine) {
        const data = event.data as { entry: string; values: Record<string, unknown>; event: string; step: string; item: string; timer: string; minutes: number };
        next.events.push({ key: event.key, seq: 0, type: event.type, at: event.at, recorded_at: 0, by, data: event.data });
        if (event.type === 'logged') {
            next.entries.push({ key: event.key, entry: data.entry, at: event.at, by, values: data.values, step: next.summary.step, corrected: 0 });
        } else if (event.type === 'corrected') {
            const entry = next.entries.find((e) => e.key === data.event);
            if (entry) Object.assign(entry, { values: { ...entry.values, ...data.values }, corrected: entry.corrected + 1 });
        } else if (event.type === 'confirmed') {
            const confirmed = next.confirmed as Record<string, Record<string, number>>;
            (confirmed[data.step] ??= {})[data.item] = event.at;
        } else if (event.type === 'step_done') {
            finishStep(next, procedure, data.step, event.at, by);
        } else if (event.type === 'extended') {
            const timer = next.timers.find((t) => t.id === data.timer);
            if (timer) Object.assign(timer, { ends_at: timer.ends_at + 60 * data.minutes, minutes: timer.minutes + data.minutes });
        } else if (event.type === 'aborted') {
            next.summary.status = 'aborted';
        }
    }
    return next;
}

function finishStep(run: Run, procedure: Procedure, id: string, at: number, by: string): void {
    const index = procedure.steps.findIndex((s) => s.id === id);
    const step = procedure.steps[index];
    const row = run.steps.find((s) => s.id === id);
    if (!step || !row || row.status === 'done') return;
    Object.assign(row, { status: 'done', done_at: at, done_by: by, missing: [] });
    const own = run.timers.find((t) => t.id === step.timer);
    if (own) own.answered_at = at;
    const starts = procedure.timers.find((t) => t.id === step.starts);
    if (starts) {
        const minutes = Number(run.plan[starts.minutes] ?? 0);
        run.timers.push({ id: starts.id, title: starts.title, kind: starts.kind, started_at: at, ends_at: at + 60 * minutes, minutes, answered_at: null });
    }
    const after = procedure.steps[index + 1];
    run.summary.step = after?.id ?? null;
    run.step_since = at;
    const next = run.steps.find((s) => s.id === after?.id);
    if (next) next.status = 'current';
    else run.summary.status = 'finished';
}
