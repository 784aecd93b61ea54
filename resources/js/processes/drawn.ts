type Line = readonly [x1: number, y1: number, x2: number, y2: number];

/** A machine as it stands before who measures it: its outline, what of it gets hot, and where each measure is taken. */
export interface Drawn {
    size: readonly [width: number, height: number];
    cold: string[];
    hot: string[];
    measures: { fact: string; line: Line; how: string }[];
}
export const rect = (x: number, y: number, width: number, height: number): string =>
    `M${x} ${y}h${width}v${height}h${-width}z`;
