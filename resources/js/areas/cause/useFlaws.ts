import { useQuery, useQueryClient } from '@tanstack/vue-query';
import { computed } from 'vue';
import { api } from '../../api/client';
import { loadRun, newKey } from '../../api/queue';
import type { FlawMap } from '../../api/types';
import { useSend } from '../../parts/useSend';
import { useDefects } from './useDefects';

/** Flaws on the parts of a run: as they are marked, and marking another. */
export function useFlaws(id: string) {
    const client = useQueryClient();
    const { data: run } = useQuery({ queryKey: ['run', id], queryFn: () => loadRun(id) });
    const { data: map } = useQuery({
        queryKey: ['flaws', id],
        queryFn: () => api.get<FlawMap>(`runs/${id}/flaws`),
    });
    const known = useDefects(run);
    const defects = computed(() => known.data.value ?? []);
    /** numbers of its parts, the newest first */
    const pieces = computed(() => (run.value?.pieces ?? []).map((p) => p.piece).reverse());
    const { busy, fault, send } = useSend();
    async function say(body: object): Promise<void> {
        const now = await send(() => api.post<FlawMap>(`runs/${id}/flaws`, { id: newKey(), ...body }));
        if (now) client.setQueryData(['flaws', id], now);
    }
    const mark = (defect: string, piece: number | null, along: number, across: number) =>
        say({ defect, piece, along, across });
    const takeBack = (undoes: string) => say({ undoes });
    return { run, map, defects, pieces, mark, takeBack, busy, fault };
}
