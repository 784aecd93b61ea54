<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query';
import { computed, ref } from 'vue';
import { api } from '../../api/client';
import type { CapturedSetUp, Carried, Machine } from '../../api/types';
import { dateText, number } from '../../parts/units';
import { sentence, useLatest } from '../../parts/useSend';
import { title } from '../reckon/schema';

/** What controllers showed while they made good parts; and what that is on another machine, or with a printed mould. */
const props = defineProps<{ product: string }>();
const { data } = useQuery({
    queryKey: ['captures', props.product],
    queryFn: () => api.list<CapturedSetUp>(`products/${props.product}/captures`),
});
const { data: machines } = useQuery({ queryKey: ['machines'], queryFn: () => api.list<Machine>('machines') });
const which = ref<string | null>(null);
const onto = ref<number | null>(null);
const of = computed(() => data.value?.find((c) => c.id === which.value) ?? data.value?.[0] ?? null);
/** by how a number's name ends */
const UNITS: Record<string, string> = { mm: 'mm', mm_s: 'mm/s', bar: 'bar', kn: 'kN' };
/** machines that show such numbers, and moulds with an insert of their own */
const others = computed(() =>
    (machines.value ?? []).filter(
        (m) => m.id !== of.value?.machine_id && m.facts.max_specific_bar !== undefined,
    ),
);
const moulds = computed(() => (machines.value ?? []).filter((m) => m.facts.allowable_mpa !== undefined));
const { answer, fault } = useLatest(
    () => [of.value?.id, onto.value],
    (signal) =>
        of.value === null || onto.value === null
            ? null
            : api.get<Carried>(
                  `captures/${of.value.id}/onto?${others.value.some((m) => m.id === onto.value) ? 'machine_id' : 'mould_id'}=${onto.value}`,
                  signal,
              ),
);
const rows = computed(() =>
    Object.entries((of.value?.shown ?? {}) as Record<string, number>).map(([name, was]) => ({
        name: title(name),
        unit: UNITS[/_(mm_s|mm|bar|kn)$/.exec(name)?.[1] ?? ''] ?? '',
        was,
        to: (answer.value?.values as Record<string, number> | undefined)?.[name] ?? null,
    })),
);
</script>

<template>
    <section v-if="of" class="card" aria-label="On the controller">
        <h2>On the controller</h2>
        <p v-if="data && data.length > 1" class="fields">
            <label
                ><span>Kept of</span
                ><select v-model="which">
                    <option v-for="c in data" :key="c.id" :value="c.id">
                        {{ c.machine }}, run {{ c.run_number }}
                    </option>
                </select></label
            >
        </p>
        <p v-else class="quiet">
            {{ of.machine }}{{ of.mould ? ` with ${of.mould}` : '' }}, run {{ of.run_number }}, kept by
            {{ of.by }},
            {{ dateText(of.at) }}
        </p>
        <div class="fields">
            <label v-if="others.length + moulds.length > 0"
                ><span>What is it on</span
                ><select v-model="onto">
                    <option :value="null">this machine, as it is</option>
                    <option v-for="m in others" :key="m.id" :value="m.id">{{ m.name }}</option>
                    <option v-for="m in moulds" :key="m.id" :value="m.id">{{ m.name }}, printed</option>
                </select></label
            >
        </div>
        <table>
            <thead>
                <tr>
                    <th scope="col">Shown</th>
                    <th scope="col">{{ of.machine }}</th>
                    <th v-if="answer" scope="col">There</th>
                </tr>
            </thead>
            <tbody>
                <tr v-for="r in rows" :key="r.name">
                    <th scope="row">{{ r.name }}</th>
                    <td class="mono">{{ number(r.was, 1) }} {{ r.unit }}</td>
                    <td v-if="answer" class="mono">
                        {{ r.to === null ? 'as it is' : `${number(r.to, 1)} ${r.unit}` }}
                    </td>
                </tr>
            </tbody>
        </table>
        <p v-if="fault" role="alert" class="fault">{{ sentence(fault) }}</p>
        <p v-if="answer">{{ answer.says }}</p>
        <p v-for="c in answer?.cautions ?? []" :key="c" class="caution">
            <span aria-hidden="true">▲</span> {{ c }}
        </p>
        <div v-if="of.pictures.length > 0" class="pages">
            <a v-for="(p, i) in of.pictures" :key="p" :href="`/api/v1/pictures/${p}`" target="_blank"
                ><img :src="`/api/v1/pictures/${p}`" :alt="`Page ${i + 1} of the controller`"
            /></a>
        </div>
    </section>
</template>

<style scoped>
table {
    margin-top: 8px;
    width: 100%;
}
th {
    text-align: left;
    font-weight: 600;
}
td {
    text-align: right;
}
thead th + th {
    text-align: right;
}
.caution {
    font-weight: 700;
    color: var(--alarm);
}
.pages {
    display: flex;
    gap: 8px;
    flex-wrap: wrap;
    margin-top: 10px;
}
img {
    height: 90px;
    border: 1px solid var(--line);
    border-radius: 3px;
}
</style>
