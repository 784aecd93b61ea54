<script setup lang="ts">
import { computed, ref } from 'vue';
import type { CurvePoint } from '../../api/types';
import CrossSection from '../../parts/CrossSection.vue';
import HeatCurve from '../../parts/HeatCurve.vue';
import ThicknessMap from '../../parts/ThicknessMap.vue';
import { clockText } from '../../parts/units';
import { format, title } from './schema';

/** The drawing that fits a result; none when a table says it all. */
const props = defineProps<{ name: string; input: Record<string, unknown>; result: Record<string, unknown> }>();
type Point = Record<string, number>;
// The shape of each is that of its own schema; a drawing knows which it draws.
const r = computed(() => props.result as Record<string, never> as { [k: string]: unknown });
const share = ref(0.25);

const press = computed(() => (props.name === 'heat.press_cycle' ? (r.value.curve as CurvePoint[]) : null));
const turn = computed(() => 60 * (Number(r.value.heat_min) + Number(r.value.soak_min)));
const at = computed(() => share.value * (press.value?.[press.value.length - 1]?.time_s ?? 1));
const point = computed(() => press.value?.reduce((b, p) => (Math.abs(p.time_s - at.value) < Math.abs(b.time_s - at.value) ? p : b)));

/** Lines over one running quantity: time, depth, or the order of the points. */
const lines = computed(() => {
    const wall = props.name === 'forming.wall' ? (r.value.walls as Point[]) : null;
    const sheet = props.name === 'heat.vacuum_sheet' ? (r.value.curve as Point[]) : null;
    const slab = props.name === 'heat.slab' ? (r.value.samples as { time_s: number; profile: Point[] }[]) : null;
    const chart = props.name === 'quality.control_chart' && props.input.kind === 'i_mr' ? (props.input.data as number[]) : null;
    if (wall) return { along: 'depth, mm', up: 'wall, mm', sets: [{ name: 'wall', xy: wall.map((p) => [p.depth_mm!, p.wall_mm!] as const) }], levels: [] as [string, number][], bad: [] as number[] };
    if (sheet) return { along: 'time, s', up: '°C', sets: ['hottest_c', 'mean_c', 'coldest_c'].map((k) => ({ name: title(k), xy: sheet.map((p) => [p.time_s!, p[k]!] as const) })), levels: [], bad: [] };
    if (slab) return { along: 'from the left, mm', up: '°C', sets: slab.slice(0, 6).map((s) => ({ name: `${format(s.time_s)} s`, xy: s.profile.map((p) => [p.x_mm!, p.c!] as const) })), levels: [], bad: [] };
    if (chart) return { along: 'in order', up: '', sets: [{ name: 'value', xy: chart.map((v, i) => [i, v] as const) }], levels: [['upper limit', Number(r.value.ucl)], ['centre', Number(r.value.centre)], ['lower limit', Number(r.value.lcl)]] as [string, number][], bad: (r.value.points as Point[]).map((p) => p.index!) };
    return null;
});
const frame = computed(() => {
    const xy = lines.value?.sets.flatMap((s) => s.xy) ?? [];
    const ys = [...xy.map((p) => p[1]), ...(lines.value?.levels.map((l) => l[1]) ?? [])];
    const low = props.name === 'forming.wall' ? 0 : Math.min(...ys);
    return { x0: Math.min(...xy.map((p) => p[0])), x1: Math.max(...xy.map((p) => p[0])), y0: low, y1: Math.max(...ys) };
});
const X = (v: number) => 52 + ((v - frame.value.x0) / (frame.value.x1 - frame.value.x0 || 1)) * 520;
const Y = (v: number) => 206 - ((v - frame.value.y0) / (frame.value.y1 - frame.value.y0 || 1)) * 184;

const blanks = computed(() => (props.name === 'charge.blanks' ? (r.value.layout as { x_mm: number; y_mm: number; length_mm: number; width_mm: number; turned: boolean }[]) : null));
const matrix = computed(() => (props.name === 'changeover.sequence' ? { rows: r.value.matrix as number[][], ids: (props.input.jobs as { id: string }[]).map((j) => j.id), most: Math.max(1, ...(r.value.matrix as number[][]).flat()) } : null));
const loads = computed(() => (props.name === 'cycle.capacity' ? Object.entries(r.value.utilisation as Record<string, number>) : null));
const grid = computed(() => (props.name === 'quality.thickness_grid' ? (props.input.points as { x_mm: number; y_mm: number; t_mm: number }[]) : null));
const span = (k: 'x_mm' | 'y_mm') => { const v = grid.value?.map((p) => p[k]) ?? [0, 1]; return Math.max(...v) - Math.min(...v) || 1; };
const DASH = ['', '7 4', '2 4', '12 4 2 4', '5 2', '1 3'];
</script>

