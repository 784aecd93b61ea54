import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { session } from '../../api/session';
import type { MachineDetail } from '../../api/types';
import { buttonOf, refusal, server, shown, textOf } from '../../tests/mount';
import MachineTaught from './MachineTaught.vue';

const detail = (after = 10) =>
    ({
        machine: { id: 1, name: 'Anvil', facts: { heater_kw: 2.2 } },
        log: [
            { name: 'heater_kw', value: 2, origin: 'measured' },
            { name: 'heater_kw', value: 2.2, origin: 'plate' },
        ],
        after,
        learns: true,
    }) as unknown as MachineDetail;
const learnt = (over: object = {}) => ({
    says: 'It takes 4 % longer than what is known of it would.',
    enough: true,
    otherwise: true,
    missing: ['let it get back to its set-point'],
    facts: [
        { name: 'heater_kw', was: 2.2, value: 1.81, low: 1.68, high: 1.94 },
        { name: 'loss_kw', was: null, value: 0.12, low: 0.04, high: 0.38 },
    ],
    runs: [140, 136],
    run_ids: ['r140', 'r136'],
    after: 10,
    ...over,
});
const card = (machine = detail()) => shown(MachineTaught, { machine });
const answered = async (over: object = {}) => {
    const asked = server({
        'machines/1/learnt': learnt(over),
        'machines/1/facts': detail(12),
        'machines/1': detail(),
    });
    const page = await card();
    await buttonOf(page, 'Ask its runs').trigger('click');
    await vi.waitFor(() => expect(textOf(page)).toContain('Ask again'));
    return { asked, page };
};
beforeEach(() => {
    session.person = { id: 1, name: 'Maren Okafor', role: 'lead' } as typeof session.person;
});
afterEach(() => vi.unstubAllGlobals());

describe('what its readings say of a machine', () => {
    it('is asked by a tap, and is one sentence with its runs', async () => {
        const { page } = await answered();
        const text = textOf(page);
        expect(text).toContain('It takes 4 % longer');
        expect(text).toContain('run 140, run 136');
        expect(text).toContain('It would tell more to let it get back to its set-point.');
        expect(text).toContain('not known');
    });

    it('is used with where it is from, and taken back as it was, unknown as well', async () => {
        const { asked, page } = await answered();
        await buttonOf(page, 'Use it').trigger('click');
        await vi.waitFor(() => expect(textOf(page)).toContain('Plans reckon with it from now on.'));
        expect(asked.at(-1)!.body).toEqual({
            after: 10,
            facts: {
                heater_kw: { value: 1.81, origin: 'fitted' },
                loss_kw: { value: 0.12, origin: 'fitted' },
            },
            note: 'fitted from run 140, 136',
        });
        await buttonOf(page, 'Take it back').trigger('click');
        await vi.waitFor(() => expect(textOf(page)).toContain('Use it'));
        expect(asked.at(-1)!.body).toMatchObject({
            after: 12,
            facts: {
                heater_kw: { value: 2.2, origin: 'plate' },
                loss_kw: { value: null, origin: 'unknown' },
            },
        });
    });

    it('is not offered while it is not enough to plan by, nor to who may not say it', async () => {
        const few = await answered({ enough: false });
        expect(textOf(few.page)).not.toContain('Use it');
        session.person = { id: 2, name: 'Ines Halloran', role: 'operator' } as typeof session.person;
        const operator = await answered();
        expect(textOf(operator.page)).toContain('A lead takes it over.');
    });

    it('says why it cannot be told, and why it was not taken', async () => {
        server({ 'machines/1/learnt': refusal('runs', 'of it have no readings yet') });
        const page = await card();
        await buttonOf(page, 'Ask its runs').trigger('click');
        await vi.waitFor(() => expect(textOf(page)).toContain('Runs of it have no readings yet.'));
        server({
            'machines/1/learnt': learnt(),
            'machines/1': detail(),
            'machines/1/facts': refusal('after', 'somebody has said something of Anvil meanwhile', 409),
        });
        await buttonOf(page, 'Ask its runs').trigger('click');
        await vi.waitFor(() => expect(textOf(page)).toContain('Use it'));
        await buttonOf(page, 'Use it').trigger('click');
        await vi.waitFor(() => expect(textOf(page)).toContain('somebody has said something'));
        expect(textOf(page)).not.toContain('Take it back');
    });
});
