import { useQuery } from '@tanstack/vue-query';
import { refDebounced } from '@vueuse/core';
import { computed, ref, toValue, type MaybeRefOrGetter } from 'vue';
import { api } from '../api/client';
import type { Lot } from '../api/types';

/**
 * Lots to choose from. The shelves come a page at a time, so what is not on the first one is found by a word: its code,
 * colour, place, polymer or source. Of one polymer only, where that is given.
 */
export function useLots(polymer: MaybeRefOrGetter<string | null> = null) {
    const find = ref('');
    const asked = refDebounced(find, 200);
    const path = computed(() => {
        const query = new URLSearchParams();
        const of = toValue(polymer);
        if (of !== null) query.set('polymer', of);
        if (asked.value.trim() !== '') query.set('find', asked.value.trim());
        return `lots?${query}`;
    });
    const { data } = useQuery({
        queryKey: ['lots', 'choose', path],
        queryFn: () => api.list<Lot>(path.value),
        placeholderData: (before: Lot[] | undefined) => before,
    });
    return { find, lots: computed(() => data.value ?? []) };
}
