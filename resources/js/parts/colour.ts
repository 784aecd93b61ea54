/** Temperature as colour, the same everywhere: slate when cold, pale where it softens, ember when hot. Display only. */
const STOPS: [number, number, number, number][] = [
    [20, 40, 96, 124],
    [60, 108, 161, 182],
    [100, 205, 217, 214],
    [125, 243, 226, 200],
    [150, 238, 160, 112],
    [180, 200, 69, 26],
    [230, 110, 22, 22],
];

export function heatColour(c: number): string {
    const first = STOPS[0]!;
    if (c <= first[0]) return `rgb(${first[1]} ${first[2]} ${first[3]})`;
    for (let i = 1; i < STOPS.length; i++) {
        const a = STOPS[i - 1]!;
        const b = STOPS[i]!;
        if (c <= b[0]) {
            const u = (c - a[0]) / (b[0] - a[0]);
            return `rgb(${[1, 2, 3].map((k) => Math.round(a[k]! + (b[k]! - a[k]!) * u)).join(' ')})`;
        }
    }
    const last = STOPS[STOPS.length - 1]!;
    return `rgb(${last[1]} ${last[2]} ${last[3]})`;
}

/** Black or white, whichever is read better on that heat (relative luminance and contrast of WCAG 2.2). */
export function inkOnHeat(c: number): string {
    const [r, g, b] = heatColour(c)
        .match(/\d+/g)!
        .map((v) => {
            const part = Number(v) / 255;
            return part <= 0.04045 ? part / 12.92 : ((part + 0.055) / 1.055) ** 2.4;
        }) as [number, number, number];
    const luminance = 0.2126 * r + 0.7152 * g + 0.0722 * b;
    return (luminance + 0.05) / 0.05 > 1.05 / (luminance + 0.05) ? '#000' : '#fff';
}
