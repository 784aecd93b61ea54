import { afterEach, describe, expect, it, vi } from 'vitest';

vi.mock('../../api/session', () => ({ session: { preferences: { units: 'metric' } } }));

import { session } from '../../api/session';
import bench from '../../../../core/data/bench.json';
import {
    format,
    fromShown,
    inner,
    kind,
    ofMaterial,
    shownUnit,
    title,
    toShown,
    typed,
    unitOf,
    withUnit,
} from './schema';

const inches = () => (session.preferences.units = 'us');
afterEach(() => (session.preferences.units = 'metric'));

describe('a name tells its unit', () => {
    it.each([
        ['thickness_mm', 'mm'],
        ['density_solid_g_cm3', 'g/cm³'],
        ['conductivity_solid_w_mk', 'W/mK'],
        ['contact_w_m2k', 'W/m²K'],
        ['platen_kj_k', 'kJ/K'],
        ['leak_mbar_l_s', 'mbar·l/s'],
        ['expansion_1_k', '1/K'],
        ['fill_time_s', 's'],
        ['soak_min', 'min'],
        ['yield_pct', '%'],
        ['mass_per_m_g', 'g/m'],
        ['count', ''],
    ])('%s is in %s', (name, unit) => expect(unitOf(name)).toBe(unit));

    it('what the contract says goes before the ending', () => {
        expect(unitOf('leak_kpa_min', { 'x-unit': 'kPa/min' })).toBe('kPa/min');
        expect(unitOf('area', { 'x-unit': 'cm2' })).toBe('cm²');
    });

    it.each([
        ['thickness_mm', 'Thickness'],
        ['minutes_to_skin_mm', 'Minutes to skin'],
        ['skin_mm_at', 'Skin at'],
        ['core_c_at', 'Core at'],
        ['polymer', 'Polymer'],
    ])('%s is called %s', (name, called) => expect(title(name)).toBe(called));
});

describe('shapes of JSON Schema', () => {
    it('look through a null and an any-of', () => {
        expect(kind({ type: ['number', 'null'] })).toBe('number');
        expect(kind({ anyOf: [{ type: 'object', properties: {} }, { type: 'null' }] })).toBe('object');
        expect(
            inner({ anyOf: [{ type: 'null' }, { type: 'array', items: { type: 'number' } }] }).items,
        ).toEqual({ type: 'number' });
        expect(kind({})).toBe('any');
    });

    it('know what belongs to a material, but leave what is chosen first', () => {
        const part = { 'x-part': 'material' };
        expect(ofMaterial('tg_c', part)).toBe(true);
        expect(ofMaterial('polymer', part)).toBe(false);
        expect(ofMaterial('bulk_density_g_cm3', part)).toBe(false);
        expect(ofMaterial('tg_c', {})).toBe(false);
    });
});

describe('numbers as they are read', () => {
    it.each([
        [null, '–'],
        [undefined, '–'],
        [true, 'yes'],
        [false, 'no'],
        ['core_cold', 'core cold'],
        [0, '0'],
        [-12.345, '−12.35'],
        [1234567, '1.235e+6'],
        [0.00001, '1.000e−5'],
        [1234.6, '1\u202F235'],
        [123.456, '123.5'],
        [0.123456, '0.1235'],
        [[], 'none'],
        [[1, 2], '1; 2'],
    ])('%s is %s', (value, text) => expect(format(value)).toBe(text));

    it('says the parts of a thing in words', () => {
        expect(format({ says: 'heat time ratio: 0.8', ratio: 5 })).toBe('heat time ratio: 0.8');
        expect(format({ heater_kw: 1.2, platen_kj_k: 12, low: null })).toBe('heater 1.2, platen 12');
        expect(format([{ name: 'bed' }, { name: 'frame' }])).toBe('bed; frame');
    });

    it.each(['mm', 'm', 'cm²', 'cm³', 'l', 'g', 'kg/h', '°C', 'K', 'bar', 'kPa', 'min'])(
        '%s goes to inches and back',
        (unit) => {
            inches();
            expect(fromShown(toShown(123.4, unit), unit)).toBeCloseTo(123.4, 9);
            expect(shownUnit(unit)).not.toBe('');
        },
    );

    it('shows what somebody with inches thinks in', () => {
        expect(withUnit(25.4, 'mm')).toBe('25.4\u00A0mm');
        inches();
        expect(withUnit(25.4, 'mm')).toBe('1\u00A0in');
        expect(withUnit(100, '°C')).toBe('212\u00A0°F');
        // A difference is no temperature.
        expect(withUnit(10, 'K')).toBe('18\u00A0°F');
        expect(withUnit(5, 'kW')).toBe('5\u00A0kW');
    });

    it('knows what can be typed with a unit of its own', () => {
        expect(typed('mm')).toEqual({ kind: 'length', base: 1 });
        expect(typed('m')).toEqual({ kind: 'length', base: 1000 });
        expect(typed('s')).toEqual({ kind: 'time', base: 1 / 60 });
        expect(typed('kW')).toBeNull();
    });
});

it('the bench has a title and words for everything, each once', () => {
    const names = bench.map((e) => e.name);
    expect(new Set(names).size).toBe(names.length);
    for (const entry of bench) {
        expect(entry.title.length, entry.name).toBeGreaterThan(3);
        expect(entry.words.length, entry.name).toBeGreaterThan(3);
        expect(Object.keys(entry.example).length, entry.name).toBeGreaterThan(0);
    }
});
