import { inner, kind, type Shape, type Values } from './schema';

/** What the shop knows of a machine or a part, where this question asks for it by the same name; groups too, when all they need is known. */
export function takeFrom(known: Values, shape: Shape, into: Values): [Values, string[]] {
    const next = { ...into };
    const taken: string[] = [];
    for (const [key, field] of Object.entries(shape.properties ?? {})) {
        const group = inner(field);
        if (known[key] !== undefined && known[key] !== null && kind(field) !== 'object') {
            next[key] = known[key];
            taken.push(key);
        } else if (
            kind(field) === 'object' &&
            group.properties &&
            (group.required ?? []).every(
                (k) => known[k] !== undefined || (into[key] as Values | undefined)?.[k] !== undefined,
            )
        ) {
            // Of what stood there only what is needed and not known stays: the rest was another machine's.
            const before = (into[key] ?? {}) as Values;
            const [inside, of] = takeFrom(
                known,
                group,
                Object.fromEntries(Object.entries(before).filter(([k]) => group.required?.includes(k))),
            );
            if (of.length > 0) {
                next[key] = inside;
                taken.push(...of);
            }
        }
    }
    return [next, taken];
}
