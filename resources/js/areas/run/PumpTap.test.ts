import { mount } from '@vue/test-utils';
import { describe, expect, it } from 'vitest';
import { session } from '../../api/session';
import type { ProcedureEntry } from '../../api/types';
import { STUBS } from '../../tests/mount';
import PumpTap from './PumpTap.vue';

const PUMP = {
    id: 'pump',
    title: 'Pressure back on',
    key: 'p',
    fields: [
        { id: 'gauge_bar', label: 'Gauge', dimension: 'pressure' },
        { id: 'strokes', label: 'Strokes', dimension: 'number' },
    ],
} as unknown as ProcedureEntry;
const CUE = {
    id: 'cue',
    title: 'Saw something',
    fields: [{ id: 'what', label: 'What was seen', kind: 'choice', choices: ['wrinkles', 'flat again'] }],
} as unknown as ProcedureEntry;
const tap = (entry: ProcedureEntry, last: Record<string, unknown> = {}, due = false) =>
    mount(PumpTap, { props: { entry, last, due }, global: { stubs: STUBS } });

describe('one tap', () => {
    it('logs what it was the last time, as it stands', async () => {
        const page = tap(PUMP, { gauge_bar: 45, strokes: 6 });
        await page.get('.go').trigger('click');
        expect(page.emitted('log')).toEqual([[{ gauge_bar: 45, strokes: 6 }]]);
    });

    it('moves a gauge by two and strokes by one, and never under one', async () => {
        const page = tap(PUMP, { gauge_bar: 45, strokes: 1 });
        await page.get('[aria-label="Gauge more"]').trigger('click');
        await page.get('[aria-label="Strokes less"]').trigger('click');
        await page.get('.go').trigger('click');
        expect(page.emitted('log')).toEqual([[{ gauge_bar: 47, strokes: 1 }]]);
    });

    it('begins from what is usual where nothing was logged, and leaves out what nobody said', async () => {
        const page = tap(PUMP);
        await page.get('.go').trigger('click');
        await page.get('[aria-label="Gauge more"]').trigger('click');
        await page.get('.go').trigger('click');
        expect(page.emitted('log')).toEqual([[{}], [{ gauge_bar: 22 }]]);
    });

    it('follows what another screen logged', async () => {
        const page = tap(PUMP, { gauge_bar: 45, strokes: 6 });
        await page.setProps({ last: { gauge_bar: 51, strokes: 3 } });
        await page.get('.go').trigger('click');
        expect(page.emitted('log')).toEqual([[{ gauge_bar: 51, strokes: 3 }]]);
    });

    it('keeps the shop’s unit for the log whatever the person reads', async () => {
        session.preferences = { ...session.preferences, units: 'imperial' };
        const page = tap(PUMP, { gauge_bar: 45, strokes: 6 });
        await page.get('.go').trigger('click');
        session.preferences = { ...session.preferences, units: 'metric' };
        const [values] = page.emitted('log')![0]! as [{ gauge_bar: number; strokes: number }];
        // Shown to a whole psi: 653 of them are 45.02 bar.
        expect(values.gauge_bar).toBeCloseTo(45, 0);
        expect(values.strokes).toBe(6);
    });

    it('is a button for each thing that can be seen', async () => {
        const page = tap(CUE, { what: 'wrinkles' });
        const buttons = page.findAll('button');
        expect(buttons.map((b) => b.text())).toEqual(['wrinkles', 'flat again']);
        await buttons[1]!.trigger('click');
        expect(page.emitted('log')).toEqual([[{ what: 'flat again' }]]);
    });
});
