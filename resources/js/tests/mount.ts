import { VueQueryPlugin } from '@tanstack/vue-query';
import { flushPromises, mount } from '@vue/test-utils';
import { vi } from 'vitest';
import { nextTick, type Component } from 'vue';
import { createMemoryHistory, createRouter } from 'vue-router';

/** Of a request that a part sent: its way, its path, what was in it. */
export interface Asked {
    method: string;
    path: string;
    body: unknown;
}
type Answer = unknown | ((asked: Asked) => unknown);

const button = {
    props: ['to', 'disabled', 'loading', 'href'],
    inheritAttrs: true,
    template:
        '<a v-if="to || href" :href="to || href"><slot /></a><button v-else :disabled="disabled || loading"><slot /></button>',
};
const link = { props: ['to'], template: '<a :href="to"><slot /></a>' };
const textarea = {
    props: ['modelValue', 'label'],
    emits: ['update:modelValue'],
    template:
        '<label>{{ label }}<textarea :value="modelValue" @input="$emit(\'update:modelValue\', $event.target.value)" /></label>',
};
const field = {
    props: ['modelValue', 'label'],
    emits: ['update:modelValue'],
    template:
        '<label>{{ label }}<input :value="modelValue" @input="$emit(\'update:modelValue\', $event.target.value)" /></label>',
};
const box = { template: '<div><slot /></div>' };
const dialog = { props: ['modelValue'], template: '<div v-if="modelValue"><slot /></div>' };
export const STUBS = {
    VBtn: button,
    RouterLink: link,
    VTextarea: textarea,
    VTextField: field,
    VCard: box,
    VDialog: dialog,
};

/** A part on its own: Vuetify's and the router's are plain elements, the server is what the test says it is. */
export async function shown(part: Component, props: Record<string, unknown>, options: object = {}) {
    const page = mount(part, {
        props,
        global: { plugins: [VueQueryPlugin], stubs: STUBS },
        ...options,
    });
    await flushPromises();
    await flushPromises();
    return page;
}
/** The same at an address, with a router of its own; where it went to stands in `router.currentRoute`. */
export async function shownAt(
    part: Component,
    pattern: string,
    path: string,
    props: Record<string, unknown> = {},
) {
    const router = createRouter({
        history: createMemoryHistory(),
        routes: [
            { path: pattern, component: part },
            { path: '/:rest(.*)*', component: box },
        ],
    });
    await router.push(path);
    const stubs = { ...STUBS, RouterLink: false };
    const page = await shown(part, props, { global: { plugins: [VueQueryPlugin, router], stubs } });
    return { page, router };
}
export type Shown = Awaited<ReturnType<typeof shown>>;

/** Spaces that do not break are spaces, and several are one. */
export const plain = (text: string) => text.replace(/[\u00a0\u202f\s]+/g, ' ').trim();
export const textOf = (page: { text(): string }) => plain(page.text());
export const buttonOf = (page: Shown, says: string) => {
    const all = page.findAll('button, a');
    const found =
        all.find((b) => plain(b.text()) === says) ?? all.find((b) => plain(b.text()).includes(says));
    if (!found) throw new Error(`no button "${says}" among: ${all.map((b) => plain(b.text())).join(' | ')}`);
    return found;
};

/** A server by path; what it was asked stands in the list that comes back. An answer with `status` is a refusal. */
export function server(answers: Record<string, Answer>): Asked[] {
    const asked: Asked[] = [];
    vi.stubGlobal('fetch', async (url: string | Request, init: RequestInit = {}) => {
        if (String(url).includes('csrf-cookie')) return new Response(null, { status: 204 });
        const path = String(url).replace(/^.*\/api\/v1\//, '');
        const one = {
            method: init.method ?? 'GET',
            path,
            body: typeof init.body === 'string' ? (JSON.parse(init.body) as unknown) : null,
        };
        asked.push(one);
        const key = Object.keys(answers).find(
            (k) => `${one.method} ${path}` === k || path.split('?')[0] === k,
        );
        if (key === undefined)
            return new Response(JSON.stringify({ items: [], next: null }), { status: 200 });
        const answer = answers[key];
        const body = typeof answer === 'function' ? (answer as (a: Asked) => unknown)(one) : answer;
        const status = (body as { status?: number } | null)?.status;
        return new Response(JSON.stringify(body), { status: typeof status === 'number' ? status : 200 });
    });
    return asked;
}
export const page = (items: unknown[]) => ({ items, next: null });
export const refusal = (field: string, message: string, status = 422) => ({
    status,
    error: { code: 'invalid', field, message },
});

/** A screen on which drawings are so wide, from when what comes back is called. */
export function screenOf(width: number): () => Promise<void> {
    let tell: (entries: unknown[]) => void = () => undefined;
    vi.stubGlobal(
        'ResizeObserver',
        class {
            constructor(heard: typeof tell) {
                tell = heard;
            }
            observe() {}
            disconnect() {}
        },
    );
    vi.spyOn(SVGElement.prototype, 'getBoundingClientRect').mockReturnValue({ width } as DOMRect);
    return async () => {
        await nextTick();
        tell([{ contentRect: { width, height: 1 } }]);
        await nextTick();
    };
}