<template>
    <div v-if="press && point" class="draw pics">
        <CrossSection :point="point" :loosest="Math.max(...press.map((p) => p.thickness_mm))" :cold="at > turn" :height="170" />
        <HeatCurve :curve="press" :turn="turn" :target="Number(r.core_target_c)" :demould="Number(r.demould_c)" :at="at" :height="190" />
        <label class="scrub"><span class="sr">Look at another moment</span><input v-model.number="share" type="range" min="0" max="1" step="0.002" :aria-valuetext="clockText(at)"><span class="mono">{{ clockText(at) }}</span></label>
    </div>
    <svg v-else-if="lines" viewBox="0 0 600 240" class="draw" role="img" :aria-label="`${lines.up} over ${lines.along}: ${lines.sets.map((s) => s.name).join(', ')}`">
        <path d="M52 16V206H580" class="axis" />
        <g v-for="[name, v] in lines.levels" :key="name"><path :d="`M52 ${Y(v)}H572`" class="level" /><text x="576" :y="Y(v) - 4" text-anchor="end">{{ name }} {{ format(v) }}</text></g>
        <text x="48" :y="Y(frame.y1) + 4" text-anchor="end">{{ format(frame.y1) }}</text><text x="48" :y="Y(frame.y0) + 4" text-anchor="end">{{ format(frame.y0) }}</text>
        <text x="52" y="222">{{ format(frame.x0) }}</text><text x="572" y="222" text-anchor="end">{{ format(frame.x1) }}</text><text x="312" y="234" text-anchor="middle">{{ lines.along }}</text><text x="54" y="12">{{ lines.up }}</text>
        <g v-for="(s, i) in lines.sets" :key="s.name"><path :d="s.xy.map((p, k) => `${k ? 'L' : 'M'}${X(p[0]).toFixed(1)} ${Y(p[1]).toFixed(1)}`).join('')" class="trace" :stroke-dasharray="DASH[i]" /><text :x="X(s.xy[s.xy.length - 1]![0]) - 6" :y="Y(s.xy[s.xy.length - 1]![1]) - 6" text-anchor="end" class="halo">{{ s.name }}</text></g>
        <path v-for="i in lines.bad" :key="i" :d="`M${X(i) - 7} ${Y(lines.sets[0]!.xy[i]![1]) - 7}l14 14m0-14l-14 14`" class="bad" />
    </svg>
    <svg v-else-if="blanks" class="draw" :viewBox="`-4 -4 ${Number(input.stock_length_mm) + 8} ${Number(input.stock_width_mm) + 8}`" role="img" :aria-label="`${blanks.length} blanks laid out on the sheet`"><rect :width="Number(input.stock_length_mm)" :height="Number(input.stock_width_mm)" class="stock" /><rect v-for="(b, i) in blanks" :key="i" :x="b.x_mm" :y="b.y_mm" :width="b.length_mm" :height="b.width_mm" :class="['blank', { turned: b.turned }]" /></svg>
    <table v-else-if="matrix" class="draw heat"><thead><tr><th>from, to</th><th v-for="id in matrix.ids" :key="id">{{ id }}</th></tr></thead><tbody><tr v-for="(row, i) in matrix.rows" :key="i"><th>{{ i === 0 ? 'start' : matrix.ids[i - 1] }}</th><td v-for="(m, j) in row" :key="j" :style="{ background: `color-mix(in srgb, #e08a63 ${Math.round((m / matrix.most) * 100)}%, #f3efe6)` }">{{ format(Math.round(m)) }}</td></tr></tbody></table>
    <div v-else-if="loads" class="draw bars"><div v-for="[name, load] in loads" :key="name"><span>{{ name.replaceAll('_', ' ') }}</span><span class="track"><i :style="{ width: `${100 * load}%` }" :class="{ most: load > 0.999 }" /></span><strong class="num">{{ Math.round(100 * load) }} %</strong></div></div>
    <div v-else-if="grid" class="draw map"><ThicknessMap :points="grid" :nominal="Number(input.nominal_mm)" :tolerance="Number(input.tolerance_mm ?? 1)" :length="span('x_mm')" :width="span('y_mm')" :low="String(r.low_corner)" /></div>
</template>

<style scoped>
.draw { width: 100%; max-height: 340px; margin-top: 12px; font-family: var(--font); } .pics { display: grid; grid-template-columns: minmax(0, 1fr); gap: 10px; max-height: none; } .scrub { display: flex; gap: 12px; align-items: center; } .scrub input { flex: 1; accent-color: var(--ink); height: 30px; } .map { max-width: 440px; max-height: none; }
text { font-size: 12.5px; fill: var(--quiet); font-variant-numeric: tabular-nums; } .halo { fill: var(--ink); paint-order: stroke; stroke: var(--paper); stroke-width: 4px; font-weight: 650; } .axis { stroke: var(--quiet); fill: none; } .level { stroke: var(--slate); stroke-dasharray: 3 4; } .trace { fill: none; stroke: var(--ember); stroke-width: 2.4; } .bad { stroke: var(--alarm); stroke-width: 3; }
.stock { fill: var(--still); stroke: var(--ink); stroke-width: 3; } .blank { fill: var(--ember-soft); stroke: var(--ember); stroke-width: 3; } .blank.turned { fill: var(--slate-soft); stroke: var(--slate); }
.heat { border-collapse: collapse; width: auto; } .heat th, .heat td { padding: 8px 14px; text-align: right; font-variant-numeric: tabular-nums; } .heat td { color: #1d2326; font-weight: 650; border: 2px solid var(--paper); }
.bars div { display: grid; grid-template-columns: 110px 1fr 60px; gap: 10px; align-items: center; padding: 5px 0; } .track { background: var(--still); height: 22px; } .track i { display: block; height: 100%; background: var(--slate); } .track .most { background: var(--ember-strong); }
</style>
