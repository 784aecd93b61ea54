import { useQuery, useQueryClient } from '@tanstack/vue-query';
import { computed } from 'vue';
import { api } from '../../api/client';
import { newKey } from '../../api/queue';
import type { Day } from '../../api/types';
import { useNow } from '../../parts/clock';
import { useSend } from '../../parts/useSend';
import { workDay } from './day';

/** how often a screen asks whether the plan has moved */
const AGAIN_MS = 15_000;

/** The day, asked for again and again, and what people say of it. */
export function useDay() {
    const now = useNow();
    const client = useQueryClient();
    const span = computed(() => workDay(now.value));
    const key = computed(() => ['day', span.value.from, span.value.until]);
    const found = useQuery({
        queryKey: key,
        queryFn: () => api.get<Day>(`day?from=${span.value.from}&until=${span.value.until}`),
        refetchInterval: AGAIN_MS,
        placeholderData: (before: Day | undefined) => before,
    });
    const day = computed(() => found.data.value ?? null);
    const { busy, fault, send } = useSend();
    async function say(path: string, body: object): Promise<boolean> {
        const kept = await send(async () => {
            await api.post<unknown>(path, { id: newKey(), ...body });
            return true;
        });
        await client.invalidateQueries({ queryKey: ['day'] });
        return kept === true;
    }
    const wish = (job: string, kind: 'pinned' | 'free' | 'left_out', start: number | null = null) =>
        say('day/wishes', { day: span.value.from, after: day.value?.after ?? 0, job, kind, start });
    const here = (person: number, from: number, to: number) =>
        say('day/people', { day: span.value.from, person_id: person, from, to });
    return { now, span, day, found, busy, fault, say, wish, here };
}
export type DayOf = ReturnType<typeof useDay>;
