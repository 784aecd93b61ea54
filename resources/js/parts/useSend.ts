import { ref, shallowRef, watch, type WatchSource } from 'vue';
import { Refused } from '../api/client';

/** One thing sent at a time: whether it is under way, and why it was refused, by field. */
export function useSend() {
    const busy = ref(false);
    const fault = ref<{ field: string; message: string } | null>(null);
    async function send<T>(work: () => Promise<T>): Promise<T | undefined> {
        if (busy.value) return undefined;
        busy.value = true;
        fault.value = null;
        try {
            return await work();
        } catch (error) {
            fault.value =
                error instanceof Refused
                    ? { field: error.field, message: error.message }
                    : {
                          field: '',
                          message:
                              'The server does not answer. Nothing was changed: try again, it happens once only.',
                      };
            return undefined;
        } finally {
            busy.value = false;
        }
    }
    return { busy, fault, send };
}

/** "mass_g" and what is wrong with it, as a sentence. */
export const sentence = (fault: { field: string; message: string }): string => {
    const name = fault.field
        .replace(/_(g|c|mm|pct|id)$/, '')
        .replaceAll('_', ' ')
        .replaceAll('.', ' ');
    const text = `${name === '' ? '' : `${name} `}${fault.message}`;
    return `${text.charAt(0).toUpperCase()}${text.slice(1)}${/[.?!]$/.test(text) ? '' : '.'}`;
};

/**
 * The answer to what is being typed: only the newest question counts, whatever order the answers come in, and an older
 * one under way is let go.
 */
export function useLatest<T>(
    question: WatchSource<unknown>,
    ask: (signal: AbortSignal) => Promise<T> | null,
) {
    const answer = shallowRef<T | null>(null);
    const fault = ref<{ field: string; message: string } | null>(null);
    watch(
        question,
        async (_now, _before, onCleanup) => {
            const mine = new AbortController();
            onCleanup(() => mine.abort());
            try {
                const next = await ask(mine.signal);
                if (mine.signal.aborted) return;
                answer.value = next;
                fault.value = null;
            } catch (error) {
                if (mine.signal.aborted) return;
                answer.value = null;
                fault.value =
                    error instanceof Refused
                        ? { field: error.field, message: error.message }
                        : { field: '', message: 'The server does not answer.' };
            }
        },
        { immediate: true },
    );
    return { answer, fault };
}
