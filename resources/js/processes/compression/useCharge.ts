import { computed, shallowRef, watch } from 'vue';
import { api } from '../../api/client';
import type { PressPlan } from '../../api/types';
import { useThisSetting } from '../../areas/set/useSetting';

/** What goes on the scale, at once while a slider moves. */
export function useCharge(plan: () => PressPlan) {
    const { draft, choice, body } = useThisSetting();
    const chargeMethod = choice('charge_method');
    // The charge is worked out in a fraction of the time of the whole answer: it follows the slider, the rest comes
    // after.
    const charge = shallowRef<PressPlan['plan']['sheet'] | null>(null);
    const sheet = computed(() => charge.value ?? plan().plan.sheet);
    const SHEET = [
        'length_mm',
        'width_mm',
        'thickness_mm',
        'allowance_pct',
        'trim_mm',
        'bulk_density_g_cm3',
        'frame_depth_mm',
        'shop_kg_per_mm',
    ];
    let weighing = false;
    watch(
        body,
        async () => {
            if (weighing) return;
            weighing = true;
            const known = plan();
            const set: Record<string, unknown> = { ...known.settings, ...draft.value.settings };
            const given = Object.fromEntries(
                SHEET.filter((k) => typeof set[k] === 'number').map((k) => [k, set[k]]),
            );
            const polymer = draft.value.polymer ?? known.polymer;
            const answer = await api
                .post<PressPlan['plan']['sheet']>('calc/charge.sheet', { polymer, ...given })
                .catch(() => null);
            weighing = false;
            if (plan() === known) charge.value = answer;
        },
        { deep: true },
    );
    watch(plan, () => (charge.value = null));
    /** by density it follows the slider at once; the other ways come with the whole answer */
    const weighOut = computed(() =>
        chargeMethod.value === 'true_density' ? sheet.value.charge_mass_g : plan().plan.charge.mass_g,
    );
    return { sheet, weighOut };
}
