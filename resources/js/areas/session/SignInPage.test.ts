import { afterEach, describe, expect, it, vi } from 'vitest';
import { type Asked, buttonOf, refusal, server, shownAt, textOf } from '../../tests/mount';
import SignInPage from './SignInPage.vue';

vi.mock('../../parts/PersonSwitch.vue', () => ({ default: { template: '<div class="switch" />' } }));
afterEach(() => vi.unstubAllGlobals());
let asked: Asked[] = [];
const SESSION = {
    person: { id: 1, name: 'Ines Halloran', role: 'operator' },
    preferences: { units: 'metric', theme: 'auto', glove: false },
    people: [],
};
const open = async (path: string, answer: unknown) => {
    asked = server({
        'POST session': answer,
        floor: { alarms: [], hands: [], lanes: [], stages: [], server_time: 0 },
    });
    return shownAt(SignInPage, '/sign-in', path);
};
async function enter(page: Awaited<ReturnType<typeof open>>['page'], login: string, password: string) {
    await page.findAll('input')[0]!.setValue(login);
    await page.findAll('input')[1]!.setValue(password);
    await page.get('form').trigger('submit');
}

describe('signing in', () => {
    it('goes where one was on the way to', async () => {
        const { page, router } = await open('/sign-in?to=/learn/r1', SESSION);
        await enter(page, ' ines ', 'flake-to-panel');
        await vi.waitFor(() => expect(router.currentRoute.value.path).toBe('/learn/r1'));
        expect(asked.find((a) => a.path === 'session')!.body).toMatchObject({
            login: 'ines',
            password: 'flake-to-panel',
        });
    });

    it('goes nowhere outside of the shop', async () => {
        const { page, router } = await open('/sign-in?to=https://elsewhere.test/', SESSION);
        await enter(page, 'ines', 'flake-to-panel');
        await vi.waitFor(() => expect(router.currentRoute.value.path).toBe('/'));
    });

    it('stays with the name when the password is wrong', async () => {
        const { page, router } = await open(
            '/sign-in',
            refusal('login', 'Name and password do not go together.', 422),
        );
        await enter(page, 'ines', 'wrong');
        await vi.waitFor(() => expect(buttonOf(page, 'Sign in').attributes('disabled')).toBeUndefined());
        expect(router.currentRoute.value.path).toBe('/sign-in');
        expect((page.findAll('input')[0]!.element as HTMLInputElement).value).toBe('ines');
    });

    it('offers no PIN where nobody has been on this screen', async () => {
        const { page } = await open('/sign-in', SESSION);
        expect(textOf(page)).not.toContain('Switch by PIN');
    });
});
