import { afterEach, describe, expect, it, vi } from 'vitest';
import type { HandOver } from '../../api/types';
import { serverNow } from '../../parts/clock';
import { buttonOf, refusal, server, shownAt, textOf } from '../../tests/mount';
import HandOverPage from './HandOverPage.vue';

const NOW = Math.floor(serverNow());
const over = (of: Partial<HandOver> = {}) =>
    ({
        since: NOW - 8 * 3600,
        now: NOW,
        made: [{ product_id: 4, product: 'frame spacer clip', good: 118, bad: 3, runs: 2 }],
        told: [
            {
                at: NOW - 60,
                by: 'Teodor Vance',
                about: 'for the next shift',
                says: 'Look after the chiller.',
                own: true,
                run_id: null,
            },
            {
                at: NOW - 600,
                by: null,
                about: 'Anvil',
                says: '171 °C, under 177 °C',
                own: false,
                run_id: null,
            },
        ],
        machines: [
            {
                machine_id: 5,
                machine: 'Wren',
                says: 'free',
                holds: 'HDPE',
                mould: 'Dormouse',
                measured_c: 64,
                run_id: null,
            },
        ],
        hands: [
            { at: NOW - 5, what: 'Open it', machine: 'Pond', about: 'divider board', to: '/run/r1' },
            { at: NOW + 1201, what: 'Take it out', machine: 'Attic', about: 'PA6', to: '/dry' },
        ],
        next: [
            {
                id: 'a',
                count: 12,
                product: 'stand rail',
                starts: NOW + 3600,
                ends: NOW + 7200,
                machine: 'Adder',
                lot: 'L-1',
                holds: [],
            },
            {
                id: 'b',
                count: 2,
                product: 'travel lid',
                starts: null,
                ends: null,
                machine: null,
                lot: null,
                holds: ['no sheet of HIPS'],
            },
        ],
        ...of,
    }) as unknown as HandOver;
const open = async (answers: Record<string, unknown> = {}) => {
    const asked = server({ handover: over(), ...answers });
    const { page } = await shownAt(HandOverPage, '/handover', '/handover');
    await vi.waitFor(() => expect(textOf(page)).toContain('and what comes'));
    return { asked, page };
};
afterEach(() => vi.unstubAllGlobals());

describe('a shift handed over', () => {
    it('says what to know, what was made, what is left, and what comes', async () => {
        const text = textOf((await open()).page);
        expect(text).toContain('Look after the chiller. Teodor Vance');
        expect(text).toContain('171 °C, under 177 °C an instrument, Anvil');
        expect(text).toContain('frame spacer clip11832');
        expect(text).toContain('Wrenfree, 64 °C · HDPE in it · Dormouse hangs');
        expect(text).toContain('2 travel lid no sheet of HIPS');
    });

    it('tells apart what wants hands now and what will', async () => {
        const { page } = await open();
        const hands = page.get('[aria-labelledby=hands]').text().replace(/\s+/g, ' ');
        expect(hands).toMatch(/now\s*Open it/);
        expect(hands).toMatch(/in 20 min\s*Take it out/);
    });

    it('looks back as long as one likes', async () => {
        const { asked, page } = await open();
        await buttonOf(page, '24 h').trigger('click');
        await vi.waitFor(() =>
            expect(asked.filter((a) => a.path.startsWith('handover')).length).toBeGreaterThan(1),
        );
        const since = Number(new URLSearchParams(asked.at(-1)!.path.split('?')[1]).get('since'));
        expect(NOW - since).toBeGreaterThan(86_000);
    });

    it('takes a word of one’s own, and keeps it where it was refused', async () => {
        const { asked, page } = await open({ 'POST handover/notes': refusal('text', 'is too long') });
        expect(buttonOf(page, 'Say it').attributes('disabled')).toBeDefined();
        await page.get('textarea').setValue(' Mind the left guide. ');
        await page.get('form').trigger('submit');
        await vi.waitFor(() => expect(page.get('[role=alert]').text()).toBe('Text is too long.'));
        expect(asked.find((a) => a.method === 'POST')!.body).toMatchObject({ text: 'Mind the left guide.' });
        expect((page.get('textarea').element as HTMLTextAreaElement).value).toContain('left guide');
    });
});
