<script setup lang="ts">
import { computed } from 'vue';
import type { Change } from '../../api/types';
import { timeOfDay } from '../../parts/units';
import { bars } from './change';

/** The whole change as a strip of time: hands above, what goes on by itself below, what holds up the end in bold. */
const props = defineProps<{ change: Change; now: number }>();
const all = computed(() => bars(props.change));
const rows = computed(() => Math.max(0, ...all.value.filter((b) => !b.hands).map((b) => b.row)) + 1);
const here = computed(() => {
    const share = (props.now - props.change.at) / Math.max(60, props.change.ready_at - props.change.at);
    return share >= 0 && share <= 1 ? 100 * share : null;
});
/** every quarter, half or whole hour, so that five or six are seen */
const ticks = computed(() => {
    const span = props.change.ready_at - props.change.at;
    const step = [900, 1800, 3600, 7200].find((s) => span / s <= 6) ?? 14_400;
    const first = Math.ceil(props.change.at / step) * step;
    return Array.from({ length: 8 }, (_, i) => first + i * step)
        .filter((t) => t < props.change.ready_at)
        .map((t) => ({ t, left: (100 * (t - props.change.at)) / span }));
});
</script>

<template>
    <div class="strip" role="img" :aria-label="`${change.says} Ready at ${timeOfDay(change.ready_at)}.`">
        <div class="axis">
            <span v-for="k in ticks" v-show="k.left < 93" :key="k.t" :style="{ left: `${k.left}%` }">{{
                timeOfDay(k.t)
            }}</span>
        </div>
        <div class="rows">
            <strong class="who">Hands</strong>
            <div class="row">
                <div
                    v-for="b in all.filter((x) => x.hands)"
                    :key="b.id"
                    :class="['bar hands', b.state, { critical: b.critical }]"
                    :style="{ left: `${b.left}%`, width: `${b.width}%` }"
                    :title="b.title"
                >
                    <span v-if="b.width > 8">{{ b.title }}</span>
                </div>
                <i v-if="here !== null" class="here" :style="{ left: `${here}%` }" />
            </div>
            <strong class="who">By itself</strong>
            <div class="row" :style="{ height: `${30 * rows}px` }">
                <div
                    v-for="b in all.filter((x) => !x.hands)"
                    :key="b.id"
                    :class="['bar wait', b.state, { critical: b.critical }]"
                    :style="{ left: `${b.left}%`, width: `${b.width}%`, top: `${30 * b.row}px` }"
                    :title="b.title"
                >
                    <span v-if="b.width > 8">{{ b.title }}</span>
                </div>
                <i v-if="here !== null" class="here" :style="{ left: `${here}%` }" />
            </div>
        </div>
    </div>
</template>

<style scoped>
.axis {
    position: relative;
    height: 20px;
    margin-left: 84px;
}
.axis span {
    position: absolute;
    font-size: 0.85rem;
    color: var(--quiet);
}
.rows {
    display: grid;
    grid-template-columns: 84px minmax(0, 1fr);
    gap: 8px 0;
    align-items: start;
}
.who {
    line-height: 28px;
}
.row {
    position: relative;
    height: 30px;
    border-bottom: 1px solid var(--line);
}
.bar {
    position: absolute;
    height: 26px;
    border-radius: 3px;
    border: 1px solid var(--ink);
    overflow: hidden;
    font-size: 0.8rem;
    line-height: 24px;
    padding: 0 5px;
    white-space: nowrap;
    text-overflow: ellipsis;
    background: var(--ember-soft);
    color: var(--ember-ink);
}
.bar.hands {
    background: var(--still);
    color: var(--ink);
}
.bar.critical {
    border-width: 2px;
    font-weight: 700;
}
.bar.waits,
.bar.ready {
    border-style: dashed;
}
.bar.through,
.bar.passed {
    background: var(--paper);
    color: var(--quiet);
    border-color: var(--line);
}
.bar.passed span {
    text-decoration: line-through;
}
.here {
    position: absolute;
    top: -4px;
    bottom: -4px;
    width: 2px;
    background: var(--ember-strong);
}
</style>
