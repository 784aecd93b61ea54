import { computed, ref, type Ref } from 'vue';

export interface Stretch {
    from: number;
    to: number;
}
/** nothing is read closer than this, s */
const LEAST_S = 2;
export const CLOSER = 0.5;

/** What is looked at of a run's readings: the whole, or a stretch of it that is moved and drawn closer. */
export function useTraceView(whole: Ref<Stretch>) {
    const chosen = ref<Stretch | null>(null);
    const shown = computed(() => chosen.value ?? whole.value);
    const length = () => shown.value.to - shown.value.from;

    function show(from: number, wide: number) {
        const all = whole.value.to - whole.value.from;
        if (wide >= all) {
            chosen.value = null;
            return;
        }
        const kept = Math.max(Math.min(LEAST_S, all), wide);
        const begins = Math.min(Math.max(from, whole.value.from), whole.value.to - kept);
        chosen.value = { from: begins, to: begins + kept };
    }
    /** By seconds; it stops at both ends. */
    const pan = (by: number) => chosen.value && show(shown.value.from + by, length());
    /** Closer or wider, about a moment that stays where it is on the screen: a share of what is shown. */
    function zoom(times: number, share = 0.5) {
        const about = shown.value.from + share * length();
        const wide = Math.max(LEAST_S, times * length());
        show(about - share * wide, wide);
    }
    const reset = () => (chosen.value = null);
    return { chosen, shown, pan, zoom, reset };
}
