<script setup lang="ts">
import type { Learnt } from '../../api/types';
import { dayText } from '../../parts/units';
import { came } from './chart';

/** The last runs of a product side by side, the newest at the right; what was scrap stands on top, hatched. */
withDefaults(
    defineProps<{
        runs: Learnt['recent'];
        /** each leads to its run, where there is room for a finger */
        links?: boolean;
    }>(),
    { links: true },
);
const share = (r: Learnt['recent'][number]) => r.bad / Math.max(1, r.good + r.bad);
</script>

<template>
    <ol v-if="links" class="strip" aria-label="The last runs, oldest first">
        <li v-for="r in runs" :key="r.id">
            <router-link
                class="bar"
                :to="`/learn/${r.id}`"
                :title="`run ${r.number}, ${dayText(r.at)}: ${came(r.good, r.bad)}`"
                :aria-label="`run ${r.number}: ${came(r.good, r.bad)}`"
                ><i :style="{ flexGrow: share(r) }" class="bad" /><i
                    :style="{ flexGrow: 1 - share(r) }"
                    class="good"
            /></router-link>
        </li>
    </ol>
    <div
        v-else
        class="strip narrow"
        role="img"
        :aria-label="`The last runs, oldest first: ${runs.map((r) => came(r.good, r.bad)).join(', ')}`"
    >
        <span v-for="r in runs" :key="r.id" class="bar" :title="`run ${r.number}: ${came(r.good, r.bad)}`"
            ><i :style="{ flexGrow: share(r) }" class="bad" /><i
                :style="{ flexGrow: 1 - share(r) }"
                class="good"
        /></span>
    </div>
</template>

<style scoped>
.strip {
    display: flex;
    gap: 2px;
    list-style: none;
    padding: 0;
    margin: 0;
}
.strip:not(.narrow) {
    flex-wrap: wrap;
}
li {
    flex: 0 0 30px;
}
.bar {
    display: flex;
    flex-direction: column;
    height: 54px;
}
.narrow .bar {
    flex: 1 1 0;
    max-width: 26px;
}
i {
    flex-basis: 0;
    min-height: 0;
}
.good {
    background: var(--slate);
}
.bad {
    background: repeating-linear-gradient(135deg, var(--alarm) 0 4px, var(--alarm-soft) 4px 7px);
}
</style>
