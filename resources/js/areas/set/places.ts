import type { Machine, Process } from '../../api/types';
import { title } from '../reckon/schema';

type Places = Record<string, number | null>;

/** Machines that can take a place of a process. */
export function takers(process: Process | null, machines: Machine[], role: string): Machine[] {
    const kinds = process?.roles.find((r) => r.id === role)?.kinds ?? [];
    return machines.filter((m) => kinds.includes(m.kind));
}

/**
 * Every place gets a machine that can take it; one that was chosen stays. A mould is the product's own, while it is in
 * use, not just any that would fit the process.
 */
export function filled(
    process: Process | null,
    machines: Machine[],
    chosen: Places,
    mould: number | null | undefined,
): Record<string, number | null> {
    return Object.fromEntries(
        (process?.roles ?? []).map((role) => {
            const can = takers(process, machines, role.id);
            const kept = can.find((m) => m.id === chosen[role.id]);
            const usual = role.throughout ? can.find((m) => m.id === mould) : can[0];
            return [role.id, (kept ?? usual)?.id ?? null];
        }),
    );
}

/** What was chosen, without what hangs for one product only. */
export function withoutMoulds(process: Process | null, chosen: Places): Places {
    const moulds = (process?.roles ?? []).filter((r) => r.throughout).map((r) => r.id);
    return Object.fromEntries(Object.entries(chosen).filter(([role]) => !moulds.includes(role)));
}

/** What a refusal is about, in words, and the place whose machine it is about: "machines.barrel.max_c". */
export function about(process: Process | null, field: string): { says: string; role: string | null } {
    const [of, ...rest] = field.split('.');
    if (of !== 'machines') return { says: title(rest[0] ?? of ?? ''), role: null };
    const [id, fact] = rest;
    const role = process?.roles.find((r) => r.id === id);
    const says = [title(role?.title ?? id ?? ''), ...(fact ? [title(fact).toLowerCase()] : [])];
    return { says: says.join(', '), role: role?.id ?? null };
}
