import { useLocalStorage } from '@vueuse/core';
import { computed, onBeforeUnmount, ref, shallowRef, watch, type Ref } from 'vue';
import type { Charge } from '../../../api/types';
import type { Reading, ScaleDriver } from './driver';
import { ownPattern, PATTERNS, type LinePattern } from './lines';
import { SerialScale } from './serial';
import { SimulatedScale } from './simulated';

/** The scale of this screen: which one it is, how its lines read, and what it says now. */
export function useScale(charge: Ref<Charge | null>, heard: (reading: Reading) => void) {
    const which = useLocalStorage<'simulated' | 'serial' | 'hand'>('dithermic.scale', 'simulated');
    const lineFormat = useLocalStorage<string>('dithermic.scale-lines', 'plain');
    const own = useLocalStorage('dithermic.scale-own', {
        expression: '(?<value>\\d+\\.\\d+)',
        unit: 'g',
        stable: '',
        baud: 9600,
    });
    const driver = shallowRef<ScaleDriver | null>(null);
    const reading = ref<Reading | null>(null);
    const scaleFault = ref('');
    const simulated = computed(() => (driver.value instanceof SimulatedScale ? driver.value : null));
    const plugged = ref(true);
    async function connect() {
        await driver.value?.stop();
        reading.value = null;
        scaleFault.value = '';
        driver.value = null;
        if (which.value === 'hand') return;
        try {
            const lines: LinePattern =
                lineFormat.value === 'own'
                    ? ownPattern(own.value.expression, own.value.unit, own.value.stable)
                    : (PATTERNS[lineFormat.value] ?? PATTERNS.plain!);
            const next =
                which.value === 'simulated'
                    ? new SimulatedScale(charge.value?.scale_g ?? 1)
                    : new SerialScale(lines, own.value.baud);
            await next.start(heard);
            driver.value = next;
            plugged.value = true;
        } catch (error) {
            scaleFault.value =
                error instanceof Error
                    ? error.name === 'NotFoundError'
                        ? 'No scale was chosen.'
                        : error.message
                    : 'The scale does not answer.';
        }
    }
    watch([which, () => charge.value?.id], () => {
        if (which.value !== 'serial' && charge.value) void connect();
        else void driver.value?.stop();
    });
    onBeforeUnmount(() => void driver.value?.stop());

    /** What it says now lies in a container that is not counted again. */
    function tare() {
        driver.value?.tare();
        if (reading.value) reading.value = { ...reading.value, grams: 0, stable: false };
    }
    /** where a mass came from, as the log keeps it */
    const how = computed(() => (which.value === 'serial' ? 'scale' : 'simulated'));
    return { which, lineFormat, own, driver, reading, scaleFault, simulated, plugged, connect, tare, how };
}
export type Scale = ReturnType<typeof useScale>;
