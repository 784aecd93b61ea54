<script setup lang="ts">
import { computed } from 'vue';
import type { Inside } from '../../api/types';
import { clockText, minutesText, show } from '../../parts/units';
import { agedTo } from './inside';

/** What is in the machine: from where it comes out, at the left, to where it goes in; darker is older. */
const props = defineProps<{ inside: Inside; now: number; title: string; stale: boolean }>();
const aged = computed(() => agedTo(props.inside, props.now));
const ages = computed(() => {
    const { oldest_s: oldest, minutes_left: left } = aged.value;
    if (oldest === null) return '';
    const next =
        left === null
            ? ''
            : left > 0
              ? `; the next may stand ${minutesText(left)} more`
              : '; the next has stood too long';
    return `Oldest ${clockText(oldest)} hot${next}.`;
});
const W = 400;
const parts = computed(() => {
    let x = 0;
    return aged.value.layers.map((l) => {
        const from = x;
        x += (l.mass_g / props.inside.capacity_g) * W;
        return { x: from, width: Math.max(0, x - from), opacity: 0.35 + 0.65 * Math.min(1, l.share) };
    });
});
/** where one piece after the other ends */
const marks = computed(() =>
    Array.from(
        { length: Math.min(30, props.inside.pieces) },
        (_, i) => (((i + 1) * props.inside.piece_g) / props.inside.capacity_g) * W,
    ),
);
</script>

<template>
    <section class="inside" :aria-label="`In ${title}`">
        <p>
            <span class="what">In {{ title }}</span> {{ inside.says }}
            {{ ages }}
        </p>
        <svg
            :viewBox="`0 0 ${W + 40} 40`"
            role="img"
            :aria-label="`${show(inside.mass_g, 'mass')} of ${show(inside.capacity_g, 'mass')}`"
        >
            <path d="M40 4H440V8H40ZM40 32H440V36H40ZM40 4L14 16V24L40 36Z" class="steel" />
            <rect x="40" y="8" :width="W" height="24" class="empty" />
            <rect
                v-for="(p, i) in parts"
                :key="i"
                :x="40 + p.x"
                y="8"
                :width="p.width"
                height="24"
                :class="['melt', inside.verdict]"
                :fill-opacity="p.opacity"
            />
            <path v-for="m in marks" :key="m" :d="`M${40 + m} 8V32`" class="mark" />
        </svg>
        <p v-if="inside.do" :class="['do', inside.verdict]" role="status">
            <span aria-hidden="true">▲</span> {{ inside.do }}
        </p>
        <p v-if="stale" class="quiet">As the server last knew: what waits here is not in it yet.</p>
    </section>
</template>

<style scoped>
.inside {
    border-top: 1px solid var(--line);
    margin-top: 12px;
    padding-top: 10px;
}
.inside p {
    margin: 0 0 6px;
}
.what {
    font-weight: 650;
}
svg {
    display: block;
    width: 100%;
    max-width: 520px;
}
.steel {
    fill: var(--quiet);
}
.empty {
    fill: none;
    stroke: var(--line);
}
.melt {
    fill: var(--ember);
}
.melt.over {
    fill: var(--alarm);
}
.mark {
    stroke: var(--paper);
    stroke-width: 1.5;
    stroke-dasharray: 3 3;
}
.do {
    font-weight: 650;
}
.do.near,
.do.over {
    color: var(--alarm);
}
</style>
