<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query';
import { computed, ref } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { api } from '../../api/client';
import type { Trace, TraceNode } from '../../api/types';
import { dayText, show } from '../../parts/units';
import { curve, laidOut, links, NODE, thick, type Placed } from './graph';

/** Where a lot went, or what a run is made of: from left to right, with shares, and as a list to call back by. */
const route = useRoute();
const router = useRouter();
const of = computed(() => (route.params.kind === 'run' ? 'runs' : 'lots'));
const id = computed(() => String(route.params.id));
const found = useQuery({
    queryKey: computed(() => ['trace', of.value, id.value]),
    queryFn: () => api.get<Trace>(`${of.value}/${id.value}/trace`),
});
const trace = computed(() => found.data.value ?? null);
const all = ref(false);
const drawn = computed(() => (trace.value ? laidOut(trace.value, all.value) : null));
const byId = computed(() => new Map((drawn.value?.placed ?? []).map((p) => [p.id, p])));
const flows = computed(() => (trace.value && drawn.value ? links(trace.value, drawn.value.placed) : []));
const most = computed(() => Math.max(0, ...flows.value.map((f) => f.grams)));
const forward = computed(() => trace.value?.way === 'forward');
const runs = computed(() =>
    (trace.value?.nodes ?? []).filter((n) => n.kind === 'run' && n.id !== trace.value?.about),
);
const lots = computed(() =>
    (trace.value?.nodes ?? []).filter((n) => n.kind === 'lot' && n.id !== trace.value?.about),
);
const listed = computed(() => (forward.value ? runs.value : lots.value.filter((n) => n.share > 0)));
const good = computed(() => runs.value.reduce((sum, n) => sum + (n.good ?? 0), 0));
const share = (n: TraceNode) => `${(100 * n.share).toFixed(n.share > 0 && n.share < 0.01 ? 2 : 0)} %`;
const clipped = (text: string, letters: number) =>
    text.length > letters ? `${text.slice(0, letters - 1)}…` : text;
const open = (p: Placed) => {
    if (p.node) void router.push(p.node.link);
    else all.value = true;
};
const label = (p: Placed) =>
    p.node
        ? `${p.node.title}, ${p.node.says}${p.node.kind === 'source' ? '' : `, ${share(p.node)}`}`
        : `${p.heap} more`;
</script>

