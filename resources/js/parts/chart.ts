import { scaleLinear, type ScaleLinear } from 'd3-scale';
import { line } from 'd3-shape';

export type Span = readonly [number, number];
type XY = readonly [number, number];

/** Where a value lies on a drawing. */
export const scale = (values: Span, drawn: Span): ScaleLinear<number, number> =>
    scaleLinear().domain(values).range(drawn);

/** Round values to name along an axis, about so many of them, all of them on it. */
export const ticks = (low: number, high: number, about = 4): number[] =>
    scaleLinear().domain([low, high]).ticks(about);

/** A line through points of a drawing, to a tenth of its unit. */
export const lineThrough = (points: Iterable<XY>): string =>
    line<XY>(
        (p) => p[0],
        (p) => p[1],
    ).digits(1)(points) ?? '';
