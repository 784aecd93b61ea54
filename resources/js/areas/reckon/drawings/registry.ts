import { defineAsyncComponent, type Component } from 'vue';
import ThicknessMap from '../../../parts/ThicknessMap.vue';
import WindowPicture from '../../learn/WindowPicture.vue';
import type { Values } from '../schema';
import BarSection from './BarSection.vue';
import BlanksOnSheet from './BlanksOnSheet.vue';
import CapacityBars from './CapacityBars.vue';
import CauseBars from './CauseBars.vue';
import ClampPicture from './ClampPicture.vue';
import DayPlan from './DayPlan.vue';
import PressPicture from './PressPicture.vue';
import RouteMatrix from './RouteMatrix.vue';
import SetupSheet from './SetupSheet.vue';

// Three dimensions are fetched only where a mesh is looked at.
const MeshView = defineAsyncComponent(() => import('./MeshView.vue'));
const n = (v: unknown) => (typeof v === 'number' ? v : null);
const extent = (points: Record<string, number>[], of: string) => {
    const all = points.map((p) => p[of]!);
    return Math.max(...all) - Math.min(...all) || 1;
};

/** The drawing of an answer by the name of its calculation; null where this answer has nothing to draw. */
export interface Drawing {
    is: Component;
    props: (input: Values, result: Values) => Record<string, unknown> | null;
}
export const DRAWINGS: Record<string, Drawing> = {
    'heat.press_cycle': { is: PressPicture, props: (_, r) => ({ cycle: r }) },
    'plan.compression': { is: PressPicture, props: (_, r) => ({ cycle: r.cycle }) },
    'mesh.measure': {
        is: MeshView,
        props: (i) =>
            i.file
                ? {
                      file: String(i.file),
                      pull: String(i.pull ?? '+z'),
                      male: i.male !== false,
                      units: String(i.units ?? 'mm'),
                  }
                : null,
    },
    'heat.bar_in_bath': {
        is: BarSection,
        props: (i, r) =>
            (r.sections as unknown[]).length > 1
                ? {
                      sections: r.sections,
                      width: Number(i.width_mm ?? i.diameter_mm),
                      height: Number(i.height_mm ?? i.diameter_mm),
                      round: n(i.diameter_mm) !== null,
                      solid: Number(r.solid_c),
                  }
                : null,
    },
    'schedule.plan': {
        is: DayPlan,
        props: (i, r) => ({ tasks: r.tasks, hands: r.hands, now: Number(i.now) }),
    },
    'settings.recommend': {
        is: SetupSheet,
        props: (_, r) => ({ settings: r.settings, zones: r.zone_profile, timers: r.timers }),
    },
    'force.clamp': {
        is: ClampPicture,
        props: (i, r) => ({
            force: Number(r.clamp_kn),
            bolts: n(i.bolts),
            each: n(r.per_bolt_kn),
            proof: n(i.bolt_proof_kn),
        }),
    },
    'charge.blanks': {
        is: BlanksOnSheet,
        props: (i, r) => ({
            blanks: r.layout,
            length: Number(i.stock_length_mm),
            width: Number(i.stock_width_mm),
        }),
    },
    'changeover.sequence': {
        is: RouteMatrix,
        props: (i, r) => ({ rows: r.matrix, ids: (i.jobs as { id: string }[]).map((j) => j.id) }),
    },
    'cycle.capacity': {
        is: CapacityBars,
        props: (_, r) => ({ utilisation: r.utilisation, now: Number(r.per_shift), what: r.whatif }),
    },
    'diagnose.rank': { is: CauseBars, props: (_, r) => ({ causes: (r.causes as unknown[]).slice(0, 8) }) },
    'quality.thickness_grid': {
        is: ThicknessMap,
        props: (i, r) => {
            const points = i.points as Record<string, number>[];
            return {
                points,
                nominal: Number(i.nominal_mm),
                tolerance: Number(i.tolerance_mm ?? 1),
                length: extent(points, 'x_mm'),
                width: extent(points, 'y_mm'),
                low: String(r.low_corner),
            };
        },
    },
    'learn.window': {
        is: WindowPicture,
        props: (i, r) => ({
            as: {
                x: { id: 'x', label: 'One setting', dimension: 'number', decimals: 1 },
                y: { id: 'y', label: 'The other', dimension: 'number', decimals: 1 },
                runs: (i.runs as Values[]).map((run, k) => ({ id: String(k), number: k + 1, ...run })),
                x_planned: i.x_planned ?? null,
                y_planned: i.y_planned ?? null,
                window: r,
            },
        }),
    },
};
