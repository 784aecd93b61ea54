<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query';
import { computed, ref } from 'vue';
import { api } from '../../api/client';
import type { Polymer } from '../../api/types';
import HeatStrip from '../../parts/HeatStrip.vue';
import OwnValues from './OwnValues.vue';

/** What is known of each polymer, and what this shop has found out for itself. */
const polymers = useQuery({ queryKey: ['polymers'], queryFn: () => api.get<Polymer[]>('polymers') });
const code = ref('HDPE');
const polymer = computed(() => polymers.data.value?.find((p) => p.code === code.value) ?? null);
</script>

<template>
    <section class="card">
        <h2>Polymers</h2>
        <div class="fields">
            <label
                >Polymer
                <select v-model="code">
                    <option v-for="p in polymers.data.value" :key="p.code" :value="p.code">
                        {{ p.code }}, {{ p.name }}
                    </option>
                </select></label
            >
        </div>
        <div v-if="polymer" class="poly">
            <HeatStrip :marks="polymer.marks" :height="360" />
            <div>
                <p v-for="(why, process) in polymer.why_not" :key="process" class="bad">
                    <span aria-hidden="true">▲</span> No {{ String(process).replaceAll('_', ' ') }}. {{ why }}
                </p>
                <p>
                    {{ polymer.morphology ?? 'no known structure'
                    }}<template v-if="polymer.density_g_cm3"
                        >, {{ polymer.density_g_cm3 }} g/cm³ solid,
                        {{ polymer.bulk_density_g_cm3 }} loose</template
                    >
                </p>
                <p v-for="(note, process) in polymer.notes" :key="process" class="quiet">{{ note }}</p>
                <ul>
                    <li v-for="h in polymer.hazards" :key="h">{{ h }}</li>
                </ul>
            </div>
        </div>
        <OwnValues v-if="polymer" :key="polymer.code" :code="polymer.code" />
    </section>
</template>

<style scoped>
.poly {
    margin-top: 14px;
    display: grid;
    grid-template-columns: 250px 1fr;
    gap: 18px;
}
.poly p {
    margin-bottom: 8px;
}
ul {
    padding-left: 18px;
    margin: 0 0 8px;
}
.bad {
    color: var(--alarm);
    font-weight: 700;
}
@media (max-width: 1150px) {
    .poly {
        grid-template-columns: 1fr;
    }
}
</style>
