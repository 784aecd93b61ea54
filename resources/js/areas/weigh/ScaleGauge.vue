<script setup lang="ts">
import type { Charge } from '../../api/types';
import { number } from '../../parts/units';
import type { Reading } from './scale/driver';

/** How far a part is: the mass large, the band that it has to end in, and one word. */
const props = defineProps<{
    now: Charge['components'][number];
    reading: Reading | null;
    /** with what lies on the scale */
    would: number;
    state: string;
    byHand: boolean;
    digits: number;
    g: (grams: number | null | undefined) => string;
}>();
const share = (grams: number) =>
    `${Math.max(0, Math.min(100, (100 * grams) / (1.25 * props.now.target_g)))}%`;
</script>

<template>
    <div>
        <p :class="['live', 'mono', state]" role="status" aria-live="off">
            {{
                reading?.fault === 'overload'
                    ? 'overload'
                    : reading?.fault === 'unplugged'
                      ? 'no scale'
                      : byHand
                        ? g(now.weighed_g)
                        : g(would)
            }}
        </p>
        <div class="gauge" role="img" :aria-label="`${number(would, 1)} of ${number(now.target_g, 1)} g`">
            <span
                class="band"
                :style="{
                    left: share(now.target_g - now.tolerance_g),
                    width: `calc(${share(now.target_g + now.tolerance_g)} - ${share(now.target_g - now.tolerance_g)})`,
                }"
            /><span
                :class="['fill', state]"
                :style="{
                    width: share(byHand ? now.weighed_g : would),
                    background: state === 'over' ? undefined : now.swatch,
                }"
            /><span class="mark" :style="{ left: share(now.target_g) }" />
        </div>
        <p class="word">
            <template v-if="now.state === 'good'">In tolerance.</template
            ><template v-else-if="reading?.fault">{{
                reading.fault === 'overload'
                    ? 'Too heavy for this scale: take something off.'
                    : 'The scale is unplugged. Plug it in, or weigh by hand.'
            }}</template
            ><template v-else-if="state === 'good'">{{
                reading?.stable ? 'Steady: it goes in by itself.' : 'There. Let it settle.'
            }}</template
            ><template v-else-if="state === 'over'"
                >{{ number(would - now.target_g, digits) }} g too much.</template
            ><template v-else>{{ number(now.target_g - would, digits) }} g to go.</template>
        </p>
    </div>
</template>

<style scoped>
.live {
    font-size: 5.2rem;
    line-height: 1.05;
}
.live.good {
    color: var(--good);
}
.live.over {
    color: var(--alarm);
}
.gauge {
    position: relative;
    height: 44px;
    border: 1.5px solid var(--ink);
    border-radius: 4px;
    overflow: hidden;
    background: var(--paper);
    margin: 6px 0;
}
.fill {
    position: absolute;
    inset: 0 auto 0 0;
    border-right: 2px solid var(--ink);
}
.fill.over {
    background: repeating-linear-gradient(45deg, var(--alarm) 0 8px, var(--alarm-soft) 8px 16px);
}
.band {
    position: absolute;
    inset: 0 auto;
    background: var(--slate-soft);
}
.mark {
    position: absolute;
    inset: 0 auto;
    width: 3px;
    background: var(--ink);
}
.word {
    font-size: 1.25rem;
    font-weight: 650;
    min-height: 1.6em;
}
@media (max-width: 1240px) {
    .live {
        font-size: 4.2rem;
    }
}
</style>
