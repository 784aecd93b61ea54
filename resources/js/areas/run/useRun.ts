import { computed, onMounted, ref, watch } from 'vue';
import { Refused } from '../../api/client';
import { refreshFloor } from '../../api/floor';
import { loadRun, queue, recordAll } from '../../api/queue';
import type { Procedure } from '../../api/types';
import { threadOf } from '../../offline/gates';
import { overlay } from '../../offline/overlay';
import { useNow } from '../../parts/clock';
import { focusOf, stepOf, type Focus } from './focus';

/** A run on this screen: the server's word with the entries that still wait here laid over it. */
export function useRun(id: string) {
    const missing = ref('');
    const heard = computed(() => queue.runs[id] ?? null);
    const run = computed(() => (heard.value ? overlay(heard.value, queue.waiting) : null));
    const procedure = computed(() => (run.value?.procedure ?? null) as unknown as Procedure | null);
    const now = useNow();
    const picked = ref<Focus | null>(null);
    /** the run itself, or the piece that this screen is about */
    const focus = computed<Focus>(() =>
        run.value ? focusOf(run.value, picked.value, now.value) : { piece: null, next: false },
    );
    const step = computed(() => (run.value ? stepOf(run.value, focus.value) : null));
    const thread = computed(() =>
        run.value && !focus.value.next ? threadOf(run.value, focus.value.piece) : null,
    );
    const timer = computed(
        () => thread.value?.timers.find((t) => t.id === step.value?.timer && t.answered_at === null) ?? null,
    );
    const waiting = computed(() => queue.waiting.filter((q) => q.run_id === id && q.refused === null));
    const refused = computed(() => queue.waiting.filter((q) => q.run_id === id && q.refused !== null));

    async function load() {
        try {
            if ((await loadRun(id)) === null)
                missing.value =
                    'This run has not been seen on this screen yet, and the server does not answer.';
        } catch (error) {
            missing.value =
                error instanceof Refused && error.status === 404
                    ? 'There is no such run.'
                    : 'This run cannot be shown.';
        }
    }
    onMounted(load);
    // Somebody on another screen may have added to it.
    const poll = window.setInterval(() => {
        if (
            document.visibilityState === 'visible' &&
            waiting.value.length === 0 &&
            run.value?.summary.status === 'running'
        )
            void load();
    }, 5000);
    watch(
        () => run.value?.summary.status,
        (status) => {
            if (status !== undefined && status !== 'running') window.clearInterval(poll);
        },
    );

    /** Entries of one touch about what this screen is about; a piece that is not begun yet begins with them. */
    async function logAll(entries: { type: string; data: Record<string, unknown> }[]) {
        const { piece, next } = focus.value;
        const about = entries.map((e) => (piece === null ? e : { ...e, data: { ...e.data, piece } }));
        await recordAll(id, next ? [{ type: 'piece_begun', data: { piece } }, ...about] : about);
        picked.value = null;
        void refreshFloor();
    }
    const log = (type: string, data: Record<string, unknown>) => logAll([{ type, data }]);
    /** An entry about the run as a whole: a note, the end, the closing. */
    async function logRun(type: string, data: Record<string, unknown>) {
        await recordAll(id, [{ type, data }]);
        void refreshFloor();
    }
    return {
        run,
        heard,
        procedure,
        now,
        focus,
        picked,
        step,
        thread,
        timer,
        waiting,
        refused,
        missing,
        load,
        log,
        logAll,
        logRun,
        stop: () => window.clearInterval(poll),
    };
}
