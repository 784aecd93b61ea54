import { useEventListener } from '@vueuse/core';

/**
 * A scanner that types: a burst of keys ending in Enter, faster than hands. What it read is the code of a lot, a
 * charge, something made or an instrument, or the address on its label. Whoever listened last hears it first.
 */
type Heard = (code: string) => boolean;
const listeners: Heard[] = [];
export const BURST_MS = 60;
/** How many bursts of keys were a code, known or not, and the Enter that ended the last one. */
export const codes = { read: 0, end: null as KeyboardEvent | null };
const SHORTEST = 4;

export function codeOf(text: string): string | null {
    const found = /(?:^|\/l\/)([LC]-\d{4,8})$/i.exec(text.trim());
    if (found) return found[1]!.toUpperCase();
    const instrument = /(?:^I-|\/i\/)([A-HJ-NP-Z2-9]{8})$/i.exec(text.trim());
    if (instrument) return `I-${instrument[1]!.toUpperCase()}`;
    const made = /(?:^R-|\/r\/)(\d{1,9})(?:[-/](\d{1,7}))?$/i.exec(text.trim());
    return made ? `R-${Number(made[1])}${made[2] ? `-${Number(made[2])}` : ''}` : null;
}

/** The page that a code opens. */
export function pageOf(code: string): string {
    if (code.startsWith('C')) return '/weigh';
    if (code.startsWith('I')) return `/i/${code.slice(2)}`;
    return code.startsWith('R') ? `/r/${code.slice(2).replace('-', '/')}` : `/l/${code}`;
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
            // when it was pressed, not when a busy page came to it
            if (event.timeStamp - last > BURST_MS) text = '';
            last = event.timeStamp;
            if (event.key === 'Enter') {
                const code = text.length >= SHORTEST ? codeOf(text) : null;
                if (text.length >= SHORTEST) {
                    codes.read++;
                    codes.end = event;
                }
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
