<script setup lang="ts">
import type { Ranking } from '../../api/types';
import { number } from '../../parts/units';

/** How likely each polymer is, the likeliest first. */
defineProps<{ ranked: Ranking['ranked']; neverHot: string[] }>();
</script>

<template>
    <table class="odds">
        <caption class="sr">
            Probability of each polymer
        </caption>
        <tbody>
            <tr v-for="r in ranked.slice(0, 9)" :key="r.code">
                <th scope="row">{{ r.code }}</th>
                <td class="bar">
                    <span class="bar-track"
                        ><span
                            :class="['fill', { pvc: neverHot.includes(r.code) }]"
                            :style="{ width: `${Math.max(0.5, 100 * r.probability)}%` }"
                    /></span>
                </td>
                <td class="n mono">
                    {{
                        r.probability > 0.9995
                            ? '100'
                            : number(100 * r.probability, r.probability < 0.1 ? 1 : 0)
                    }}
                    %
                </td>
            </tr>
        </tbody>
    </table>
</template>

<style scoped>
.odds {
    width: 100%;
    border-collapse: collapse;
}
.odds th {
    text-align: left;
    width: 74px;
    padding: 5px 0;
}
.odds .n {
    width: 74px;
    text-align: right;
}
.bar-track {
    display: block;
}
.fill {
    display: block;
    height: 100%;
    background: var(--slate);
}
.fill.pvc {
    background: var(--alarm);
}
</style>
