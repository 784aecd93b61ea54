import { computed, onMounted, onScopeDispose, ref } from 'vue';
import { changes, loadChange, sayOfChange } from '../../api/changes';
import { Refused } from '../../api/client';
import { keepAsking } from '../../api/news';
import { mayNot, withSaid } from '../../offline/change';

const EVERY_MS = 5000;
/** own touches are told too: it is asked for no more often than this, ms */
const GATHER_MS = 1000;

/** A job change on this screen: the server's word, with what still waits here laid over it. */
export function useChange(id: () => string) {
    const missing = ref('');
    const fault = ref('');
    const heard = computed(() => changes.known[id()] ?? null);
    const change = computed(() => heard.value && withSaid(heard.value, changes.said));
    const said = computed(() => changes.said.filter((s) => s.change_id === id()));
    const waiting = computed(() => said.value.filter((s) => s.refused === null).length);
    const refused = computed(() => said.value.filter((s) => s.refused !== null));

    async function load() {
        try {
            missing.value =
                (await loadChange(id())) === null
                    ? 'This change has not been seen on this screen yet, and the server does not answer.'
                    : '';
        } catch (error) {
            missing.value =
                error instanceof Refused && error.status === 404
                    ? 'There is no such change.'
                    : 'This change cannot be shown.';
        }
    }
    onMounted(load);
    // Somebody on another screen may have added to it, and what is late moves what waits.
    const stop = keepAsking(
        () => {
            if (waiting.value === 0 && change.value?.ended_at === null) void load();
        },
        { kinds: ['change'], of: id, everyMs: EVERY_MS, gatherMs: GATHER_MS },
    );
    onScopeDispose(stop);

    const busy = ref(false);
    async function say(kind: string, about: Record<string, unknown>) {
        if (!change.value || busy.value) return;
        fault.value = mayNot(change.value, kind, about) ?? '';
        if (fault.value) return;
        busy.value = true;
        try {
            await sayOfChange(change.value, kind, about);
        } finally {
            busy.value = false;
        }
    }
    return { change, missing, fault, waiting, refused, busy, say };
}
