import { useQuery, useQueryClient } from '@tanstack/vue-query';
import { computed } from 'vue';
import { api } from '../../api/client';
import { loadRun, newKey } from '../../api/queue';
import type { Page, PlaceShown } from '../../api/types';
import { useSend } from '../../parts/useSend';

/** Pictures of the parts of a run by place, each beside what stands for good there. */
export function useParts(id: string) {
    const client = useQueryClient();
    const { data: run } = useQuery({ queryKey: ['run', id], queryFn: () => loadRun(id) });
    const found = useQuery({
        queryKey: ['parts', id],
        queryFn: () => api.list<PlaceShown>(`runs/${id}/pictures`),
    });
    const places = computed(() => found.data.value ?? null);
    const { busy, fault, send } = useSend();
    async function keep(place: string, piece: number | null, picture: string): Promise<boolean> {
        const now = await send(() =>
            api.post<Page<PlaceShown>>(`runs/${id}/pictures`, {
                id: newKey(),
                place,
                piece,
                picture_id: picture,
            }),
        );
        if (now) client.setQueryData(['parts', id], now.items);
        return now !== undefined;
    }
    /** What stands for good at a place from here on; null where nothing does. */
    async function approve(of: PlaceShown, picture: string | null): Promise<void> {
        await send(() =>
            api.post(`products/${run.value?.summary.product_id}/samples`, {
                id: newKey(),
                place: of.place,
                part_picture_id: picture,
                before: of.approved?.id ?? null,
            }),
        );
        await client.invalidateQueries({ queryKey: ['parts'] });
        await client.invalidateQueries({ queryKey: ['samples'] });
    }
    return { run, places, busy, fault, keep, approve };
}
