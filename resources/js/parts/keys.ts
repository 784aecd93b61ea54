import { onKeyStroke, useEventListener, useTimeoutFn } from '@vueuse/core';
import { reactive } from 'vue';
import type { Router } from 'vue-router';
import { BURST_MS, codes } from './scan';

export interface ShopKey {
    key: string;
    says: string;
    where: string;
    do: () => void;
}

/** Every key that does something now, so that `?` can show it. */
export const keys = reactive<{ list: ShopKey[]; help: boolean }>({ list: [], help: false });

const typing = (event: KeyboardEvent) => {
    const target = event.target as HTMLElement | null;
    return (
        !!target &&
        target.closest('input, textarea, select, [contenteditable], [role="listbox"]') !== null &&
        !(target instanceof HTMLInputElement && target.type === 'range')
    );
};

/**
 * Keys wait for a moment of quiet, then each does what it says: those that a scanner sent before its Enter are a code,
 * and none of its digits opens a page or counts a piece.
 */
export function useKeys(list: () => ShopKey[]): void {
    let pressed: ShopKey[] = [];
    let codesBefore = codes.read;
    const flush = () => {
        const mine = pressed;
        pressed = [];
        if (codes.read === codesBefore) for (const key of mine) key.do();
    };
    const act = useTimeoutFn(flush, BURST_MS, { immediate: false });
    // A finger is no scanner: what was pressed before it is done before what it does.
    useEventListener(
        document,
        'pointerdown',
        () => {
            act.stop();
            flush();
        },
        { capture: true },
    );
    onKeyStroke(true, (event) => {
        if (
            event === codes.end ||
            typing(event) ||
            event.ctrlKey ||
            event.metaKey ||
            event.altKey ||
            document.querySelector('.v-overlay--active :is(.v-card, .v-list)')
        )
            return;
        const found = list().find((k) => k.key.toLowerCase() === event.key.toLowerCase());
        if (found) {
            event.preventDefault();
            if (pressed.length === 0) codesBefore = codes.read;
            pressed.push(found);
        }
        if (pressed.length > 0) act.start();
    });
}

const PLACES: [string, string, string][] = [
    ['1', 'Floor', '/'],
    ['2', 'Sort', '/sort'],
    ['3', 'Weigh', '/weigh'],
    ['4', 'Set', '/set'],
    ['5', 'Run', '/run'],
    ['6', 'Check', '/check'],
    ['7', 'Learn', '/learn'],
    ['8', 'Reckon', '/reckon'],
    ['9', 'Shop', '/shop'],
];

export function useShopKeys(router: Router): void {
    const list: ShopKey[] = [
        { key: '?', says: 'Show these keys', where: 'Everywhere', do: () => (keys.help = !keys.help) },
        ...PLACES.map(([key, says, path]) => ({
            key,
            says,
            where: 'Everywhere',
            do: () => void router.push(path),
        })),
    ];
    keys.list = list;
    useKeys(() => list);
}
