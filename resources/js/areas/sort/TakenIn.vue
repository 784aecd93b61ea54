<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query';
import { computed } from 'vue';
import { api } from '../../api/client';
import type { Lot, LotDetail } from '../../api/types';
import { show } from '../../parts/units';
import { stepLink } from './delivery';

/** What was just taken in: its code to write on the container, and what it wants next. */
const props = defineProps<{ lot: Lot }>();
defineEmits<{ another: [] }>();
const { data } = useQuery({
    queryKey: computed(() => ['lot', String(props.lot.id)]),
    queryFn: () => api.get<LotDetail>(`lots/${props.lot.id}`),
});
const next = computed(() => data.value?.next ?? []);
</script>

<template>
    <section class="card taken" aria-label="Taken in">
        <div>
            <p class="quiet">Taken in as</p>
            <p class="code mono">{{ lot.code }}</p>
            <p>
                <i class="swatch" :style="{ background: lot.swatch }" />{{ lot.polymer }}, {{ lot.colour }}
                {{ lot.form }}, {{ show(lot.mass_g, 'mass') }}
            </p>
            <div class="acts">
                <v-btn color="primary" @click="$emit('another')">Another container of it</v-btn>
                <v-btn variant="outlined" :href="`/api/v1/lots/${lot.code}/label.pdf`" target="_blank"
                    >Label</v-btn
                >
                <v-btn variant="text" :to="`/sort/lots/${lot.id}`">Open {{ lot.code }}</v-btn>
            </div>
        </div>
        <div v-if="next.length">
            <h2>What it wants next</h2>
            <ol>
                <li v-for="step in next" :key="step.id">
                    <router-link :to="stepLink(step.id, lot)">{{ step.says }}</router-link>
                    <span class="quiet">{{ step.because }}</span>
                </li>
            </ol>
        </div>
    </section>
</template>

<style scoped>
.taken {
    display: grid;
    grid-template-columns: 1.2fr 1fr;
    gap: var(--gap);
    border-left: 6px solid var(--good);
}
.code {
    font-size: 2.6rem;
    line-height: 1.1;
}
.acts {
    display: flex;
    flex-wrap: wrap;
    gap: 8px;
    margin-top: 10px;
}
ol {
    margin: 6px 0 0;
    padding-left: 20px;
}
li {
    min-height: 44px;
}
li .quiet {
    display: block;
}
@media (max-width: 900px) {
    .taken {
        grid-template-columns: 1fr;
    }
}
</style>
