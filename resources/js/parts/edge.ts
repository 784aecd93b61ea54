import { useElementSize } from '@vueuse/core';
import { onScopeDispose, watch, type Ref } from 'vue';

/**
 * Says how high what stands at an edge of the screen is, as a property of the page's style: pages leave it free. Not
 * while `opened`, as then it lies over the page.
 */
export function useEdge(
    element: Ref<HTMLElement | null>,
    property: `--${string}`,
    opened?: Ref<boolean>,
): void {
    const { height } = useElementSize(element, undefined, { box: 'border-box' });
    const { style } = document.documentElement;
    watch(height, (px) => {
        if (!opened?.value) style.setProperty(property, `${px}px`);
    });
    onScopeDispose(() => style.removeProperty(property));
}
