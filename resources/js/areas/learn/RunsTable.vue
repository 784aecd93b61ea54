<script setup lang="ts">
import { useInfiniteQuery, useQuery } from '@tanstack/vue-query';
import { computed, ref, watch } from 'vue';
import { api } from '../../api/client';
import type { Process, Product, RunSummary } from '../../api/types';
import { figureOf, figureText } from '../../parts/figures';
import { countText } from '../../parts/text';
import { dayText, timeOfDay } from '../../parts/units';

const process = ref<string | null>(null);
const product = ref<number | null>(null);
const verdict = ref('');
const products = useQuery({ queryKey: ['products'], queryFn: () => api.list<Product>('products') });
const processes = useQuery({ queryKey: ['processes'], queryFn: () => api.list<Process>('processes') });
const offered = computed(() =>
    (products.data.value ?? []).filter((p) => process.value === null || p.process === process.value),
);
watch(process, () => {
    if (!offered.value.some((p) => p.id === product.value)) product.value = null;
});
const runs = useInfiniteQuery({
    queryKey: computed(() => ['runs', 'list', process.value, product.value, verdict.value]),
    initialPageParam: '',
    queryFn: ({ pageParam }) => {
        const query = new URLSearchParams();
        if (process.value !== null) query.set('process', process.value);
        if (product.value !== null) query.set('product_id', String(product.value));
        if (verdict.value) query.set('verdict', verdict.value);
        if (pageParam) query.set('after', pageParam);
        return api.page<RunSummary>(`runs?${query}`);
    },
    getNextPageParam: (page) => page.next,
});
const items = computed(() => runs.data.value?.pages.flatMap((p) => p.items) ?? []);
/** The process whose figures are the columns: the one chosen, or the one that all shown runs are of. */
const shownAs = computed(() => {
    const of = new Set(items.value.map((r) => r.process));
    const id = process.value ?? (of.size === 1 ? [...of][0] : null);
    return processes.data.value?.find((p) => p.id === id) ?? null;
});
const columns = computed(() => shownAs.value?.figures ?? []);
function tone(run: RunSummary) {
    if (run.status === 'aborted') return 'bad';
    if (run.good + run.bad === 0) return 'hot';
    if (run.bad === 0) return 'good';
    return run.good === 0 ? 'bad' : 'mixed';
}
</script>

<template>
    <section aria-labelledby="runs">
        <div class="page-head">
            <h2 id="runs">Every run, with its whole log</h2>
            <div class="filters">
                <label
                    >Process
                    <select v-model="process">
                        <option :value="null">every one</option>
                        <option v-for="p in processes.data.value" :key="p.id" :value="p.id">
                            {{ p.title }}
                        </option>
                    </select></label
                >
                <label
                    >Product
                    <select v-model="product">
                        <option :value="null">every one</option>
                        <option v-for="p in offered" :key="p.id" :value="p.id">
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
        <table class="rows card">
            <thead>
                <tr>
                    <th>Run</th>
                    <th>Product</th>
                    <th>Material</th>
                    <th v-for="f in columns" :key="f.id" class="n">{{ f.label }}</th>
                    <th v-if="columns.length === 0">What came of it</th>
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
                    <td v-for="f in columns" :key="f.id" class="n">
                        {{ figureText(figureOf(r.figures, f.id)) }}
                    </td>
                    <td v-if="columns.length === 0" class="quiet">
                        {{
                            r.figures
                                .filter((f) => f.value !== null)
                                .slice(0, 4)
                                .map((f) => `${f.label} ${figureText(f)}`)
                                .join(', ')
                        }}
                    </td>
                    <td>
                        <span :class="['tag', tone(r)]">{{
                            r.verdict ?? (countText(r) || r.status)
                        }}</span><template v-if="r.scrap_reason"
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
    </section>
</template>

<style scoped>
.filters {
    display: flex;
    flex-wrap: wrap;
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
</style>
