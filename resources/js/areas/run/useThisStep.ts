import { computed } from 'vue';
import { entriesOf } from '../../offline/gates';
import { handsOf, placeName } from '../../offline/hands';
import { judgedBy, missingOf } from './focus';
import type { RunHere } from './useRun';

/** What the step on this screen asks for, what of that is there, and what is missing still. */
export function useThisStep({ run, procedure, now, focus, step, thread }: RunHere) {
    const confirmed = (item: string) => thread.value?.confirmed[step.value?.id ?? '']?.[item] !== undefined;
    const entries = computed(() =>
        run.value && step.value ? entriesOf(run.value, step.value, focus.value.piece) : [],
    );
    const reminder = computed(() => step.value?.reminders?.[0] ?? null);
    /** what is logged again and again while the timer runs: pumped, looked */
    const pump = computed(() => procedure.value?.entries.find((e) => e.id === reminder.value?.entry) ?? null);
    const due = computed(() =>
        run.value && pump.value
            ? (handsOf(run.value).find(
                  (h) => h.entry === pump.value?.id && (h.piece ?? null) === focus.value.piece,
              )?.at ?? null)
            : null,
    );
    /** of what this screen is about: another piece's is no answer here */
    const logged = (entry: string) =>
        (run.value?.entries ?? []).filter(
            (e) => e.entry === entry && (e.piece ?? null) === focus.value.piece,
        );
    const grid = computed(
        () => entries.value.find((e) => e.fields.some((f) => f.kind === 'thickness_grid')) ?? null,
    );
    /** what may be a weighed charge that waits at the scale */
    const chargeEntry = computed(
        () => entries.value.find((e) => e.fields.some((f) => f.kind === 'charge')) ?? null,
    );
    /** The step's gate asks for this entry and has not what it asks for: nothing yet, or nothing that will do */
    const asked = (entry: string) =>
        step.value?.gate?.some(
            (g) => g.entry === entry && missingNow.value.some((lack) => lack.endsWith(g.says ?? '')),
        ) ?? false;
    /** of a timer, the time alone: what it is about stands above it */
    const shortly = (lack: string) =>
        step.value?.timer ? lack.replace(/^.*: (\d+:\d\d to go)$/, '$1') : lack;
    /** by the gates in the procedure's data, here as on the server */
    const missingNow = computed(() => (run.value ? missingOf(run.value, focus.value, now.value) : []));
    /** a verdict is all that is wanted: one touch */
    const judged = computed(() => (run.value ? judgedBy(run.value, focus.value, now.value) : null));
    const wanted = computed(() => Number(run.value?.plan.pieces ?? 0));
    const allDone = computed(
        () =>
            run.value !== null &&
            run.value.pieces.length > 0 &&
            run.value.pieces.every((p) => p.outcome !== 'open'),
    );
    const mayClose = computed(
        () =>
            run.value !== null &&
            run.value.summary.step === null &&
            !run.value.closing &&
            (run.value.pieces.length === 0 || allDone.value),
    );

    /** Something is measured or judged in this step. */
    const looks = computed(() => entries.value.some((e) => e.effect === 'inspect' || e.effect === 'dispose'));
    const place = computed(() => (run.value && step.value ? placeName(run.value, step.value.place) : ''));

    return {
        confirmed,
        entries,
        reminder,
        pump,
        due,
        logged,
        grid,
        chargeEntry,
        asked,
        shortly,
        missingNow,
        judged,
        wanted,
        mayClose,
        looks,
        place,
    };
}
