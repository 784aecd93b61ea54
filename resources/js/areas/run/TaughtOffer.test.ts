import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { session } from '../../api/session';
import { buttonOf, refusal, server, shown, textOf } from '../../tests/mount';
import TaughtOffer from './TaughtOffer.vue';

const station = { role: 'hot', title: 'hot press', machine: 'Anvil', machine_id: 1, learns: true };
const learnt = {
    says: 'Anvil takes 4 % longer than what is known of it would.',
    enough: true,
    otherwise: true,
    missing: [],
    facts: [{ name: 'heater_kw', was: 2.2, value: 1.81, low: 1.68, high: 1.94 }],
    runs: [140],
    run_ids: ['r140'],
    after: 10,
};
const detail = { machine: { id: 1 }, log: [{ name: 'heater_kw', value: 2.2, origin: 'plate' }], after: 11 };
const offer = async (answer: unknown) => {
    const asked = server({ 'machines/1/learnt': answer, 'machines/1': detail, 'machines/1/facts': detail });
    const page = await shown(TaughtOffer, { station });
    await vi.waitFor(() => expect(asked).toHaveLength(1));
    return { asked, page };
};
beforeEach(() => {
    session.person = { id: 1, name: 'Maren Okafor', role: 'lead' } as typeof session.person;
});
afterEach(() => vi.unstubAllGlobals());

describe('what a run that is over says of its machine', () => {
    it('is one sentence, used by one tap and taken back by another', async () => {
        const { asked, page } = await offer(learnt);
        await vi.waitFor(() => expect(textOf(page)).toContain('Anvil takes 4 % longer'));
        await buttonOf(page, 'Use it').trigger('click');
        await vi.waitFor(() => expect(textOf(page)).toContain('Plans reckon with it from now on.'));
        expect(asked.at(-1)!.body).toMatchObject({ after: 10, facts: { heater_kw: { value: 1.81 } } });
        await buttonOf(page, 'Take it back').trigger('click');
        await vi.waitFor(() => expect(buttonOf(page, 'Use it').text()).toBe('Use it'));
        expect(asked.at(-1)!.body).toMatchObject({
            after: 11,
            facts: { heater_kw: { value: 2.2, origin: 'plate' } },
        });
    });

    it.each([
        ['it goes as plans reckon', { ...learnt, otherwise: false }],
        ['too little was read', { ...learnt, enough: false }],
        ['nothing can be said', refusal('runs', 'of it have no readings yet')],
    ])('is no word where %s', async (_, answer) => {
        const { page } = await offer(answer);
        expect(textOf(page)).toBe('');
    });

    it('is used by a lead only', async () => {
        session.person = { id: 2, name: 'Ines Halloran', role: 'operator' } as typeof session.person;
        const { page } = await offer(learnt);
        await vi.waitFor(() => expect(textOf(page)).toContain('A lead takes it over.'));
        expect(textOf(page)).not.toContain('Use it');
    });
});
