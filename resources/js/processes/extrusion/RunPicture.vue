<script setup lang="ts">
import { computed } from 'vue';
import type { Run } from '../../api/types';
import type { ThreadState } from '../../offline/gates';
import { clockText, show } from '../../parts/units';
import { filledTo, skinAt } from './skin';

/** The mould as it fills by its length; then the bar's section in the tank: its skin as it grows, and the skin that carries it. */
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
const fill = computed(() => props.thread.timers.find((t) => t.id === 'fill' && t.answered_at === null));
const filled = computed(() => (fill.value ? filledTo(fill.value, props.now) : 0));
const length = computed(() => Number(props.run.plan.length_mm ?? 0));
const fillSays = computed(
    () =>
        `${show(filled.value * length.value, 'length', 0)} of ${show(length.value, 'length', 0)}` +
        (filled.value < 1
            ? `, overflows in ${clockText(fill.value!.ends_at - props.now)}`
            : ': it should overflow'),
);
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
    <figure v-if="fill && length > 0" class="filling">
        <svg viewBox="0 0 640 46" role="img" :aria-label="fillSays">
            <rect x="18" y="8" width="600" height="30" class="mould" />
            <rect x="18" y="8" :width="600 * filled" height="30" class="soft" />
            <path d="M2 16 L18 20 V26 L2 30 Z" class="nozzle" />
            <circle v-if="filled >= 1" cx="628" cy="23" r="8" class="soft" />
        </svg>
        <figcaption>
            <strong>{{ fillSays }}</strong>
        </figcaption>
    </figure>
    <figure v-else-if="tank && bath?.skins?.length && size.w > 0" class="bar">
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
.filling {
    margin: 12px 0 0;
}
.mould {
    fill: var(--paper);
    stroke: var(--ink);
    stroke-width: 2;
}
.nozzle {
    fill: var(--ink);
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
