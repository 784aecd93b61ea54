<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query';
import { computed } from 'vue';
import { api } from '../../api/client';
import type { Fit } from '../../api/types';

/** Which machines a mould goes into: asked anew whenever something is said of it. */
const props = defineProps<{ mould: number; after: number }>();
const fits = useQuery({
    queryKey: computed(() => ['fits', props.mould, props.after]),
    queryFn: () => api.list<Fit>(`machines/${props.mould}/fits`),
    placeholderData: (before: Fit[] | undefined) => before,
});
const words = (ids: string[]) => ids.map((id) => id.replaceAll('_', ' ')).join(', ');
</script>

<template>
    <section v-if="fits.data.value?.length" class="card mt-4" aria-labelledby="fits">
        <h2 id="fits">Goes into</h2>
        <ul class="unmarked">
            <li v-for="f in fits.data.value" :key="f.machine_id" :class="{ no: !f.fits }">
                <span class="sign" aria-hidden="true">{{ f.fits ? '✓' : '✕' }}</span>
                <div>
                    <router-link :to="`/shop/machines/${f.machine_id}`"
                        ><strong>{{ f.machine }}</strong></router-link
                    >
                    <span class="sr">{{ f.fits ? 'yes' : 'no' }}</span>
                    <p v-for="says in f.against" :key="says">{{ says }}</p>
                    <p v-if="f.unknown.length" class="quiet">Not looked at: {{ words(f.unknown) }}.</p>
                </div>
            </li>
        </ul>
    </section>
</template>

<style scoped>
li {
    display: flex;
    gap: 12px;
}
.sign {
    font-weight: 800;
    width: 1.2em;
}
.no .sign {
    color: var(--alarm);
}
</style>
