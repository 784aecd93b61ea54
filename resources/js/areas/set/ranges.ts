import type { AnyPlan, Dimension } from '../../api/types';

type Setting = AnyPlan['settings'][number];
/** What the schema of a process's settings says of one of them. */
export interface Bounds {
    minimum?: number;
    exclusiveMinimum?: number;
    maximum?: number;
    description?: string;
}

const DIMENSIONS: Record<string, Dimension> = {
    mm: 'length',
    g: 'mass',
    '°C': 'temperature',
    min: 'time',
    bar: 'pressure',
};
export const dimensionOf = (unit: string): Dimension => DIMENSIONS[unit] ?? 'number';

/** A slider's span: around its window where it has one, else around what it is; never past what the core takes. */
export function rangeOf(setting: Setting, bounds: Bounds): { min: number; max: number; step: number } {
    const value = setting.value ?? 0;
    const [low, high] = [setting.low ?? null, setting.high ?? null];
    const room = low !== null && high !== null ? (high - low) / 2 : 0;
    const from = low !== null && high !== null ? low - room : value < 0 ? 3 * value : 0.3 * value;
    const to = low !== null && high !== null ? high + room : value > 0 ? 3 * value : 10;
    const least = bounds.minimum ?? bounds.exclusiveMinimum ?? -Infinity;
    const step = niceStep(to - from);
    const first = bounds.exclusiveMinimum !== undefined ? least + step : least;
    const min = Math.max(first, Math.min(from, value));
    const max = Math.min(bounds.maximum ?? Infinity, Math.max(to, value));
    return { min: Math.floor(min / step) * step || 0, max: Math.ceil(max / step) * step, step };
}

/** 1, 2 or 5 times a power of ten: about a hundred of them over the span. */
export function niceStep(span: number): number {
    const rough = Math.max(1e-6, Math.abs(span) / 100);
    const power = 10 ** Math.floor(Math.log10(rough));
    const share = rough / power;
    return (share < 1.5 ? 1 : share < 3.5 ? 2 : share < 7.5 ? 5 : 10) * power;
}

/** As many decimals as the step has. */
export const decimalsOf = (step: number) => Math.max(0, -Math.floor(Math.log10(step) + 1e-9));
