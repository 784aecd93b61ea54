import { inject, provide, type InjectionKey } from 'vue';
import { useModel } from './useModel';
import { useRun } from './useRun';
import { useRunAnswers } from './useRunAnswers';
import { useThisStep } from './useThisStep';
import { useTracked } from './useTracked';

/** All that a run's screen knows and does, for the parts that it is made of. */
function madeOf(id: string) {
    const here = useRun(id);
    const tracked = useTracked(here.run, here.thread);
    const asks = useThisStep(here);
    return {
        id,
        ...here,
        tracked,
        model: useModel(here.run, here.thread, here.now, tracked),
        ...asks,
        ...useRunAnswers(here, asks),
    };
}
export type RunScreen = ReturnType<typeof madeOf>;
const SCREEN: InjectionKey<RunScreen> = Symbol('run screen');

export function makeRunScreen(id: string): RunScreen {
    const screen = madeOf(id);
    provide(SCREEN, screen);
    return screen;
}

/** The screen that a part stands on. */
export function useRunScreen(): RunScreen {
    const screen = inject(SCREEN);
    if (!screen) throw new Error("this part stands on a run's screen only");
    return screen;
}
