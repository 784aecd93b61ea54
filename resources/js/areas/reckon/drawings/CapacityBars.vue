<script setup lang="ts">
import { computed } from 'vue';

/** How busy each station is, and what one more of something would do. */
const props = defineProps<{
    utilisation: Record<string, number>;
    now: number;
    what: { change: string; per_shift: number }[];
}>();
const capacity = computed(() => ({
    loads: Object.entries(props.utilisation),
    now: props.now,
    what: props.what,
}));
const most = computed(() => Math.max(1, props.now, ...props.what.map((w) => w.per_shift)));
</script>

<template>
    <div class="bars">
        <h3>How busy</h3>
        <div v-for="[name, load] in capacity.loads" :key="name">
            <span>{{ name.replaceAll('_', ' ') }}</span><span class="track"
                ><i :style="{ width: `${100 * load}%` }" :class="{ most: load > 0.999 }" /></span
            ><strong class="num">{{ Math.round(100 * load) }} %</strong>
        </div>
        <h3>What one more would do, pieces a shift</h3>
        <div>
            <span>as it is</span
            ><span class="track"><i :style="{ width: `${(100 * capacity.now) / most}%` }" /></span
            ><strong class="num">{{ capacity.now }}</strong>
        </div>
        <div v-for="w in capacity.what" :key="w.change">
            <span>{{ w.change.replaceAll('_', ' ') }}</span><span class="track"
                ><i
                    :style="{ width: `${(100 * w.per_shift) / most}%` }"
                    :class="{ gain: w.per_shift > capacity.now }" /></span
            ><strong class="num">{{ w.per_shift }}</strong>
        </div>
    </div>
</template>

<style scoped>
.bars h3 {
    font-size: 1rem;
    margin-top: 8px;
}
.bars div {
    display: grid;
    grid-template-columns: 130px 1fr 60px;
    gap: 10px;
    align-items: center;
    padding: 4px 0;
}
.bars strong {
    text-align: right;
}
.track {
    background: var(--still);
    height: 22px;
}
.track i {
    display: block;
    height: 100%;
    background: var(--slate);
}
.track .most {
    background: var(--ember-strong);
}
.track .gain {
    background: var(--good);
}
</style>
