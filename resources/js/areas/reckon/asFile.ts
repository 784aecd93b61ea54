import type { Values } from './schema';

const flat = (o: Values, p = ''): [string, unknown][] =>
    Object.entries(o).flatMap(([k, v]) =>
        v !== null && typeof v === 'object'
            ? flat(v as Values, `${p}${k}.`)
            : [[`${p}${k}`, v] as [string, unknown]],
    );
/** A cell that no spreadsheet runs. */
const cell = (v: unknown) => {
    const t = String(v ?? '');
    return `"${(typeof v === 'string' && /^[=+\-@]/.test(t) ? `'${t}` : t).replaceAll('"', '""')}"`;
};

/** A question and its answer as a file to keep. */
export function asText(type: 'json' | 'csv', calc: string, input: Values, result: Values): string {
    if (type === 'json') return JSON.stringify({ calc, input, result }, null, 2);
    return [
        ['side', 'field', 'value'],
        ...flat(input).map(([k, v]) => ['input', k, v]),
        ...flat(result).map(([k, v]) => ['result', k, v]),
    ]
        .map((row) => row.map(cell).join(','))
        .join('\r\n');
}

export function save(type: 'json' | 'csv', calc: string, input: Values, result: Values): void {
    const a = document.createElement('a');
    a.href = URL.createObjectURL(
        new Blob([asText(type, calc, input, result)], {
            type: type === 'json' ? 'application/json' : 'text/csv',
        }),
    );
    a.download = `${calc}.${type}`;
    a.click();
    URL.revokeObjectURL(a.href);
}
