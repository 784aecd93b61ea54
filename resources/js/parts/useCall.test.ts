import { mount } from '@vue/test-utils';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { defineComponent, nextTick, ref } from 'vue';
import * as sound from './sound';
import { useCall, useLit } from './useCall';

const START = 1_000_000;
const now = ref(START);
const waits = ref(false);
const runs = ref(false);
let ring: ReturnType<typeof vi.spyOn>;
let shaken: unknown[];
let asked: string[];
let flashes: { value: boolean };
let page: ReturnType<typeof mount>;

beforeEach(() => {
    [now.value, waits.value, runs.value] = [START, false, false];
    [shaken, asked] = [[], []];
    ring = vi.spyOn(sound, 'ring').mockImplementation(() => undefined);
    const lock = () => {
        const of = new EventTarget() as EventTarget & { release: () => Promise<void> };
        of.release = async () => void asked.push('release');
        return of;
    };
    Object.defineProperty(navigator, 'vibrate', {
        configurable: true,
        value: (pattern: unknown) => shaken.push(pattern) > 0,
    });
    Object.defineProperty(navigator, 'wakeLock', {
        configurable: true,
        value: { request: async (kind: string) => (asked.push(kind), lock()) },
    });
    page = mount(
        defineComponent({
            setup: () => {
                flashes = useCall(waits, now, 4);
                useLit(runs);
                return () => null;
            },
        }),
    );
});
afterEach(() => {
    page.unmount();
    vi.restoreAllMocks();
    for (const name of ['vibrate', 'wakeLock']) Reflect.deleteProperty(navigator, name);
});
async function after(seconds: number) {
    for (let i = 0; i < seconds; i++) {
        now.value++;
        await nextTick();
    }
}

describe('how a screen calls hands', () => {
    it('sounds and shakes at once, and every four seconds while something waits', async () => {
        waits.value = true;
        await nextTick();
        expect(ring).toHaveBeenCalledTimes(1);
        expect(shaken).toEqual([[300, 120, 300]]);
        await after(12);
        expect(ring).toHaveBeenCalledTimes(4);
        waits.value = false;
        await after(12);
        expect(ring).toHaveBeenCalledTimes(4);
    });

    it('shakes no screen that nobody has touched yet', async () => {
        const activation = { hasBeenActive: false };
        Object.defineProperty(navigator, 'userActivation', { configurable: true, value: activation });
        waits.value = true;
        await nextTick();
        expect(shaken).toEqual([]);
        activation.hasBeenActive = true;
        await after(4);
        expect(shaken).toHaveLength(1);
        Reflect.deleteProperty(navigator, 'userActivation');
    });

    it('flashes for three seconds as it begins, and again after a while', async () => {
        waits.value = true;
        await nextTick();
        expect(flashes.value).toBe(true);
        await after(3);
        expect(flashes.value).toBe(false);
        await after(17);
        expect(flashes.value).toBe(true);
        // What somebody sees to flashes no longer.
        waits.value = false;
        await nextTick();
        expect(flashes.value).toBe(false);
    });

    it('begins anew for what is due later', async () => {
        waits.value = true;
        await after(6);
        waits.value = false;
        await after(5);
        waits.value = true;
        await nextTick();
        expect(flashes.value).toBe(true);
    });

    it('keeps the screen lit while a clock runs, and no longer', async () => {
        expect(asked).toEqual([]);
        runs.value = true;
        await vi.waitFor(() => expect(asked).toEqual(['screen']));
        runs.value = false;
        await vi.waitFor(() => expect(asked).toEqual(['screen', 'release']));
    });
});
