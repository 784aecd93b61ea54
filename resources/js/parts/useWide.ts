import { useElementSize } from '@vueuse/core';
import { computed, type Ref } from 'vue';

/**
 * How wide a drawing is on this screen, so that it is drawn at its real size: shrunk to a phone its words are not read.
 * It is no narrower than where its words would lie on each other.
 */
export function useWide(box: Ref<SVGSVGElement | null>, least = 260, before = 420) {
    const { width } = useElementSize(box, { width: before, height: 0 });
    return computed(() => Math.max(least, width.value));
}
