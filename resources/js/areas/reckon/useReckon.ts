import { useLocalStorage } from '@vueuse/core';
import { computed, ref, shallowRef, watch, type Ref } from 'vue';
import { useRoute } from 'vue-router';
import { api, Refused } from '../../api/client';
import { decode } from './link';
import type { CalcSchema, Entry, Values } from './schema';

export interface KeptResult {
    id: number;
    name: string;
    title: string;
    input: Values;
    result: Values;
    at: number;
}

/** A question on the bench: what is said, and the answer that follows it; one under way at a time, the newest last. */
export function useReckon(name: Ref<string>, entries: Ref<Entry[] | undefined>) {
    const route = useRoute();
    const entry = computed(() => entries.value?.find((e) => e.name === name.value) ?? null);
    const schema = shallowRef<CalcSchema | null>(null);
    const input = ref<Values>({});
    const result = shallowRef<Values | null>(null);
    const answered = shallowRef<Values>({});
    const fault = ref<{ field: string; message: string } | null>(null);
    const kept = useLocalStorage<KeptResult[]>('dithermic.reckon', []);
    const compared = computed(() => kept.value.filter((k) => k.name === name.value));

    watch(
        [name, entries, () => route.query.i],
        async ([next, list]) => {
            if (!next || !list) return;
            const given = typeof route.query.i === 'string' ? route.query.i : null;
            schema.value = null;
            result.value = null;
            fault.value = null;
            try {
                input.value = given
                    ? decode(given)
                    : JSON.parse(JSON.stringify(list.find((e) => e.name === next)?.example ?? {}));
            } catch {
                input.value = {};
            }
            if (list.some((e) => e.name === next)) schema.value = await api.get<CalcSchema>(`calc/${next}`);
        },
        { immediate: true },
    );

    const progress = ref<number | null>(null);
    let asking = false;
    let again = false;
    async function ask() {
        // A file that is not chosen yet is nobody's fault.
        if (
            !schema.value ||
            ('file' in (schema.value.input.properties ?? {}) &&
                !/^[0-9a-f-]{36}$/.test(String(input.value.file ?? '')))
        )
            return;
        if (asking) {
            again = true;
            return;
        }
        asking = true;
        const asked = JSON.parse(JSON.stringify(input.value)) as Record<string, unknown>;
        const of = schema.value.name;
        try {
            const answer = await api.post<Record<string, unknown>>(
                `calc/${of}`,
                asked,
                undefined,
                (share) => {
                    progress.value = share;
                },
            );
            if (of === name.value) {
                answered.value = asked;
                result.value = answer;
                fault.value = null;
            }
        } catch (error) {
            fault.value =
                error instanceof Refused
                    ? { field: error.field, message: error.message }
                    : { field: '', message: 'The server does not answer.' };
        } finally {
            asking = false;
            progress.value = null;
            if (again) {
                again = false;
                void ask();
            }
        }
    }
    watch([input, schema], () => void ask(), { deep: true });

    function keep() {
        if (!result.value) return;
        kept.value.push({
            id: Date.now(),
            name: name.value,
            title: entry.value?.title ?? name.value,
            input: answered.value,
            result: JSON.parse(
                JSON.stringify({
                    ...result.value,
                    curve: undefined,
                    sections: undefined,
                    samples: undefined,
                }),
            ) as Record<string, unknown>,
            at: Date.now(),
        });
    }
    const drop = (id: number) => (kept.value = kept.value.filter((k) => k.id !== id));
    const reopen = (asked: Values) => (input.value = JSON.parse(JSON.stringify(asked)) as Values);
    return { entry, schema, input, result, answered, fault, compared, progress, keep, drop, reopen };
}
