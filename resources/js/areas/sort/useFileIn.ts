import { useQueryClient } from '@tanstack/vue-query';
import { ref, shallowRef } from 'vue';
import { api, Refused } from '../../api/client';
import { newKey } from '../../api/queue';

/** A file that is tried first and then brought in, all of it or nothing, once however often it is sent. */
export function useFileIn<T>(path: () => string, thanks: (told: T) => string) {
    const queries = useQueryClient();
    const file = shallowRef<File | null>(null);
    /** what it would do */
    const seen = shallowRef<T | null>(null);
    const problem = ref('');
    const done = ref('');
    const busy = ref(false);
    const progress = ref(0);
    let id = newKey();

    function choose(chosen: File | null | undefined) {
        file.value = chosen ?? null;
        seen.value = null;
        problem.value = done.value = '';
    }
    async function send(dry: boolean) {
        if (!file.value) return;
        busy.value = true;
        problem.value = done.value = '';
        try {
            const told = await api.upload<T>(path(), file.value, (share) => (progress.value = share), {
                id,
                preview: dry ? '1' : '0',
            });
            seen.value = dry ? told : null;
            if (dry) return;
            id = newKey();
            file.value = null;
            done.value = thanks(told);
            await queries.invalidateQueries();
        } catch (error) {
            // What was seen is not what would be done any more, or it never could be.
            seen.value = null;
            problem.value =
                error instanceof Refused
                    ? `The file ${error.message}.`
                    : 'The server does not answer; nothing was brought in.';
        } finally {
            busy.value = false;
            progress.value = 0;
        }
    }
    return { file, seen, problem, done, busy, progress, choose, send };
}
