import { computed, ref, watch, type Ref } from 'vue';
import { number, shown } from '../parts/units';
import type { Dimension } from '../api/types';
import { parseQuantity } from './quantity';

export interface Limits {
    min?: number;
    max?: number;
    digits?: number;
    signed?: boolean;
}

/** A value of the shop as exactly as it is kept, in this person's unit, so that it reads back as itself. */
export function exactly(value: number, dimension: Dimension, digits?: number): string {
    const s = shown(dimension);
    const v = s.from(value);
    const most = digits ?? 3;
    let decimals = 0;
    while (decimals < most && Math.abs(v - Number(v.toFixed(decimals))) > 1e-9 * Math.max(1, Math.abs(v)))
        decimals++;
    return `${number(v, decimals)}${s.unit ? `\u00A0${s.unit}` : ''}`;
}

/**
 * One field that takes what people type. At every keystroke it is read whole or not at all: the value is null while the
 * text means nothing, and `bad` says why, so that no form ever sends the beginning of a quantity.
 */
export function useTyped(
    value: Ref<number | null>,
    dimension: () => Dimension,
    limits: () => Limits = () => ({}),
) {
    const text = ref('');
    const bad = ref('');
    const editing = ref(false);
    const told = ref(false);
    const problem = computed(() => (told.value ? bad.value : ''));

    function write() {
        text.value = value.value === null ? '' : exactly(value.value, dimension(), limits().digits);
        bad.value = '';
    }
    watch(
        [value, () => shown(dimension()).unit],
        () => {
            if (!editing.value && bad.value === '') write();
        },
        { immediate: true },
    );

    function heard(typed: string) {
        text.value = typed;
        told.value = false;
        if (typed.trim() === '') {
            bad.value = '';
            value.value = null;
            return;
        }
        const read = parseQuantity(typed, dimension(), shown(dimension()).unit, limits().signed);
        const { min = -Infinity, max = Infinity } = limits();
        const outside = read.value !== null && (read.value < min - 1e-9 || read.value > max + 1e-9);
        bad.value = read.problem ?? (outside ? between(min, max) : '');
        value.value = bad.value === '' ? read.value : null;
    }
    const between = (min: number, max: number) => {
        if (min === -Infinity) return `At most ${exactly(max, dimension())}.`;
        return max === Infinity
            ? `At least ${exactly(min, dimension())}.`
            : `Between ${exactly(min, dimension())} and ${exactly(max, dimension())}.`;
    };
    /** The hand has left the field: say what is wrong, or show what was understood. */
    function left() {
        editing.value = false;
        told.value = true;
        if (bad.value === '') write();
    }
    return { text, bad, problem, editing, heard, left, write };
}
