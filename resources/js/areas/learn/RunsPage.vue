<script setup lang="ts">
import { useInfiniteQuery, useQuery } from '@tanstack/vue-query';
import { computed, ref } from 'vue';
import { api } from '../../api/client';
import type { Product, RunPage } from '../../api/types';
import { dayText, number, show, timeOfDay } from '../../parts/units';

const product = ref<number | null>(null);
const verdict = ref('');
const products = useQuery({ queryKey: ['products'], queryFn: () => api.get<Product[]>('products') });
const runs = useInfiniteQuery({
    queryKey: computed(() => ['runs', 'list', product.value, verdict.value]),
    initialPageParam: '',
    queryFn: ({ pageParam }) => {
        const query = new URLSearchParams();
        if (product.value !== null) query.set('product_id', String(product.value));
        if (verdict.value) query.set('verdict', verdict.value);
        if (pageParam) query.set('after', pageParam);
        return api.get<RunPage>(`runs?${query}`);
    },
    getNextPageParam: (page) => page.next,
});
const items = computed(() => runs.data.value?.pages.flatMap((p) => p.items) ?? []);
/** Runs as the process saw them: heating against platen temperature, good and bad. */
const plot = computed(() =>
    items.value.filter((r) => r.heat_min !== null && r.platen_c !== null && r.verdict !== null),
);
const span = computed(() => {
    const heats = plot.value.map((r) => r.heat_min!);
    const platens = plot.value.map((r) => r.platen_c!);
    return {
        h0: 0,
        h1: Math.max(10, ...heats) * 1.08,
        c0: Math.min(160, ...platens) - 4,
        c1: Math.max(190, ...platens) + 4,
    };
});
const px = (h: number) => 46 + ((h - span.value.h0) / (span.value.h1 - span.value.h0)) * 440;
const py = (c: number) => 176 - ((c - span.value.c0) / (span.value.c1 - span.value.c0)) * 160;
const jitter = (id: string, k: number) => (parseInt(id.slice(k, k + 2), 16) / 255 - 0.5) * 9;
const good = computed(() => items.value.filter((r) => r.verdict === 'good').length);
const bad = computed(() => items.value.filter((r) => r.verdict === 'scrap').length);
</script>

