import { afterEach, describe, expect, it, vi } from 'vitest';
import { page as items, server, shownAt, textOf } from '../../tests/mount';
import ReckonPage from './ReckonPage.vue';

afterEach(() => vi.unstubAllGlobals());
const entry = { name: 'charge.sheet', group: 'charge', title: 'A pressed sheet', purpose: '', example: {} };

describe('the scratch bench', () => {
    it('says of a name that it does not know that there is nothing, and asks the server no schema of it', async () => {
        const asked = server({ calc: items([entry]), polymers: items([]) });
        const { page } = await shownAt(ReckonPage, '/reckon/:name?', '/reckon/charge.shet');
        await vi.waitFor(() =>
            expect(textOf(page)).toContain('Nothing is reckoned by the name “charge.shet”'),
        );
        expect(asked.map((a) => a.path)).not.toContain('calc/charge.shet');
    });
});
