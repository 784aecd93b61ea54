<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query';
import { computed, ref } from 'vue';
import { api } from '../../api/client';
import type { Polymer } from '../../api/types';
import HeatStrip from '../../parts/HeatStrip.vue';
import OwnValues from './OwnValues.vue';

/** What is known of each polymer, and what this shop has found out for itself. */
const polymers = useQuery({ queryKey: ['polymers'], queryFn: () => api.list<Polymer>('polymers') });
const code = ref('HDPE');
const polymer = computed(() => polymers.data.value?.find((p) => p.code === code.value) ?? null);
const wanted = ref<string | null>(null);
/** Whose window lies on the strip: the process looked at before, where it works this polymer too. */
const process = computed(() => {
    const windows = Object.keys(polymer.value?.windows ?? {});
    return windows.find((w) => w === wanted.value) ?? windows[0] ?? null;
});
const marks = computed(() => {
    const window = process.value === null ? undefined : polymer.value?.windows[process.value];
    return (
        polymer.value && {
            ...polymer.value.marks,
            window_min_c: window?.min ?? null,
            window_typical_c: window?.typical ?? null,
            window_max_c: window?.max ?? null,
        }
    );
});
const said = (id: string) => id.replaceAll('_', ' ');
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
            <label v-if="polymer && process"
                >Window of
                <select :value="process" @change="wanted = ($event.target as HTMLSelectElement).value">
                    <option v-for="(_, id) in polymer.windows" :key="id" :value="id">
                        {{ said(String(id)) }}
                    </option>
                </select></label
            >
        </div>
        <div v-if="polymer && marks" class="poly">
            <HeatStrip :marks="marks" :height="360" />
            <div>
                <p v-for="(why, id) in polymer.why_not" :key="id" class="bad">
                    <span aria-hidden="true">▲</span> No {{ said(String(id)) }}. {{ why }}
                </p>
                <p>
                    {{ polymer.morphology ?? 'no known structure'
                    }}<template v-if="polymer.density_g_cm3"
                        >, {{ polymer.density_g_cm3 }} g/cm³ solid,
                        {{ polymer.bulk_density_g_cm3 }} loose</template
                    >
                </p>
                <p v-for="(note, id) in polymer.notes" :key="id" class="quiet">{{ note }}</p>
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
