<script setup lang="ts">
import { computed, defineAsyncComponent, ref } from 'vue';
import type { CurvePoint } from '../../api/types';
import CrossSection from '../../parts/CrossSection.vue';
import HeatCurve from '../../parts/HeatCurve.vue';
import ThicknessMap from '../../parts/ThicknessMap.vue';
import { clockText } from '../../parts/units';
import BarSection from './drawings/BarSection.vue';
import ClampPicture from './drawings/ClampPicture.vue';
import DayPlan from './drawings/DayPlan.vue';
import LineChart from './drawings/LineChart.vue';
import SetupSheet from './drawings/SetupSheet.vue';
import ThroughThickness from './drawings/ThroughThickness.vue';
import { format, title } from './schema';

/** The drawing that fits a result; none when a table says it all. */
const props = defineProps<{
    name: string;
    input: Record<string, unknown>;
    result: Record<string, unknown>;
}>();
type Point = Record<string, number>;
// Three dimensions are fetched only where a mesh is looked at.
const MeshView = defineAsyncComponent(() => import('./drawings/MeshView.vue'));
const r = computed(() => props.result);
const share = ref(0.25);
const is = (name: string) => props.name === name;
const n = (v: unknown) => (typeof v === 'number' ? v : null);

/** A plan carries the press cycle that it chose. */
const cycle = computed(() => (is('plan.compression') ? (r.value.cycle as Record<string, unknown>) : r.value));
const press = computed(() =>
    is('heat.press_cycle') || is('plan.compression') ? (cycle.value.curve as CurvePoint[]) : null,
);
const turn = computed(() => 60 * (Number(cycle.value.heat_min) + Number(cycle.value.soak_min)));
const at = computed(() => share.value * (press.value?.[press.value.length - 1]?.time_s ?? 1));
const point = computed(() =>
    press.value?.reduce((b, p) => (Math.abs(p.time_s - at.value) < Math.abs(b.time_s - at.value) ? p : b)),
);

const dayPlan = computed(() => r.value as unknown as InstanceType<typeof DayPlan>['$props']);

