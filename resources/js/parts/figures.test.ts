import { afterEach, describe, expect, it } from 'vitest';
import type { Figure } from '../api/types';
import { session } from '../api/session';
import { figureOf, figureText, measuredText } from './figures';

const figure = (over: Partial<Figure>): Figure => ({
    id: 'x',
    label: 'X',
    dimension: 'length',
    decimals: 1,
    measured: false,
    value: 1,
    ...over,
});
const plain = (text: string) => text.replaceAll('\u00A0', ' ').replaceAll('\u202F', ' ');

describe('a figure of a run in words', () => {
    afterEach(() => {
        session.preferences.units = 'metric';
    });
    it.each([
        ['length', 2, 8.047, '8.05 mm'],
        ['percent', 1, 97.46, '97.5 %'],
        ['seconds', 0, 733.7, '734 s'],
        ['minutes', 0, 12.2, '12.2 min'],
        ['mass', 1, 38.45, '38.5 g'],
        ['temperature', 0, 220.4, '220 °C'],
    ])('%s to %d decimals', (dimension, decimals, value, says) =>
        expect(plain(figureText(figure({ dimension, decimals, value })))).toBe(says),
    );
    it('says nothing of what is not there', () => {
        expect(figureText(figure({ value: null }))).toBe('–');
        expect(figureText(undefined)).toBe('–');
    });
    it('is in the units of the person', () => {
        session.preferences.units = 'us';
        expect(plain(figureText(figure({ dimension: 'temperature', decimals: 0, value: 100 })))).toBe(
            '212 °F',
        );
    });
    it('finds one by its name and tells those that were measured', () => {
        const all = [
            figure({ id: 'a', label: 'Melt' }),
            figure({ id: 'b', label: 'Mean', measured: true, value: 8, decimals: 2 }),
            figure({ id: 'c', label: 'Voids', measured: true, value: null }),
        ];
        expect(figureOf(all, 'b')?.label).toBe('Mean');
        expect(plain(measuredText(all))).toBe('Mean 8.00 mm');
        expect(measuredText(all.slice(0, 1))).toBe('');
    });
});
