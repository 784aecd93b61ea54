import { describe, expect, it } from 'vitest';
import bench from '../../../../core/data/bench.json';
import { asText } from './asFile';
import { cutOf, chartOf } from './drawings/charts';
import { DRAWINGS } from './drawings/registry';
import { decode, encode } from './link';
import { onwardOf } from './onward';
import type { Entry, Shape } from './schema';
import { takeFrom } from './takeFrom';

describe('what was typed, in an address', () => {
    it.each([
        {},
        { polymer: 'HDPE', length_mm: 600 },
        { note: 'fünf °C, “größer”', list: [1, null, { a: true }] },
        { text: '?>~/+=' },
    ])('comes back as it was: %j', (value) => {
        const text = encode(value);
        expect(text).toMatch(/^[A-Za-z0-9_-]*$/);
        expect(decode(text)).toEqual(value);
    });

    it('that somebody spoilt is refused', () => {
        expect(() => decode('###')).toThrow();
        expect(() => decode(`${encode({ a: 1 })}zz`)).toThrow();
    });
});

describe('a question and its answer as a file', () => {
    it('is JSON that reads back', () => {
        const text = asText('json', 'charge.sheet', { polymer: 'PP' }, { mass_g: 12 });
        expect(JSON.parse(text)).toEqual({
            calc: 'charge.sheet',
            input: { polymer: 'PP' },
            result: { mass_g: 12 },
        });
    });

    it('is CSV of dotted names, and nothing in it runs', () => {
        const text = asText(
            'csv',
            'x',
            { a: { b: 1 }, evil: '=cmd()', minus: '-1+2', at: '@x' },
            { list: [{ c: 2 }], says: 'a "quoted", word', none: null },
        );
        expect(text.split('\r\n')).toEqual([
            '"side","field","value"',
            '"input","a.b","1"',
            '"input","evil","\'=cmd()"',
            '"input","minus","\'-1+2"',
            '"input","at","\'@x"',
            '"result","list.0.c","2"',
            '"result","says","a ""quoted"", word"',
            '"result","none",""',
        ]);
        // A number below nothing is a number.
        expect(asText('csv', 'x', { n: -5 }, {})).toContain('"input","n","-5"');
    });
});

describe('numbers of the shop', () => {
    const shape: Shape = {
        type: 'object',
        properties: {
            polymer: { type: 'string' },
            clamp_kn: { type: 'number' },
            barrel: {
                type: 'object',
                required: ['diameter_mm', 'length_mm'],
                properties: {
                    diameter_mm: { type: 'number' },
                    length_mm: { type: 'number' },
                    lag_s: { type: 'number' },
                },
            },
        },
    } as Shape;

    it('go where the question asks for them by the same name, and only there', () => {
        const [next, taken] = takeFrom({ clamp_kn: 80, colour: 'red' }, shape, { polymer: 'PP' });
        expect(next).toEqual({ polymer: 'PP', clamp_kn: 80 });
        expect(taken).toEqual(['clamp_kn']);
    });

    it('fill a group where all that it needs is known, and not in part', () => {
        expect(takeFrom({ diameter_mm: 38 }, shape, {})).toEqual([{}, []]);
        const [next, taken] = takeFrom({ diameter_mm: 38, length_mm: 180 }, shape, {});
        expect(next.barrel).toEqual({ diameter_mm: 38, length_mm: 180 });
        expect(taken).toEqual(['diameter_mm', 'length_mm']);
    });

    it('leave of another machine only what is needed and not known', () => {
        const into = { barrel: { diameter_mm: 20, length_mm: 99, lag_s: 30 } };
        const [next] = takeFrom({ diameter_mm: 38 }, shape, into);
        expect(next.barrel).toEqual({ diameter_mm: 38, length_mm: 99 });
    });

    it('that are not known take nothing away', () => {
        const [next, taken] = takeFrom({ clamp_kn: null }, shape, { clamp_kn: 60 });
        expect(next).toEqual({ clamp_kn: 60 });
        expect(taken).toEqual([]);
    });
});

describe('what an answer is good for elsewhere', () => {
    const entries = bench as unknown as Entry[];
    it('is the scale, for a charge of a known polymer', () => {
        const onward = onwardOf('charge.sheet', { polymer: 'HDPE' }, { charge_mass_g: 2166.04 }, entries);
        expect(onward).toEqual([
            { to: { path: '/weigh', query: { g: '2166', polymer: 'HDPE' } }, title: 'Weigh it out' },
        ]);
        expect(onwardOf('charge.sheet', {}, { charge_mass_g: 2166 }, entries)).toEqual([]);
        expect(onwardOf('charge.sheet', { polymer: 'HDPE' }, null, entries)).toEqual([]);
    });

    it('is shot, clamp and mould for a mesh, as far as it was measured', () => {
        const mesh = { volume_cm3: 18.123456, projected_area_cm2: 42, min_draft_deg: -0.5 };
        const all = onwardOf('mesh.measure', { male: false }, mesh, entries);
        const given = (i: number) => decode((all[i]!.to as { query: { i: string } }).query.i);
        expect(all).toHaveLength(3);
        expect(given(0).part_volume_cm3).toBe(18.123);
        expect(given(1).projected_area_cm2).toBe(42);
        expect(given(2)).toMatchObject({ draft_deg: 0, male: false });
        const open = onwardOf(
            'mesh.measure',
            {},
            { ...mesh, volume_cm3: null, min_draft_deg: null },
            entries,
        );
        expect(open).toHaveLength(1);
    });

    it('is nothing for what has no use beyond itself', () => {
        expect(onwardOf('cost.part', {}, { total: 1 }, entries)).toEqual([]);
    });
});

