<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query';
import { api } from '../../api/client';
import type { ProcedureWay } from '../../api/types';
import { dayText } from '../../parts/units';

/** Every way of working in the house: which are as shipped, which are the shop's own, and what waits for a lead. */
const ways = useQuery({ queryKey: ['procedures'], queryFn: () => api.list<ProcedureWay>('procedures') });
const stages = (way: ProcedureWay) =>
    way.worked.stages.map((s) => ({ ...s, steps: way.worked.steps.filter((x) => x.stage === s.id).length }));
</script>

<template>
    <div class="page">
        <div class="page-head">
            <div>
                <h1>How we work</h1>
                <p class="quiet">
                    The procedures as they ship, and our own way of them. A run keeps the way it was begun
                    with.
                </p>
            </div>
        </div>
        <p v-if="ways.isPending.value" class="card quiet">Looking them up …</p>
        <ul class="unmarked ways">
            <li v-for="w in ways.data.value" :key="w.key" class="card">
                <h2>
                    <router-link :to="`/shop/procedures/${w.key}`">{{ w.title }}</router-link>
                </h2>
                <p>
                    <span v-if="w.own > 0" class="tag good">our own {{ w.own }}</span
                    ><span v-else class="tag">as shipped</span>
                    <span class="quiet">version {{ w.version }}</span>
                </p>
                <p v-if="w.fault" class="fault">Our own way no longer goes with it: {{ w.fault }}</p>
                <ol class="stages" :aria-label="`Steps of ${w.title}`">
                    <li v-for="s in stages(w)" :key="s.id" :style="{ flexGrow: s.steps }">
                        <strong class="num">{{ s.steps }}</strong> {{ s.title.toLowerCase() }}
                    </li>
                </ol>
                <p v-if="w.proposals.length" class="waits">
                    <span aria-hidden="true">◆</span> {{ w.proposals.length }} proposed, by
                    {{ w.proposals[0]?.by }} on {{ dayText(w.proposals[0]!.at) }}
                </p>
                <p v-else-if="w.notes.length" class="quiet">
                    Last noted: “{{ w.notes[0]?.text }}”, {{ w.notes[0]?.by }} in run
                    {{ w.notes[0]?.run.number }}
                </p>
                <p class="acts">
                    <v-btn variant="outlined" :to="`/shop/procedures/${w.key}`">Look, or change it</v-btn
                    ><v-btn variant="text" :href="`/api/v1/procedures/${w.key}.pdf`" target="_blank"
                        >Wall sheet</v-btn
                    >
                </p>
            </li>
        </ul>
    </div>
</template>

<style scoped>
.ways {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(min(460px, 100%), 1fr));
    gap: var(--gap);
}
.ways > li {
    display: grid;
    gap: 8px;
    align-content: start;
}
.tag {
    margin-right: 8px;
}
.stages {
    display: flex;
    flex-wrap: wrap;
    gap: 2px;
    padding: 0;
    margin: 0;
    list-style: none;
}
.stages li {
    background: var(--still);
    padding: 6px 10px;
    font-size: 0.92rem;
}
.waits {
    color: var(--ember-ink);
    font-weight: 650;
}
.acts {
    display: flex;
    flex-wrap: wrap;
    gap: 8px;
    margin-top: 4px;
}
</style>
