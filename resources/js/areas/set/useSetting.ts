import { useLocalStorage } from '@vueuse/core';
import { computed, inject, reactive, ref, shallowRef, watch, type InjectionKey } from 'vue';
import { api, Refused, Unreachable } from '../../api/client';
import type {
    Block,
    Charge,
    Lot,
    LotDetail,
    Machine,
    Planned,
    PlanRequest,
    Polymer,
    Process,
    Product,
} from '../../api/types';
import { filled, takers, withoutMoulds } from './places';

export interface Draft {
    product_id: number | null;
    machines: Record<string, number | null>;
    lot_id: number | null;
    charge_id: string | null;
    polymer: string | null;
    settings: Record<string, number>;
    choices: Record<string, string>;
    scale: 'small_trial' | 'full_trial' | 'production';
}

/** Where the draft is kept on this screen; the weigh bench hands a weighed charge over through it. */
export const DRAFT_KEY = 'dithermic.set';

const EMPTY: Draft = {
    product_id: null,
    machines: {},
    lot_id: null,
    charge_id: null,
    polymer: null,
    settings: {},
    choices: {},
    scale: 'production',
};

/** The job being set up: what was moved, the core's live answer to it, and what stands in its way. Survives a reload. */
export function useSetting() {
    const draft = useLocalStorage<Draft>(DRAFT_KEY, { ...EMPTY }, { mergeDefaults: true });
    const answers = ref<Record<string, boolean>>({});
    const shop = reactive<{
        products: Product[];
        processes: Process[];
        machines: Machine[];
        lots: Lot[];
        charges: Charge[];
        polymers: Polymer[];
        ready: boolean;
    }>({ products: [], processes: [], machines: [], lots: [], charges: [], polymers: [], ready: false });
    // Replaced whole at each answer: nothing watches the inside of a curve.
    const plan = shallowRef<Planned | null>(null);
    const problem = ref<{ field: string; message: string } | null>(null);

    const product = computed(() => shop.products.find((p) => p.id === draft.value.product_id) ?? null);
    const process = computed(() => shop.processes.find((p) => p.id === product.value?.process) ?? null);
    /** Machines that can take a place of this process. */
    const machinesFor = (role: string) => takers(process.value, shop.machines, role);

    function fillPlaces() {
        const d = draft.value;
        d.machines = filled(process.value, shop.machines, d.machines, product.value?.mould_id);
    }

    async function load() {
        const [products, processes, machines, lots, polymers, charges] = await Promise.all([
            api.list<Product>('products'),
            api.list<Process>('processes'),
            api.list<Machine>('machines'),
            api.list<Lot>('lots'),
            api.list<Polymer>('polymers'),
            api.list<Charge>('charges'),
        ]);
        Object.assign(shop, {
            products: products.filter((p) => processes.some((known) => known.id === p.process)),
            processes,
            machines,
            lots,
            polymers,
            charges: charges.filter((c) => c.status === 'waiting'),
        });
        const d = draft.value;
        if (!shop.products.some((p) => p.id === d.product_id)) d.product_id = shop.products[0]?.id ?? null;
        fillPlaces();
        if (!shop.charges.some((c) => c.id === d.charge_id)) d.charge_id = null;
        // The lot that was chosen may stand on a later page of the shelves.
        if (d.lot_id !== null && !lots.some((l) => l.id === d.lot_id)) {
            const chosen = await api.get<LotDetail>(`lots/${d.lot_id}`).catch(() => null);
            if (chosen) shop.lots = [...shop.lots, chosen.lot];
            else d.lot_id = null;
        }
        shop.ready = true;
    }

    const body = computed<PlanRequest | null>(() => {
        const d = draft.value;
        const main = process.value?.roles[0]?.id ?? '';
        return d.product_id === null || (d.machines[main] ?? null) === null
            ? null
            : { ...d, product_id: d.product_id, answers: answers.value };
    });

    // One question under way at a time; while it is, only the newest waits: a dragged slider never queues up behind
    // itself.
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
            plan.value = await api.post<Planned>('plans', body.value);
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
    watch([body, () => shop.ready], () => void ask(), { deep: true });

    /** A setting as it stands: moved here, else as the plan has it. */
    const value = (name: string) =>
        computed<number>({
            get: () => draft.value.settings[name] ?? Number(plan.value?.settings[name] ?? 0),
            set: (v) => (draft.value.settings[name] = v),
        });

    /** A method as it stands: chosen here, else as the plan settled on. */
    const choice = (school: string) =>
        computed<string>({
            get: () => draft.value.choices[school] ?? plan.value?.choices[school] ?? '',
            set: (v) => (draft.value.choices[school] = v),
        });

    function choose(id: number) {
        Object.assign(draft.value, {
            product_id: id,
            settings: {},
            choices: {},
            polymer: null,
            lot_id: null,
            charge_id: null,
        });
        problem.value = null;
        // Another machine, another look; another product hangs in its own mould.
        answers.value = {};
        draft.value.machines = withoutMoulds(process.value, draft.value.machines);
        fillPlaces();
    }

    /** A lot that its own page sends here: something of its polymer, and as much as its source has earned. */
    async function takeLot(code: string) {
        const found = await api.get<LotDetail>(`lots/${encodeURIComponent(code)}`).catch(() => null);
        if (!found) return;
        const { lot, next } = found;
        if (!shop.lots.some((l) => l.id === lot.id)) shop.lots = [...shop.lots, lot];
        if (product.value?.polymer !== lot.polymer) {
            const fits = shop.products.find((p) => p.polymer === lot.polymer);
            if (fits) choose(fits.id);
        }
        const trial = next.map((step) => step.id).find((id) => id === 'small_trial' || id === 'full_trial');
        Object.assign(draft.value, {
            lot_id: lot.id,
            charge_id: null,
            polymer: product.value?.polymer === lot.polymer ? null : lot.polymer,
            scale: trial ?? 'production',
        });
    }

    const blocks = computed<Block[]>(() => plan.value?.safety?.blocks ?? []);
    const from = (name: string) => plan.value?.origins[name] ?? '';
    return {
        draft,
        answers,
        shop,
        plan,
        problem,
        product,
        process,
        machinesFor,
        load,
        value,
        choice,
        choose,
        takeLot,
        blocks,
        from,
        body,
    };
}

export type Setting = ReturnType<typeof useSetting>;
export const SETTING: InjectionKey<Setting> = Symbol('setting');

/** The setting of the page that a panel stands on. */
export function useThisSetting(): Setting {
    const setting = inject(SETTING);
    if (!setting) throw new Error('a panel stands on the Set page only');
    return setting;
}
