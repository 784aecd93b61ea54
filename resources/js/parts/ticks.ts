/** Round values to name along an axis, about so many of them, all of them on it. */
export function ticks(low: number, high: number, about = 4): number[] {
    const rough = (high - low || 1) / about;
    const power = 10 ** Math.floor(Math.log10(rough));
    const step = [1, 2, 5, 10].map((m) => m * power).find((s) => s >= rough) ?? rough;
    const first = Math.ceil(low / step - 1e-9);
    return Array.from({ length: Math.floor(high / step + 1e-9) - first + 1 }, (_, i) => (first + i) * step);
}
