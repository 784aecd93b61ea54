import { describe, expect, it } from 'vitest';
import type { Machine, Process } from '../../api/types';
import { about, filled, takers, withoutMoulds } from './places';

const process = {
    id: 'injection',
    roles: [
        { id: 'barrel', kinds: ['plunger_injector', 'screw_injector'], throughout: false, required: true },
        { id: 'mould', kinds: ['injection_mould'], throughout: true, required: false },
    ],
} as unknown as Process;
const machine = (id: number, kind: string) => ({ id, kind }) as unknown as Machine;
const machines = [
    machine(1, 'hot_press'),
    machine(4, 'plunger_injector'),
    machine(5, 'screw_injector'),
    machine(10, 'injection_mould'),
    machine(11, 'injection_mould'),
    machine(12, 'bar_mould'),
];

describe('what a refusal is about', () => {
    it.each([
        ['settings.platen_c', 'Platen', null],
        ['choices.heat_rule', 'Heat rule', null],
        ['polymer', 'Polymer', null],
        ['machines.barrel', 'Injector', 'barrel'],
        ['machines.barrel.max_stroke_mm', 'Injector, max stroke', 'barrel'],
        ['machines.kettle', 'Kettle', null],
        ['', '', null],
    ])('is said in words: %s', (field, says, role) => {
        const named = {
            roles: process.roles.map((r) => ({ ...r, title: r.id === 'barrel' ? 'injector' : r.id })),
        };
        expect(about(named as Process, field)).toEqual({ says, role });
    });
});

describe('the places of a process', () => {
    it('are taken by machines of their kinds only', () => {
        expect(takers(process, machines, 'barrel').map((m) => m.id)).toEqual([4, 5]);
        expect(takers(process, machines, 'mould').map((m) => m.id)).toEqual([10, 11]);
        expect(takers(process, machines, 'kettle')).toEqual([]);
        expect(takers(null, machines, 'barrel')).toEqual([]);
    });

    it('are filled with the first that can, and with the product’s own mould', () => {
        expect(filled(process, machines, {}, 11)).toEqual({ barrel: 4, mould: 11 });
        expect(filled(process, machines, {}, null)).toEqual({ barrel: 4, mould: null });
    });

    it('keep what was chosen, while it can still take the place', () => {
        expect(filled(process, machines, { barrel: 5, mould: 10 }, 11)).toEqual({ barrel: 5, mould: 10 });
        expect(filled(process, machines, { barrel: 1, mould: 4 }, 11)).toEqual({ barrel: 4, mould: 11 });
    });

    it('hang no mould that is out of use or of another process', () => {
        const left = machines.filter((m) => m.id !== 11);
        expect(filled(process, left, {}, 11)).toEqual({ barrel: 4, mould: null });
        expect(filled(process, machines, {}, 12)).toEqual({ barrel: 4, mould: null });
    });

    it('carry no mould over to another product', () => {
        expect(withoutMoulds(process, { barrel: 5, mould: 10 })).toEqual({ barrel: 5 });
        expect(filled(process, machines, withoutMoulds(process, { barrel: 5, mould: 10 }), 11)).toEqual({
            barrel: 5,
            mould: 11,
        });
        expect(withoutMoulds(null, { barrel: 5 })).toEqual({ barrel: 5 });
    });
});
