import { useTimeoutFn } from '@vueuse/core';
import { computed, onMounted, ref, watch } from 'vue';
import { Refused } from '../../api/client';
import { refreshFloor } from '../../api/floor';
import { flush, keepAll, loadRun, queue, recordAll, type Entry } from '../../api/queue';
import { keepAsking } from '../../api/news';
import type { NewEvent, Procedure } from '../../api/types';
import { threadOf } from '../../offline/gates';
import { handsOf } from '../../offline/hands';
import { overlay } from '../../offline/overlay';
import { useNow } from '../../parts/clock';
import { aboutOf, focusOf, stepOf, TICK_S, type Focus } from './focus';

/** ms in which a screen that has turned to something else by itself takes no touch: it was meant for what stood there */
const SETTLES_MS = 700;
/** ms after which somebody on another screen may have added to it */
const EVERY_MS = 5000;
/** own touches are told too: a run is asked for no more often than this, ms */
const GATHER_MS = 1000;
/** ms after a touch in which the screen turns because of it */
const OWN_MS = 300;

/** A run on this screen: the server's word with the entries that still wait here laid over it. */
export function useRun(id: string) {
    const missing = ref('');
    const heard = computed(() => queue.runs[id] ?? null);
    const run = computed(() => (heard.value ? overlay(heard.value, queue.waiting) : null));
    /** The server has its end: what is only laid over may be refused, and then it goes on. */
    const over = computed(() => heard.value !== null && heard.value.summary.status !== 'running');
    const procedure = computed(() => (run.value?.procedure ?? null) as unknown as Procedure | null);
    const now = useNow();
    const picked = ref<Focus | null>(null);
    /** what an open number pad or question is about: it stays about that until it is answered */
    const held = ref<Focus | null>(null);
    /** the run itself, or the piece that this screen is about */
    const focus = computed<Focus>(
        () =>
            held.value ??
            (run.value ? focusOf(run.value, picked.value, now.value) : { piece: null, next: false }),
    );
    const step = computed(() => (run.value ? stepOf(run.value, focus.value) : null));
    const thread = computed(() =>
        run.value && !focus.value.next ? threadOf(run.value, focus.value.piece) : null,
    );
    const timer = computed(
        () => thread.value?.timers.find((t) => t.id === step.value?.timer && t.answered_at === null) ?? null,
    );

    let touched = -Infinity;
    /** touches of this screen that are not kept yet: a slow disk makes nobody else of them */
    let keeping = 0;
    const touch = () => (touched = performance.now());
    /** It has just turned to something else, and nobody here touched it. */
    const settling = ref(false);
    const { start: settle } = useTimeoutFn(() => (settling.value = false), SETTLES_MS, { immediate: false });
    watch(
        () => (run.value ? `${focus.value.piece} ${focus.value.next} ${step.value?.id}` : null),
        (_, before) => {
            if (before === null || keeping > 0 || performance.now() - touched < OWN_MS) return;
            settling.value = true;
            settle();
        },
        { flush: 'sync' },
    );
    function pick(what: Focus) {
        touch();
        picked.value = what;
    }
    function hold(on: boolean) {
        touch();
        held.value = on ? focus.value : null;
    }

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
    const stop = keepAsking(
        () => {
            if (waiting.value.length === 0 && run.value?.summary.status === 'running') void load();
        },
        { kinds: ['run'], of: () => id, everyMs: EVERY_MS, gatherMs: GATHER_MS },
    );
    watch(over, (now) => now && stop());

    /** Entries of one touch about what this screen is about; a piece that is not begun yet begins with them. */
    let kept: Promise<unknown> = Promise.resolve();
    const logAll = (entries: Entry[], source: Entry['source'] = 'tap') => logThen(() => entries, source);
    /** Entries that hang on the touches before them are asked for when those are kept: fingers are faster than a disk. */
    async function logThen(entriesThen: () => Entry[], source: Entry['source'] = 'tap') {
        touch();
        keeping++;
        const about = focus.value;
        // One touch after the other: what the one before has begun is not begun again.
        const mine = kept
            .catch(() => null)
            .then(async () => {
                const entries = entriesThen();
                if (entries.length > 0) await keepAll(id, aboutOf(begun(about), entries, source));
                return entries.length;
            })
            .finally(() => keeping--);
        kept = mine;
        if ((await mine) === 0) return;
        picked.value = goesOn(about.piece) ? { piece: about.piece, next: false } : null;
        await flush();
        void refreshFloor();
    }
    /** What has just been touched wants hands still: the screen stays with it, whatever else is due. */
    const goesOn = (piece: number | null): boolean =>
        run.value !== null &&
        handsOf(run.value).some((h) => h.piece === piece && h.piece !== null && h.at <= now.value + TICK_S);
    const begun = (about: Focus): Focus =>
        about.next && run.value?.pieces.some((p) => p.piece === about.piece)
            ? { ...about, next: false }
            : about;
    const log = (type: NewEvent['type'], data: Record<string, unknown>, source?: Entry['source']) =>
        logAll([{ type, data }], source);
    /** An entry about the run as a whole: a note, the end, the closing. */
    async function logRun(type: NewEvent['type'], data: Record<string, unknown>) {
        touch();
        await recordAll(id, [{ type, data }]);
        void refreshFloor();
    }
    return {
        run,
        heard,
        over,
        procedure,
        now,
        focus,
        settling,
        pick,
        hold,
        step,
        thread,
        timer,
        waiting,
        refused,
        missing,
        load,
        log,
        logAll,
        logThen,
        logRun,
        stop,
    };
}
export type RunHere = ReturnType<typeof useRun>;
