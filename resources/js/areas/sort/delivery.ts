import { computed, reactive, ref } from 'vue';
import { newKey } from '../../api/queue';
import type { components } from '../../api/schema';
import type { Brought, Lot, SourceCard } from '../../api/types';

type Form = components['schemas']['DeliverLotRequest']['form'];
/** In the order in which a delivery asks for them; a form that the server learns is missed here by its name. */
const KNOWN: Record<Form, true> = {
    item: true,
    flake: true,
    pellet: true,
    sheet: true,
    offcut: true,
    regrind: true,
    film: true,
    'densified film': true,
    strip: true,
    bar: true,
};
export const FORMS = Object.keys(KNOWN) as Form[];

const blank = () => ({
    source_id: null as number | null,
    polymer: 'UNKNOWN',
    form: 'flake',
    colour: '',
    swatch: '#9aa0a2',
    location: '',
    generation: 0,
    reserved_for_id: null as number | null,
});
const SHEET = {
    length_mm: 1250 as number | null,
    width_mm: 650 as number | null,
    thickness_mm: 3 as number | null,
    film_side: 'good side',
    finish: '',
};

/** A delivery being taken in: it begins from what its source brought before, and each container is sent once. */
export function useDelivery() {
    const lot = reactive(blank());
    const sheet = reactive({ ...SHEET });
    const gross = ref<number | null>(null);
    const tare = ref<number | null>(null);
    const picture = ref<string | null>(null);
    /** which of what was brought before it is like; null where it is something else */
    const like = ref<string | null>(null);
    const key = ref(newKey());
    const net = computed(() => (gross.value === null ? null : gross.value - (tare.value ?? 0)));
    const doubt = computed(() =>
        net.value !== null && net.value <= 0 ? 'the container is heavier than what is on the scale' : '',
    );
    const missing = computed(() => {
        if (lot.source_id === null) return 'who brings it';
        if (lot.colour.trim() === '') return 'its colour';
        return net.value === null || net.value <= 0 ? 'what it weighs' : '';
    });

    /** Another like one that was brought: all but the mass is as it was. */
    function as(before: Brought) {
        const { polymer, form, colour, swatch, location, generation, reserved_for_id } = before;
        Object.assign(lot, { polymer, form, colour, swatch, location, generation, reserved_for_id });
        Object.assign(sheet, SHEET, before.sheet ?? {});
        tare.value = before.tare_g;
        like.value = before.code;
    }
    function other() {
        Object.assign(lot, blank(), { source_id: lot.source_id });
        Object.assign(sheet, SHEET);
        tare.value = null;
        like.value = null;
    }
    /** What a source brings most likely is what it brought last. */
    function from(source: Pick<SourceCard, 'id' | 'brought'>) {
        lot.source_id = source.id;
        const last = source.brought[0];
        if (last) as(last);
        else other();
    }
    /** The next container of the same, to be weighed. */
    function another() {
        gross.value = null;
        picture.value = null;
        key.value = newKey();
    }
    const body = () => ({
        id: key.value,
        ...lot,
        mass_g: net.value ?? 0,
        tare_g: tare.value,
        picture_id: picture.value,
        sheet: lot.form === 'sheet' ? { ...sheet } : null,
    });
    return { lot, sheet, gross, tare, net, doubt, missing, picture, like, as, other, from, another, body };
}
export type Delivery = ReturnType<typeof useDelivery>;

/** Where the first thing that a lot wants is done. */
export function stepLink(step: string, lot: Pick<Lot, 'id' | 'code' | 'source'>): string {
    const to: Record<string, string> = {
        find: `/sort/find?lot=${lot.id}`,
        dry: `/dry?lot=${lot.code}`,
        small_trial: `/set?lot=${lot.code}`,
        full_trial: `/set?lot=${lot.code}`,
        accept: `/sort/sources/${lot.source.id}`,
        use: `/set?lot=${lot.code}`,
    };
    return to[step] ?? `/sort/lots/${lot.id}?do=${step}`;
}
