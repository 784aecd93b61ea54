import { ref } from 'vue';
import type { Router } from 'vue-router';

/** The title of a page whose parts did not come, until another is open. */
export const unopened = ref<string | null>(null);

/** Whether the server is there to give the parts of a page. */
const isThere = () =>
    fetch('/up', { cache: 'no-store' }).then(
        (answer) => answer.ok,
        () => false,
    );

/**
 * A page is fetched when it is first opened. What does not come is of a release that is gone: then the new one is
 * loaded at that page; or the server is away: then the screen stays where it is, and says so.
 */
export function keepPages(router: Router, load = (path: string) => location.assign(path)): void {
    router.onError(async (_error, to) => {
        // The first page of all: loading it again would only fail again.
        if (router.currentRoute.value.matched.length === 0) return;
        if (await isThere()) load(to.fullPath);
        else unopened.value = String(to.meta.title ?? 'This page');
    });
    router.afterEach((_to, _from, failure) => {
        if (!failure) unopened.value = null;
    });
}

/** In place of the application, where it cannot begin: why, and that nothing else is wrong. */
export function cannotBegin(place: HTMLElement, again = () => location.reload()): void {
    const heading = document.createElement('h1');
    heading.textContent = 'This screen could not begin';
    const why = document.createElement('p');
    why.textContent =
        'Either the server did not give all of the application, or this browser keeps nothing (private browsing, ' +
        'or its storage is full), and an entry made here could be lost. Runs go on by the clock of the server.';
    const button = document.createElement('button');
    button.textContent = 'Try again';
    button.addEventListener('click', again);
    const page = document.createElement('main');
    page.className = 'cannot-begin';
    page.setAttribute('role', 'alert');
    page.append(heading, why, button);
    place.replaceChildren(page);
}
