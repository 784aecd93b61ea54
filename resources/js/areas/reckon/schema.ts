/** The part of JSON Schema that the calculations use. */
export interface Shape {
    type?: string | string[]; enum?: (string | null)[]; properties?: Record<string, Shape>; required?: string[]; items?: Shape; anyOf?: Shape[];
    description?: string; default?: unknown; minimum?: number; maximum?: number; exclusiveMinimum?: number; exclusiveMaximum?: number; additionalProperties?: Shape; 'x-unit'?: string;
}
export interface CalcSchema { name: string; purpose: string; input: Shape; result: Shape }
export interface Entry { name: string; purpose: string; group: string; title: string; words: string; example: Record<string, unknown> }

/** A polymer's own properties stand on the same level as the rest; on the bench they fold away. */
export const MATERIAL = ['morphology', 'density_solid_g_cm3', 'density_melt_g_cm3', 'conductivity_solid_w_mk', 'conductivity_melt_w_mk', 'specific_heat_solid_j_gk', 'specific_heat_melt_j_gk', 'tg_c', 'tm_c', 'tc_c', 'heat_of_fusion_j_g', 'melt_width_k', 'consolidate_start_c', 'consolidate_end_c', 'demould_c', 'absorptivity'];

const UNIT_ENDS: [RegExp, string][] = [[/_cm3_min$/, 'cm³/min'], [/_k_min$/, 'K/min'], [/_mbar_l_s$/, 'mbar·l/s'], [/_n_per_cm2$/, 'N/cm²'], [/_1_k$/, '1/K'], [/_m2_s$/, 'm²/s'], [/_j_m2$/, 'J/m²'], [/_kj_k$/, 'kJ/K'], [/_kw$/, 'kW'], [/_w_k$/, 'W/K'], [/_kj$/, 'kJ'], [/_nm$/, 'Nm'], [/_n$/, 'N'], [/_m$/, 'm'], [/_t$/, 't'], [/_per_m_g$/, 'g/m'], [/_w_m2k$/, 'W/m²K'], [/_w_mk$/, 'W/mK'], [/_j_gk$/, 'J/gK'], [/_g_cm3$/, 'g/cm³'], [/_kg_m3$/, 'kg/m³'], [/_mm_s$/, 'mm/s'], [/_l_min$/, 'l/min'], [/_mm2$/, 'mm²'], [/_cm3$/, 'cm³'], [/_cm2$/, 'cm²'], [/_mm$/, 'mm'], [/_kg_h$/, 'kg/h'], [/_kpa$/, 'kPa'], [/_bar$/, 'bar'], [/_kn$/, 'kN'], [/_min$/, 'min'], [/_pct$/, '%'], [/_deg$/, '°'], [/_g$/, 'g'], [/_s$/, 's'], [/_c$/, '°C'], [/_l$/, 'l'], [/_k$/, 'K']];

export const inner = (shape: Shape): Shape => (shape.anyOf ? { ...shape, ...(shape.anyOf.find((s) => s.type !== 'null') ?? {}) } : shape);
export const kind = (shape: Shape): string => { const t = inner(shape).type; return Array.isArray(t) ? (t.find((x) => x !== 'null') ?? 'string') : (t ?? 'any'); };
export const unitOf = (name: string, shape?: Shape): string => shape?.['x-unit']?.replace('cm2', 'cm²').replace('m2', 'm²').replace('cm3', 'cm³').replace('m3', 'm³').replace('mm²', 'mm²') ?? UNIT_ENDS.find(([end]) => end.test(name))?.[1] ?? '';

/** "thickness_mm" → "Thickness"; the unit stands by the number. */
export function title(name: string): string {
    const bare = UNIT_ENDS.reduce((text, [end]) => (text === name ? text.replace(end, '') : text), name).replaceAll('_', ' ');
    return bare.charAt(0).toUpperCase() + bare.slice(1);
}

export function format(value: unknown): string {
    if (value === null || value === undefined) return '–';
    if (typeof value === 'boolean') return value ? 'yes' : 'no';
    if (typeof value !== 'number') return typeof value === 'object' ? JSON.stringify(value) : String(value).replaceAll('_', ' ');
    if (value === 0) return '0';
    const size = Math.abs(value);
    const text = size >= 1e6 || size < 1e-4 ? value.toExponential(3) : value.toLocaleString('en', { maximumFractionDigits: size >= 1000 ? 0 : size >= 100 ? 1 : size >= 1 ? 2 : 4 }).replaceAll(',', '\u202F');
    return text.replace('-', '−');
}
