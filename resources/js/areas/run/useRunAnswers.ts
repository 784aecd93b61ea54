import { ref } from 'vue';
import type { ProcedureEntry } from '../../api/types';
import type { Asked } from './asked';
import { verdictOf } from './focus';
import type { RunHere } from './useRun';
import type { useThisStep } from './useThisStep';

/** What is typed or answered on this screen: a number, a reason, a verdict; each is about the step it was asked in. */
export function useRunAnswers(
    { run, procedure, focus, step, timer, hold, log, logAll, logThen, logRun }: RunHere,
    { grid, judged, missingNow }: ReturnType<typeof useThisStep>,
) {
    const where = () => `${focus.value.piece} ${step.value?.id}`;
    async function judgeGood() {
        const touched = where();
        // A second touch of the same button is not one of what comes next.
        await logThen(() => (judged.value && touched === where() ? verdictOf(judged.value, 'good') : []));
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
        const touched = where();
        await logThen(() => {
            if (!step.value || touched !== where() || run.value?.summary.status !== 'running') return [];
            if (missingNow.value.length === 0) return [{ type: 'step_done', data: { step: step.value.id } }];
            if ((step.value.pass_anyway ?? 'no') !== 'no') ask('anyway');
            return [];
        });
    }
    const ANSWERS: Record<Asked, (text: string) => Promise<void>> = {
        anyway: (text) => log('step_done', { step: about.step, reason: text }),
        stop: (text) => logRun('aborted', { reason: text }),
        note: (text) => logRun('noted', { text, ...(about.step ? { step: about.step } : {}) }),
        more: (text) => log('extended', { timer: about.timer, minutes: minutes.value, reason: text }),
        scrap: async (text) => {
            if (about.judged) await logAll(verdictOf(about.judged, 'scrap', text));
        },
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
        judgeGood,
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
