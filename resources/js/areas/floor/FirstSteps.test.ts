import { afterEach, describe, expect, it, vi } from 'vitest';
import { session } from '../../api/session';
import { page, server, shown, textOf } from '../../tests/mount';
import FirstSteps from './FirstSteps.vue';

afterEach(() => vi.unstubAllGlobals());
const steps = async (role: string, there: string[]) => {
    session.person = { id: 1, name: 'Maren Okafor', role } as typeof session.person;
    server(Object.fromEntries(there.map((path) => [path, page([{ id: 1 }])])));
    return shown(FirstSteps, {});
};

describe('the way of an empty shop', () => {
    it('begins with a machine, and offers what comes next alone', async () => {
        const all = await steps('lead', []);
        expect(all.findAll('li.done')).toHaveLength(0);
        expect(all.findAll('a').map((a) => a.attributes('href'))).toEqual(['/shop/machines/new']);
        expect(textOf(all)).toContain('what its plate says; the rest can stay empty');
    });

    it('ticks what is there, and goes on with what is not', async () => {
        const all = await steps('lead', ['machines', 'products', 'sources']);
        expect(all.findAll('li.done')).toHaveLength(3);
        expect(all.findAll('a').map((a) => a.attributes('href'))).toEqual(['/sort/deliver']);
        const ready = await steps('lead', ['machines', 'products', 'sources', 'lots']);
        expect(ready.findAll('a').map((a) => a.attributes('href'))).toEqual(['/set']);
    });

    it('does not offer to others what a lead does, and says who does it', async () => {
        const all = await steps('operator', []);
        expect(all.findAll('a')).toHaveLength(0);
        expect(textOf(all)).toContain('a lead does this');
        expect(
            (await steps('operator', ['machines', 'products'])).findAll('a').map((a) => a.attributes('href')),
        ).toEqual(['/sort/sources']);
    });
});
