import { onKeyStroke } from '@vueuse/core';
import { reactive } from 'vue';
import type { Router } from 'vue-router';

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

export function useKeys(list: () => ShopKey[]): void {
    onKeyStroke(true, (event) => {
        if (
            typing(event) ||
            event.ctrlKey ||
            event.metaKey ||
            event.altKey ||
            document.querySelector('.v-overlay--active .v-card')
        )
            return;
        const found = list().find((k) => k.key.toLowerCase() === event.key.toLowerCase());
        if (found) {
            event.preventDefault();
            found.do();
        }
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
