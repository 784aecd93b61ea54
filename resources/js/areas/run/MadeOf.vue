<script setup lang="ts">
import { computed } from 'vue';
import type { Procedure, Run } from '../../api/types';
import { capital } from '../../parts/text';

/** Which lots are in which pieces, of a run that went over to another on its way. */
const { run } = defineProps<{ run: Run }>();
const piece = computed(() => (run.procedure as unknown as Procedure).piece?.title ?? 'piece');
const rows = computed(() =>
    // One that this screen kept from a release before has none.
    ((run.made_of as Run['made_of'] | undefined) ?? []).map(({ from, to, shares }) => {
        const parts = Object.entries(shares);
        return {
            from,
            of: capital(from === to ? `${piece.value} ${from}` : `${piece.value}s ${from} to ${to}`),
            says:
                parts.length === 1
                    ? parts[0]![0]
                    : parts.map(([code, share]) => `${code} ${Math.round(100 * share)} %`).join(', '),
            mixed: parts.length > 1,
        };
    }),
);
</script>

<template>
    <section v-if="rows.length > 0" class="made" aria-label="Made of">
        <h3>Made of</h3>
        <dl>
            <div v-for="r in rows" :key="r.from" :class="{ mixed: r.mixed }">
                <dt>{{ r.of }}</dt>
                <dd>{{ r.says }}</dd>
            </div>
        </dl>
    </section>
</template>

<style scoped>
.made {
    margin-top: 12px;
}
dl {
    margin: 4px 0 0;
    max-height: 240px;
    overflow-y: auto;
}
dl > div {
    display: flex;
    flex-wrap: wrap;
    gap: 2px 14px;
    padding: 4px 0 4px 10px;
    border-top: 1px solid var(--line);
    border-left: 6px solid transparent;
}
dl > div.mixed {
    border-left-color: var(--ember);
}
dt {
    min-width: 150px;
}
dd {
    margin: 0;
}
</style>
