import { ref } from 'vue';
import type { ProcedureEntry } from '../../api/types';
import type { Asked } from './asked';
import { verdictOf } from './focus';
import type { RunHere } from './useRun';
import type { useThisStep } from './useThisStep';

/** What is typed or answered on this screen: a number, a reason, a verdict; each is about the step it was asked in. */
export function useRunAnswers(
    { run, procedure, step, timer, hold, log, logAll, logRun }: RunHere,
    { grid, judged, missingNow }: ReturnType<typeof useThisStep>,
) {
    async function judge(verdict: 'good' | 'scrap', why?: string, by = judged.value) {
        if (by) await logAll(verdictOf(by, verdict, why));
    }

    const open = ref<ProcedureEntry | null>(null);
    const correcting = ref<string | null>(null);
    const before = ref<Record<string, unknown>>({});
    function start(entry: ProcedureEntry) {
        if (entry === grid.value) return;
        before.value = {};
        correcting.value = null;
        hold(true);
        open.value = entry;
    }
    function correct(key: string) {
        const standing = run.value?.entries.find((e) => e.key === key);
        const entry = procedure.value?.entries.find((e) => e.id === standing?.entry);
        if (!standing || !entry) return;
        before.value = standing.values as Record<string, unknown>;
        correcting.value = key;
        hold(true);
        open.value = entry;
    }
    async function entered(values: Record<string, unknown>, reason: string) {
        const entry = open.value;
        if (!entry) return;
        const kept = correcting.value
            ? logRun('corrected', { event: correcting.value, values, reason })
            : log('logged', { entry: entry.id, values }, 'typed');
        shut();
        await kept;
    }
    function shut() {
        open.value = null;
        asking.value = null;
        reason.value = '';
        hold(false);
    }

    const asking = ref<Asked | null>(null);
    /** as it was when the question was asked: what is answered is that, whatever has moved since */
    let about: { step?: string; timer?: string; judged: typeof judged.value } = { judged: null };
    const reason = ref('');
    const minutes = ref<number | null>(2);
    function ask(what: Asked) {
        about = { step: step.value?.id, timer: timer.value?.id, judged: judged.value };
        reason.value = '';
        hold(true);
        asking.value = what;
    }
    async function advance() {
        if (!step.value || run.value?.summary.status !== 'running') return;
        if (missingNow.value.length > 0) {
            if (step.value.pass_anyway !== 'no') ask('anyway');
            return;
        }
        await log('step_done', { step: step.value.id });
    }
    const ANSWERS: Record<Asked, (text: string) => Promise<void>> = {
        anyway: (text) => log('step_done', { step: about.step, reason: text }),
        stop: (text) => logRun('aborted', { reason: text }),
        note: (text) => logRun('noted', { text, ...(about.step ? { step: about.step } : {}) }),
        more: (text) => log('extended', { timer: about.timer, minutes: minutes.value, reason: text }),
        scrap: (text) => judge('scrap', text, about.judged),
        drop: (text) => log('piece_dropped', { reason: text }),
    };
    async function answer() {
        const text = reason.value.trim();
        if (text === '' || !asking.value) return;
        const kept = ANSWERS[asking.value](text);
        shut();
        await kept;
    }

    return {
        judge,
        open,
        correcting,
        before,
        start,
        correct,
        entered,
        shut,
        asking,
        reason,
        minutes,
        ask,
        advance,
        answer,
    };
}
