import { useQueryClient } from '@tanstack/vue-query';
import { ref } from 'vue';
import { api } from '../../api/client';
import type { MachineDetail, MachineLearnt } from '../../api/types';
import { useSend } from '../../parts/useSend';

type Facts = Record<string, { value: number | null; origin: string }>;

/** What the last runs of a machine say it really can do: asked for, used, and taken back as it was. */
export function useTaught(machine: () => number) {
    const client = useQueryClient();
    const learnt = ref<MachineLearnt | null>(null);
    const share = ref<number | null>(null);
    /** what was known before, to be said again */
    const before = ref<Facts | null>(null);
    let after = 0;
    const { busy, fault, send } = useSend();

    async function ask() {
        before.value = null;
        learnt.value =
            (await send(() =>
                api.post<MachineLearnt>(`machines/${machine()}/learnt`, {}, undefined, (done) => {
                    share.value = done;
                }),
            )) ?? null;
        after = learnt.value?.after ?? 0;
        share.value = null;
    }
    async function say(facts: Facts, note: string) {
        const now = await send(() =>
            api.post<MachineDetail>(`machines/${machine()}/facts`, { after, facts, note }),
        );
        if (!now) return false;
        after = now.after;
        await client.invalidateQueries({ queryKey: ['machine'] });
        return true;
    }
    async function use() {
        const of = learnt.value;
        const known = of && (await send(() => api.get<MachineDetail>(`machines/${machine()}`)));
        if (!of || !known) return;
        const originOf = (name: string) =>
            known.log.findLast((fact) => fact.name === name)?.origin ?? 'unknown';
        const was = Object.fromEntries(
            of.facts.map((f) => [
                f.name,
                { value: f.was, origin: f.was === null ? 'unknown' : originOf(f.name) },
            ]),
        );
        const facts = Object.fromEntries(of.facts.map((f) => [f.name, { value: f.value, origin: 'fitted' }]));
        if (await say(facts, `fitted from run ${of.runs.join(', ')}`)) before.value = was;
    }
    async function back() {
        if (before.value && (await say(before.value, 'what was fitted is taken back'))) before.value = null;
    }
    return { learnt, share, before, busy, fault, ask, use, back };
}
