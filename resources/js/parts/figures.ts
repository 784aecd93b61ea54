import type { Dimension, Figure } from '../api/types';
import { number, show } from './units';

/** What a process names of a run, set or measured, in the person's units. */
export function figureText(figure: Figure | undefined): string {
    const value = figure?.value ?? null;
    if (!figure || value === null) return '–';
    if (figure.dimension === 'percent') return `${number(value, figure.decimals)} %`;
    if (figure.dimension === 'seconds') return `${number(value, figure.decimals)} s`;
    if (figure.dimension === 'minutes') return show(value, 'time');
    return show(value, figure.dimension as Dimension, figure.decimals);
}

export const figureOf = (figures: Figure[], id: string) => figures.find((f) => f.id === id);

/** Those that were measured, in words: "Mean 8,1 mm, range 0,4 mm"; nothing before there are any. */
export function measuredText(figures: Figure[]): string {
    return figures
        .filter((f) => f.measured && f.value !== null)
        .map((f) => `${f.label} ${figureText(f)}`)
        .join(', ');
}
