/** What the shop takes as CSV: its name, its columns, and how a file of it is told from the others. */
export interface CsvKind {
    id: string;
    says: string;
    /** what goes out under this name, where it is not what comes in */
    out?: string;
    columns: readonly string[];
    also?: readonly string[];
    note?: string;
}
export const KINDS: readonly CsvKind[] = [
    {
        id: 'lots',
        says: 'Lots',
        columns: ['source', 'polymer', 'form', 'colour', 'mass_g'],
        also: ['code', 'swatch', 'location', 'tare_g'],
        note: 'with a code, what it names is changed',
    },
    { id: 'sources', says: 'Sources', columns: ['name'], also: ['note'] },
    {
        id: 'movements',
        says: 'Corrections to lots',
        out: 'The whole ledger',
        columns: ['lot', 'mass_g', 'reason'],
    },
    {
        id: 'mixes',
        says: 'Mixes',
        columns: ['mix', 'polymer', 'component', 'parts'],
        also: ['swatch', 'kind'],
    },
    {
        id: 'machines',
        says: 'Machines and moulds',
        columns: ['machine', 'kind', 'fact', 'value'],
        also: ['origin'],
        note: 'a row for each fact',
    },
    {
        id: 'products',
        says: 'Products',
        columns: ['product', 'process', 'polymer', 'number', 'value'],
        also: ['mould', 'note'],
        note: 'a row for each number',
    },
    {
        id: 'setups',
        says: 'Set-ups',
        columns: ['product', 'machine', 'setting', 'value'],
        also: ['note'],
        note: 'a row for each setting or method; what a file says of a product on a machine is its next version',
    },
    {
        id: 'finishing',
        says: 'What is done after a run',
        columns: ['product', 'operation', 'minutes'],
        also: ['hands', 'part', 'count', 'reorder_at', 'order_to', 'comes_days'],
        note: 'a row for each operation, one more for each further part; what a file says of a product is all of it',
    },
    {
        id: 'values',
        says: 'Own values of polymers',
        columns: ['polymer', 'property', 'value', 'reason'],
        note: 'a row for each; without a value it goes back to the library',
    },
    {
        id: 'procedures',
        says: 'How we work',
        columns: ['procedure', 'step', 'own', 'what', 'value'],
        note: 'a row for each thing that is otherwise than shipped; it becomes a proposal, which a lead decides on',
    },
];

/** The columns of a file by its first line, as spreadsheets write it. */
export function columnsOf(text: string): string[] {
    const first = text.replace(/^\uFEFF/, '').split(/\r?\n/, 1)[0] ?? '';
    const count = (sign: string) => first.split(sign).length;
    const sign = [',', ';', '\t'].reduce((a, b) => (count(b) > count(a) ? b : a));
    return first
        .split(sign)
        .map((name) => name.trim().replace(/^"|"$/g, '').trim().toLowerCase())
        .filter((name) => name !== '');
}

/** Which kind has all its columns in a file: the one that needs the most of them. */
export function kindOf(columns: readonly string[]): CsvKind | null {
    const fits = KINDS.filter((kind) => kind.columns.every((column) => columns.includes(column)));
    return fits.reduce<CsvKind | null>(
        (best, kind) => (best === null || kind.columns.length > best.columns.length ? kind : best),
        null,
    );
}