type Chart = InstanceType<typeof LineChart>['$props'];
const chart = computed((): Chart | null => {
    if (is('forming.wall'))
        return {
            along: 'depth',
            alongUnit: 'mm',
            up: 'wall',
            upUnit: 'mm',
            zero: true,
            sets: [
                {
                    name: 'wall',
                    xy: (r.value.walls as Point[]).map((p) => [p.depth_mm!, p.wall_mm!] as const),
                },
            ],
        };
    if (is('heat.vacuum_sheet')) {
        const curve = r.value.curve as unknown as Point[];
        const [ready, limit, within] = [n(r.value.ready_s), n(r.value.limit_s), n(r.value.form_within_s)];
        const end = curve[curve.length - 1]!.time_s!;
        return {
            along: 'time',
            alongUnit: 's',
            up: 'sheet',
            upUnit: '°C',
            sets: ['hottest_c', 'mean_c', 'coldest_c'].map((k) => ({
                name: title(k),
                xy: curve.map((p) => [p.time_s!, p[k]!] as const),
            })),
            levels: [
                ['too hot', Number(r.value.sheet_upper_c)],
                ['mean wanted', Number(r.value.sheet_normal_c)],
                ['too cold', Number(r.value.sheet_lower_c)],
            ],
            moments: [
                ...(ready === null ? [] : [['ready, heater off', ready] as [string, number]]),
                ...(limit === null || limit > end
                    ? []
                    : [['too hot if it stayed', limit] as [string, number]]),
            ],
            span:
                ready === null || within === null
                    ? null
                    : {
                          name: `form within ${format(Math.round(within))} s`,
                          from: ready,
                          to: ready + within,
                      },
        };
    }
    if (is('vacuum.pump_down') || is('vacuum.two_stage')) {
        const curve = (r.value.curve ?? []) as Point[];
        const form = n(props.input.form_within_s);
        const reached = n(is('vacuum.pump_down') ? r.value.seconds : r.value.seconds_to_target);
        return curve.length === 0
            ? null
            : {
                  along: 'time',
                  alongUnit: 's',
                  up: 'under the sheet, absolute',
                  upUnit: 'kPa',
                  zero: true,
                  sets: [{ name: 'pressure', xy: curve.map((p) => [p.time_s!, p.kpa!] as const) }],
                  levels:
                      n(props.input.target_kpa) === null ? [] : [['wanted', Number(props.input.target_kpa)]],
                  moments: [
                      ...(n(r.value.tank_opens_s) === null
                          ? []
                          : [['tank opens', Number(r.value.tank_opens_s)] as [string, number]]),
                      ...(reached === null ? [] : [['there', reached] as [string, number]]),
                  ],
                  span: form === null ? null : { name: 'the sheet can be formed', from: 0, to: form },
              };
    }
    if (is('vacuum.trace')) {
        const moments: [string, number | null][] = [
            ['heater off', n(props.input.heater_off_s)],
            ['sealed', n(r.value.seal_s)],
            ['second stage', n(r.value.second_stage_s)],
        ];
        return {
            along: 'time',
            alongUnit: 's',
            up: 'under the sheet, absolute',
            upUnit: 'kPa',
            zero: true,
            sets: [
                {
                    name: 'gauge',
                    xy: (props.input.readings as Point[]).map((p) => [p.t_s!, p.kpa_abs!] as const),
                },
            ],
            levels: [['the air', Number(props.input.atmosphere_kpa)]],
            moments: moments.filter((m): m is [string, number] => m[1] !== null),
        };
    }
    if (is('heat.track')) {
        const moments: [string, number | null][] = [
            ['now', n(props.input.now_s)],
            ['ready', n(r.value.ready_s)],
        ];
        return {
            along: 'since it went in',
            alongUnit: 's',
            up: 'platen',
            upUnit: '°C',
            sets: [
                {
                    name: 'read',
                    xy: (props.input.readings as Point[]).map((p) => [p.t_s!, p.platen_c!] as const),
                },
            ],
            levels: [['set', Number(props.input.platen_c)]],
            moments: moments.filter((m): m is [string, number] => m[1] !== null),
        };
    }
    if (is('quality.control_chart') && props.input.kind === 'i_mr')
        return {
            along: 'in order',
            up: 'value',
            sets: [{ name: 'value', xy: (props.input.data as number[]).map((v, i) => [i, v] as const) }],
            levels: [
                ['upper limit', Number(r.value.ucl)],
                ['centre', Number(r.value.centre)],
                ['lower limit', Number(r.value.lcl)],
            ],
            bad: (r.value.points as Point[]).map((p) => p.index!),
        };
    return null;
});
/** A wall cut open, moment by moment. */
const cut = computed(() => {
    if (is('heat.slab'))
        return {
            frames: r.value.samples as { time_s: number; profile: { x_mm: number; c: number }[] }[],
            left: props.input.geometry === 'cylinder' ? 'axis' : 'left',
            right: props.input.geometry === 'cylinder' ? 'face' : 'right',
            levels: [] as [string, number][],
        };
    const curve = is('heat.vacuum_sheet')
        ? (r.value.curve as { time_s: number; profile_c: number[] | null }[]).filter((p) => p.profile_c)
        : [];
    if (curve.length === 0) return null;
    const thick = Number(props.input.thickness_mm);
    const both = props.input.sides === 2;
    return {
        frames: curve.map((p) => ({
            time_s: p.time_s,
            profile: p.profile_c!.map((c, i, all) => ({ x_mm: ((i + 0.5) / all.length) * thick, c })),
        })),
        left: both ? 'heated' : 'away',
        right: 'heated',
        levels: [
            ['too hot', Number(r.value.sheet_upper_c)],
            ['too cold', Number(r.value.sheet_lower_c)],
        ] as [string, number][],
    };
});
const bar = computed(() =>
    is('heat.bar_in_bath') ? (r.value.sections as { minutes: number; cells: number[][] }[]) : null,
);
const blanks = computed(() =>
    is('charge.blanks')
        ? (r.value.layout as {
              x_mm: number;
              y_mm: number;
              length_mm: number;
              width_mm: number;
              turned: boolean;
          }[])
        : null,
);
const matrix = computed(() =>
    is('changeover.sequence')
        ? {
              rows: r.value.matrix as number[][],
              ids: (props.input.jobs as { id: string }[]).map((j) => j.id),
              most: Math.max(1, ...(r.value.matrix as number[][]).flat()),
          }
        : null,
);
const capacity = computed(() =>
    is('cycle.capacity')
        ? {
              loads: Object.entries(r.value.utilisation as Record<string, number>),
              now: Number(r.value.per_shift),
              what: r.value.whatif as { change: string; per_shift: number }[],
          }
        : null,
);
const most = computed(() =>
    Math.max(1, capacity.value?.now ?? 1, ...(capacity.value?.what ?? []).map((w) => w.per_shift)),
);
interface Cause {
    id: string;
    name: string;
    probability: number;
    for: { says: string }[];
    against: { says: string }[];
}
const causes = computed(() => (is('diagnose.rank') ? (r.value.causes as Cause[]).slice(0, 8) : null));
const grid = computed(() =>
    is('quality.thickness_grid')
        ? (props.input.points as { x_mm: number; y_mm: number; t_mm: number }[])
        : null,
);
const span = (k: 'x_mm' | 'y_mm') => {
    const v = grid.value?.map((p) => p[k]) ?? [0, 1];
    return Math.max(...v) - Math.min(...v) || 1;
};
</script>

