<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query';
import { ref, useId, watch } from 'vue';
import { api, Refused } from '../../api/client';
import type { Mesh } from '../../api/types';

/** Which STL file: one that is here, or a new one dropped or chosen. The newest is taken when none is chosen yet. */
const file = defineModel<string>({ required: true });
const id = useId();
const queries = useQueryClient();
const { data: meshes } = useQuery({ queryKey: ['meshes'], queryFn: () => api.list<Mesh>('meshes') });
const problem = ref('');
const share = ref<number | null>(null);
const over = ref(false);
watch(
    [meshes, file],
    () => {
        if (meshes.value && !meshes.value.some((m) => m.id === file.value))
            file.value = meshes.value[0]?.id ?? '';
    },
    { immediate: true },
);
const size = (bytes: number) =>
    bytes >= 1e6 ? `${(bytes / 1e6).toFixed(1)} MB` : `${Math.ceil(bytes / 1000)} kB`;

async function take(chosen: File | null | undefined) {
    if (!chosen) return;
    problem.value = '';
    if (chosen.size > 200e6) {
        problem.value = `${chosen.name} has ${size(chosen.size)}; at most 200 MB are read.`;
        return;
    }
    share.value = 0;
    try {
        const mesh = await api.upload<Mesh>('meshes', chosen, (done) => (share.value = done));
        await queries.invalidateQueries({ queryKey: ['meshes'] });
        file.value = mesh.id;
    } catch (error) {
        problem.value =
            error instanceof Refused
                ? `${chosen.name} ${error.message}.`
                : 'The server does not answer; nothing was kept.';
    } finally {
        share.value = null;
    }
}
async function drop() {
    const gone = meshes.value?.find((m) => m.id === file.value);
    if (!gone) return;
    await api.delete(`meshes/${gone.id}`);
    await queries.invalidateQueries({ queryKey: ['meshes'] });
}
</script>

<template>
    <div
        :class="['mesh', { over }]"
        @dragover.prevent="over = true"
        @dragleave="over = false"
        @drop.prevent="
            over = false;
            take($event.dataTransfer?.files[0]);
        "
    >
        <label :for="`${id}-s`" class="name">STL file *</label>
        <select :id="`${id}-s`" v-model="file">
            <option v-for="m in meshes" :key="m.id" :value="m.id">
                {{ m.name }} · {{ m.facets.toLocaleString('en').replaceAll(',', '\u202F') }} facets
            </option>
        </select>
        <p v-if="meshes?.length === 0" class="quiet">None here yet: bring the first.</p>
        <div class="acts">
            <label :for="`${id}-f`" class="bring"
                >Bring an STL file<input
                    :id="`${id}-f`"
                    type="file"
                    accept=".stl,model/stl"
                    :disabled="share !== null"
                    @change="take(($event.target as HTMLInputElement).files?.[0])" /></label
            ><button
                v-if="meshes?.find((m) => m.id === file)?.mine"
                type="button"
                class="plain"
                @click="drop"
            >
                take this one away
            </button>
        </div>
        <p v-if="share !== null" role="status" class="quiet">
            {{ share < 1 ? `Sending, ${Math.round(100 * share)} % …` : 'Reading every facet …'
            }}<progress :value="share" max="1" />
        </p>
        <p v-if="problem" class="fault" role="alert"><span aria-hidden="true">▲</span> {{ problem }}</p>
    </div>
</template>

<style scoped>
.mesh {
    border: 2px dashed var(--line);
    border-radius: 4px;
    padding: 10px;
    display: grid;
    gap: 8px;
}
.over {
    border-color: var(--slate);
    background: var(--slate-soft);
}
.name {
    font-weight: 650;
}
.acts {
    display: flex;
    flex-wrap: wrap;
    gap: 10px;
    align-items: center;
}
select {
    width: 100%;
    min-height: var(--touch);
    border: 1px solid var(--line);
    border-radius: 4px;
    background: var(--paper);
    color: var(--ink);
    font: inherit;
    padding: 0 10px;
}
.bring {
    position: relative;
    display: inline-grid;
    place-items: center;
    min-height: var(--touch);
    padding: 0 16px;
    border: 1px solid var(--ink);
    border-radius: 4px;
    font-weight: 650;
    cursor: pointer;
}
.bring input {
    position: absolute;
    inset: 0;
    opacity: 0;
    cursor: pointer;
    width: 100%;
}
.bring:focus-within {
    outline: 3px solid var(--slate);
    outline-offset: 2px;
}
.plain {
    background: none;
    border: 0;
    text-decoration: underline;
    font: inherit;
    cursor: pointer;
    color: inherit;
    min-height: 36px;
}
.fault {
    color: var(--alarm);
    font-weight: 650;
}
progress {
    width: 100%;
    display: block;
    accent-color: var(--ember);
}
</style>
