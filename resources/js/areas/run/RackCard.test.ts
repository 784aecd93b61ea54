import { afterEach, describe, expect, it, vi } from 'vitest';
import { queue } from '../../api/queue';
import type { Run } from '../../api/types';
import { noteServerTime } from '../../parts/clock';
import { buttonOf, page as items, refusal, textOf, type Shown } from '../../tests/mount';
import { runOfShots, shownOnRun } from '../../tests/onRun';
import RackCard from './RackCard.vue';

const NOW = 1_790_000_000;
const strip = (piece: number, over: object = {}) => ({
    run_id: 'cutting',
    piece,
    cut_at: NOW - 60 * piece,
    keeps_until: NOW + 600,
    mass_g: 40,
    length_mm: 90,
    core_c: 190,
    soak_min: 5,
    gains: true,
    ...over,
});
const run = (step: string, over: object = {}) =>
    runOfShots({
        summary: { id: 'r', status: 'running', step, stations: [] },
        materials: [{ form: 'strip' }],
        step_since: NOW - 60,
        ...over,
    });
let page: Shown;
async function shownOf(of: Run, answers: Record<string, unknown> = {}) {
    noteServerTime(NOW - 0.5);
    const on = await shownOnRun(RackCard, of, answers);
    page = on.page;
    return on.asked;
}
afterEach(() => {
    page.unmount();
    delete queue.runs.r;
    vi.unstubAllGlobals();
});

describe('strips that wait', () => {
    it('stand with their age, their heat and what they are worth, oldest first as they came', async () => {
        await shownOf(run('heat_up'), { 'GET runs/r/rack': items([strip(3, { gains: false }), strip(1)]) });
        const rows = page.findAll('li').map((r) => textOf(r));
        expect(rows[0]).toContain('Strip 3');
        expect(rows[0]).toContain('3:00');
        expect(rows[0]).toContain('▲ gains nothing any more');
        expect(rows[1]).toContain('middle 190 °C');
        expect(rows[1]).toContain('soak 5.0 min');
        // Nothing is loaded while the barrel heats.
        expect(page.find('button').exists()).toBe(false);
    });

    it('go in by one touch, however often it is made, and are gone', async () => {
        const asked = await shownOf(run('fill'), {
            'GET runs/r/rack': items([strip(2), strip(3)]),
            'POST runs/r/rack': items([strip(3)]),
        });
        const first = buttonOf(page, 'Load it: 40 g');
        await Promise.all([first.trigger('click'), first.trigger('click')]);
        await vi.waitFor(() => expect(page.findAll('li')).toHaveLength(1));
        const sent = asked.filter((a) => a.method === 'POST');
        expect(sent).toHaveLength(1);
        expect(sent[0]!.body).toMatchObject({ strip: 2, piece: null });
    });

    it('stay where somebody else was faster, with the reason', async () => {
        await shownOf(run('fill'), {
            'GET runs/r/rack': items([strip(2)]),
            'POST runs/r/rack': refusal('strip', 'is on the rack no more: somebody has taken it'),
        });
        await buttonOf(page, 'Load it: 40 g').trigger('click');
        await vi.waitFor(() => expect(textOf(page)).toContain('somebody has taken it'));
    });

    it('are not asked about where a run is fed with none', async () => {
        const asked = await shownOf(run('fill', { materials: [{ form: 'flake' }] }), {});
        expect(asked.some((a) => a.path === 'runs/r/rack')).toBe(false);
    });
});
