import { mount } from '@vue/test-utils';
import { describe, expect, it, vi } from 'vitest';
import { screenOf } from '../../tests/mount';
import TraceChart from './TraceChart.vue';
import { kindOf, type Points } from './trace';

const chart = (series: [string, Points][], marks: { key: string; at: number; title: string }[] = []) =>
    mount(TraceChart, {
        props: {
            kind: kindOf(series[0]![0]),
            series,
            marks,
            from: 0,
            to: 100,
            later: (name: string) => name.startsWith('cold_'),
        },
    });

describe('a chart of what was read', () => {
    it('says each series with its last value in its own unit', () => {
        const warm = chart([
            [
                'barrel_c',
                [
                    [0, 20],
                    [100, 215.4],
                ],
            ],
        ]);
        expect(warm.text()).toContain('Temperatures');
        expect(warm.text()).toMatch(/last\s+215\s°C/);
        const pull = chart([
            [
                'vacuum_kpa',
                [
                    [0, 101],
                    [100, 30.8],
                ],
            ],
        ]);
        expect(pull.text()).toMatch(/last\s+30\.8 kPa/);
        expect(pull.text()).not.toContain('°C');
    });

    it('breaks its line where nothing was read', () => {
        const gap: Points = [
            [0, 1],
            [1, 2],
            [2, 3],
            [80, 4],
            [81, 5],
        ];
        const path = chart([['x_c', gap]])
            .find('.trace')
            .attributes('d')!;
        expect(path.match(/M/g)).toHaveLength(2);
        expect(path.match(/L/g)).toHaveLength(3);
    });

    it('marks every moment of the log inside it, and lets close labels give way', () => {
        const c = chart(
            [
                [
                    'x_c',
                    [
                        [0, 1],
                        [100, 2],
                    ],
                ],
            ],
            [
                { key: 'a', at: 10, title: 'Slide in, close' },
                { key: 'b', at: 11, title: 'Heat under load' },
                { key: 'c', at: 90, title: 'Open' },
                { key: 'd', at: 200, title: 'Long after' },
            ],
        );
        expect(c.findAll('.mark')).toHaveLength(3);
        expect(c.text()).toContain('Slide in, close');
        expect(c.text()).not.toContain('Heat under load');
        expect(c.text()).not.toContain('Long after');
    });

    it('draws what a later machine read another way', () => {
        const c = chart([
            [
                'platen_c',
                [
                    [0, 180],
                    [100, 181],
                ],
            ],
            [
                'cold_platen_c',
                [
                    [50, 20],
                    [100, 40],
                ],
            ],
        ]);
        expect(c.findAll('g .trace').map((t) => t.classes('later'))).toEqual([false, true]);
        // What a line is called stands beside a piece of it.
        expect(c.findAll('li').map((t) => t.find('.trace').classes('later'))).toEqual([false, true]);
    });

    it('is as wide as its place, so that its words are not shrunk on a phone', async () => {
        const seen = screenOf(330);
        const c = chart([
            [
                'platen_c',
                [
                    [0, 180],
                    [100, 181],
                ],
            ],
        ]);
        await seen();
        expect(c.find('svg').attributes('viewBox')).toBe('0 0 330 214');
        vi.unstubAllGlobals();
        vi.restoreAllMocks();
    });
});