<template>
    <div class="page">
        <div class="page-head">
            <div>
                <h1>Learn</h1>
                <p class="quiet">Every run with its whole log. Shown: {{ good }} good, {{ bad }} scrap.</p>
            </div>
            <div class="filters">
                <label
                    >Product
                    <select v-model="product">
                        <option :value="null">every one</option>
                        <option v-for="p in products.data.value" :key="p.id" :value="p.id">
                            {{ p.name }}
                        </option>
                    </select></label
                >
                <label
                    >Verdict
                    <select v-model="verdict">
                        <option value="">all</option>
                        <option value="good">good</option>
                        <option value="scrap">scrap</option>
                        <option value="open">still running</option>
                    </select></label
                >
            </div>
        </div>
        <section v-if="plot.length > 0" class="card window">
            <svg
                viewBox="0 0 500 200"
                width="520"
                role="img"
                :aria-label="`Heating time against platen temperature for ${plot.length} runs; ${bad} scrap.`"
            >
                <g v-for="h in [0, 10, 20, 30].filter((x) => x < span.h1)" :key="h">
                    <path :d="`M${px(h)} 16V176`" class="grid" />
                    <text :x="px(h)" y="192" text-anchor="middle">{{ h }} min</text>
                </g>
                <g v-for="c in [160, 170, 180, 190, 200].filter((x) => x > span.c0 && x < span.c1)" :key="c">
                    <path :d="`M46 ${py(c)}H486`" class="grid" />
                    <text x="42" :y="py(c) + 4" text-anchor="end">
                        {{ show(c, 'temperature').split('\u00A0')[0] }}
                    </text>
                </g>
                <g
                    v-for="r in plot"
                    :key="r.id"
                    :transform="`translate(${px(r.heat_min!) + jitter(r.id, 0)} ${py(r.platen_c!) + jitter(r.id, 2)})`"
                >
                    <circle v-if="r.verdict === 'good'" r="4.5" class="good" />
                    <path v-else d="M-5-5L5 5M5-5L-5 5" class="bad" />
                </g>
            </svg>
            <div>
                <h2>The window as it was run</h2>
                <p class="quiet">
                    Heating time along, platen temperature ({{ show(180, 'temperature').split('\u00A0')[1] }})
                    up. ○ good, ✕ scrap.
                </p>
            </div>
        </section>
        <table class="rows card mt-4">
            <thead>
                <tr>
                    <th>Run</th>
                    <th>Product</th>
                    <th>Material</th>
                    <th class="n">Platens</th>
                    <th class="n">Heat</th>
                    <th class="n">Mean</th>
                    <th class="n">Range</th>
                    <th class="n">Voids</th>
                    <th>Verdict</th>
                </tr>
            </thead>
            <tbody>
                <tr
                    v-for="r in items"
                    :key="r.id"
                    class="go"
                    @click="$router.push(r.status === 'running' ? `/run/${r.id}` : `/learn/${r.id}`)"
                >
                    <td>
                        <router-link
                            :to="r.status === 'running' ? `/run/${r.id}` : `/learn/${r.id}`"
                            @click.stop
                            >{{ r.number }}</router-link><br /><span class="quiet"
                            >{{ dayText(r.started_at) }} {{ timeOfDay(r.started_at) }}</span
                        >
                    </td>
                    <td>
                        {{ r.product }}<br /><span class="quiet">{{ r.machine }}, {{ r.started_by }}</span>
                    </td>
                    <td>
                        {{ r.polymer }}<br /><span class="quiet">{{ r.lot_code }}</span>
                    </td>
                    <td class="n">{{ show(r.platen_c, 'temperature') }}</td>
                    <td class="n">{{ show(r.heat_min, 'time') }}</td>
                    <td class="n">{{ show(r.mean_mm, 'length', 2) }}</td>
                    <td class="n">{{ show(r.range_mm, 'length', 2) }}</td>
                    <td class="n">{{ r.porosity_pct === null ? '–' : `${number(r.porosity_pct, 1)} %` }}</td>
                    <td>
                        <span
                            :class="[
                                'tag',
                                r.verdict === 'scrap' || r.status === 'aborted'
                                    ? 'bad'
                                    : r.verdict === 'good'
                                      ? 'good'
                                      : 'hot',
                            ]"
                            >{{ r.verdict ?? r.status }}</span><template v-if="r.scrap_reason"
                            ><br /><span class="quiet">{{ r.scrap_reason }}</span></template
                        >
                    </td>
                </tr>
            </tbody>
        </table>
        <p v-if="!runs.isPending.value && items.length === 0" class="card mt-4">
            No run fits. The first one stands here as soon as it is started.
        </p>
        <v-btn
            v-if="runs.hasNextPage.value"
            class="mt-4"
            variant="outlined"
            :loading="runs.isFetchingNextPage.value"
            @click="runs.fetchNextPage()"
            >Older runs</v-btn
        >
    </div>
</template>

<style scoped>
.filters {
    display: flex;
    gap: 14px;
}
.filters label {
    font-weight: 600;
}
.filters select {
    min-height: var(--touch);
    margin-left: 6px;
    border: 1px solid var(--line);
    border-radius: 4px;
    background: var(--paper);
    color: var(--ink);
    font: inherit;
    padding: 0 10px;
}
.window {
    display: flex;
    gap: 24px;
    align-items: center;
    flex-wrap: wrap;
}
.window svg {
    max-width: 100%;
}
.window > div {
    max-width: 320px;
}
.grid {
    stroke: var(--line);
}
text {
    font-size: 12px;
    fill: var(--quiet);
}
.good {
    fill: none;
    stroke: var(--slate);
    stroke-width: 2.2;
}
.bad {
    stroke: var(--alarm);
    stroke-width: 2.6;
    fill: none;
}
</style>
