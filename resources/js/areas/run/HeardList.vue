<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query';
import { computed } from 'vue';
import { api } from '../../api/client';
import type { Heard } from '../../api/types';

/** What instruments told of the newest pieces, without a touch: a small trace each, with the moments that count. */
const NEWEST = 12; // as many as the server hears
const AGAIN_MS = 8000;
const props = defineProps<{
    run: string;
    piece?: string;
    /** that can be heard of */ pieces: number;
    live?: boolean;
}>();
const heard = useQuery({
    queryKey: computed(() => ['heard', props.run, props.pieces]),
    queryFn: () => api.list<Heard>(`runs/${props.run}/heard`),
    placeholderData: (before: Heard[] | undefined) => before,
    enabled: computed(() => props.pieces > 0),
    // A gauge goes on for a while after the last entry.
    refetchInterval: (query) =>
        props.live && (query.state.data?.length ?? 0) < Math.min(NEWEST, props.pieces) ? AGAIN_MS : false,
});
const list = computed(() => [...(heard.data.value ?? [])].reverse());
const W = 180;
const H = 64;
/** every trace on the same axes, so that a slow one looks slow */
const range = computed(() => {
    const all = list.value.flatMap((h) => h.points as [number, number][]);
    return { t: Math.max(1, ...all.map((p) => p[0])), v: Math.max(1, ...all.map((p) => p[1])) };
});
const x = (t: number) => 2 + (t / range.value.t) * (W - 4);
const y = (v: number) => H - 2 - (Math.max(0, v) / range.value.v) * (H - 6);
const line = (h: Heard) =>
    (h.points as [number, number][])
        .map(([t, v], i) => `${i ? 'L' : 'M'}${x(t).toFixed(1)} ${y(v).toFixed(1)}`)
        .join('');
</script>

<template>
    <section v-if="list.length" class="card heard" aria-labelledby="heard">
        <h2 id="heard">What the gauge told</h2>
        <ul class="unmarked">
            <li v-for="h in list" :key="h.piece" :class="h.state">
                <svg :viewBox="`0 0 ${W} ${H}`" :width="W" :height="H" role="img" :aria-label="h.says">
                    <path :d="line(h)" class="line" />
                    <g v-for="(m, i) in h.marks" :key="m.what">
                        <path :d="`M${x(m.at_s)} 2V${H - 2}`" class="mark" />
                        <text :x="x(m.at_s) + 3" :y="i % 2 ? H - 6 : 12">{{ m.what }}</text>
                    </g>
                </svg>
                <p>
                    <strong>{{ h.title }} of {{ piece ?? 'piece' }} {{ h.piece }}</strong>
                    <span v-if="h.state !== 'ok'" aria-hidden="true"> ▲</span><br />{{ h.says }}
                </p>
            </li>
        </ul>
    </section>
</template>

<style scoped>
li {
    display: flex;
    gap: 14px;
    align-items: center;
}
.block strong,
.warn strong {
    color: var(--alarm);
}
svg {
    flex: none;
    background: var(--inset, transparent);
    border-bottom: 1px solid var(--line);
}
.line {
    fill: none;
    stroke: var(--slate);
    stroke-width: 2;
}
.mark {
    stroke: var(--quiet);
    stroke-dasharray: 3 3;
}
text {
    font-size: 11px;
    fill: var(--quiet);
}
@media (max-width: 600px) {
    li {
        flex-direction: column;
        align-items: flex-start;
    }
}
</style>
