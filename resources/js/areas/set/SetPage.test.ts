import { VueQueryPlugin } from '@tanstack/vue-query';
import { flushPromises, mount } from '@vue/test-utils';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { createMemoryHistory, createRouter } from 'vue-router';
import { session } from '../../api/session';
import { type Asked, buttonOf, page as items, refusal, server, STUBS, textOf } from '../../tests/mount';

vi.mock('../../processes/panels', () => ({
    panelOf: () => ({
        props: ['plan'],
        template: '<div><slot name="material" /><slot name="moved" /><slot /></div>',
    }),
}));
import SetPage from './SetPage.vue';
import { DRAFT_KEY } from './useSetting';

const PROCESS = {
    id: 'compression',
    title: 'Press a sheet',
    counts: 'sheets',
    roles: [{ id: 'hot', kinds: ['hot_press'], throughout: false, required: true }],
};
const PANEL = {
    id: 1,
    name: 'hive floor panel',
    process: 'compression',
    polymer: 'HDPE',
    note: 'Weather side up.',
    mould_id: null,
};
const BOARD = {
    id: 2,
    name: 'divider board',
    process: 'compression',
    polymer: 'HIPS',
    note: '',
    mould_id: null,
};
const LOT = { id: 11, code: 'L-0101', polymer: 'HDPE', swatch: '#4f8a3c' };
const POLYMERS = [
    { code: 'HDPE', name: 'polyethylene', morphology: 'semi-crystalline', why_not: {} },
    { code: 'HIPS', name: 'polystyrene', morphology: 'amorphous', why_not: {} },
    {
        code: 'POM',
        name: 'acetal',
        morphology: 'semi-crystalline',
        why_not: { compression: 'Gives off formaldehyde.' },
    },
];
const block = (over: object = {}) => ({
    id: 'set_above_ceiling',
    because: '210 °C is above its ceiling.',
    do: 'Lower it.',
    who_may_override: 'lead',
    ...over,
});
const planned = (over: object = {}) => ({
    process: 'compression',
    polymer: 'HDPE',
    plan: { checks: [], unknowns: [], cautions: [] },
    settings: { platen_c: 185 },
    origins: {},
    choices: {},
    recipe: { platen_c: 185 },
    safety: { required_ppe: [], acknowledgements: [], blocks: [], cautions: [] },
    marks: { marks: [] },
    opened_with: null,
    change: null,
    ...over,
});

let asked: Asked[] = [];
async function open(answers: Record<string, unknown> = {}, path = '/set') {
    asked = server({
        products: items([PANEL, BOARD]),
        processes: items([PROCESS]),
        machines: items([{ id: 1, name: 'Anvil', kind: 'hot_press', facts: {} }]),
        'GET lots': items([LOT]),
        polymers: items(POLYMERS),
        charges: items([]),
        'POST plans': planned(),
        ...answers,
    });
    const router = createRouter({
        history: createMemoryHistory(),
        routes: [
            { path: '/set', component: SetPage },
            { path: '/:rest(.*)*', component: { template: '<div />' } },
        ],
    });
    await router.push(path);
    const page = mount(SetPage, {
        global: {
            plugins: [VueQueryPlugin, router],
            stubs: {
                ...STUBS,
                RouterLink: false,
                LotPicks: true,
                CareDue: true,
                SafetyGate: true,
                PlanDoubts: true,
            },
        },
    });
    await flushPromises();
    await flushPromises();
    return { page, router };
}
const plans = () => asked.filter((a) => a.path === 'plans').map((a) => a.body as Record<string, unknown>);
const starts = () => asked.filter((a) => a.path === 'runs').map((a) => a.body as Record<string, unknown>);
const start = (page: Awaited<ReturnType<typeof open>>['page']) => buttonOf(page, 'Start the run');

beforeEach(() => {
    localStorage.clear();
    session.person = { id: 3, name: 'Ines Halloran', role: 'operator' } as typeof session.person;
});
afterEach(() => vi.unstubAllGlobals());
const drafted = (over: object = {}) =>
    localStorage.setItem(
        DRAFT_KEY,
        JSON.stringify({ product_id: 1, lot_id: 11, machines: {}, settings: {}, choices: {}, ...over }),
    );

