import { describe, expect, it } from 'vitest';
import { ref, type Ref } from 'vue';
import type { Run, Tracked } from '../../api/types';
import type { ThreadState } from '../../offline/gates';
import { useModel } from './useModel';

const curve = [0, 300, 600, 900].map((time_s) => ({ time_s, core_c: 20 + time_s / 5 }));
const timer = (kind: string, started_at: number, answered_at: number | null = null) =>
    ({ id: kind, kind, started_at, ends_at: started_at + 600, minutes: 10, answered_at }) as never;
function model(setup: object, timers: Run['timers'], now: number) {
    return useModel(
        ref({ setup }) as unknown as Ref<Run>,
        ref({ timers }) as unknown as Ref<ThreadState>,
        ref(now),
    );
}

describe('the model of a run at this moment', () => {
    it('follows the heating from its real start, and waits at the turn where it takes longer', () => {
        const setup = { curve, turn_min: 10 };
        expect(model(setup, [timer('heat', 1000)], 1290).point.value?.time_s).toBe(300);
        expect(model(setup, [timer('heat', 1000)], 5000).at.value).toBe(600);
        expect(model(setup, [timer('heat', 1000, 1100)], 5000).at.value).toBe(100);
    });

    it('follows what was measured instead of its clock, where instruments say how it heats', () => {
        const late = { as_if_s: 200, at: 1300 } as Tracked;
        const of = (timers: Run['timers'], now: number) =>
            useModel(
                ref({ setup: { curve, turn_min: 10 } }) as unknown as Ref<Run>,
                ref({ timers }) as unknown as Ref<ThreadState>,
                ref(now),
                ref(late),
            ).at.value;
        expect(of([timer('heat', 1000)], 1300)).toBe(200);
        expect(of([timer('heat', 1000)], 1310)).toBe(210);
        expect(of([timer('heat', 1000)], 9000)).toBe(600);
        // Once heat goes out the platens that heat say nothing of it.
        expect(of([timer('heat', 0, 800), timer('cool', 900)], 1190)).toBe(890);
    });

    it('goes on from the turn once heat goes out, whenever that began', () => {
        const of = model({ curve, turn_min: 10 }, [timer('heat', 0, 800), timer('cool', 900)], 1190);
        expect(of.at.value).toBe(890);
        expect(of.point.value?.time_s).toBe(900);
    });

    it('says nothing of the cooling where the model ends with the heating', () => {
        const of = model({ curve }, [timer('heat', 0, 800), timer('cool', 900)], 1190);
        expect(of.point.value).toBeUndefined();
    });

    it('has nothing to say without a curve', () => {
        expect(model({}, [timer('heat', 0)], 100).point.value).toBeUndefined();
        expect(model({}, [], 100).at.value).toBe(0);
    });
});
