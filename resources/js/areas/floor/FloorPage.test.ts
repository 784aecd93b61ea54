import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { floor } from '../../api/floor';
import type { Floor, Lane, Stretch } from '../../api/types';
import { serverNow } from '../../parts/clock';
import { page as items, plain, server, shown, textOf } from '../../tests/mount';
import ChangesOpen from './ChangesOpen.vue';
import FloorPage from './FloorPage.vue';

const NOW = serverNow();
const stretch = (over: Partial<Stretch> = {}): Stretch =>
    ({
        kind: 'heat',
        title: 'Heat under load',
        phase: 'coming',
        run_number: 12,
        from: NOW - 300,
        to: NOW + 1200,
        ...over,
    }) as Stretch;
const lane = (over: Partial<Lane> = {}): Lane =>
    ({
        machine_id: 1,
        machine: 'Anvil',
        kind: 'hot_press',
        works: 'main',
        says: 'heating',
        run_id: 'r12',
        set_c: 185,
        measured_c: 181,
        polymer: 'HDPE',
        stretches: [stretch()],
        pins: [],
        ...over,
    }) as Lane;
async function open(lanes: Lane[], runs: unknown[] = [], more: Record<string, unknown> = {}) {
    server({ runs: items(runs), 'GET runs': items(runs), ...more });
    floor.now = { lanes, hands: [], alarms: [], stages: [], server_time: NOW } as unknown as Floor;
    return shown(FloorPage, {});
}
beforeEach(() => {
    floor.now = null;
});
afterEach(() => vi.unstubAllGlobals());

