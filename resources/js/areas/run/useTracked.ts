import { useQuery } from '@tanstack/vue-query';
import { computed, type Ref } from 'vue';
import { api } from '../../api/client';
import type { Run, Tracked } from '../../api/types';
import type { ThreadState } from '../../offline/gates';

const AGAIN_MS = 15_000;
/** of what takes a few minutes */
const SOON_MS = 4000;
const SHORT_MIN = 5;

/** What the timer of a piece would be by what instruments measured; null where none runs, or too little was read. */
export function useTracked(run: Ref<Run | null>, thread: Ref<ThreadState | null>) {
    const running = computed(() =>
        run.value?.summary.status === 'running'
            ? (thread.value?.timers.find((t) => t.answered_at === null) ?? null)
            : null,
    );
    const asked = useQuery({
        queryKey: computed(() => ['tracked', run.value?.summary.id, running.value?.ends_at]),
        queryFn: () => api.list<Tracked>(`runs/${run.value?.summary.id}/tracked`),
        enabled: computed(() => running.value !== null),
        refetchInterval: computed(() => ((running.value?.minutes ?? 0) < SHORT_MIN ? SOON_MS : AGAIN_MS)),
        placeholderData: (before: Tracked[] | undefined) => before,
    });
    return computed(
        () =>
            asked.data.value?.find(
                (t) => t.timer === running.value?.id && (t.piece ?? null) === (thread.value?.piece ?? null),
            ) ?? null,
    );
}
