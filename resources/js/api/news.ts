import type { QueryClient } from '@tanstack/vue-query';
import { useDocumentVisibility, useThrottleFn } from '@vueuse/core';
import { readonly, ref, watch, type Ref } from 'vue';

/**
 * What others change, as it changes: the server says which run, machine or list has news, and who shows it asks for it.
 * Where nothing is heard, whoever shows it asks every few seconds, as before.
 */
type Told = (id: string | null) => void;
const listeners = new Map<string, Set<Told>>();
const open = ref(false);
export const hears = readonly(open);

/** ms between two questions: seldom while news are heard, since they say what has changed */
export const every = (ms: number) => (open.value ? Math.max(ms, SELDOM_MS) : ms);
const SELDOM_MS = 20_000;

/** Calls back when there is news of a kind ("run", "machine", …), with which one; null for any. */
export function onNews(kinds: string[], told: Told): () => void {
    for (const kind of kinds) (listeners.get(kind) ?? listeners.set(kind, new Set()).get(kind)!).add(told);
    return () => kinds.forEach((kind) => listeners.get(kind)?.delete(told));
}

/** One word and a number of a line, to who listens for it. */
export function tell(line: string): void {
    const [kind = '', id = null] = line.split(' ');
    const all = kind === 'all';
    for (const [of, some] of listeners)
        if (all || of === kind) for (const told of [...some]) told(all ? null : id);
}

/** What is asked for, how often without news, and how soon again when there is some. */
interface Asking {
    kinds: string[];
    /** which one alone; any where it is left out */
    of?: () => string;
    everyMs: number;
    gatherMs: number;
}

/** Asks now and then while somebody looks, and when there is news: at once, and then no more often than it says. */
export function keepAsking(ask: () => void, { kinds, of, everyMs, gatherMs }: Asking): () => void {
    let asked = performance.now();
    const askNow = () => {
        asked = performance.now();
        ask();
    };
    const told = useThrottleFn(askNow, gatherMs, true);
    const end = onNews(kinds, (id) => {
        if (id === null || of === undefined || id === of()) void told();
    });
    const timer = window.setInterval(() => {
        const due = performance.now() - asked > every(everyMs) - SLACK_MS;
        if (due && document.visibilityState === 'visible') askNow();
    }, everyMs);
    return () => {
        window.clearInterval(timer);
        end();
    };
}
/** a timer that rings a little early is due all the same, ms */
const SLACK_MS = 100;

/** What is asked for again with news of a kind, by the first word of its key. */
const ASKED: Record<string, string[]> = {
    run: ['runs', 'heard', 'tracked', 'rack', 'day', 'flaws'],
    machine: ['tracked', 'channels', 'heard'],
    alarms: ['channels'],
    change: ['changes'],
    stock: ['lots', 'charges', 'drying'],
    goods: ['goods', 'proposals', 'products', 'bought', 'finishing', 'day'],
    dry: ['drying'],
    plan: ['day'],
    sorting: ['sorting', 'sortings'],
    charge: ['charges'],
    flaws: ['flaws'],
    parts: ['parts', 'samples'],
    handover: ['handover'],
};
/** However much is told by however many, a screen asks at once and then no more often than this, ms. */
const GATHER_MS = 2000;

/** What is shown of these is asked for again. */
export function askAgain(client: QueryClient): () => void {
    const ends = Object.entries(ASKED).map(([kind, keys]) => {
        const ask = useThrottleFn(
            () => keys.forEach((key) => void client.invalidateQueries({ queryKey: [key] })),
            GATHER_MS,
            true,
        );
        return onNews([kind], () => void ask());
    });
    return () => ends.forEach((end) => end());
}

const AGAIN_MS = 5000;

/** Listens while somebody who may looks: a page in the background, and one that nobody is signed in at, hold no line. */
export function listen(may: Ref<boolean>): void {
    let source: EventSource | null = null;
    let again: number | undefined;
    const seen = useDocumentVisibility();
    const begin = () => {
        const mine = (source = new EventSource('/api/v1/news'));
        mine.onopen = () => {
            open.value = true;
            // What was said while nobody listened.
            tell('all');
        };
        mine.onmessage = (event: MessageEvent<string>) => event.data.split('\n').forEach(tell);
        mine.onerror = () => {
            open.value = false;
            // By itself a browser comes back from a line that broke, not from a refusal.
            if (mine.readyState !== EventSource.CLOSED) return;
            again = window.setTimeout(begin, AGAIN_MS);
        };
    };
    const end = () => {
        window.clearTimeout(again);
        source?.close();
        source = null;
        open.value = false;
    };
    watch(
        () => may.value && seen.value === 'visible',
        (on) => (on ? begin() : end()),
        { immediate: true },
    );
}
