<script setup lang="ts">
import { computed } from 'vue';
import type { Run } from '../../api/types';
import type { ThreadState } from '../../offline/gates';
import { clockText, show } from '../../parts/units';
import { skinAt } from './skin';

/** The bar's section in the tank: its skin as it grows, and the skin that carries it. */
const props = defineProps<{ run: Run; thread: ThreadState; now: number }>();
interface Bath {
    skins: { skin_mm: number; minutes: number | null }[];
    strip_skin_mm: number | null;
    width_mm: number | null;
    height_mm: number | null;
    diameter_mm: number | null;
}
const bath = computed(() => (props.run.setup.bath ?? null) as Bath | null);
const tank = computed(() => props.thread.timers.find((t) => t.id === 'tank' && t.answered_at === null));
const minutes = computed(() => (tank.value ? Math.max(0, props.now - tank.value.started_at) / 60 : 0));
const skin = computed(() => skinAt(bath.value?.skins ?? [], minutes.value));
const size = computed(() => {
    const { width_mm: w, height_mm: h, diameter_mm: d } = bath.value ?? {};
    const [wide, high] = [d ?? w ?? 0, d ?? h ?? 0];
    const scale = Math.min(300 / (wide || 1), 170 / (high || 1));
    return { w: wide * scale, h: high * scale, scale, round: d != null };
});
/** an outline inside the bar, by the skin around it */
const inner = (mm: number) => {
    const inset = Math.min(mm * size.value.scale, size.value.w / 2, size.value.h / 2);
    return {
        x: 10 + inset,
        y: 10 + inset,
        width: size.value.w - 2 * inset,
        height: size.value.h - 2 * inset,
        rx: size.value.round ? size.value.w / 2 - inset : 2,
    };
};
const wanted = computed(() => bath.value?.strip_skin_mm ?? null);
const says = computed(
    () =>
        `Skin ${show(skin.value, 'length', 1)} after ${clockText(60 * minutes.value)}` +
        (wanted.value === null ? '' : `; ${show(wanted.value, 'length', 1)} carry it`),
);
</script>

<template>
    <figure v-if="tank && bath?.skins?.length && size.w > 0" class="bar">
        <svg :viewBox="`0 0 ${size.w + 20} ${size.h + 20}`" role="img" :aria-label="says">
            <rect v-bind="inner(0)" class="skin" />
            <rect v-bind="inner(skin)" class="soft" />
            <rect v-if="wanted !== null" v-bind="inner(wanted)" class="wanted" />
        </svg>
        <figcaption>
            <strong>{{ says }}</strong><br />Light is solid, by the model; the dashed line is where the skin
            has to reach.
        </figcaption>
    </figure>
</template>

<style scoped>
.bar {
    margin: 12px 0 0;
    display: grid;
    grid-template-columns: minmax(0, 320px) 1fr;
    gap: 18px;
    align-items: center;
}
svg {
    width: 100%;
    max-height: 190px;
}
.skin {
    fill: var(--slate-soft);
    stroke: var(--ink);
    stroke-width: 1.5;
}
.soft {
    fill: var(--ember);
    opacity: 0.85;
}
.wanted {
    fill: none;
    stroke: var(--ink);
    stroke-width: 2;
    stroke-dasharray: 6 5;
}
figcaption {
    color: var(--quiet);
}
strong {
    color: var(--ink);
}
@media (max-width: 900px) {
    .bar {
        grid-template-columns: 1fr;
    }
}
</style>
