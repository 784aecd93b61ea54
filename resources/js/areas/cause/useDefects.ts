import { useQuery } from '@tanstack/vue-query';
import { computed, type Ref } from 'vue';
import { api } from '../../api/client';
import type { Defect, Run } from '../../api/types';

/** What a part of a run's process can have wrong. */
export function useDefects(run: Ref<Run | null | undefined>) {
    const process = computed(() => run.value?.summary.process ?? '');
    return useQuery({
        queryKey: computed(() => ['defects', process.value]),
        queryFn: () => api.list<Defect>(`defects/${process.value}`),
        enabled: computed(() => process.value !== ''),
        staleTime: Infinity,
    });
}
