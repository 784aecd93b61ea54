import { session } from '../../api/session';
import type { Dimension } from '../../api/types';
import { capital } from '../../parts/text';

/** The part of JSON Schema that the calculations use. */
export interface Shape {
    type?: string | string[];
    enum?: (string | null)[];
    properties?: Record<string, Shape>;
    required?: string[];
    items?: Shape;
    anyOf?: Shape[];
    description?: string;
    default?: unknown;
    minimum?: number;
    maximum?: number;
    exclusiveMinimum?: number;
    exclusiveMaximum?: number;
    additionalProperties?: Shape;
    'x-unit'?: string;
    'x-part'?: string;
}
export interface CalcSchema {
    name: string;
    purpose: string;
    input: Shape;
    result: Shape;
}
export interface Entry {
    name: string;
    purpose: string;
    group: string;
    title: string;
    words: string;
    example: Record<string, unknown>;
}
export type Values = Record<string, unknown>;

const UNIT_ENDS: [RegExp, string][] = [
    [/_cm3_min$/, 'cm³/min'],
    [/_k_min$/, 'K/min'],
    [/_mbar_l_s$/, 'mbar·l/s'],
    [/_n_per_cm2$/, 'N/cm²'],
    [/_1_k$/, '1/K'],
    [/_m2_s$/, 'm²/s'],
    [/_j_m2$/, 'J/m²'],
    [/_kj_k$/, 'kJ/K'],
    [/_kw$/, 'kW'],
    [/_w_k$/, 'W/K'],
    [/_kj$/, 'kJ'],
    [/_nm$/, 'Nm'],
    [/_n$/, 'N'],
    [/_m$/, 'm'],
    [/_t$/, 't'],
    [/_per_m_g$/, 'g/m'],
    [/_w_m2k$/, 'W/m²K'],
    [/_w_mk$/, 'W/mK'],
    [/_j_gk$/, 'J/gK'],
    [/_g_cm3$/, 'g/cm³'],
    [/_kg_m3$/, 'kg/m³'],
    [/_mm_s$/, 'mm/s'],
    [/_l_min$/, 'l/min'],
    [/_mm2$/, 'mm²'],
    [/_cm3$/, 'cm³'],
    [/_cm2$/, 'cm²'],
    [/_mm$/, 'mm'],
    [/_kg_h$/, 'kg/h'],
    [/_kpa$/, 'kPa'],
    [/_bar$/, 'bar'],
    [/_kn$/, 'kN'],
    [/_min$/, 'min'],
    [/_pct$/, '%'],
    [/_deg$/, '°'],
    [/_g$/, 'g'],
    [/_s$/, 's'],
    [/_c$/, '°C'],
    [/_l$/, 'l'],
    [/_k$/, 'K'],
];

export const inner = (shape: Shape): Shape =>
    shape.anyOf ? { ...shape, ...(shape.anyOf.find((s) => s.type !== 'null') ?? {}) } : shape;
export const kind = (shape: Shape): string => {
    const t = inner(shape).type;
    return Array.isArray(t) ? (t.find((x) => x !== 'null') ?? 'string') : (t ?? 'any');
};
/** A polymer's own properties stand level with the rest; the contract says which they are. */
export const ofMaterial = (name: string, shape: Shape): boolean =>
    shape['x-part'] === 'material' && name !== 'polymer' && name !== 'bulk_density_g_cm3';
export const unitOf = (name: string, shape?: Shape): string =>
    shape?.['x-unit']
        ?.replace('cm2', 'cm²')
        .replace('m2', 'm²')
        .replace('cm3', 'cm³')
        .replace('m3', 'm³')
        .replace('mm²', 'mm²') ??
    UNIT_ENDS.find(([end]) => end.test(name))?.[1] ??
    '';

/** "thickness_mm" → "Thickness"; the unit stands by the number. */
export function title(name: string): string {
    name = name.replace(/_(mm|c)_at$/, '_at').replace(/^minutes_to_(.*)_mm$/, 'minutes_to_$1');
    const bare = UNIT_ENDS.reduce(
        (text, [end]) => (text === name ? text.replace(end, '') : text),
        name,
    ).replaceAll('_', ' ');
    return capital(bare);
}

