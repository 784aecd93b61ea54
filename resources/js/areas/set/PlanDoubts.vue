<script setup lang="ts">
import { computed } from 'vue';
import type { AnyPlan } from '../../api/types';

/** What the machine cannot do, what nobody has said, and what to mind: before the gate. */
const props = defineProps<{ plan: Pick<AnyPlan, 'checks' | 'unknowns' | 'cautions'> }>();
const doubtful = computed(() => props.plan.checks.filter((c) => c.state !== 'ok'));
</script>

<template>
    <section
        v-if="plan.unknowns.length > 0 || doubtful.length > 0"
        class="card"
        aria-label="What this machine can do"
    >
        <p v-for="c in doubtful" :key="c.id" class="doubt" :role="c.state === 'block' ? 'alert' : undefined">
            <span aria-hidden="true">▲</span> {{ c.says }}
        </p>
        <p v-for="u in plan.unknowns" :key="u.fact">
            <strong>Not known: {{ u.fact }}.</strong> {{ u.effect }}
        </p>
    </section>
</template>
