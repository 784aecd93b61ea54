import { describe, expect, it } from 'vitest';
import type { Run } from '../../api/types';
import type { ThreadState } from '../../offline/gates';
import { shown, textOf } from '../../tests/mount';
import RunPicture from './RunPicture.vue';
import ValveDrawing from './ValveDrawing.vue';

const NOW = 1_790_000_000;
const valves = [
    { step: 'heat', when: 'While it heats', open: ['pump_tank'], shut: ['tank_bed', 'air_bed'] },
    { step: 'go', when: 'Sealed: the tank', open: ['tank_bed'], shut: ['pump_tank', 'air_bed'] },
];
const of = (step: string, since: number, minutes = 1) =>
    shown(RunPicture, {
        run: {
            plan: { heat_min: 1 },
            setup: { valves, tank: { start_s: 40, fill_s: 65, gauge_pct: 94.1 } },
        } as unknown as Run,
        thread: {
            step,
            timers: [
                { id: 'heat', minutes, started_at: NOW - since, answered_at: step === 'heat' ? null : NOW },
            ],
        } as unknown as ThreadState,
        now: NOW,
    });

describe('valves of a former', () => {
    it('say of each how it stands, in words too', async () => {
        const page = await shown(ValveDrawing, {
            when: 'Go',
            open: ['tank_bed'],
            shut: ['pump_tank', 'air_bed'],
        });
        expect(page.get('svg').attributes('aria-label')).toBe(
            'Go: pump to tank shut, tank to bed open, air to bed shut',
        );
        expect(page.findAll('.valve.open')).toHaveLength(1);
        expect(page.findAll('.valve.shut')).toHaveLength(2);
        expect(textOf(page)).not.toContain('blower');
    });

    it('stand as this step wants them', async () => {
        expect(textOf(await of('heat', 10))).toContain('While it heats');
        const go = await of('go', 10);
        expect(textOf(go)).toContain('Sealed: the tank');
        expect(textOf(go)).not.toContain('While it heats');
        expect(textOf(go)).not.toContain('Pump on');
    });

    it('have the pump go on so that the tank is full in time', async () => {
        expect(textOf(await of('heat', 10))).toContain('Pump on in 0:30');
        const on = textOf(await of('heat', 45));
        expect(on).toContain('Pump on');
        expect(on).not.toContain('Pump on in');
        expect(on).toContain('full at 94 %');
        // Two looks of three seconds: the sheet is hot six seconds later, and so is the tank full.
        expect(textOf(await of('heat', 10, 1.1))).toContain('Pump on in 0:36');
    });
});