/** How a unit of the core is shown to somebody who thinks in inches, and what the core calls the quantity when it is typed. */
interface Habit {
    us: string;
    by: number;
    plus?: number;
    kind?: Dimension;
    base?: number;
}
const HABITS: Record<string, Habit> = {
    mm: { us: 'in', by: 1 / 25.4, kind: 'length', base: 1 },
    m: { us: 'ft', by: 1 / 0.3048, kind: 'length', base: 1000 },
    'mm/s': { us: 'in/s', by: 1 / 25.4 },
    'cm²': { us: 'in²', by: 1 / 6.4516 },
    'mm²': { us: 'in²', by: 1 / 645.16 },
    'cm³': { us: 'in³', by: 1 / 16.387064 },
    l: { us: 'in³', by: 1000 / 16.387064 },
    g: { us: 'oz', by: 1 / 28.349523125, kind: 'mass', base: 1 },
    'kg/h': { us: 'lb/h', by: 1 / 0.45359237 },
    '°C': { us: '°F', by: 1.8, plus: 32, kind: 'temperature', base: 1 },
    K: { us: '°F', by: 1.8 },
    bar: { us: 'psi', by: 1 / 0.0689475729316836, kind: 'pressure', base: 1 },
    kPa: { us: 'inHg abs', by: 1 / 3.386389, kind: 'pressure', base: 0.01 },
    min: { us: 'min', by: 1, kind: 'time', base: 1 },
    s: { us: 's', by: 1, kind: 'time', base: 1 / 60 },
};
const inUs = (unit: string): Habit | undefined =>
    session.preferences.units === 'us' ? HABITS[unit] : undefined;

export const WHAT: Record<string, string> = {
    l: 'volume',
    kPa: 'pressure',
    bar: 'pressure',
    'l/min': 'flow',
    mm: 'size',
    g: 'mass',
    '°C': 'temperature',
    s: 'time',
    min: 'time',
    kW: 'power',
    'kJ/K': 'heat capacity',
};
export const shownUnit = (unit: string): string => inUs(unit)?.us ?? unit;
export const toShown = (value: number, unit: string): number => {
    const h = inUs(unit);
    return h ? value * h.by + (h.plus ?? 0) : value;
};
export const fromShown = (value: number, unit: string): number => {
    const h = inUs(unit);
    return h ? (value - (h.plus ?? 0)) / h.by : value;
};
/** What `quantity.parse` is asked for a text in this unit, and how many of its own unit one of ours is. */
export const typed = (unit: string): { kind: Dimension; base: number } | null => {
    const h = HABITS[unit];
    return h?.kind ? { kind: h.kind, base: h.base ?? 1 } : null;
};

export function format(value: unknown, unit = ''): string {
    if (value === null || value === undefined) return '–';
    if (typeof value === 'boolean') return value ? 'yes' : 'no';
    if (Array.isArray(value)) return value.length === 0 ? 'none' : value.map((one) => format(one)).join('; ');
    if (typeof value === 'object') return inWords(value as Record<string, unknown>);
    if (typeof value !== 'number') return String(value).replaceAll('_', ' ');
    const n = toShown(value, unit);
    if (n === 0) return '0';
    const size = Math.abs(n);
    const text =
        size >= 1e6 || size < 1e-4
            ? n.toExponential(3)
            : n
                  .toLocaleString('en', {
                      maximumFractionDigits: size >= 1000 ? 0 : size >= 100 ? 1 : size >= 1 ? 2 : 4,
                  })
                  .replaceAll(',', '\u202F');
    return text.replace('-', '−');
}
/** Something with parts of its own, inside a table's cell: what it says, else its parts one after the other. */
function inWords(of: Record<string, unknown>): string {
    const said = of.says ?? of.name ?? of.title;
    if (typeof said === 'string') return said;
    return Object.entries(of)
        .filter(([, v]) => v !== null)
        .map(([k, v]) => `${title(k).toLowerCase()} ${format(v, unitOf(k))}`)
        .join(', ');
}
export const withUnit = (value: number, unit: string): string =>
    `${format(value, unit)}\u00A0${shownUnit(unit)}`;
