<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import { heatColour } from '../../../parts/colour';
import { format, withUnit } from '../schema';

/** The whole section of a bar out of the quarter (or the radius) that was reckoned, where it is still soft, and a scrubber. */
const props = defineProps<{
    sections: { minutes: number; cells: number[][] }[];
    width: number;
    height: number;
    round: boolean;
    solid: number;
}>();
const canvas = ref<HTMLCanvasElement | null>(null);
const share = ref(0.35);
const last = computed(() => props.sections[props.sections.length - 1]!.minutes);
const now = computed(() =>
    props.sections.reduce((b, s) =>
        Math.abs(s.minutes - share.value * last.value) < Math.abs(b.minutes - share.value * last.value)
            ? s
            : b,
    ),
);
const core = computed(() => now.value.cells[0]![0]!);
const corner = computed(() => {
    const row = now.value.cells[now.value.cells.length - 1]!;
    return row[row.length - 1]!;
});
const wide = computed(() => Math.max(props.width, props.height));
const thin = computed(() => Math.min(props.width, props.height));
const W = computed(() => Math.round(props.round ? 300 : 460));
const H = computed(() =>
    Math.round(props.round ? 300 : Math.max(60, Math.min(320, (W.value * thin.value) / wide.value))),
);
const rgb = (c: number) => heatColour(c).match(/\d+/g)!.map(Number);
/** Between the cells' middles, never beyond the outermost. */
function at(u: number, v: number): number {
    const cells = now.value.cells;
    if (props.round) {
        const row = cells[0]!;
        const r = Math.min(row.length - 1, Math.max(0, Math.hypot(u, v) * row.length - 0.5));
        const i = Math.min(row.length - 2, Math.floor(r));
        return row[i]! + (row[i + 1]! - row[i]!) * (r - i);
    }
    const y = Math.min(cells.length - 1, Math.max(0, v * cells.length - 0.5));
    const x = Math.min(cells[0]!.length - 1, Math.max(0, u * cells[0]!.length - 0.5));
    const [j, i] = [Math.min(cells.length - 2, Math.floor(y)), Math.min(cells[0]!.length - 2, Math.floor(x))];
    const row = (k: number) => cells[k]![i]! + (cells[k]![i + 1]! - cells[k]![i]!) * (x - i);
    return row(j) + (row(j + 1) - row(j)) * (y - j);
}
watch(
    [now, canvas, W, H],
    () => {
        const pen = canvas.value?.getContext('2d');
        if (!pen) return;
        const picture = pen.createImageData(W.value, H.value);
        for (let y = 0; y < H.value; y++) {
            for (let x = 0; x < W.value; x++) {
                const [u, v] = [
                    Math.abs(x + 0.5 - W.value / 2) / (W.value / 2),
                    Math.abs(y + 0.5 - H.value / 2) / (H.value / 2),
                ];
                if (props.round && Math.hypot(u, v) > 1) continue;
                const c = at(u, v);
                // The front between soft and solid is drawn as a dark line.
                const edge = Math.abs(c - props.solid) < 1.2;
                const [r, g, b] = edge ? [29, 35, 38] : rgb(c);
                picture.data.set([r!, g!, b!, 255], 4 * (y * W.value + x));
            }
        }
        pen.putImageData(picture, 0, 0);
    },
    { flush: 'post', immediate: true },
);
</script>

<template>
    <figure class="bar">
        <canvas
            ref="canvas"
            :width="W"
            :height="H"
            role="img"
            :aria-label="`Section after ${format(now.minutes)} min: middle ${withUnit(core, '°C')}, ${round ? 'face' : 'corner'} ${withUnit(corner, '°C')}`"
        />
        <figcaption>
            <strong>Middle {{ withUnit(core, '°C') }}</strong> · {{ round ? 'face' : 'corner' }}
            {{ withUnit(corner, '°C') }} · the dark line is where it is solid, {{ withUnit(solid, '°C') }}
        </figcaption>
        <label class="scrub"
            ><span class="sr">Look at another moment</span
            ><input
                v-model.number="share"
                type="range"
                min="0"
                max="1"
                step="0.002"
                :aria-valuetext="`${format(now.minutes)} min`"
            /><span class="mono">{{ format(now.minutes) }} min</span></label
        >
    </figure>
</template>

<style scoped>
.bar {
    margin: 0;
    display: grid;
    gap: 6px;
}
canvas {
    max-width: 100%;
    border-radius: 3px;
}
figcaption {
    color: var(--quiet);
}
strong {
    color: var(--ink);
}
.scrub {
    display: flex;
    gap: 12px;
    align-items: center;
}
.scrub input {
    flex: 1;
    accent-color: var(--ink);
    height: 34px;
}
</style>
