import { computed, reactive, ref } from 'vue';
import { api } from '../../api/client';
import type { components } from '../../api/schema';
import type { Lot, Mix } from '../../api/types';
import { useLatest } from '../../parts/useSend';

export type Blend = components['schemas']['ChargeBlendResult'];
export const KINDS = ['colour', 'virgin', 'regrind', 'masterbatch'] as const;
export interface Part {
    name: string;
    swatch: string;
    parts: number | null;
    kind: string;
}
export const NO_COLOUR = '#9aa0a2';
const part = (over: Partial<Part> = {}): Part => ({
    name: '',
    swatch: NO_COLOUR,
    parts: 1,
    kind: 'colour',
    ...over,
});
export const isRegrind = (lot: Pick<Lot, 'generation' | 'form'>) =>
    lot.generation > 0 || lot.form === 'regrind';
const counts = (c: Part) => c.name.trim() !== '' && Number(c.parts) > 0;

/** Swatches of what is on the shelves, each colour once. */
export function coloursOf(lots: Lot[], polymer: string): Lot[] {
    const held = lots.filter((l) => l.polymer === polymer && l.mass_g > 0);
    return held.filter((l, i) => held.findIndex((x) => x.colour === l.colour) === i);
}

/** A mix being made: its parts, and what the core says of it at once. */
export function useMix() {
    const draft = reactive({
        name: '',
        polymer: 'HDPE',
        after_version: 0,
        note: '',
        components: [] as Part[],
    });
    const total = ref<number | null>(2000);
    const step = ref(1);

    function open(mix: Mix) {
        Object.assign(draft, {
            name: mix.name,
            polymer: mix.polymer,
            after_version: mix.version,
            note: mix.note,
            components: mix.components.map(({ name, swatch, parts, kind }) =>
                part({ name, swatch, parts, kind }),
            ),
        });
    }
    const fresh = () => Object.assign(draft, { name: '', after_version: 0, note: '', components: [] });
    /** A colour of the shelves: one part of it, or one more. */
    function take(lot: Lot) {
        const there = draft.components.find((c) => c.name === lot.colour);
        if (there) there.parts = Number(there.parts ?? 0) + 1;
        else
            draft.components.push(
                part({
                    name: lot.colour,
                    swatch: lot.swatch,
                    kind: isRegrind(lot) ? 'regrind' : 'colour',
                }),
            );
    }
    /** A part that is not on the shelves yet: a masterbatch, a virgin resin. */
    const add = () =>
        draft.components.push(part({ kind: draft.components.length ? 'masterbatch' : 'colour' }));
    const drop = (i: number) => draft.components.splice(i, 1);
    /** One part more or less, half of one where there is less than one; never none. */
    function nudge(i: number, by: 1 | -1) {
        const c = draft.components[i];
        if (!c) return;
        const now = Number(c.parts ?? 0);
        const stepBy = now + by < 1 ? 0.5 : 1;
        c.parts = Math.max(0.5, Math.round((now + by * stepBy) * 1000) / 1000);
    }

    const weighed = computed(() => draft.components.filter(counts));
    const asked = computed(() =>
        weighed.value.length === 0 || !total.value
            ? null
            : {
                  polymer: draft.polymer,
                  total_mass_g: total.value,
                  scale_resolution_g: step.value,
                  components: weighed.value.map((c) => ({
                      name: c.name,
                      parts: Number(c.parts),
                      kind: c.kind,
                  })),
              },
    );
    const { answer: blend, fault: unmixable } = useLatest(asked, () =>
        asked.value === null ? Promise.resolve(null) : api.post<Blend>('calc/charge.blend', asked.value),
    );
    /** The core's answer by part of the draft; a part without a name or an amount has none yet. */
    const shares = computed(() =>
        draft.components.map((c) => {
            const of = blend.value?.components[weighed.value.indexOf(c)];
            return {
                name: c.name,
                swatch: c.swatch,
                percent: of?.percent ?? 0,
                rounded_g: of?.rounded_g ?? null,
            };
        }),
    );
    const missing = computed(() => {
        if (draft.components.length === 0) return 'a colour';
        if (!draft.components.every(counts)) return 'a name and an amount for each part';
        return draft.name.trim() === '' ? 'a name' : '';
    });
    const body = () => ({
        ...draft,
        components: draft.components.map((c) => ({ ...c, parts: Number(c.parts) })),
    });
    return {
        draft,
        total,
        step,
        blend,
        unmixable,
        shares,
        missing,
        open,
        fresh,
        take,
        add,
        drop,
        nudge,
        body,
    };
}
export type MixDraft = ReturnType<typeof useMix>;
