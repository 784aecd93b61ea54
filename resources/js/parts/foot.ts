import { useEventListener, useLocalStorage } from '@vueuse/core';

/** ms after which a press is a long one */
export const LONG_MS = 700;

/** The key that the foot switch at this screen sends, by its place on a keyboard; a setting of the screen, empty for none. */
export const pedal = useLocalStorage('dithermic-pedal', '');

/** A foot switch pressed: short as it is let go, long as soon as it has been held for it. While a question is open it says nothing. */
export function useFoot(pressed: (long: boolean) => void): void {
    let timer: ReturnType<typeof setTimeout> | null = null;
    const mine = (event: KeyboardEvent) => pedal.value !== '' && event.code === pedal.value;
    useEventListener(
        window,
        'keydown',
        (event) => {
            if (!mine(event) || document.querySelector('.v-overlay--active .v-card')) return;
            event.preventDefault();
            event.stopPropagation();
            if (event.repeat || timer !== null) return;
            timer = setTimeout(() => {
                timer = null;
                pressed(true);
            }, LONG_MS);
        },
        { capture: true },
    );
    useEventListener(
        window,
        'keyup',
        (event) => {
            if (!mine(event) || timer === null) return;
            clearTimeout(timer);
            timer = null;
            pressed(false);
        },
        { capture: true },
    );
}
