import { useLocalStorage } from '@vueuse/core';
import { computed, reactive, ref, shallowRef, watch } from 'vue';
import { api, Refused, Unreachable } from '../../api/client';
import type {
    Block,
    Charge,
    Lot,
    LotDetail,
    Machine,
    Polymer,
    PressPlan,
    PressPlanRequest,
    Product,
} from '../../api/types';

export interface Draft {
    product_id: number | null;
    machine_id: number | null;
    cold_machine_id: number | null;
    lot_id: number | null;
    charge_id: string | null;
    polymer: string | null;
    settings: Record<string, number>;
    choices: Record<string, string>;
    scale: 'small_trial' | 'full_trial' | 'production';
}

const EMPTY: Draft = {
    product_id: null,
    machine_id: null,
    cold_machine_id: null,
    lot_id: null,
    charge_id: null,
    polymer: null,
    settings: {},
    choices: {},
    scale: 'production',
};

/** The job being set up: what was moved, the core's live answer to it, and what stands in its way. Survives a reload. */
export function usePressDraft() {
    const draft = useLocalStorage<Draft>('dithermic.press', { ...EMPTY }, { mergeDefaults: true });
    const answers = reactive({ people_protected: false, air_moving: false });
    const shop = reactive<{
        products: Product[];
        machines: Machine[];
        lots: Lot[];
        charges: Charge[];
        polymers: Polymer[];
        ready: boolean;
    }>({ products: [], machines: [], lots: [], charges: [], polymers: [], ready: false });
    // Replaced whole at each answer: nothing watches the inside of a curve.
    const plan = shallowRef<PressPlan | null>(null);
    const problem = ref<{ field: string; message: string } | null>(null);

    async function load() {
        const [products, machines, lots, polymers, charges] = await Promise.all([
            api.get<Product[]>('products'),
            api.get<Machine[]>('machines'),
            api.get<Lot[]>('lots'),
            api.get<Polymer[]>('polymers'),
            api.get<Charge[]>('charges'),
        ]);
        Object.assign(shop, {
            products: products.filter((p) => p.process === 'compression'),
            machines,
            lots,
            polymers,
            charges: charges.filter((c) => c.status === 'waiting'),
        });
        const d = draft.value;
        if (!shop.products.some((p) => p.id === d.product_id)) d.product_id = shop.products[0]?.id ?? null;
        if (!machines.some((m) => m.id === d.machine_id && m.kind === 'hot_press'))
            d.machine_id = machines.find((m) => m.kind === 'hot_press')?.id ?? null;
        if (
            d.cold_machine_id !== null &&
            !machines.some((m) => m.id === d.cold_machine_id && m.kind === 'cold_press')
        )
            d.cold_machine_id = null;
        d.cold_machine_id ??= machines.find((m) => m.kind === 'cold_press')?.id ?? null;
        if (!shop.charges.some((c) => c.id === d.charge_id)) d.charge_id = null;
        // The lot that was chosen may stand on a later page of the shelves.
        if (d.lot_id !== null && !lots.some((l) => l.id === d.lot_id)) {
            const chosen = await api.get<LotDetail>(`lots/${d.lot_id}`).catch(() => null);
            if (chosen) shop.lots = [...shop.lots, chosen.lot];
            else d.lot_id = null;
        }
        shop.ready = true;
    }

    const body = computed<PressPlanRequest | null>(() => {
        const d = draft.value;
        return d.product_id === null || d.machine_id === null
            ? null
            : {
                  product_id: d.product_id,
                  machine_id: d.machine_id,
                  cold_machine_id: d.cold_machine_id,
                  lot_id: d.lot_id,
                  charge_id: d.charge_id,
                  polymer: d.polymer,
                  settings: d.settings,
                  choices: d.choices,
                  answers: { ...answers },
                  scale: d.scale,
              };
    });

    // The charge is worked out in a fraction of the time of the whole answer: it follows the slider, the rest comes after.
    const charge = shallowRef<PressPlan['sheet'] | null>(null);
    let weighing = false;
    async function weigh() {
        const known = plan.value;
        if (!known || weighing) return;
        weighing = true;
        const s = { ...known.settings, ...draft.value.settings };
        const given = Object.fromEntries(
            [
                'length_mm',
                'width_mm',
                'thickness_mm',
                'allowance_pct',
                'trim_mm',
                'bulk_density_g_cm3',
                'frame_depth_mm',
                'shop_kg_per_mm',
            ]
                .filter((k) => typeof s[k] === 'number')
                .map((k) => [k, s[k]]),
        );
        const sheet = await api
            .post<PressPlan['sheet']>('calc/charge.sheet', {
                polymer: draft.value.polymer ?? known.polymer,
                ...given,
            })
            .catch(() => null);
        weighing = false;
        if (plan.value === known) charge.value = sheet;
    }

    // One question under way at a time; while it is, only the newest waits: a dragged slider never queues up behind itself.
    let asking = false;
    let again = false;
    async function ask() {
        if (!shop.ready || body.value === null) return;
        if (asking) {
            again = true;
            return;
        }
        asking = true;
        try {
            plan.value = await api.post<PressPlan>('plans/press', body.value);
            charge.value = null;
            problem.value = null;
        } catch (error) {
            if (error instanceof Refused) problem.value = { field: error.field, message: error.message };
            else if (error instanceof Unreachable)
                problem.value = {
                    field: '',
                    message: 'The server does not answer; the numbers below are the last it gave.',
                };
            else throw error;
        } finally {
            asking = false;
            if (again) {
                again = false;
                void ask();
            }
        }
    }
    watch(
        [body, () => shop.ready],
        () => {
            void weigh();
            void ask();
        },
        { deep: true },
    );

    const value = (name: string) =>
        computed<number>({
            get: () => draft.value.settings[name] ?? Number(plan.value?.settings[name] ?? 0),
            set: (v) => (draft.value.settings[name] = v),
        });

    function choose(product: number) {
        Object.assign(draft.value, {
            product_id: product,
            settings: {},
            choices: {},
            polymer: null,
            lot_id: null,
            charge_id: null,
        });
    }

    const blocks = computed<Block[]>(() => plan.value?.safety?.blocks ?? []);
    const sheet = computed(() => charge.value ?? plan.value?.sheet ?? null);
    return { draft, answers, shop, plan, sheet, problem, load, value, choose, blocks, ask };
}
