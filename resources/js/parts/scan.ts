import { useEventListener } from '@vueuse/core';

/**
 * A scanner that types: a burst of keys ending in Enter, faster than hands. What it read is a lot's code, or the address
 * on its label that ends in one. Whoever listened last hears it first.
 */
type Heard = (code: string) => boolean;
const listeners: Heard[] = [];
const BURST_MS = 60;

export function codeOf(text: string): string | null {
    const found = /(?:^|\/l\/)([LC]-\d{4,8})$/i.exec(text.trim());
    return found ? found[1]!.toUpperCase() : null;
}

/** Hears scans until the component goes; true means: this was for me. */
export function onScan(heard: Heard): () => void {
    listeners.unshift(heard);
    return () => {
        const at = listeners.indexOf(heard);
        if (at >= 0) listeners.splice(at, 1);
    };
}

export function useScanner(): void {
    let text = '';
    let last = 0;
    useEventListener(
        document,
        'keydown',
        (event: KeyboardEvent) => {
            const now = performance.now();
            if (now - last > BURST_MS) text = '';
            last = now;
            if (event.key === 'Enter') {
                const code = text.length >= 6 ? codeOf(text) : null;
                text = '';
                if (code && listeners.some((l) => l(code))) {
                    event.preventDefault();
                    event.stopPropagation();
                }
            } else if (event.key.length === 1) text += event.key;
        },
        { capture: true },
    );
}
