import { beforeEach, describe, expect, it } from 'vitest';
import { session } from '../api/session';
import { clockText, dateText, minutesText, number, show, toShop } from './units';

const units = (name: 'metric' | 'us') => Object.assign(session.preferences, { units: name });
beforeEach(() => units('metric'));

describe('what a person sees', () => {
    it('writes a mass in grams, and from ten kilograms in kilograms', () => {
        expect(show(2166, 'mass')).toBe('2\u202F166\u00A0g');
        expect(show(9999, 'mass')).toBe('9\u202F999\u00A0g');
        expect(show(39_700, 'mass')).toBe('39.7\u00A0kg');
    });

    it('shows nothing that is not a number as one', () => {
        for (const value of [null, undefined, Number.NaN, Infinity]) expect(show(value, 'mass')).toBe('–');
    });

    it('follows the person: the same quantities in inches, pounds, °F and psi', () => {
        units('us');
        expect(show(25.4, 'length')).toBe('1.000\u00A0in');
        expect(show(453.59237, 'mass')).toBe('1.00\u00A0lb');
        expect(show(185, 'temperature')).toBe('365\u00A0°F');
        expect(show(6.89475729, 'pressure')).toBe('100\u00A0psi');
    });

    it.each([
        ['length', 1, 25.4],
        ['mass', 1, 453.59237],
        ['temperature', 365, 185],
        ['temperature', 32, 0],
        ['pressure', 100, 6.89475729],
        ['time', 3, 3],
    ] as const)('takes a bare number in the unit of the person: %s %d', (dimension, typed, kept) => {
        expect(toShop(typed, dimension)).toBeCloseTo(typed, 9);
        units('us');
        expect(toShop(typed, dimension)).toBeCloseTo(kept, 6);
    });

    it('has a minus that is one, and thin spaces between thousands', () => {
        expect(number(-1234.5, 1)).toBe('−1\u202F234.5');
        expect([number(-0, 0), number(-0.04, 1), number(-0.06, 1)]).toEqual(['0', '0.0', '−0.1']);
    });
});

describe('time', () => {
    it.each([
        [0, '0:00'],
        [59.2, '1:00'],
        [60, '1:00'],
        [754, '12:34'],
        [3600, '1:00:00'],
        [3725, '1:02:05'],
        [-75, '−1:15'],
        [-0.3, '0:01'],
    ])('counts %d s as %s', (seconds, text) => {
        expect(clockText(seconds)).toBe(text);
    });

    it.each([
        [0.5, '0.5 min'],
        [9.94, '9.9 min'],
        [12.3, '12 min'],
        [59.7, '1 h 0 min'],
        [119.7, '2 h 0 min'],
        [150, '2 h 30 min'],
    ])('writes %d min as %s', (minutes, text) => {
        expect(minutesText(minutes)).toBe(text);
    });

    it('names the year of what ends long from today', () => {
        expect(dateText(Date.UTC(2027, 10, 26, 12) / 1000)).toBe('26 Nov 2027');
    });
});
