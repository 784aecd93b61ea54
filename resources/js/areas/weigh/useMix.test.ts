import { flushPromises } from '@vue/test-utils';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { effectScope, type EffectScope } from 'vue';
import type { Lot, Mix } from '../../api/types';
import { server } from '../../tests/mount';
import { coloursOf, isRegrind, useMix } from './useMix';

let scope: EffectScope | null = null;
const mixing = () => {
    scope = effectScope();
    return scope.run(() => useMix())!;
};
beforeEach(() => void server({}));
afterEach(() => {
    scope?.stop();
    vi.unstubAllGlobals();
});
const lot = (over: Partial<Lot>): Lot =>
    ({
        id: 1,
        polymer: 'HDPE',
        colour: 'white',
        swatch: '#ffffff',
        mass_g: 100,
        generation: 0,
        form: 'flake',
        ...over,
    }) as Lot;
const blend = (names: string[]) => ({
    components: names.map((name) => ({ name, percent: 100 / names.length, rounded_g: 10, weighable: true })),
    explanation: '',
    warnings: [],
});

describe('the colours on the shelves', () => {
    it('are each there once, of one polymer, and only where something is left', () => {
        const lots = [
            lot({ id: 1 }),
            lot({ id: 2 }),
            lot({ id: 3, colour: 'blue', mass_g: 0 }),
            lot({ id: 4, colour: 'red', polymer: 'PP' }),
            lot({ id: 5, colour: 'green' }),
        ];
        expect(coloursOf(lots, 'HDPE').map((l) => l.id)).toEqual([1, 5]);
        expect(coloursOf(lots, 'PP').map((l) => l.id)).toEqual([4]);
    });

    it('are regrind when they were shredded before, or are called so', () => {
        expect(isRegrind({ generation: 1, form: 'flake' })).toBe(true);
        expect(isRegrind({ generation: 0, form: 'regrind' })).toBe(true);
        expect(isRegrind({ generation: 0, form: 'pellet' })).toBe(false);
    });
});

describe('a mix', () => {
    it('grows by touching colours: one part of each, and one more of what is there', () => {
        const mix = mixing();
        mix.take(lot({}));
        mix.take(lot({ colour: 'blue', generation: 2 }));
        mix.take(lot({}));
        expect(mix.draft.components).toEqual([
            { name: 'white', swatch: '#ffffff', parts: 2, kind: 'colour' },
            { name: 'blue', swatch: '#ffffff', parts: 1, kind: 'regrind' },
        ]);
    });

    it('goes up and down by a part, by halves under one, and never to none', () => {
        const mix = mixing();
        mix.take(lot({}));
        mix.nudge(0, 1);
        expect(mix.draft.components[0]!.parts).toBe(2);
        mix.nudge(0, -1);
        mix.nudge(0, -1);
        expect(mix.draft.components[0]!.parts).toBe(0.5);
        mix.nudge(0, -1);
        expect(mix.draft.components[0]!.parts).toBe(0.5);
        mix.nudge(5, 1);
        expect(mix.draft.components).toHaveLength(1);
    });

    it('asks the core for its shares, and leaves out what has no name or amount yet', async () => {
        const asked = server({ 'calc/charge.blend': blend(['white']) });
        const mix = mixing();
        mix.take(lot({}));
        mix.add();
        await flushPromises();
        const last = asked.at(-1)!.body as { components: { name: string }[] };
        expect(last.components.map((c) => c.name)).toEqual(['white']);
        expect(mix.shares.value.map((s) => s.percent)).toEqual([100, 0]);
        expect(mix.shares.value[1]!.rounded_g).toBeNull();
    });

    it('asks nothing where there is nothing to weigh', async () => {
        const asked = server({});
        const mix = mixing();
        await flushPromises();
        mix.take(lot({}));
        mix.total.value = null;
        await flushPromises();
        expect(asked.filter((a) => a.path.includes('blend')).length).toBeLessThanOrEqual(1);
        expect(mix.blend.value).toBeNull();
    });

    it('says what is wanted before it can be kept', () => {
        const mix = mixing();
        expect(mix.missing.value).toBe('a colour');
        mix.add();
        expect(mix.missing.value).toBe('a name and an amount for each part');
        mix.draft.components[0]!.name = 'white';
        expect(mix.missing.value).toBe('a name');
        mix.draft.name = 'snow';
        expect(mix.missing.value).toBe('');
        mix.draft.components[0]!.parts = 0;
        expect(mix.missing.value).toBe('a name and an amount for each part');
    });

    it('that is kept is opened with its own version, and a new one begins with none', () => {
        const mix = mixing();
        const kept = {
            name: 'meadow',
            polymer: 'PP',
            version: 3,
            note: 'for the trays',
            components: [{ name: 'green', swatch: '#00aa00', parts: 2.5, percent: 100, kind: 'colour' }],
        } as Mix;
        mix.open(kept);
        expect(mix.body()).toEqual({
            name: 'meadow',
            polymer: 'PP',
            after_version: 3,
            note: 'for the trays',
            components: [{ name: 'green', swatch: '#00aa00', parts: 2.5, kind: 'colour' }],
        });
        mix.draft.components[0]!.parts = 9;
        expect(kept.components[0]!.parts).toBe(2.5);
        mix.fresh();
        expect(mix.draft).toMatchObject({ name: '', after_version: 0, components: [], polymer: 'PP' });
    });
});