describe('setting up a run', () => {
    it('asks the core at once, with a machine that can', async () => {
        const { page } = await open();
        expect(plans()[0]).toMatchObject({ product_id: 1, machines: { hot: 1 } });
        expect(textOf(page)).toContain('Weather side up.');
        page.unmount();
    });

    it('cannot begin without a lot, and says so', async () => {
        const { page } = await open();
        expect(start(page).attributes('disabled')).toBeDefined();
        expect(textOf(page)).toContain('Choose the lot to take the charge from.');
        page.unmount();
    });

    it('begins once, as who stands here, and goes to the run', async () => {
        drafted();
        const run = { summary: { id: 'r1' }, events: [], server_time: 0 };
        const { page, router } = await open({ 'POST runs': run });
        await start(page).trigger('click');
        await vi.waitFor(() => expect(router.currentRoute.value.path).toBe('/run/r1'));
        expect(starts()).toHaveLength(1);
        expect(starts()[0]).toMatchObject({ product_id: 1, lot_id: 11, confirmed_by: 3, overrides: [] });
        page.unmount();
    });

    it('tries again under the same name when the server did not answer', async () => {
        drafted();
        let down = true;
        const { page } = await open({
            'POST runs': () => (down ? { status: 503 } : { summary: { id: 'r1' }, events: [] }),
        });
        await start(page).trigger('click');
        await vi.waitFor(() => expect(textOf(page)).toContain('it will not start twice'));
        down = false;
        await start(page).trigger('click');
        await vi.waitFor(() => expect(starts()).toHaveLength(2));
        expect(starts()[0]!.id).toBe(starts()[1]!.id);
        page.unmount();
    });

    it('says why the server refused', async () => {
        drafted();
        const { page } = await open({ 'POST runs': refusal('machines.hot', 'Anvil is held by run 12') });
        await start(page).trigger('click');
        await vi.waitFor(() => expect(page.get('.refused').text()).toContain('Anvil is held by run 12.'));
        page.unmount();
    });

    it('is stopped by what stands in the way', async () => {
        drafted();
        const { page } = await open({ 'POST plans': planned({ safety: { blocks: [block()] } }) });
        expect(start(page).attributes('disabled')).toBeDefined();
        expect(textOf(page)).toContain('210 °C is above its ceiling.');
        page.unmount();
    });

    it('is passed by a lead with words, by nobody without, and by nobody where nobody may', async () => {
        session.person = { id: 1, name: 'Maren Okafor', role: 'lead' } as typeof session.person;
        drafted();
        const { page } = await open({
            'POST plans': planned({ safety: { blocks: [block()] } }),
            'POST runs': { summary: { id: 'r1' }, events: [] },
        });
        const gate = page.findComponent({ name: 'SafetyGate' });
        gate.vm.$emit('update:overrides', { set_above_ceiling: 'ok' });
        await flushPromises();
        expect(start(page).attributes('disabled')).toBeDefined();
        gate.vm.$emit('update:overrides', { set_above_ceiling: 'the gauge reads 12 K high' });
        await flushPromises();
        expect(start(page).attributes('disabled')).toBeUndefined();
        await start(page).trigger('click');
        await vi.waitFor(() => expect(starts()).toHaveLength(1));
        expect(starts()[0]!.overrides).toEqual([
            { id: 'set_above_ceiling', reason: 'the gauge reads 12 K high' },
        ]);
        page.unmount();
        const never = await open({
            'POST plans': planned({ safety: { blocks: [block({ who_may_override: 'nobody' })] } }),
        });
        never.page
            .findComponent({ name: 'SafetyGate' })
            .vm.$emit('update:overrides', { set_above_ceiling: 'a long reason' });
        await flushPromises();
        expect(start(never.page).attributes('disabled')).toBeDefined();
        never.page.unmount();
    });

    it('forgets what another person ticked', async () => {
        drafted();
        const { page } = await open();
        page.findComponent({ name: 'SafetyGate' }).vm.$emit('update:answers', { people_protected: true });
        await flushPromises();
        await vi.waitFor(() => expect(plans().at(-1)!.answers).toEqual({ people_protected: true }));
        session.person = { id: 2, name: 'Teodor Blum', role: 'operator' } as typeof session.person;
        await flushPromises();
        await vi.waitFor(() => expect(plans().at(-1)!.answers).toEqual({}));
        page.unmount();
    });

    it('takes another polymer with its own temperatures, and offers none that this cannot work', async () => {
        drafted({ settings: { platen_c: 190, thickness_mm: 8 } });
        const { page } = await open();
        const polymer = page.get('.sel select');
        expect(polymer.findAll('option').map((o) => o.attributes('value'))).toEqual(['HDPE', 'HIPS']);
        await polymer.setValue('HIPS');
        await vi.waitFor(() =>
            expect(plans().at(-1)).toMatchObject({
                polymer: 'HIPS',
                lot_id: null,
                settings: { thickness_mm: 8 },
            }),
        );
        expect(plans().at(-1)!.settings).not.toHaveProperty('platen_c');
        page.unmount();
    });

    it('opens for what a shelf lacks, as many as are wanted', async () => {
        const { page } = await open({}, '/set?product=2&sheets=10');
        await vi.waitFor(() =>
            expect(plans().at(-1)).toMatchObject({ product_id: 2, settings: { sheets: 10 } }),
        );
        page.unmount();
        localStorage.clear();
        const odd = await open({}, '/set?product=2&sheets=-4');
        await vi.waitFor(() => expect(plans().at(-1)).toMatchObject({ product_id: 2, settings: {} }));
        odd.page.unmount();
    });

    it('names the field that cannot be planned, and where to say it', async () => {
        const { page } = await open({ 'POST plans': refusal('settings.thickness_mm', 'is required') });
        expect(page.get('.problem').text()).toContain('Thickness is required');
        expect(page.get('.problem a').attributes('href')).toBe('/shop/products/1');
        page.unmount();
    });

    it('says which place a refusal is about and leads to its machine', async () => {
        const { page } = await open({ 'POST plans': refusal('machines.hot.heater_kw', 'must be above 0') });
        expect(page.get('.problem').text()).toContain('heater must be above 0');
        expect(page.get('.problem a').attributes('href')).toBe('/shop/machines/1');
        page.unmount();
    });

    it('takes the product’s own polymer again where another is not worked hot', async () => {
        localStorage.setItem(DRAFT_KEY, JSON.stringify({ product_id: PANEL.id, polymer: 'PVC-U' }));
        const { page } = await open({
            'POST plans': refusal('polymer', 'PVC-U has no window for pressing: …'),
        });
        expect(plans().at(-1)!.polymer).toBe('PVC-U');
        await page.get('.problem button').trigger('click');
        await flushPromises();
        expect(plans().at(-1)!.polymer).toBeNull();
        expect(page.find('.problem button').exists()).toBe(false);
        page.unmount();
    });

    it('keeps a recipe by a lead only, after the version that it opened with', async () => {
        session.person = { id: 1, name: 'Maren Okafor', role: 'lead' } as typeof session.person;
        const { page } = await open({
            'POST plans': planned({
                opened_with: { version: 4, created_at: 0, by: 'Teodor Blum', note: 'one minute more' },
            }),
            'POST products/1/recipes': { version: 5 },
        });
        expect(textOf(page)).toContain('Opens with version 4');
        expect(textOf(page)).toContain('one minute more');
        await buttonOf(page, 'Keep as recipe').trigger('click');
        await vi.waitFor(() => expect(textOf(page)).toContain('Kept as version 5.'));
        expect(asked.find((a) => a.path === 'products/1/recipes')!.body).toEqual({
            machine_id: 1,
            after_version: 4,
            settings: { platen_c: 185 },
        });
        page.unmount();
        session.person = { id: 3, name: 'Ines Halloran', role: 'operator' } as typeof session.person;
        const other = await open();
        expect(textOf(other.page)).not.toContain('Keep as recipe');
        other.page.unmount();
    });

    it('says what stands between the machine and the job', async () => {
        const due = {
            total_min: 60,
            hands_min: 20,
            purge_g: 300,
            holds: 'HDPE',
            says: '',
            stop: null,
            open: null,
            likely_from_min: null,
            likely_to_min: null,
            known_from: 0,
        };
        const { page } = await open({ 'POST plans': planned({ change: due }) });
        expect(textOf(page)).toContain('Change it over first');
        page.unmount();
        const none = await open();
        expect(textOf(none.page)).not.toContain('Change it over first');
        none.page.unmount();
    });
});
