import { describe, expect, it } from 'vitest';
import type { Machine, MachineKind } from '../../api/types';
import { called, factWords } from './facts';

describe('facts of a machine in words', () => {
    it('leaves the unit to stand behind the number', () => {
        expect(called('heater_kw', 'kW')).toBe('Heater');
        expect(called('heat_min_per_mm', 'min/mm')).toBe('Heat');
        expect(called('cooling_w_k', 'W/K')).toBe('Cooling');
        expect(called('clamp', '')).toBe('Clamp');
    });

    it('says what its kind asks, in that order, and nothing that is not known', () => {
        const kind = {
            id: 'kiln',
            title: 'Kiln',
            facts: { max_c: { 'x-unit': '°C' }, amps: { 'x-unit': 'A' } },
        };
        const machine = { kind: 'kiln', facts: { amps: 16, odd: 3 } } as unknown as Machine;
        expect(factWords(machine, [kind] as unknown as MachineKind[])).toBe('Amps 16 A');
        expect(factWords(machine, [])).toBe('');
    });
});
