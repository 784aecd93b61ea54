import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { machineDrawn } from '../../processes/machines';
import { shown, textOf } from '../../tests/mount';
import MachineDrawing from './MachineDrawing.vue';

/** where the core says what may be known of a machine of each kind */
const FACTS: Record<string, string> = {
    hot_press: 'Compression/HotPressFacts',
    cold_press: 'Compression/ColdPressFacts',
    plunger_injector: 'Injection/InjectorFacts',
    screw_injector: 'Injection/InjectorFacts',
    injection_mould: 'Injection/MouldFacts',
    extruder: 'Extrusion/ExtruderFacts',
    bar_mould: 'Extrusion/MouldFacts',
    vacuum_former: 'VacuumForming/FormerFacts',
    forming_mould: 'VacuumForming/MouldFacts',
};

describe('a machine as it is measured', () => {
    it.each(Object.entries(FACTS))(
        '%s: measures only what the core asks of it, within its drawing',
        (kind, file) => {
            const drawn = machineDrawn(kind)!;
            const core = readFileSync(`core/src/Process/${file}.php`, 'utf8');
            expect(drawn.measures.length).toBeGreaterThan(1);
            expect(drawn.measures.length).toBeLessThanOrEqual(8);
            for (const m of drawn.measures) {
                expect(core, m.fact).toMatch(new RegExp(`\\$${m.fact}\\b`));
                const [x1, y1, x2, y2] = m.line;
                // No letter lies on another.
                const middle = (l: readonly number[]) => [(l[0]! + l[2]!) / 2, (l[1]! + l[3]!) / 2] as const;
                const [x, y] = middle(m.line);
                for (const other of drawn.measures.filter((o) => o !== m)) {
                    const [ox, oy] = middle(other.line);
                    expect(Math.hypot(ox - x, oy - y), `${m.fact}, ${other.fact}`).toBeGreaterThanOrEqual(18);
                }
                for (const x of [x1, x2]) expect(x).toBeGreaterThanOrEqual(9);
                expect(Math.max(x1, x2)).toBeLessThanOrEqual(drawn.size[0] - 9);
                expect(Math.min(y1, y2)).toBeGreaterThanOrEqual(9);
                expect(Math.max(y1, y2)).toBeLessThanOrEqual(drawn.size[1] - 9);
            }
        },
    );

    it('is lettered by what is asked, and says how', async () => {
        const page = await shown(MachineDrawing, {
            kind: 'hot_press',
            asked: ['plate_mm', 'bed_length_mm'],
        });
        expect(page.findAll('dt').map((t) => t.text())).toEqual(['A', 'B']);
        expect(page.findAll('svg text').map((t) => t.text())).toEqual(['A', 'B']);
        expect(textOf(page)).toContain('a calliper on the loose plate');
        expect(textOf(page)).not.toContain('each cartridge');
    });

    it('is not there for a kind that nobody has drawn, nor where nothing of it is asked', async () => {
        expect((await shown(MachineDrawing, { kind: 'dryer', asked: ['max_c'] })).find('svg').exists()).toBe(
            false,
        );
        expect((await shown(MachineDrawing, { kind: 'hot_press', asked: [] })).find('svg').exists()).toBe(
            false,
        );
    });
});
