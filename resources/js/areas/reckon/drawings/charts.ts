import { format, title, type Values } from '../schema';
import type LineChart from './LineChart.vue';

type Point = Record<string, number>;
type Chart = InstanceType<typeof LineChart>['$props'];
const n = (v: unknown) => (typeof v === 'number' ? v : null);

/** The lines that an answer is drawn by, with what matters marked on them; null where no line says anything. */
export function chartOf(name: string, input: Values, r: Values): Chart | null {
    const is = (other: string) => name === other;
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
                    xy: (r.walls as Point[]).map((p) => [p.depth_mm!, p.wall_mm!] as const),
                },
            ],
        };
    if (is('heat.vacuum_sheet')) {
        const curve = r.curve as unknown as Point[];
        const [ready, limit, within] = [n(r.ready_s), n(r.limit_s), n(r.form_within_s)];
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
                ['too hot', Number(r.sheet_upper_c)],
                ['mean wanted', Number(r.sheet_normal_c)],
                ['too cold', Number(r.sheet_lower_c)],
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
        const curve = (r.curve ?? []) as Point[];
        const form = n(input.form_within_s);
        const reached = n(is('vacuum.pump_down') ? r.seconds : r.seconds_to_target);
        return curve.length === 0
            ? null
            : {
                  along: 'time',
                  alongUnit: 's',
                  up: 'under the sheet, absolute',
                  upUnit: 'kPa',
                  zero: true,
                  sets: [{ name: 'pressure', xy: curve.map((p) => [p.time_s!, p.kpa!] as const) }],
                  levels: n(input.target_kpa) === null ? [] : [['wanted', Number(input.target_kpa)]],
                  moments: [
                      ...(n(r.tank_opens_s) === null
                          ? []
                          : [['tank opens', Number(r.tank_opens_s)] as [string, number]]),
                      ...(reached === null ? [] : [['there', reached] as [string, number]]),
                  ],
                  span: form === null ? null : { name: 'the sheet can be formed', from: 0, to: form },
              };
    }
    if (is('vacuum.trace')) {
        const moments: [string, number | null][] = [
            ['heater off', n(input.heater_off_s)],
            ['sealed', n(r.seal_s)],
            ['second stage', n(r.second_stage_s)],
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
                    xy: (input.readings as Point[]).map((p) => [p.t_s!, p.kpa_abs!] as const),
                },
            ],
            levels: [['the air', Number(input.atmosphere_kpa)]],
            moments: moments.filter((m): m is [string, number] => m[1] !== null),
        };
    }
    if (is('heat.track')) {
        const moments: [string, number | null][] = [
            ['now', n(input.now_s)],
            ['ready', n(r.ready_s)],
        ];
        return {
            along: 'since it went in',
            alongUnit: 's',
            up: 'platen',
            upUnit: '°C',
            sets: [
                {
                    name: 'read',
                    xy: (input.readings as Point[]).map((p) => [p.t_s!, p.platen_c!] as const),
                },
            ],
            levels: [['set', Number(input.platen_c)]],
            moments: moments.filter((m): m is [string, number] => m[1] !== null),
        };
    }
    if (is('quality.control_chart') && input.kind === 'i_mr')
        return {
            along: 'in order',
            up: 'value',
            sets: [{ name: 'value', xy: (input.data as number[]).map((v, i) => [i, v] as const) }],
            levels: [
                ['upper limit', Number(r.ucl)],
                ['centre', Number(r.centre)],
                ['lower limit', Number(r.lcl)],
            ],
            bad: (r.points as Point[]).map((p) => p.index!),
        };
    return null;
}

/** A wall cut open, moment by moment. */
export function cutOf(name: string, input: Values, r: Values) {
    const is = (other: string) => name === other;
    if (is('heat.slab'))
        return {
            frames: r.samples as { time_s: number; profile: { x_mm: number; c: number }[] }[],
            left: input.geometry === 'cylinder' ? 'axis' : 'left',
            right: input.geometry === 'cylinder' ? 'face' : 'right',
            levels: [] as [string, number][],
        };
    const curve = is('heat.vacuum_sheet')
        ? (r.curve as { time_s: number; profile_c: number[] | null }[]).filter((p) => p.profile_c)
        : [];
    if (curve.length === 0) return null;
    const thick = Number(input.thickness_mm);
    const both = input.sides === 2;
    return {
        frames: curve.map((p) => ({
            time_s: p.time_s,
            profile: p.profile_c!.map((c, i, all) => ({ x_mm: ((i + 0.5) / all.length) * thick, c })),
        })),
        left: both ? 'heated' : 'away',
        right: 'heated',
        levels: [
            ['too hot', Number(r.sheet_upper_c)],
            ['too cold', Number(r.sheet_lower_c)],
        ] as [string, number][],
    };
}
