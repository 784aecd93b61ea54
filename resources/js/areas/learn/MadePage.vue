<script setup lang="ts">
import { onMounted, ref } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { api } from '../../api/client';
import type { RunSummary } from '../../api/types';

/** What the label of a sheet or a part opens: the record of its run, at that piece. */
const route = useRoute();
const router = useRouter();
const says = ref('Looking it up …');
onMounted(async () => {
    const { number, piece } = route.params;
    try {
        const [run] = await api.list<RunSummary>(`runs?number=${Number(number)}`);
        if (!run) says.value = `There is no run ${Number(number)} here: the label may be of another shop.`;
        else if (run.status === 'running') await router.replace(`/run/${run.id}`);
        else await router.replace({ path: `/learn/${run.id}`, query: piece ? { piece: String(piece) } : {} });
    } catch {
        says.value = 'The server does not answer.';
    }
});
</script>

<template>
    <div class="page">
        <p class="card">{{ says }}</p>
    </div>
</template>
