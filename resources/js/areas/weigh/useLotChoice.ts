import { computed, onBeforeUnmount, ref, watch, type Ref } from 'vue';
import { api } from '../../api/client';
import type { Charge, Lot, LotDetail } from '../../api/types';
import { onScan } from '../../parts/scan';

/** Which lot the part at the scale is taken from: by touch, by scan, and never a wrong one unseen. */
export function useLotChoice(charge: Ref<Charge | null>, at: Ref<number>) {
    const now = computed(() => charge.value?.components[at.value] ?? null);
    const lotId = ref<number | null>(null);
    const stop = ref('');
    const reason = ref('');
    // Each part begins at its own first lot: the last part's lot would be the wrong one.
    watch(at, () => {
        kept.value = null;
        reason.value = stop.value = '';
        lotId.value = now.value?.lots[0]?.id ?? null;
    });
    watch(now, () => {
        if (stop.value === '' && !lots.value.some((l) => l.id === lotId.value))
            lotId.value = now.value?.lots[0]?.id ?? null;
    });
    // A lot that is kept for another product goes in with a written reason only.
    const kept = ref<Lot | null>(null);
    const lots = computed(() => [...(now.value?.lots ?? []), ...(kept.value ? [kept.value] : [])]);
    const lot = computed(
        () =>
            lots.value.find(
                (l) =>
                    l.id === lotId.value &&
                    (!l.reserved_for || l.id !== kept.value?.id || reason.value.trim().length > 4),
            ) ?? null,
    );
    async function scanned(code: string) {
        stop.value = '';
        kept.value = null;
        const known = now.value?.lots.find((l) => l.code === code);
        if (known) {
            lotId.value = known.id;
            return;
        }
        const other = await api.get<LotDetail>(`lots/${code}`).catch(() => null);
        if (other && other.lot.polymer === charge.value?.polymer && other.lot.mass_g > 0) {
            kept.value = other.lot;
            lotId.value = other.lot.id;
            return;
        }
        stop.value =
            other === null
                ? `There is no lot ${code}.`
                : other.lot.polymer !== charge.value?.polymer
                  ? `Stop: ${code} is ${other.lot.polymer}, this charge is ${charge.value?.polymer}. Put it back.`
                  : `${code} is empty.`;
        lotId.value = null;
    }

    onBeforeUnmount(
        onScan((code) => {
            if (charge.value?.status !== 'weighing' || !code.startsWith('L')) return false;
            void scanned(code);
            return true;
        }),
    );
    return { lotId, stop, reason, kept, lots, lot, scanned };
}
export type LotChoice = ReturnType<typeof useLotChoice>;
