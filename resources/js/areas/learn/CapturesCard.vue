<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query';
import { computed, ref } from 'vue';
import { api } from '../../api/client';
import type { CapturedSetUp, Carried } from '../../api/types';
import { dateText, number } from '../../parts/units';
import { sentence, useLatest } from '../../parts/useSend';
import { called } from '../shop/facts';

/** What controllers showed while they made good parts; and what that is on another machine, or with a printed mould. */
const props = defineProps<{ product: string }>();
const { data } = useQuery({
    queryKey: ['captures', props.product],
    queryFn: () => api.list<CapturedSetUp>(`products/${props.product}/captures`),
});
const which = ref<string | null>(null);
const onto = ref<number | null>(null);
const of = computed(() => data.value?.find((c) => c.id === which.value) ?? data.value?.[0] ?? null);
const target = computed(() => of.value?.onto.find((o) => o.id === onto.value) ?? null);
const { answer, fault } = useLatest(
    () => [of.value?.id, target.value],
    (signal) =>
        of.value && target.value
            ? api.get<Carried>(
                  `captures/${of.value.id}/onto?${target.value.as}_id=${target.value.id}`,
                  signal,
              )
            : null,
);
const rows = computed(() => {
    const { shown, units } = (of.value ?? {}) as Record<'shown' | 'units', Record<string, never>>;
    return Object.entries<number>(shown).map(([name, was]) => ({
        name: called(name, units[name] ?? ''),
        unit: units[name] ?? '',
        was,
        to: (answer.value?.values as Record<string, number> | undefined)?.[name] ?? null,
    }));
});
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
            <label v-if="of.onto.length > 0"
                ><span>What is it on</span
                ><select v-model="onto">
                    <option :value="null">this machine, as it is</option>
                    <option v-for="o in of.onto" :key="o.id" :value="o.id">
                        {{ o.name }}{{ o.as === 'mould' ? ', printed' : '' }}
                    </option>
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