<template>
    <div class="page">
        <div class="page-head">
            <div>
                <h1>{{ trace?.title ?? 'Trace' }}</h1>
                <p v-if="trace && forward" class="quiet">
                    {{ runs.length }} runs have of it, {{ good }} good came of them. Shares as if every lot
                    were well mixed.
                </p>
                <p v-else-if="trace" class="quiet">
                    {{ lots.length === 1 ? 'One lot' : `${lots.length} lots` }}. Shares as if every lot were
                    well mixed.
                </p>
            </div>
            <v-btn v-if="trace && forward" color="primary" :href="`/api/v1/lots/${id}/recall.csv`" download
                >Recall list, CSV</v-btn
            >
            <v-btn v-else-if="trace" variant="outlined" :href="`/api/v1/runs/${id}/prov.json`" download
                >Provenance, PROV-JSON</v-btn
            >
        </div>
        <p v-if="!trace" class="card quiet">
            {{ found.isPending.value ? 'Following it …' : 'There is nothing to follow.' }}
        </p>
        <p v-if="trace?.more" class="card caution">
            <span aria-hidden="true">▲</span> There is more than one trace holds: look at the lots on its
            right by themselves too.
        </p>
        <section v-if="trace && drawn" class="card" aria-labelledby="drawn">
            <h2 id="drawn" class="sr">Drawn</h2>
            <div class="scroll" tabindex="0" role="region" aria-labelledby="drawn">
                <svg
                    :width="drawn.width"
                    :height="drawn.height"
                    role="img"
                    :aria-label="`${trace.nodes.length} lots, runs and sources from left to right; the table below has them all`"
                >
                    <path
                        v-for="f in flows"
                        :key="`${f.from}>${f.to}`"
                        :d="curve(byId.get(f.from)!, byId.get(f.to)!)"
                        :stroke-width="thick(f.grams, most)"
                        class="flow"
                    >
                        <title>{{ f.grams > 0 ? show(f.grams, 'mass') : 'delivered' }}</title>
                    </path>
                    <g
                        v-for="p in drawn.placed"
                        :key="p.id"
                        :transform="`translate(${p.x} ${p.y})`"
                        :class="['node', p.node?.kind ?? 'heap', { about: p.id === trace.about }]"
                        @click="open(p)"
                    >
                        <title>{{ label(p) }}</title>
                        <rect :width="NODE.width" :height="NODE.height" rx="3" />
                        <rect
                            v-if="p.node && p.node.kind !== 'source'"
                            :width="NODE.width * Math.min(1, p.node.share)"
                            :height="5"
                            :y="NODE.height - 5"
                            class="share"
                        />
                        <text x="8" y="14" class="name">{{ p.node ? p.node.title : `${p.heap} more` }}</text>
                        <text v-if="p.node?.says" x="8" y="26" class="says">
                            {{ clipped(p.node.says, 30) }}
                        </text>
                    </g>
                </svg>
            </div>
            <button
                v-if="!all && drawn.placed.some((p) => p.heap > 0)"
                type="button"
                class="plain"
                @click="all = true"
            >
                Show every one
            </button>
        </section>
        <section v-if="trace" class="card mt-4" aria-labelledby="listed">
            <h2 id="listed">{{ forward ? 'Runs that have of it' : 'Lots that it is made of' }}</h2>
            <p v-if="listed.length === 0" class="quiet">None.</p>
            <table v-else class="rows">
                <thead>
                    <tr>
                        <th>{{ forward ? 'Run' : 'Lot' }}</th>
                        <th>What</th>
                        <th v-if="forward">When</th>
                        <th v-if="forward" class="n">Good</th>
                        <th class="n">Share</th>
                        <th class="n">Of it</th>
                        <th>Certain</th>
                    </tr>
                </thead>
                <tbody>
                    <tr v-for="n in listed" :key="n.id">
                        <td>
                            <router-link :to="n.link">{{ n.title }}</router-link>
                        </td>
                        <td>
                            {{ n.says }}
                            <span v-if="n.pieces !== null" class="quiet">{{
                                n.pieces === '' ? 'none of its pieces' : `pieces ${n.pieces}`
                            }}</span>
                        </td>
                        <td v-if="forward" class="num">{{ n.at === null ? '' : dayText(n.at) }}</td>
                        <td v-if="forward" class="n">{{ n.good }}</td>
                        <td class="n">{{ share(n) }}</td>
                        <td class="n">{{ show(n.grams, 'mass') }}</td>
                        <td>{{ n.sure ? 'sure' : 'mixed with others' }}</td>
                    </tr>
                </tbody>
            </table>
        </section>
    </div>
</template>

<style scoped>
.scroll {
    overflow: auto;
    max-width: 100%;
    max-height: 62vh;
}
.flow {
    fill: none;
    stroke-opacity: 0.75;
    stroke: var(--line);
}
.node {
    cursor: pointer;
}
.node rect:first-of-type {
    fill: var(--still);
    stroke: var(--line);
}
.node.run rect:first-of-type {
    fill: var(--ember-soft);
}
.node.lot rect:first-of-type {
    fill: var(--slate-soft);
}
.node.about rect:first-of-type {
    stroke: var(--ink);
    stroke-width: 3;
}
.node .share {
    fill: var(--ink);
}
.name {
    font-weight: 700;
    font-size: 12.5px;
    fill: var(--ink);
}
.says {
    font-size: 10.5px;
    fill: var(--ink);
}
</style>