<template>
    <div v-if="press && point" class="draw pics">
        <CrossSection
            :point="point"
            :loosest="Math.max(...press.map((p) => p.thickness_mm))"
            :cold="at > turn"
            :height="170"
        />
        <HeatCurve
            :curve="press"
            :turn="turn"
            :target="Number(cycle.core_target_c)"
            :demould="Number(cycle.demould_c)"
            :at="at"
            :height="190"
        />
        <label class="scrub"
            ><span class="sr">Look at another moment</span
            ><input
                v-model.number="share"
                type="range"
                min="0"
                max="1"
                step="0.002"
                :aria-valuetext="clockText(at)"
            /><span class="mono">{{ clockText(at) }}</span></label
        >
    </div>
    <MeshView
        v-else-if="is('mesh.measure') && input.file"
        :file="String(input.file)"
        :pull="String(input.pull ?? '+z')"
        :male="input.male !== false"
        :units="String(input.units ?? 'mm')"
    />
    <div v-else-if="chart || cut" class="draw pics">
        <LineChart v-if="chart" v-bind="chart" /><ThroughThickness v-if="cut" v-bind="cut" />
    </div>
    <BarSection
        v-else-if="bar && bar.length > 1"
        class="draw"
        :sections="bar"
        :width="Number(input.width_mm ?? input.diameter_mm)"
        :height="Number(input.height_mm ?? input.diameter_mm)"
        :round="n(input.diameter_mm) !== null"
        :solid="Number(r.solid_c)"
    />
    <DayPlan
        v-else-if="is('schedule.plan')"
        class="draw"
        :tasks="dayPlan.tasks"
        :hands="dayPlan.hands"
        :now="Number(input.now)"
    />
    <SetupSheet
        v-else-if="is('settings.recommend')"
        class="draw pics"
        :settings="r.settings as never"
        :zones="r.zone_profile as never"
        :timers="r.timers as never"
    />
    <ClampPicture
        v-else-if="is('force.clamp')"
        class="draw"
        :force="Number(r.clamp_kn)"
        :bolts="n(input.bolts)"
        :each="n(r.per_bolt_kn)"
        :proof="n(input.bolt_proof_kn)"
    />
    <svg
        v-else-if="blanks"
        class="draw"
        :viewBox="`-4 -4 ${Number(input.stock_length_mm) + 8} ${Number(input.stock_width_mm) + 8}`"
        role="img"
        :aria-label="`${blanks.length} blanks laid out on the sheet`"
    >
        <rect :width="Number(input.stock_length_mm)" :height="Number(input.stock_width_mm)" class="stock" />
        <rect
            v-for="(b, i) in blanks"
            :key="i"
            :x="b.x_mm"
            :y="b.y_mm"
            :width="b.length_mm"
            :height="b.width_mm"
            :class="['blank', { turned: b.turned }]"
        />
    </svg>
    <table v-else-if="matrix" class="draw heat">
        <thead>
            <tr>
                <th>from, to</th>
                <th v-for="id in matrix.ids" :key="id">{{ id }}</th>
            </tr>
        </thead>
        <tbody>
            <tr v-for="(row, i) in matrix.rows" :key="i">
                <th>{{ i === 0 ? 'start' : matrix.ids[i - 1] }}</th>
                <td
                    v-for="(m, j) in row"
                    :key="j"
                    :style="{
                        background: `color-mix(in srgb, #e08a63 ${Math.round((m / matrix.most) * 100)}%, #f3efe6)`,
                    }"
                >
                    {{ format(Math.round(m)) }}
                </td>
            </tr>
        </tbody>
    </table>
    <div v-else-if="capacity" class="draw bars">
        <h3>How busy</h3>
        <div v-for="[name, load] in capacity.loads" :key="name">
            <span>{{ name.replaceAll('_', ' ') }}</span><span class="track"
                ><i :style="{ width: `${100 * load}%` }" :class="{ most: load > 0.999 }" /></span
            ><strong class="num">{{ Math.round(100 * load) }} %</strong>
        </div>
        <h3>What one more would do, pieces a shift</h3>
        <div>
            <span>as it is</span
            ><span class="track"><i :style="{ width: `${(100 * capacity.now) / most}%` }" /></span
            ><strong class="num">{{ capacity.now }}</strong>
        </div>
        <div v-for="w in capacity.what" :key="w.change">
            <span>{{ w.change.replaceAll('_', ' ') }}</span><span class="track"
                ><i
                    :style="{ width: `${(100 * w.per_shift) / most}%` }"
                    :class="{ gain: w.per_shift > capacity.now }" /></span
            ><strong class="num">{{ w.per_shift }}</strong>
        </div>
    </div>
    <div v-else-if="causes" class="draw bars causes">
        <template v-for="c in causes" :key="c.id">
            <div>
                <span>{{ c.name }}</span><span class="track"
                    ><i
                        :style="{ width: `${100 * c.probability}%` }"
                        :class="{ most: c === causes[0] }" /></span
                ><strong class="num">{{ Math.round(100 * c.probability) }} %</strong>
            </div>
            <p v-if="c.for.length + c.against.length > 0" class="quiet">
                {{
                    c.for
                        .map((e) => `for it: ${e.says}`)
                        .concat(c.against.map((e) => `against it: ${e.says}`))
                        .join('; ')
                }}
            </p>
        </template>
    </div>
    <div v-else-if="grid" class="draw map">
        <ThicknessMap
            :points="grid"
            :nominal="Number(input.nominal_mm)"
            :tolerance="Number(input.tolerance_mm ?? 1)"
            :length="span('x_mm')"
            :width="span('y_mm')"
            :low="String(r.low_corner)"
        />
    </div>
