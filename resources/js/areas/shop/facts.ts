import type { Machine, MachineKind } from '../../api/types';
import { title } from '../reckon/schema';

/** A fact's name without the unit that it ends in: "heater_kw" in kW is "Heater". */
export function called(name: string, unit: string): string {
    const end = `_${unit
        .toLowerCase()
        .replace('/', '_per_')
        .replace(/[^a-z0-9]+/g, '_')}`;
    const found = [end, end.replace('_per_', '_')].find((e) => e.length > 1 && name.endsWith(e));
    return title(found ? name.slice(0, -found.length) : name);
}

/** What is known of a machine, in the words and units of its kind. */
export function factWords(machine: Machine, kinds: MachineKind[]): string {
    const schemas = (kinds.find((k) => k.id === machine.kind)?.facts ?? {}) as Record<
        string,
        Record<string, unknown>
    >;
    return Object.entries(schemas)
        .filter(([name]) => machine.facts[name] !== undefined)
        .map(([name, schema]) => {
            const unit = String(schema['x-unit'] ?? '');
            return `${called(name, unit)} ${String(machine.facts[name])} ${unit}`.trim();
        })
        .join(' · ');
}
