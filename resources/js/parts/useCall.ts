import { useVibrate, useWakeLock } from '@vueuse/core';
import { computed, ref, watch, type Ref } from 'vue';
import { ring } from './sound';

/** the whole screen flashes for so long when a call begins, and again with every so many calls */
const FLASH_S = 3;
const FLASH_EVERY = 5;
/** ms on, off, on */
const SHAKES = [300, 120, 300];

/** A screen calls: it sounds, shakes and flashes while something waits, again after so many seconds. */
export function useCall(waits: Ref<boolean>, now: Ref<number>, againS: number) {
    const { vibrate } = useVibrate({ pattern: SHAKES });
    const calls = ref(0);
    const called = ref(-Infinity);
    watch([waits, () => Math.floor(now.value / againS)], ([on]) => {
        if (!on) {
            calls.value = 0;
            called.value = -Infinity;
            return;
        }
        ring();
        // A page that nobody has touched yet may not, and the browser says so in its log.
        if (navigator.userActivation?.hasBeenActive ?? true) vibrate();
        if (calls.value % FLASH_EVERY === 0) called.value = now.value;
        calls.value++;
    });
    return computed(() => waits.value && now.value - called.value < FLASH_S);
}

/** A screen does not go dark while something runs on it; where the device does not let itself be kept awake, it does as ever. */
export function useLit(runs: Ref<boolean>) {
    const lock = useWakeLock();
    watch(
        runs,
        (on) => {
            if (on) void lock.request('screen').catch(() => undefined);
            else void lock.release().catch(() => undefined);
        },
        { immediate: true },
    );
}
