import { useQuery, useQueryClient } from '@tanstack/vue-query';
import { computed } from 'vue';
import { api } from '../../api/client';
import { every } from '../../api/news';
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
        refetchInterval: () => every(AGAIN_MS),
        placeholderData: (before: Day | undefined) => before,
    });
    const day = computed(() => found.data.value ?? null);
    const { busy, fault, send } = useSend();
    const again = () => client.invalidateQueries({ queryKey: ['day'] });
    async function say(path: string, body: object): Promise<boolean> {
        const kept = await send(async () => {
            await api.post<unknown>(path, { id: newKey(), ...body });
            return true;
        });
        // What was said is kept; the plan that follows from it is drawn when it is there.
        void again();
        return kept === true;
    }
    /** A wish names the one before it: the next is not made before that is known here. */
    async function wish(job: string, kind: 'pinned' | 'free' | 'left_out', start: number | null = null) {
        const after = day.value?.after ?? 0;
        await send(async () => {
            await api
                .post<unknown>('day/wishes', { id: newKey(), day: span.value.from, after, job, kind, start })
                .finally(again);
        });
    }
    const here = (person: number, from: number, to: number) =>
        say('day/people', { day: span.value.from, person_id: person, from, to });
    const stands = (machine: number, from: number, to: number, why: string) =>
        say('day/machines', { day: span.value.from, machine_id: machine, from, to, why });
    const off = (moment: number, isOff: boolean) => say('day/off', { day: moment, off: isOff });
    return { now, span, day, found, busy, fault, say, wish, here, stands, off };
}
export type DayOf = ReturnType<typeof useDay>;