describe('the floor', () => {
    it('waits for its first answer, and says so', async () => {
        server({});
        const page = await shown(FloorPage, {});
        expect(textOf(page)).toContain('Asking the floor …');
        page.unmount();
    });

    it('fits a dozen: with many at work each is a line, and what is free is one line for all', async () => {
        const many = (busy: number) =>
            Array.from({ length: 12 }, (_, i) =>
                lane({
                    machine_id: i + 1,
                    machine: `Press ${i + 1}`,
                    run_id: i < busy ? `r${i}` : null,
                    stretches: i < busy ? [stretch()] : [],
                }),
            );
        const few = await open(many(3));
        expect(few.find('.lanes.close').exists()).toBe(false);
        expect(few.findAll('section.lane')).toHaveLength(12);
        const close = await open(many(8));
        expect(close.find('.lanes.close').exists()).toBe(true);
        expect(close.findAll('section.lane')).toHaveLength(8);
        expect(close.findAll('.freed a').map((a) => a.text())).toEqual([
            'Press 9',
            'Press 10',
            'Press 11',
            'Press 12',
        ]);
    });

    it('says which run stands still, since when and why', async () => {
        const page = await open([
            lane({ still: { from: NOW - 60, to: null, reason: 'The power went', by: 'Jun Asare' } }),
        ]);
        expect(textOf(page.get('.still'))).toContain('stands still since');
        expect(textOf(page.get('.still'))).toContain('The power went');
    });

    it('counts stations that are busy, and shows none that works beside', async () => {
        const page = await open([
            lane(),
            lane({
                machine_id: 2,
                machine: 'Pond',
                run_id: null,
                stretches: [],
                works: 'side' as Lane['works'],
            }),
            lane({ machine_id: 9, machine: 'Attic', works: 'beside' as Lane['works'], run_id: null }),
        ]);
        expect(textOf(page)).toContain('1 of 2 stations busy');
        expect(page.findAll('.lane')).toHaveLength(2);
        page.unmount();
    });

    it('says what a machine is set to and really is, and until when', async () => {
        const page = await open([lane()]);
        const under = plain(page.get('.under').text());
        expect(under).toContain('HDPE, set 185 °C, measured 181 °C');
        expect(under).toMatch(/Heat under load until \d\d:\d\d/);
        page.unmount();
    });

    it('opens the run where there is one, and a set-up where a main machine is free', async () => {
        const page = await open([
            lane(),
            lane({ machine_id: 4, machine: 'Heron', run_id: null, stretches: [] }),
            lane({
                machine_id: 2,
                machine: 'Pond',
                run_id: null,
                stretches: [],
                works: 'side' as Lane['works'],
            }),
        ]);
        const links = page.findAll('.lane a').map((a) => a.attributes('href'));
        expect(links).toEqual(['/run/r12', '/set']);
        expect(page.findAll('.lane.free')).toHaveLength(2);
        page.unmount();
    });

    it('cuts a stretch at the edge of what is seen, and leaves out what is past it', async () => {
        const page = await open([
            lane({
                stretches: [
                    stretch({ from: NOW - 9000, to: NOW - 8000, phase: 'past' }),
                    stretch({ from: NOW - 9000, to: NOW + 100, phase: 'past' }),
                    stretch({ from: NOW + 100, to: NOW + 99_000 }),
                ],
            }),
        ]);
        const seen = page.findAll('.stretch').map((s) => s.attributes('style')!);
        expect(seen).toHaveLength(2);
        expect(seen[0]).toMatch(/left: 0%/);
        const [left, width] = [/left: ([\d.]+)%/, /width: ([\d.]+)%/].map((r) =>
            Number(r.exec(seen[1]!)![1]),
        );
        expect(left! + width!).toBeCloseTo(100, 1);
        page.unmount();
    });

    it('writes on a stretch what fits, with what is left of one that comes', async () => {
        const page = await open([
            lane({
                stretches: [
                    stretch({ kind: 'heat', from: NOW, to: NOW + 3000 }),
                    stretch({
                        kind: 'hands' as Stretch['kind'],
                        title: 'Weigh in',
                        from: NOW + 3000,
                        to: NOW + 3060,
                    }),
                ],
            }),
        ]);
        const words = page.findAll('.stretch span').map((s) => plain(s.text()));
        expect(words[0]).toMatch(/^heating \d+:\d\d$/);
        expect(words[1]).toBe('');
        page.unmount();
    });

    it('shows the last made with their verdict, and a first day its first steps', async () => {
        const run = (id: string, verdict: string | null, over: object = {}) => ({
            id,
            product: 'hive floor panel',
            verdict,
            scrap_reason: null,
            figures: [],
            started_at: NOW,
            ...over,
        });
        const page = await open(
            [lane()],
            [run('a', 'good'), run('b', null), run('c', 'scrap', { scrap_reason: 'voids' })],
        );
        const tiles = page.findAll('.tile');
        expect(tiles.map((t) => t.attributes('href'))).toEqual(['/learn/a', '/learn/c']);
        expect(tiles[1]!.text()).toContain('voids');
        page.unmount();
    });
});

describe('machines that are being changed over', () => {
    const change = (over: object = {}) => ({
        id: 'c1',
        machine: 'Wren',
        product: 'frame spacer clip',
        ended_at: null,
        ready_at: NOW + 3600,
        tasks: [],
        ...over,
    });
    const task = (title: string, hands: boolean, from: number, state = 'ready') => ({
        state,
        from,
        to: from + 600,
        task: { id: title, title, hands },
    });
    const open = async (changes: unknown[]) => {
        server({ changes: items(changes) });
        return shown(ChangesOpen, {});
    };

    it('say what is next there, a wait that is due before what hands can do', async () => {
        const page = await open([
            change({ tasks: [task('Hopper clean', true, NOW), task('Barrel to 248 °C', false, NOW - 5)] }),
        ]);
        expect(textOf(page)).toContain('Barrel to 248 °C: begin it.');
        expect(page.get('a').attributes('href')).toBe('/change/c1');
        page.unmount();
        const later = await open([
            change({ tasks: [task('Hopper clean', true, NOW), task('Barrel to 248 °C', false, NOW + 900)] }),
        ]);
        expect(textOf(later)).toContain('Hopper clean.');
        later.unmount();
    });

    it('are not there where none is', async () => {
        const page = await open([]);
        expect(page.find('section').exists()).toBe(false);
        page.unmount();
    });
});
