import { describe, expect, it } from 'vitest';
import { heatColour, inkOnHeat } from './colour';

const luminance = (rgb: number[]) => {
    const [r, g, b] = rgb.map((v) =>
        v / 255 <= 0.04045 ? v / 255 / 12.92 : ((v / 255 + 0.055) / 1.055) ** 2.4,
    );
    return 0.2126 * r! + 0.7152 * g! + 0.0722 * b!;
};
const channels = (c: number) => heatColour(c).match(/\d+/g)!.map(Number);

describe('heat as a colour', () => {
    it('is a colour at every heat, and stays at its ends beyond them', () => {
        for (let c = -100; c <= 900; c += 7)
            for (const part of channels(c)) expect(part >= 0 && part <= 255).toBe(true);
        expect(heatColour(-500)).toBe(heatColour(-100));
        expect(heatColour(5000)).toBe(heatColour(900));
    });

    it('goes from cold to hot without a jump', () => {
        for (let c = 0; c < 400; c++) {
            const [before, after] = [channels(c), channels(c + 1)];
            expect(Math.max(...before.map((v, i) => Math.abs(v - after[i]!)))).toBeLessThan(12);
        }
    });

    it('carries a number that can be read, at every heat (4.5 to 1, WCAG 2.2)', () => {
        for (let c = 0; c <= 450; c++) {
            const ground = luminance(channels(c));
            const ink = inkOnHeat(c) === '#000' ? 0 : 1;
            const contrast = (Math.max(ground, ink) + 0.05) / (Math.min(ground, ink) + 0.05);
            expect(contrast, `${c} °C`).toBeGreaterThanOrEqual(4.5);
        }
    });
});
