<script setup lang="ts">
import { heatColour, inkOnHeat } from '../../../parts/colour';
import { clockText } from '../../../parts/units';
import { format, title, toShown, withUnit } from '../schema';

/** A set-up sheet: each set-point inside its window, the barrel as it warms from feed to nozzle, and the times. */
defineProps<{
    settings: {
        setting: string;
        unit: string;
        low: number;
        target: number;
        high: number;
        origin: string;
        because: string;
    }[];
    zones: { zone: string; set_c: number }[];
    timers: { timer: string; seconds: number; because: string }[];
}>();
const at = (s: { low: number; target: number; high: number }) =>
    s.high > s.low ? (100 * (s.target - s.low)) / (s.high - s.low) : 50;
const ORIGIN: Record<string, string> = {
    library: '',
    "this machine's last good run": 'good',
    'your rule': 'hot',
};
</script>

<template>
    <div class="sheet">
        <div v-for="s in settings" :key="s.setting" class="set">
            <span class="name">{{ title(s.setting) }}</span><strong class="num">{{
                withUnit(s.target, s.unit)
            }}</strong>
            <span
                class="track"
                role="img"
                :aria-label="`from ${withUnit(s.low, s.unit)} to ${withUnit(s.high, s.unit)}`"
                ><i :style="{ left: `${at(s)}%` }"
            /></span>
            <span class="ends num"
                ><span>{{ format(s.low, s.unit) }}</span
                ><span>{{ format(s.high, s.unit) }}</span></span
            >
            <span class="why"
                ><span :class="['tag', ORIGIN[s.origin]]">{{ s.origin }}</span> {{ s.because }}</span
            >
        </div>
        <div
            v-if="zones.length"
            class="zones"
            role="img"
            :aria-label="`Zones from the feed: ${zones.map((z) => `${z.zone} ${withUnit(z.set_c, '°C')}`).join(', ')}`"
        >
            <div
                v-for="z in zones"
                :key="z.zone"
                :style="{ background: heatColour(z.set_c), color: inkOnHeat(z.set_c) }"
            >
                <span>{{ z.zone }}</span><strong class="num">{{ Math.round(toShown(z.set_c, '°C')) }}</strong>
            </div>
        </div>
        <dl v-if="timers.length">
            <div v-for="t in timers" :key="t.timer">
                <dt>
                    {{ title(t.timer) }} <small>{{ t.because }}</small>
                </dt>
                <dd class="mono">{{ clockText(t.seconds) }}</dd>
            </div>
        </dl>
    </div>
</template>

<style scoped>
.sheet {
    display: grid;
    gap: 12px;
    max-height: none;
}
.set {
    display: grid;
    grid-template-columns: minmax(0, 1fr) auto;
    gap: 2px 12px;
    align-items: baseline;
    border-bottom: 1px solid var(--line);
    padding-bottom: 8px;
}
.name {
    font-weight: 650;
}
.set strong {
    font-size: 1.4rem;
}
.track,
.ends,
.why {
    grid-column: 1 / -1;
}
.track {
    height: 10px;
    background: var(--still);
    border: 1px solid var(--line);
    border-radius: 5px;
    position: relative;
}
.track i {
    position: absolute;
    top: -4px;
    width: 6px;
    height: 16px;
    margin-left: -3px;
    background: var(--ember-strong);
    border-radius: 2px;
}
.ends {
    display: flex;
    justify-content: space-between;
    color: var(--quiet);
    font-size: 0.88rem;
}
.why {
    color: var(--quiet);
    font-size: 0.92rem;
}
.zones {
    display: flex;
    border-radius: 4px;
    overflow: hidden;
}
.zones div {
    flex: 1;
    padding: 8px 10px;
    display: grid;
    min-width: 0;
}
.zones strong {
    font-size: 1.2rem;
}
dl {
    margin: 0;
}
dl div {
    display: flex;
    justify-content: space-between;
    gap: 12px;
    padding: 6px 0;
    border-bottom: 1px solid var(--line);
}
dd {
    margin: 0;
    font-size: 1.2rem;
}
small {
    display: block;
    color: var(--quiet);
}
</style>
