import type { Chart } from '../../api/types';
import type { Span } from '../../parts/chart';

/** From the least to the most, with some room; one value alone gets room about itself. */
export function spanOf(values: number[], room = 0.08): Span {
    const [low, high] = [Math.min(...values), Math.max(...values)];
    const by = room * (high - low) || Math.max(Math.abs(high) * 0.02, 0.5);
    return [low - by, high + by];
}

/** All that a control chart has to show: its points, what chance does, and what the piece has to be. */
export const spanOfChart = (chart: Chart): Span =>
    spanOf(
        [
            ...chart.points.map((p) => p.value),
            chart.ucl,
            chart.lcl,
            ...[chart.least, chart.most].filter((limit): limit is number => limit !== null),
        ].filter(Number.isFinite),
    );

/** How likely a good piece is, in steps that can be told apart without their colour. */
export const LIKELY: readonly { from: number; says: string }[] = [
    { from: 0.9, says: '90 % and more' },
    { from: 0.7, says: '70 to 90 %' },
    { from: 0.5, says: 'half to 70 %' },
    { from: 0, says: 'less than half' },
];
export const likely = (probability: number): number => LIKELY.findIndex((step) => probability >= step.from);

/** "8 good", "3 of 4 good": what came of a run. */
export const came = (good: number, bad: number): string =>
    bad === 0 ? `${good} good` : good === 0 ? `${bad} scrap` : `${good} of ${good + bad} good`;
