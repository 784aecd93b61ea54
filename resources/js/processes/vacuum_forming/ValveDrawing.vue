<script setup lang="ts">
import { computed } from 'vue';

/** How the valves stand at one moment: open along the pipe, shut across it, and in words. */
const props = defineProps<{ when: string; open: string[]; shut: string[] }>();
/** from, to and the way between; where the valve sits, and whether its pipe runs down */
const PIPES = [
    { id: 'pump_tank', from: 'pump', name: 'pump to tank', x: 95, y: 40, down: false },
    { id: 'tank_bed', from: 'tank', name: 'tank to bed', x: 245, y: 40, down: false },
    { id: 'pump_bed', from: 'pump', name: 'pump to bed', x: 170, y: 40, down: false },
    { id: 'blower_bed', from: 'blower', name: 'blower to bed', x: 245, y: 112, down: false },
    { id: 'air_bed', from: 'air', name: 'air to bed', x: 330, y: 92, down: true },
];
const there = computed(() => new Set([...props.open, ...props.shut]));
const pipes = computed(() =>
    PIPES.filter((p) => there.value.has(p.id)).map((p) => ({ ...p, isOpen: props.open.includes(p.id) })),
);
const has = (id: string) => there.value.has(id);
const says = computed(() => pipes.value.map((p) => `${p.name} ${p.isOpen ? 'open' : 'shut'}`).join(', '));
</script>

<template>
    <figure class="valves">
        <figcaption>
            <strong>{{ when }}</strong>
        </figcaption>
        <svg viewBox="0 0 392 150" role="img" :aria-label="`${when}: ${says}`">
            <g class="pipe">
                <path v-if="has('pump_tank')" d="M60 40H130" :class="{ on: open.includes('pump_tank') }" />
                <path v-if="has('tank_bed')" d="M205 40H290" :class="{ on: open.includes('tank_bed') }" />
                <path v-if="has('pump_bed')" d="M60 40H290" :class="{ on: open.includes('pump_bed') }" />
                <path
                    v-if="has('blower_bed')"
                    d="M205 112H290V60"
                    :class="{ on: open.includes('blower_bed') }"
                />
                <path v-if="has('air_bed')" d="M330 60V130" :class="{ on: open.includes('air_bed') }" />
            </g>
            <g class="box">
                <rect x="4" y="22" width="56" height="36" rx="4" />
                <text x="32" y="45">pump</text>
                <template v-if="has('tank_bed')">
                    <rect x="130" y="18" width="75" height="44" rx="20" />
                    <text x="167" y="45">tank</text>
                </template>
                <template v-if="has('blower_bed')">
                    <rect x="130" y="94" width="75" height="36" rx="4" />
                    <text x="167" y="117">blower</text>
                </template>
                <path d="M290 20h84v40h-84z" />
                <text x="332" y="45">bed</text>
                <text x="330" y="146">air</text>
            </g>
            <g v-for="p in pipes" :key="p.id" :class="['valve', p.isOpen ? 'open' : 'shut']">
                <circle :cx="p.x" :cy="p.y" r="14" />
                <line
                    :x1="p.x - (p.isOpen !== p.down ? 10 : 0)"
                    :x2="p.x + (p.isOpen !== p.down ? 10 : 0)"
                    :y1="p.y - (p.isOpen !== p.down ? 0 : 10)"
                    :y2="p.y + (p.isOpen !== p.down ? 0 : 10)"
                />
                <text
                    :x="p.down ? p.x + 19 : p.x"
                    :y="p.down ? p.y + 5 : p.y - 18"
                    :class="{ aside: p.down }"
                >
                    {{ p.isOpen ? 'open' : 'shut' }}
                </text>
            </g>
        </svg>
    </figure>
</template>

<style scoped>
.valves {
    margin: 8px 0 0;
}
svg {
    width: 100%;
    max-width: 420px;
    max-height: 170px;
    display: block;
}
.pipe path {
    fill: none;
    stroke: var(--line);
    stroke-width: 8;
}
.pipe .on {
    stroke: var(--slate);
}
.box rect,
.box path {
    fill: var(--paper);
    stroke: var(--ink);
    stroke-width: 1.5;
}
text {
    font-size: 14px;
    text-anchor: middle;
    fill: var(--ink);
}
.aside {
    text-anchor: start;
}
.valve circle {
    fill: var(--paper);
    stroke: var(--ink);
    stroke-width: 2;
}
.valve line {
    stroke: var(--ink);
    stroke-width: 5;
}
.valve.open circle {
    fill: var(--slate-soft);
    stroke: var(--slate);
}
.valve.open text {
    font-weight: 700;
}
</style>
