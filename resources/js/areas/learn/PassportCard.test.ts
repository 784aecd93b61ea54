import { VueQueryPlugin } from '@tanstack/vue-query';
import { flushPromises, mount } from '@vue/test-utils';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { api } from '../../api/client';
import { session } from '../../api/session';
import { buttonOf, STUBS } from '../../tests/mount';
import PassportCard from './PassportCard.vue';

const OFF = {
    id: null,
    address: null,
    shows: [],
    waste: [],
    sources: [{ id: 4, name: 'garden nursery' }],
    weighed: true,
    by: null,
};
const ON = { ...OFF, id: 9, address: 'http://shop/made/abc', shows: ['mark'], by: 'Maren Okafor' };

async function shown(passport: object, role: 'lead' | 'operator' = 'lead') {
    vi.spyOn(api, 'get').mockResolvedValue(passport);
    session.person = { id: 1, name: 'Maren Okafor', role, has_pin: true } as typeof session.person;
    const page = mount(PassportCard, {
        props: { run: 'r1' },
        global: { plugins: [VueQueryPlugin], stubs: STUBS },
    });
    await flushPromises();
    return page;
}
const box = (page: Awaited<ReturnType<typeof shown>>, label: string) =>
    page
        .findAll('label')
        .find((l) => l.text() === label)!
        .find('input');

describe('the passport of parts', () => {
    beforeEach(() => vi.restoreAllMocks());
    it('is off, and sends what a lead has ticked, with the word that was looked at', async () => {
        const page = await shown(OFF);
        expect(page.text()).toContain('Nobody outside the shop sees anything of it.');
        expect(page.text()).not.toContain('garden nursery');
        const post = vi.spyOn(api, 'post').mockResolvedValue(ON);
        await box(page, 'Plastic, with its mark').setValue(true);
        await box(page, 'Grams kept from waste').setValue(true);
        await box(page, 'garden nursery').setValue(true);
        await buttonOf(page, 'Show what is ticked')!.trigger('click');
        await flushPromises();
        expect(post.mock.calls[0]![1]).toMatchObject({ before: null, shows: ['mark', 'kept'], waste: [4] });
        expect(page.find('a').attributes('href')).toBe(ON.address);
    });
    it('is taken back by one tap', async () => {
        const page = await shown(ON);
        const post = vi.spyOn(api, 'post').mockResolvedValue({ ...OFF, id: 10 });
        await buttonOf(page, 'Take it back')!.trigger('click');
        await flushPromises();
        expect(post.mock.calls[0]![1]).toMatchObject({ before: 9, shows: [] });
        expect(page.text()).toContain('Nobody outside the shop');
    });
    it('asks nobody but a lead, and shows others only what is given', async () => {
        expect((await shown(OFF, 'operator')).find('section').exists()).toBe(false);
        const page = await shown(ON, 'operator');
        expect(page.text()).toContain('Given by Maren Okafor');
        expect(page.findAll('input')).toHaveLength(0);
    });
    it('knows nothing of what is kept where nobody weighed a part', async () => {
        const page = await shown({ ...OFF, weighed: false });
        expect(box(page, 'Grams kept from waste').attributes('disabled')).toBeDefined();
        expect(page.text()).toContain('Nobody weighed a part of it');
    });
});
