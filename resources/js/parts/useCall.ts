import { useVibrate, useWakeLock } from '@vueuse/core';
import { computed, ref, watch, type Ref } from 'vue';
import { ring } from './sound';

/** it calls again after so long, s */
const AGAIN_S = 4;
/** the whole screen flashes for so long when a call begins, and again with every so many calls */
const FLASH_S = 3;
const FLASH_EVERY = 5;
/** ms on, off, on */
const SHAKES = [300, 120, 300];

/**
 * How a screen calls hands: it sounds, shakes and flashes while something waits for them, and does not go dark while a clock
 * runs that will call.
 */
export function useCall(waits: Ref<boolean>, runs: Ref<boolean>, now: Ref<number>) {
    const { vibrate } = useVibrate({ pattern: SHAKES });
    const calls = ref(0);
    const called = ref(-Infinity);
    watch([waits, () => Math.floor(now.value / AGAIN_S)], ([on]) => {
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
    const flashes = computed(() => waits.value && now.value - called.value < FLASH_S);

    const lock = useWakeLock();
    watch(
        runs,
        (on) => {
            // Where the device does not let itself be kept awake, it goes dark as it always did.
            if (on) void lock.request('screen').catch(() => undefined);
            else void lock.release().catch(() => undefined);
        },
        { immediate: true },
    );
    return { flashes };
}
