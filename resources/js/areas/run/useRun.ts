import { computed, onMounted, ref, watch } from 'vue';
import { Refused } from '../../api/client';
import { refreshFloor } from '../../api/floor';
import { loadRun, queue, record } from '../../api/queue';
import type { Procedure } from '../../api/types';
import { overlay } from '../../offline/overlay';

/** A run on this screen: the server's word with the entries that still wait here laid over it. */
export function useRun(id: string) {
    const missing = ref('');
    const heard = computed(() => queue.runs[id] ?? null);
    const run = computed(() => (heard.value ? overlay(heard.value, queue.waiting) : null));
    const procedure = computed(() => (run.value?.procedure ?? null) as unknown as Procedure | null);
    const step = computed(() => procedure.value?.steps.find((s) => s.id === run.value?.summary.step) ?? null);
    const timer = computed(
        () => run.value?.timers.find((t) => t.id === step.value?.timer && t.answered_at === null) ?? null,
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

    async function log(type: string, data: Record<string, unknown>) {
        await record(id, type, data);
        void refreshFloor();
    }
    return {
        run,
        heard,
        procedure,
        step,
        timer,
        waiting,
        refused,
        missing,
        load,
        log,
        stop: () => window.clearInterval(poll),
    };
}
