import { afterEach, describe, expect, it, vi } from 'vitest';
import type { Run } from '../../api/types';
import { page as items, server, shownAt, textOf } from '../../tests/mount';
import RunOver from './RunOver.vue';

afterEach(() => vi.unstubAllGlobals());
const left = {
    id: 'trim',
    title: 'Trimmed edge',
    form: 'offcut',
    mass_g: 120,
    because: 'as it was weighed',
    kept: [],
};
const ended = {
    summary: {
        id: 'r',
        status: 'finished',
        verdict: 'good',
        ended_at: 0,
        stations: [],
        good: 0,
        bad: 0,
        scrap_reason: null,
    },
    pieces: [],
    plan: {},
    inspection: null,
    procedure: { steps: [], entries: [] },
    made_of: [],
} as unknown as Run;

describe('a run that is over', () => {
    it('is asked what it left once the server has its end, and not while this screen alone knows of it', async () => {
        const asked = server({
            'GET runs/r/leftovers': items([left]),
            'GET runs/r/lessons': items([]),
        });
        const { page } = await shownAt(RunOver, '/run/:id', '/run/r', { run: ended, known: false });
        expect(textOf(page)).toContain('Kept on this screen');
        expect(asked).toEqual([]);
        await page.setProps({ known: true });
        await vi.waitFor(() => expect(textOf(page)).toContain('Trimmed edge'));
        expect(textOf(page)).not.toContain('Kept on this screen');
    });
});
