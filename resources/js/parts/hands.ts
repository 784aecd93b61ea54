import type { Hand, Procedure, Run } from '../api/types';

/** What a run needs next, as the server would say it; used only while entries wait here unsent. */
export function handsOf(run: Run, heard: Run): Hand[] {
    if (run.summary.status !== 'running' || run.summary.step === null) return [];
    const procedure = run.procedure as unknown as Procedure;
    const index = procedure.steps.findIndex((s) => s.id === run.summary.step);
    const step = procedure.steps[index];
    if (!step) return [];
    const machine = step.place === 'cold' ? (run.summary.cold_machine ?? run.summary.machine) : step.place === 'bench' ? 'Bench' : run.summary.machine;
    const base = { to: `/run/${run.summary.id}`, run_id: run.summary.id, run_number: run.summary.number, about: `${run.summary.product}, run ${run.summary.number}`, machine, step: step.id };
    const timer = run.timers.find((t) => t.id === step.timer && t.answered_at === null) ?? null;
    const hands: Hand[] = [];
    for (const reminder of step.reminders ?? []) {
        const every = Number(run.plan[reminder.every_min] ?? 0) * 60;
        if (every <= 0) continue;
        const since = timer?.started_at ?? heard.step_since;
        const logged = run.entries.filter((e) => e.entry === reminder.entry && e.at >= since).map((e) => e.at);
        const due = Math.max(since, ...logged) + every;
        if (!timer || due <= timer.ends_at - every / 2) hands.push({ ...base, at: due, what: reminder.what, why: reminder.why, entry: reminder.entry, button: procedure.entries.find((e) => e.id === reminder.entry)?.title ?? null, timer: null, people: 1 });
    }
    const next = procedure.steps[index + 1] ?? step;
    if (timer) hands.push({ ...base, at: timer.ends_at, what: next.title, why: next.why, entry: null, button: null, timer: timer.id, people: Math.max(1, next.people) });
    else if (hands.length === 0) hands.push({ ...base, at: run.step_since, what: step.title, why: step.why, entry: null, button: null, timer: null, people: Math.max(1, step.people) });
    return hands.sort((a, b) => a.at - b.at);
}
