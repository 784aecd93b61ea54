<script setup lang="ts">
import { onMounted } from 'vue';
import { session } from '../../api/session';
import type { Run } from '../../api/types';
import { sentence } from '../../parts/useSend';
import { useTaught } from '../shop/useTaught';

/** When a run is over: what it and those before it say of its machine, where that is otherwise than plans reckon with. */
const props = defineProps<{ station: Run['summary']['stations'][number] }>();
const { learnt, before, busy, fault, ask, use, back } = useTaught(() => props.station.machine_id);
onMounted(ask);
</script>

<template>
    <section
        v-if="learnt?.enough && learnt.otherwise"
        class="card"
        :aria-label="`What ${station.machine} can do`"
    >
        <h3>{{ station.machine }}, as its runs say</h3>
        <p class="says">{{ learnt.says }}</p>
        <p v-if="fault" class="fault" role="alert">{{ sentence(fault) }}</p>
        <div class="acts">
            <template v-if="before">
                <p role="status"><span class="tag good">used</span> Plans reckon with it from now on.</p>
                <v-btn variant="outlined" :disabled="busy" @click="back">Take it back</v-btn>
            </template>
            <v-btn
                v-else-if="session.person?.role === 'lead'"
                color="secondary"
                size="large"
                :disabled="busy"
                @click="use"
                >Use it</v-btn
            >
            <p v-else class="quiet">A lead takes it over.</p>
            <v-btn variant="text" :to="`/shop/machines/${station.machine_id}`">How it is known</v-btn>
        </div>
    </section>
</template>

<style scoped>
.card {
    margin-top: 14px;
}
.says {
    font-size: 1.1rem;
    font-weight: 600;
}
.acts {
    display: flex;
    flex-wrap: wrap;
    gap: 10px;
    align-items: center;
    margin-top: 8px;
}
.acts p {
    margin: 0;
}
</style>
