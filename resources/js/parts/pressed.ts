import { shallowRef, watch, type Ref } from 'vue';

/** Whether a finger or a button of the mouse is down somewhere on the page. */
const pressed = shallowRef(false);
/** a press whose end nobody heard, as when it ends in a menu of the browser, ms */
const LOST_MS = 3000;
let lost: number | undefined;

function end() {
    window.clearTimeout(lost);
    pressed.value = false;
}
window.addEventListener(
    'pointerdown',
    () => {
        pressed.value = true;
        window.clearTimeout(lost);
        lost = window.setTimeout(end, LOST_MS);
    },
    { capture: true, passive: true },
);
// A click comes after its release; none comes after what was broken off.
window.addEventListener('pointerup', () => window.setTimeout(end), { capture: true, passive: true });
window.addEventListener('pointercancel', end, { capture: true, passive: true });
window.addEventListener('blur', end);

/**
 * What is told, but for the moment in which something is pressed: a line that comes in above a page moves what is under
 * the finger, and a press that ends on something else than it began on is none.
 */
export function unlessPressed<T>(told: () => T): Readonly<Ref<T>> {
    const shown = shallowRef(told());
    watch(
        [told, pressed],
        () => {
            if (!pressed.value) shown.value = told();
        },
        { flush: 'sync' },
    );
    return shown;
}

/** Until nothing is pressed: what is asked for and comes in the middle of a press would move what is under it, too. */
export function lifted(): Promise<void> {
    if (!pressed.value) return Promise.resolve();
    return new Promise((resolve) => {
        watch(pressed, () => resolve(), { once: true, flush: 'sync' });
    });
}
