<script setup lang="ts">
import { computed } from 'vue';
import { format } from '../schema';

/** What each change from one job to another costs. */
const props = defineProps<{ rows: number[][]; ids: string[] }>();
const matrix = computed(() => ({
    rows: props.rows,
    ids: props.ids,
    most: Math.max(1, ...props.rows.flat()),
}));
</script>

<template>
    <table class="heat">
        <thead>
            <tr>
                <th>from, to</th>
                <th v-for="id in matrix.ids" :key="id">{{ id }}</th>
            </tr>
        </thead>
        <tbody>
            <tr v-for="(row, i) in matrix.rows" :key="i">
                <th>{{ i === 0 ? 'start' : matrix.ids[i - 1] }}</th>
                <td
                    v-for="(m, j) in row"
                    :key="j"
                    :style="{
                        background: `color-mix(in srgb, #e08a63 ${Math.round((m / matrix.most) * 100)}%, #f3efe6)`,
                    }"
                >
                    {{ format(Math.round(m)) }}
                </td>
            </tr>
        </tbody>
    </table>
</template>

<style scoped>
.heat {
    border-collapse: collapse;
    width: auto;
}
.heat th,
.heat td {
    padding: 8px 14px;
    text-align: right;
    font-variant-numeric: tabular-nums;
}
.heat td {
    color: #1d2326;
    font-weight: 650;
    border: 2px solid var(--paper);
}
</style>
