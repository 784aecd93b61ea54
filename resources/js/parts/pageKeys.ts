import { onScopeDispose, reactive, watch } from 'vue';
import { useKeys, type ShopKey } from './keys';

export const pageKeys = reactive<{ title: string; list: ShopKey[] }>({ title: '', list: [] });

/** Keys of the page that is open; they show under `?` and go with the page. */
export function usePageKeys(title: string, list: () => ShopKey[]): void {
    pageKeys.title = title;
    watch(list, (next) => (pageKeys.list = next), { immediate: true });
    useKeys(list);
    onScopeDispose(() => (pageKeys.list = []));
}
