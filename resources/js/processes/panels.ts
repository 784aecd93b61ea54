import { defineAsyncComponent, type Component } from 'vue';
import PlanPanel from '../areas/set/PlanPanel.vue';

/**
 * What a process shows of itself: its own panel where it has one, else the panel that every plan fits, with its
 * drawing. A process that has neither works all the same.
 */
const PANELS: Record<string, Component> = {
    compression: defineAsyncComponent(() => import('./compression/SetPanel.vue')),
};
const DRAWINGS: Record<string, Component> = {
    injection: defineAsyncComponent(() => import('./injection/PlanDrawing.vue')),
    extrusion: defineAsyncComponent(() => import('./extrusion/PlanDrawing.vue')),
    vacuum_forming: defineAsyncComponent(() => import('./vacuum_forming/PlanDrawing.vue')),
};
/** What is going on inside, while a run of it is timed. */
const RUN_PICTURES: Record<string, Component> = {
    compression: defineAsyncComponent(() => import('./compression/RunPicture.vue')),
    extrusion: defineAsyncComponent(() => import('./extrusion/RunPicture.vue')),
    vacuum_forming: defineAsyncComponent(() => import('./vacuum_forming/RunPicture.vue')),
};

export const panelOf = (process: string): Component => PANELS[process] ?? PlanPanel;
export const drawingOf = (process: string): Component | null => DRAWINGS[process] ?? null;
export const runPictureOf = (process: string): Component | null => RUN_PICTURES[process] ?? null;
