import { computed, ref, type Ref } from 'vue';
import type { CurvePoint, Run, Tracked } from '../../api/types';
import type { ThreadState } from '../../offline/gates';

interface Picture {
    curve?: CurvePoint[];
    turn_min?: number;
    model?: { heat_min?: number; soak_min?: number; cool_min?: number };
}

/** The run's model at this moment: it follows the timers as they were really started and answered. */
export function useModel(
    run: Ref<Run | null>,
    thread: Ref<ThreadState | null>,
    now: Ref<number>,
    /** where instruments say how it really heats, the drawing follows them */
    tracked: Ref<Tracked | null> = ref(null),
) {
    /** as this piece really went where that is kept, else as the run was planned */
    const picture = computed((): Picture => {
        const setup = (run.value?.setup ?? {}) as Picture & { pieces?: Record<string, Picture> };
        return setup.pieces?.[String(thread.value?.piece)] ?? setup;
    });
    const curve = computed(() => picture.value.curve ?? []);
    const planned = computed(() => picture.value.model ?? {});
    /** s after the start at which heat goes out instead of in */
    const turn = computed(
        () =>
            60 *
            Number(picture.value.turn_min ?? (planned.value.heat_min ?? 0) + (planned.value.soak_min ?? 0)),
    );
    const timerOf = (kind: string) => thread.value?.timers.find((t) => t.kind === kind) ?? null;
    const heating = computed(() => timerOf('heat'));
    const cooling = computed(() => timerOf('cool'));
    const since = (timer: Run['timers'][number]) => (timer.answered_at ?? now.value) - timer.started_at;
    /** s after its start */
    const at = computed(() => {
        if (cooling.value) return turn.value + since(cooling.value);
        if (!heating.value) return 0;
        const real = tracked.value
            ? tracked.value.as_if_s + now.value - tracked.value.at
            : since(heating.value);
        return Math.min(turn.value, real);
    });
    /** undefined where the model says nothing of now: it ends with the heating where no turn was kept */
    const point = computed(() => {
        if (cooling.value && !(turn.value > 0)) return undefined;
        return curve.value.reduce(
            (best, p) =>
                Math.abs(p.time_s - at.value) < Math.abs((best?.time_s ?? 1e9) - at.value) ? p : best,
            curve.value[0],
        );
    });

    /** the drawing stands where it was measured to be */
    const followed = computed(() => tracked.value !== null && cooling.value === null);

    return { curve, planned, turn, heating, cooling, at, point, followed };
}
