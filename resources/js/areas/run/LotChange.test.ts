import { flushPromises, mount } from '@vue/test-utils';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { queue } from '../../api/queue';
import type { Run } from '../../api/types';
import { buttonOf, page as items, refusal, textOf, type Shown } from '../../tests/mount';
import { runOfShots, shownOnRun } from '../../tests/onRun';
import LotChange from './LotChange.vue';
import MadeOf from './MadeOf.vue';

const lot = (id: number, over: object = {}) => ({
    id,
    code: `L-${id}`,
    colour: 'grey',
    swatch: '#888888',
    form: 'flake',
    location: 'Rack C2',
    held_g: 3000,
    source: 'Garden nursery',
    stops: [],
    ...over,
});
const run = (over: object = {}) =>
    runOfShots({
        summary: { id: 'r', status: 'running', step: 'fill', stations: [], lot_code: 'L-1', polymer: 'PP' },
        ...over,
    });
let page: Shown;
async function shownOf(of: Run, answers: Record<string, unknown> = {}) {
    const on = await shownOnRun(LotChange, of, answers);
    page = on.page;
    return on.asked;
}
afterEach(() => {
    delete queue.runs.r;
    vi.unstubAllGlobals();
});

describe('another lot in the middle of a run', () => {
    it('is taken by a touch, and one that may not go in says why and has no button', async () => {
        const asked = await shownOf(run(), {
            'POST runs/r/lots': run(),
            'runs/r/lots': items([lot(2), lot(3, { form: 'film', stops: ['lot L-3 is film.'] })]),
        });
        await buttonOf(page, 'Another lot').trigger('click');
        await flushPromises();
        expect(textOf(page)).toContain('L-1 goes in until now');
        expect(textOf(page)).toContain('Lot L-3 is film.');
        expect(page.findAll('button').filter((b) => b.text() === 'From this one')).toHaveLength(1);
        await buttonOf(page, 'From this one').trigger('click');
        await flushPromises();
        const sent = asked.find((a) => a.method === 'POST');
        expect(sent?.body).toMatchObject({ lot_id: 2 });
        expect(textOf(page)).not.toContain('From which lot now?');
    });

    it('stays open with the reason where the server refuses, and sends the same touch again', async () => {
        let fails = true;
        const asked = await shownOf(run(), {
            'POST runs/r/lots': () => (fails ? refusal('lot_id', 'L-2 is empty') : run()),
            'runs/r/lots': items([lot(2)]),
        });
        await buttonOf(page, 'Another lot').trigger('click');
        await flushPromises();
        await buttonOf(page, 'From this one').trigger('click');
        await flushPromises();
        expect(textOf(page)).toContain('Lot L-2 is empty.');
        fails = false;
        await buttonOf(page, 'From this one').trigger('click');
        await flushPromises();
        const ids = asked.filter((a) => a.method === 'POST').map((a) => (a.body as { id: string }).id);
        expect(ids).toHaveLength(2);
        expect(ids[0]).toBe(ids[1]);
    });

    it('is said where there is none', async () => {
        await shownOf(run(), { 'runs/r/lots': items([]) });
        await buttonOf(page, 'Another lot').trigger('click');
        await flushPromises();
        expect(textOf(page)).toContain('No other lot of PP holds anything.');
    });
});

it('says which lots are in which pieces, and nothing of a run that has one lot', () => {
    const made = mount(MadeOf, {
        props: {
            run: run({
                made_of: [
                    { from: 1, to: 11, shares: { 'L-1': 1 } },
                    { from: 12, to: 12, shares: { 'L-2': 0.61, 'L-1': 0.39 } },
                    { from: 13, to: 40, shares: { 'L-2': 1 } },
                ],
            }),
        },
    });
    expect(made.findAll('dt').map((d) => d.text())).toEqual(['Shots 1 to 11', 'Shot 12', 'Shots 13 to 40']);
    expect(made.findAll('dd').map((d) => d.text())).toEqual(['L-1', 'L-2 61 %, L-1 39 %', 'L-2']);
    expect(mount(MadeOf, { props: { run: run() } }).text()).toBe('');
});
