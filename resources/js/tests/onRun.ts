import { defineComponent, h, type Component } from 'vue';
import injection from '../../../core/src/Process/Injection/procedure.json';
import { queue } from '../api/queue';
import type { Run } from '../api/types';
import { makeRunScreen } from '../areas/run/screen';
import { server, shown } from './mount';

/** A part of a run's screen, on the screen of a run as the server has it; what it asked. */
export async function shownOnRun(part: Component, run: Run, answers: Record<string, unknown> = {}) {
    const asked = server({ [`GET runs/${run.summary.id}`]: run, ...answers });
    queue.runs[run.summary.id] = run;
    const screen = defineComponent({
        setup() {
            makeRunScreen(run.summary.id);
            return () => h(part);
        },
    });
    return { page: await shown(screen, {}), asked };
}

/** A run of shots that has just begun. */
export const runOfShots = (over: object = {}) =>
    ({
        summary: { id: 'r', status: 'running', step: null, stations: [] },
        plan: {},
        procedure: injection,
        steps: [],
        timers: [],
        confirmed: {},
        pieces: [],
        breaks: [],
        materials: [],
        made_of: [],
        closing: false,
        entries: [],
        events: [],
        step_since: 0,
        ...over,
    }) as unknown as Run;
