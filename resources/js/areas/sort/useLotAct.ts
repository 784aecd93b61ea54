import { useQuery, useQueryClient } from '@tanstack/vue-query';
import { computed, reactive, ref, toRefs, watch, type Ref } from 'vue';
import { api } from '../../api/client';
import { newKey } from '../../api/queue';
import type { Lot, Merge, Page } from '../../api/types';
import { useLatest, useSend } from '../../parts/useSend';

export type ActKind = 'split' | 'shred' | 'merge' | 'count' | 'waste' | 'place' | 'contamination' | 'doubt';
/** what gives a lot of its own */
const MAKES = ['split', 'shred', 'merge'];

/** What can be done with a lot as it is. */
export function actsOn(lot: Pick<Lot, 'made_small' | 'polymer'>): [ActKind, string][] {
    const known = lot.polymer !== 'UNKNOWN';
    const all: [ActKind, string, boolean][] = [
        ['split', 'Split', true],
        ['shred', lot.made_small === 'flake' ? 'Shred' : 'Densify', lot.made_small !== null],
        ['merge', 'Merge', known],
        ['count', 'Stock-take', true],
        ['place', 'Place, keep for', true],
        ['contamination', 'Foreign matter', true],
        ['waste', 'To waste', true],
        ['doubt', 'Is it that?', known],
    ];
    return all.filter(([, , can]) => can).map(([kind, says]) => [kind, says]);
}

const nothing = () => ({
    mass: null as number | null,
    out: null as number | null,
    tare: null as number | null,
    place: '',
    reason: '',
    keepFor: null as number | null,
    found: 'PP',
    other: null as number | null,
});
export type Said = ReturnType<typeof nothing>;

/** What an act opens with: all of it where all of it is usual, else nothing that nobody said. */
export function opened(kind: ActKind | null, lot: Lot | null): Said {
    return {
        ...nothing(),
        mass: kind === 'shred' || kind === 'merge' ? (lot?.mass_g ?? null) : null,
        place: kind === 'place' ? (lot?.location ?? '') : '',
        keepFor: lot?.reserved_for_id ?? null,
    };
}

/** The lots of a merge and how much of each; null while one of them is missing. */
export function together(lot: Lot, others: Lot[], said: Said): { id: number; mass_g: number }[] | null {
    const other = others.find((l) => l.id === said.other);
    if (!other || !said.mass) return null;
    return [
        { id: lot.id, mass_g: said.mass },
        { id: other.id, mass_g: said.out ?? other.mass_g },
    ];
}

/** What goes over the wire for an act. */
export function bodyOf(kind: ActKind, lot: Lot, others: Lot[], said: Said): Record<string, unknown> {
    const container = { location: said.place, tare_g: said.tare };
    return {
        split: { mass_g: said.mass, ...container },
        shred: { mass_in_g: said.mass, mass_out_g: said.out, ...container },
        merge: { lots: together(lot, others, said), ...container },
        count: { weighed_g: said.mass, reason: said.reason },
        waste: { mass_g: said.mass, reason: said.reason },
        place: {
            from: lot.location,
            location: said.place,
            tare_g: said.tare ?? lot.tare_g,
            reserved_for_id: said.keepFor,
        },
        contamination: {
            found: said.found,
            found_g: said.mass ?? 0,
            sample_g: said.out,
            note: said.reason,
        },
        doubt: { reason: said.reason },
    }[kind];
}

/** One act on a lot at a time, sent once; a merge is shown before it is done. */
export function useLotAct(lot: Ref<Lot>, done: (made: Lot | null) => void) {
    const queries = useQueryClient();
    const doing = ref<ActKind | null>(null);
    const said = reactive(nothing());
    const { busy, fault, send } = useSend();
    let key = newKey();
    watch(doing, (kind) => {
        fault.value = null;
        Object.assign(said, opened(kind, lot.value));
    });
    const { data: kin } = useQuery({
        queryKey: ['lots', 'of', computed(() => lot.value.polymer)],
        queryFn: () => api.list<Lot>(`lots?polymer=${lot.value.polymer}`),
    });
    const others = computed(() => (kin.value ?? []).filter((l) => l.id !== lot.value.id));
    const both = computed(() => together(lot.value, others.value, said));
    const { answer: merge, fault: unmergeable } = useLatest(both, () =>
        both.value && doing.value === 'merge'
            ? api.post<Merge>('lots/merge', { preview: true, lots: both.value })
            : null,
    );

    async function sent(path: string, body: Record<string, unknown>) {
        const answer = await send(() => api.post<Page<Lot>>(path, body));
        if (answer === undefined) return undefined;
        await Promise.all([
            queries.invalidateQueries({ queryKey: ['lot'] }),
            queries.invalidateQueries({ queryKey: ['lots'] }),
        ]);
        return answer.items;
    }
    async function act() {
        const kind = doing.value;
        if (kind === null) return;
        const path = kind === 'merge' ? 'lots/merge' : `lots/${lot.value.id}/acts`;
        const items = await sent(path, {
            id: key,
            kind,
            ...bodyOf(kind, lot.value, others.value, said),
        });
        if (items === undefined) return;
        key = newKey();
        doing.value = null;
        done(MAKES.includes(kind) ? (items[0] ?? null) : null);
    }
    /** One tap for a mass that was meant in kilograms: a correcting act of its own, the first line stays. */
    const putRight = (wrong: string) =>
        sent(`lots/${lot.value.id}/acts`, { id: newKey(), kind: 'put_right', act_id: wrong });
    return { doing, ...toRefs(said), others, merge, busy, fault, unmergeable, act, putRight };
}
export type LotAct = ReturnType<typeof useLotAct>;
