<script setup lang="ts">
/** How a sorting test is done, as a small drawing. */
defineProps<{ test: string }>();
const LIQUIDS: Record<string, string> = { water: '#9cc7d8', alcohol_0_93: '#d9d2ee', salt_1_20: '#b8d3c4' };
</script>

<template>
    <svg viewBox="0 0 160 120" role="img" :aria-label="`How it is done: ${test.replaceAll('_', ' ')}`">
        <g class="line" fill="none">
            <template v-if="test in LIQUIDS">
                <path d="M40 18v86q0 8 8 8h64q8 0 8-8V18" />
                <path d="M43 44h74v60q0 5-5 5H48q-5 0-5-5z" :fill="LIQUIDS[test]" stroke="none" />
                <rect x="64" y="36" width="22" height="9" class="chip" />
                <rect x="88" y="96" width="22" height="9" class="chip ghost" />
                <path d="M75 52v34m-5-8l5 8 5-8" />
            </template>
            <template v-else-if="test === 'resin_mark'">
                <path d="M80 22l38 66H42z" />
                <path d="M92 20l-12 2 6 10M44 76l-2 12 12 2M116 76l2 12-12 2" />
                <text x="80" y="78" text-anchor="middle">?</text>
            </template>
            <template v-else-if="test === 'crease'">
                <path d="M24 84h60q14 0 10-16L82 30" class="thick" />
                <path d="M118 34l-24 22m6-28l-22 22" />
                <path d="M84 84q16 2 12-14" class="white" />
            </template>
            <template v-else-if="test === 'feel'">
                <rect x="20" y="72" width="120" height="20" class="chip" />
                <path d="M60 66q4-40 24-40t22 30l-6 16q-20 8-40-6z" />
                <path d="M74 60q10-8 20 0" />
            </template>
            <template v-else-if="test === 'sound'">
                <path d="M16 100h128" class="thick" />
                <rect x="66" y="20" width="28" height="10" class="chip" transform="rotate(18 80 25)" />
                <path
                    d="M80 40v40m-5-8l5 8 5-8M48 92q-8-8 0-16M112 92q8-8 0-16M38 96q-14-14 0-26M122 96q14-14 0-26"
                />
            </template>
            <template v-else-if="test === 'clarity'">
                <circle cx="34" cy="60" r="14" class="sun" />
                <path d="M34 36v-8M34 92v-8M10 60H2M58 60h10M17 43l-6-6M51 43l6-6M17 77l-6 6" />
                <rect x="84" y="26" width="16" height="68" class="chip" />
                <path d="M104 60h20M104 48l18-6M104 72l18 6" stroke-dasharray="4 4" />
                <path d="M134 60q10-10 20 0-10 10-20 0z" />
            </template>
            <template v-else-if="test === 'item_kind'">
                <path d="M30 100V52l8-14V22h16v16l8 14v48z" />
                <path d="M78 46h48l-5 54H83z" />
                <path d="M74 46h56" class="thick" />
            </template>
            <template v-else-if="test === 'bend'">
                <path d="M20 76q60-64 120 0" class="thick" />
                <path d="M26 100V86m-5 5l5-5 5 5M134 100V86m-5 5l5-5 5 5M80 20v14m-5-5l5 5 5-5" />
            </template>
            <template v-else>
                <path d="M30 18h100M80 18v24M80 42l-16 26h32z" />
                <path d="M40 60v44q0 8 8 8h64q8 0 8-8V60" />
                <path d="M43 78h74" />
            </template>
        </g>
    </svg>
</template>

<style scoped>
svg {
    width: 100%;
    max-width: 220px;
    display: block;
}
.line {
    stroke: var(--ink);
    stroke-width: 2.5;
    stroke-linecap: round;
    stroke-linejoin: round;
}
.thick {
    stroke-width: 6;
}
.chip {
    fill: var(--ember-soft);
}
.ghost {
    opacity: 0.5;
    stroke-dasharray: 3 3;
}
.sun {
    fill: var(--ember-soft);
}
.white {
    stroke: #fff;
    stroke-width: 4;
}
text {
    font: 700 26px var(--font);
    fill: var(--ink);
    stroke: none;
}
</style>