describe('the drawing of an answer', () => {
    it('marks on a sheet’s heating when it is ready and how long it can be formed', () => {
        const curve = [0, 30, 60].map((time_s) => ({
            time_s,
            hottest_c: 20 + time_s,
            mean_c: 20,
            coldest_c: 20,
        }));
        const result = {
            curve,
            ready_s: 40,
            limit_s: 55,
            form_within_s: 6.4,
            sheet_upper_c: 190,
            sheet_normal_c: 165,
            sheet_lower_c: 140,
        };
        const chart = chartOf('heat.vacuum_sheet', {}, result)!;
        expect(chart.sets.map((s) => s.name)).toEqual(['Hottest', 'Mean', 'Coldest']);
        expect(chart.moments).toEqual([
            ['ready, heater off', 40],
            ['too hot if it stayed', 55],
        ]);
        expect(chart.span).toEqual({ name: 'form within 6 s', from: 40, to: 46.4 });
        // What never gets ready, or never too hot within the time shown, is not marked.
        const never = chartOf('heat.vacuum_sheet', {}, { ...result, ready_s: null, limit_s: 90 })!;
        expect(never.moments).toEqual([]);
        expect(never.span).toBeNull();
    });

    it('marks when a pump is there, and draws nothing without a curve', () => {
        const curve = [
            { time_s: 0, kpa: 101 },
            { time_s: 5, kpa: 20 },
        ];
        const chart = chartOf('vacuum.pump_down', { target_kpa: 30 }, { curve, seconds: 3.2 })!;
        expect(chart.levels).toEqual([['wanted', 30]]);
        expect(chart.moments).toEqual([['there', 3.2]]);
        expect(chartOf('vacuum.pump_down', {}, { curve: [] })).toBeNull();
        const two = chartOf(
            'vacuum.two_stage',
            { form_within_s: 4 },
            { curve, tank_opens_s: 1, seconds_to_target: null },
        )!;
        expect(two.moments).toEqual([['tank opens', 1]]);
        expect(two.span).toEqual({ name: 'the sheet can be formed', from: 0, to: 4 });
    });

    it('names the points of a control chart that ask for a cause', () => {
        const result = { ucl: 3, centre: 2, lcl: 1, points: [{ index: 1 }] };
        const chart = chartOf('quality.control_chart', { kind: 'i_mr', data: [2, 9, 2] }, result)!;
        expect(chart.bad).toEqual([1]);
        expect(chart.sets[0]!.xy).toEqual([
            [0, 2],
            [1, 9],
            [2, 2],
        ]);
        expect(chartOf('quality.control_chart', { kind: 'p', data: [] }, result)).toBeNull();
    });

    it('cuts a wall open, from the heated side of a sheet or the axis of a rod', () => {
        const frames = [{ time_s: 0, profile: [{ x_mm: 0, c: 20 }] }];
        expect(cutOf('heat.slab', { geometry: 'cylinder' }, { samples: frames })).toMatchObject({
            frames,
            left: 'axis',
            right: 'face',
        });
        const sheet = cutOf(
            'heat.vacuum_sheet',
            { thickness_mm: 3, sides: 1 },
            {
                curve: [
                    { time_s: 0, profile_c: [20, 40] },
                    { time_s: 9, profile_c: null },
                ],
                sheet_upper_c: 190,
                sheet_lower_c: 140,
            },
        )!;
        expect(sheet.left).toBe('away');
        expect(sheet.frames).toEqual([
            {
                time_s: 0,
                profile: [
                    { x_mm: 0.75, c: 20 },
                    { x_mm: 2.25, c: 40 },
                ],
            },
        ]);
        expect(cutOf('cost.part', {}, {})).toBeNull();
    });

    it('is known for calculations that there are', () => {
        const names = bench.map((b) => b.name);
        for (const name of Object.keys(DRAWINGS)) expect(names).toContain(name);
    });

    it('is not there where an answer has nothing to draw', () => {
        expect(DRAWINGS['mesh.measure']!.props({}, {})).toBeNull();
        expect(DRAWINGS['heat.bar_in_bath']!.props({}, { sections: [1] })).toBeNull();
        expect(
            DRAWINGS['heat.bar_in_bath']!.props({ diameter_mm: 40 }, { sections: [1, 2], solid_c: 120 }),
        ).toEqual({
            sections: [1, 2],
            width: 40,
            height: 40,
            round: true,
            solid: 120,
        });
        expect(
            DRAWINGS['quality.thickness_grid']!.props(
                {
                    points: [
                        { x_mm: 0, y_mm: 0 },
                        { x_mm: 600, y_mm: 400 },
                    ],
                    nominal_mm: 8,
                },
                { low_corner: 'left front' },
            ),
        ).toMatchObject({ length: 600, width: 400, tolerance: 1, low: 'left front' });
    });
});
