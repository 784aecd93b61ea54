import { afterEach, expect, it, vi } from 'vitest';
import { createMemoryHistory, createRouter, type Router } from 'vue-router';
import { cannotBegin, keepPages, unopened } from './begin';

const blank = { template: '<p />' };
const gone = () => Promise.reject(new TypeError('Failed to fetch dynamically imported module'));

function shop(): { router: Router; loaded: string[] } {
    const loaded: string[] = [];
    const router = createRouter({
        history: createMemoryHistory(),
        routes: [
            { path: '/', component: blank },
            { path: '/set', component: gone, meta: { title: 'Set' } },
        ],
    });
    keepPages(router, (path) => loaded.push(path));
    return { router, loaded };
}
const server = (answer: () => Promise<Response>) => vi.stubGlobal('fetch', vi.fn(answer));
const open = (router: Router, path: string) => router.push(path).catch(() => undefined);

afterEach(() => {
    vi.unstubAllGlobals();
    unopened.value = null;
});

it('loads the release that is there now, at the page that was asked for', async () => {
    server(async () => new Response('', { status: 200 }));
    const { router, loaded } = shop();
    await open(router, '/');
    await open(router, '/set?product=4');
    await vi.waitFor(() => expect(loaded).toEqual(['/set?product=4']));
    expect(unopened.value).toBeNull();
});

it('stays where it is while the server is away, says so, and no longer once another page is open', async () => {
    server(() => Promise.reject(new TypeError('Failed to fetch')));
    const { router, loaded } = shop();
    await open(router, '/');
    await open(router, '/set');
    await vi.waitFor(() => expect(unopened.value).toBe('Set'));
    expect(loaded).toEqual([]);
    expect(router.currentRoute.value.path).toBe('/');
    await router.push('/?again');
    expect(unopened.value).toBeNull();
});

it('does not load the first page again and again', async () => {
    server(async () => new Response('', { status: 200 }));
    const { router, loaded } = shop();
    await open(router, '/set');
    await new Promise((resolve) => setTimeout(resolve, 20));
    expect(loaded).toEqual([]);
});

it('says why nothing is there, and tries again by a touch', () => {
    const place = document.createElement('div');
    place.textContent = 'half an application';
    const again = vi.fn();
    cannotBegin(place, again);
    expect(place.querySelector('[role=alert]')?.textContent).toContain('This screen could not begin');
    expect(place.textContent).not.toContain('half');
    place.querySelector('button')!.click();
    expect(again).toHaveBeenCalledOnce();
});
