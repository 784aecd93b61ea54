import { afterEach, describe, expect, it, vi } from 'vitest';
import { createApp, defineComponent, h, nextTick, ref } from 'vue';
import { useEdge } from './edge';

type Said = (all: { target: Element; borderBoxSize: { inlineSize: number; blockSize: number }[] }[]) => void;

/** A page with a line at its edge; `grow` says how high the browser finds it. */
async function edged() {
    let said: Said = () => undefined;
    vi.stubGlobal(
        'ResizeObserver',
        class {
            constructor(told: Said) {
                said = told;
            }
            observe = vi.fn();
            disconnect = vi.fn();
        },
    );
    const opened = ref(false);
    const app = createApp(
        defineComponent(() => {
            const line = ref<HTMLElement | null>(null);
            useEdge(line, '--line', opened);
            return () => h('p', { ref: line });
        }),
    );
    app.mount(document.createElement('div'));
    await nextTick();
    const grow = async (px: number) => {
        said([{ target: document.body, borderBoxSize: [{ inlineSize: 300, blockSize: px }] }]);
        await nextTick();
    };
    return { app, opened, grow, free: () => document.documentElement.style.getPropertyValue('--line') };
}

describe('what stands at an edge of the screen', () => {
    afterEach(() => vi.unstubAllGlobals());

    it('says how high it is, again as it grows', async () => {
        const { grow, free } = await edged();
        await grow(84);
        expect(free()).toBe('84px');
        await grow(131);
        expect(free()).toBe('131px');
    });

    it('keeps the height it had while it lies over the page', async () => {
        const { opened, grow, free } = await edged();
        await grow(92);
        opened.value = true;
        await grow(600);
        expect(free()).toBe('92px');
    });

    it('leaves nothing free on the pages after it', async () => {
        const { app, grow, free } = await edged();
        await grow(84);
        app.unmount();
        expect(free()).toBe('');
    });
});