</template>

<style scoped>
.draw {
    width: 100%;
    max-height: 340px;
    margin-top: 12px;
    font-family: var(--font);
}
figure.draw,
.pics {
    max-height: none;
}
.pics {
    display: grid;
    grid-template-columns: minmax(0, 1fr);
    gap: 10px;
}
.scrub {
    display: flex;
    gap: 12px;
    align-items: center;
}
.scrub input {
    flex: 1;
    accent-color: var(--ink);
    height: 30px;
}
.map {
    max-width: 440px;
    max-height: none;
}
.stock {
    fill: var(--still);
    stroke: var(--ink);
    stroke-width: 3;
}
.blank {
    fill: var(--ember-soft);
    stroke: var(--ember);
    stroke-width: 3;
}
.blank.turned {
    fill: var(--slate-soft);
    stroke: var(--slate);
}
.heat {
    border-collapse: collapse;
    width: auto;
}
.heat th,
.heat td {
    padding: 8px 14px;
    text-align: right;
    font-variant-numeric: tabular-nums;
}
.heat td {
    color: #1d2326;
    font-weight: 650;
    border: 2px solid var(--paper);
}
.bars {
    max-height: none;
}
.bars h3 {
    font-size: 1rem;
    margin-top: 8px;
}
.bars div {
    display: grid;
    grid-template-columns: 130px 1fr 60px;
    gap: 10px;
    align-items: center;
    padding: 4px 0;
}
.bars strong {
    text-align: right;
}
.causes div {
    grid-template-columns: 190px 1fr 60px;
}
.causes p {
    margin: 0 0 4px;
    font-size: 0.92rem;
}
.track {
    background: var(--still);
    height: 22px;
}
.track i {
    display: block;
    height: 100%;
    background: var(--slate);
}
.track .most {
    background: var(--ember-strong);
}
.track .gain {
    background: var(--good);
}
</style>
