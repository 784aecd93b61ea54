<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query';
import { computed, reactive, ref } from 'vue';
import { api } from '../../api/client';
import { newKey } from '../../api/queue';
import type { Capture, CapturedSetUp } from '../../api/types';
import { sentence, useSend } from '../../parts/useSend';
import NumberOf from '../shop/NumberOf.vue';
import PictureField from '../sort/PictureField.vue';

/**
 * What the controller shows while it makes good parts, kept once: a photograph of each page, and the numbers that another
 * machine is worked out from. No producing machine is stopped to copy it.
 */
const props = defineProps<{ run: string }>();
const client = useQueryClient();
const { data } = useQuery({
    queryKey: ['capture', props.run],
    queryFn: () => api.get<Capture>(`runs/${props.run}/capture`),
});
const fields = computed(() =>
    Object.entries(
        (data.value?.fields as { properties?: Record<string, Record<string, unknown>> } | null)?.properties ??
            {},
    ),
);
const open = ref(false);
const shown = reactive<Record<string, number | null>>({});
const pictures = ref<(string | null)[]>([null]);
function took(i: number, id: string | null) {
    const taken = pictures.value.with(i, id);
    pictures.value = taken.includes(null) ? taken : [...taken, null];
}
let id = newKey();
const { busy, fault, send } = useSend();
async function keep() {
    const kept = await send(() =>
        api.post<CapturedSetUp>(`runs/${props.run}/capture`, {
            id,
            shown,
            pictures: pictures.value.filter((p) => p !== null),
        }),
    );
    if (!kept) return;
    id = newKey();
    open.value = false;
    await client.invalidateQueries({ queryKey: ['capture', props.run] });
}
</script>

<template>
    <section v-if="data?.fields" class="capture" aria-label="As the controller has it">
        <h3>As the controller has it</h3>
        <p v-for="k in data.kept" :key="k.id" class="quiet">
            Kept by {{ k.by }}, {{ k.pictures.length }}
            {{ k.pictures.length === 1 ? 'photograph' : 'photographs' }}.
        </p>
        <v-btn v-if="!open" variant="outlined" @click="open = true">{{
            data.kept.length === 0 ? 'Keep what it shows' : 'Keep it again'
        }}</v-btn>
        <form v-else class="fields" @submit.prevent="keep">
            <PictureField
                v-for="(p, i) in pictures"
                :key="i"
                :model-value="p"
                :label="`Page ${i + 1} of the controller`"
                @update:model-value="(to: string | null) => took(i, to)"
            />
            <NumberOf
                v-for="[name, schema] in fields"
                :key="name"
                :name="name"
                :schema="schema"
                :model-value="shown[name] ?? null"
                @update:model-value="(to) => (shown[name] = to)"
            />
            <p v-if="fault" role="alert" class="fault wide">{{ sentence(fault) }}</p>
            <div class="acts">
                <v-btn type="submit" color="primary" :disabled="busy">Keep it</v-btn
                ><v-btn variant="text" @click="open = false">Not now</v-btn>
            </div>
        </form>
    </section>
</template>

<style scoped>
.capture {
    margin-top: 18px;
}
.capture :deep(h3) {
    margin-bottom: 4px;
}
</style>
