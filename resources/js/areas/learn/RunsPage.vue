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
/** Runs as the process saw them: its second number against its first, good and bad. */
const axes = computed(() => columns.value.filter((f) => !f.measured).slice(0, 2));
const at = (run: RunSummary, axis: number) =>
    figureOf(run.figures, axes.value[axis]?.id ?? '')?.value ?? null;
function tone(run: RunSummary) {
    if (run.status === 'aborted') return 'bad';
    if (run.good + run.bad === 0) return 'hot';
    if (run.bad === 0) return 'good';
    return run.good === 0 ? 'bad' : 'mixed';
}
const plot = computed(() =>
    axes.value.length < 2
        ? []
        : items.value.filter((r) => r.good + r.bad > 0 && at(r, 0) !== null && at(r, 1) !== null),
);
const span = computed(() => {
    const of = (axis: number) => {
        const all = plot.value.map((r) => at(r, axis)!);
        const [low, high] = [Math.min(...all), Math.max(...all)];
        const room = Math.max(0.08 * (high - low), 0.02 * Math.abs(high), 0.5);
        return [low - room, high + room] as const;
    };
    return { y: of(0), x: of(1) };
});
const px = (v: number) => 66 + ((v - span.value.x[0]) / (span.value.x[1] - span.value.x[0])) * 420;
const py = (v: number) => 176 - ((v - span.value.y[0]) / (span.value.y[1] - span.value.y[0])) * 160;
/** Three values along an axis, in the person's units. */
const ticks = (axis: number, [low, high]: readonly [number, number]) =>
    [0.1, 0.5, 0.9].map((share) => {
        const value = low + share * (high - low);
        return { value, text: figureText({ ...axes.value[axis]!, value }) };
    });
const jitter = (id: string, k: number) => (parseInt(id.slice(k, k + 2), 16) / 255 - 0.5) * 9;
const sum = (of: (run: RunSummary) => number) => items.value.reduce((total, run) => total + of(run), 0);
const good = computed(() => sum((r) => r.good));
const bad = computed(() => sum((r) => r.bad));
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
        <section v-if="plot.length > 0" class="card window">
            <svg
                viewBox="0 0 500 200"
                width="520"
                role="img"
                :aria-label="`${axes[1]?.label} against ${axes[0]?.label} for ${plot.length} runs; ${bad} pieces scrap.`"
            >
                <g v-for="t in ticks(1, span.x)" :key="`x${t.value}`">
                    <path :d="`M${px(t.value)} 16V176`" class="grid" />
                    <text :x="px(t.value)" y="192" text-anchor="middle">{{ t.text }}</text>
                </g>
                <g v-for="t in ticks(0, span.y)" :key="`y${t.value}`">
                    <path :d="`M66 ${py(t.value)}H486`" class="grid" />
                    <text x="62" :y="py(t.value) + 4" text-anchor="end">{{ t.text }}</text>
                </g>
                <g
                    v-for="r in plot"
                    :key="r.id"
                    :transform="`translate(${px(at(r, 1)!) + jitter(r.id, 0)} ${py(at(r, 0)!) + jitter(r.id, 2)})`"
                >
                    <circle v-if="r.bad <= r.good" r="4.5" class="good" />
                    <path v-else d="M-5-5L5 5M5-5L-5 5" class="bad" />
                </g>
            </svg>
            <div>
                <h2>The window as it was run</h2>
                <p class="quiet">
                    {{ axes[1]?.label }} along, {{ axes[0]?.label.toLowerCase() }} up. ○ mostly good, ✕ mostly
                    scrap.
                </p>
            </div>
        </section>
        <table class="rows card mt-4">
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
