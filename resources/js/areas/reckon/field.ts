import { inner, kind, type Shape, type Values } from './schema';

/** A field of a calculation's form. */
export interface FormField {
    name: string;
    shape: Shape;
    as: string;
    needed: boolean;
    own: boolean;
    unit: string;
    about: string;
}

/** How a field is entered, by what its schema says it is. */
export function entryOf(name: string, shape: Shape): string {
    const s = inner(shape);
    if (name === 'polymer') return 'polymer';
    if (name === 'file') return 'mesh';
    if (s.enum) return 'choice';
    const k = kind(shape);
    if (k === 'array')
        return s.items?.properties
            ? 'list'
            : s.items?.type === 'number'
              ? 'numbers'
              : s.items?.type === 'string'
                ? 'words'
                : 'json';
    if (k === 'object') return s.properties ? 'group' : s.additionalProperties ? 'counts' : 'json';
    return k === 'integer' ? 'number' : k === 'any' ? 'json' : k;
}
const parts = (text: string) =>
    text
        .split(/[;\s]+|,(?!\d)|(?<=\d),(?=\s)/)
        .map((t) => t.trim())
        .filter(Boolean);
export const numbers = (text: string) =>
    parts(text).map((t) => {
        const n = Number(t.replace(',', '.').replace('−', '-'));
        return Number.isNaN(n) ? t : n;
    });
export const counts = (text: string) =>
    Object.fromEntries(
        text
            .split(/[,;\n]+/)
            .map((t) => /^\s*(.+?)\s*[:= ]\s*(\d+)\s*$/.exec(t))
            .filter((m) => m !== null)
            .map((m) => [m[1]!.replaceAll(' ', '_'), Number(m[2])]),
    );
/** What stands in a field, as it is typed. */
export const asText = (as: string, value: unknown) =>
    value === undefined
        ? ''
        : as === 'counts'
          ? Object.entries(value as Values)
                .map(([k, v]) => `${k.replaceAll('_', ' ')}: ${String(v)}`)
                .join(', ')
          : Array.isArray(value) && as !== 'json'
            ? value.join(', ')
            : typeof value === 'string'
              ? value
              : JSON.stringify(value);
