<script setup lang="ts">
import { ref, useId } from 'vue';
import { api, Refused } from '../../api/client';

/** A photograph from the camera or a file; the server keeps its pixels and nothing else. */
defineProps<{ label: string }>();
const picture = defineModel<string | null>({ required: true });
const id = useId();
const share = ref<number | null>(null);
const problem = ref('');
async function take(file: File | null | undefined) {
    if (!file) return;
    problem.value = '';
    share.value = 0;
    try {
        picture.value = (
            await api.upload<{ id: string }>('pictures', file, (done) => (share.value = done))
        ).id;
    } catch (error) {
        problem.value =
            error instanceof Refused
                ? `${file.name} ${error.message}.`
                : 'The server does not answer; nothing was kept.';
    } finally {
        share.value = null;
    }
}
</script>

<template>
    <div class="f">
        <label :for="id">{{ label }}</label><span class="pic"
            ><img v-if="picture" :src="`/api/v1/pictures/${picture}`" alt="The picture taken" /><input
                :id="id"
                type="file"
                accept="image/jpeg,image/png,image/webp"
                capture="environment"
                @change="take(($event.target as HTMLInputElement).files?.[0])" /></span
        ><small v-if="share !== null" role="status">{{ Math.round(100 * share) }} %</small
        ><small v-if="problem" role="alert" class="fault">{{ problem }}</small>
    </div>
</template>

<style scoped>
.f {
    grid-template-columns: minmax(0, 1fr);
}
.pic input {
    min-width: 0;
    width: 100%;
}
.pic {
    display: flex;
    gap: 10px;
    align-items: center;
    min-height: var(--touch);
}
img {
    height: 64px;
    border: 1px solid var(--line);
    border-radius: 3px;
}
</style>
