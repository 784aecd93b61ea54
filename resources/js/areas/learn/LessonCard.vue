<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query';
import { computed, useId } from 'vue';
import { api } from '../../api/client';
import { newKey } from '../../api/queue';
import type { Lesson, Page } from '../../api/types';
import { dayText } from '../../parts/units';
import { plain } from '../cause/case';
import { sentence, useSend } from '../../parts/useSend';

/** What the run taught, in one sentence: yes and the next set-up of anybody opens so; no is remembered too. */
const props = defineProps<{
    run: string;
    /** only while nobody has said to it */
    waiting?: boolean;
}>();
const heading = useId();
const client = useQueryClient();
const key = computed(() => ['lessons', props.run]);
const lessons = useQuery({
    queryKey: key,
    queryFn: () => api.list<Lesson>(`runs/${props.run}/lessons`),
});
const lesson = computed(() => {
    const taught = lessons.data.value?.[0] ?? null;
    return props.waiting && taught?.taken !== null ? null : taught;
});
const id = newKey();
const { busy, fault, send } = useSend();
async function say(taken: boolean) {
    const now = await send(() => api.post<Page<Lesson>>(`runs/${props.run}/lessons`, { id, taken }));
    if (now) client.setQueryData(key.value, now.items);
    else await lessons.refetch();
}
</script>

<template>
    <section v-if="lesson" class="lesson" :aria-labelledby="heading">
        <h2 :id="heading">What it taught</h2>
        <p class="says">{{ lesson.says }}</p>
        <p class="quiet">
            <template v-if="lesson.runs.length"
                >So were
                <template v-for="(r, i) in lesson.runs" :key="r.id"
                    >{{ i ? ', ' : ''
                    }}<router-link :to="`/learn/${r.id}`">run {{ r.number }}</router-link></template
                >
                of the {{ lesson.of }} before it.</template
            ><template v-else-if="lesson.of">None of the {{ lesson.of }} before it was.</template
            ><template v-else>It is the first of it on this machine.</template> The next set-up would have
            {{ lesson.setting.replaceAll('_', ' ') }} {{ plain(lesson.becomes, 3)
            }}{{ lesson.was === null ? '' : ` instead of ${plain(lesson.was, 3)}` }}.
        </p>
        <p v-if="fault" class="fault" role="alert">{{ sentence(fault) }}</p>
        <div v-if="lesson.taken === null" class="acts">
            <v-btn color="primary" :disabled="busy" @click="say(true)">Keep it for the next</v-btn
            ><v-btn variant="outlined" :disabled="busy" @click="say(false)">No, only this time</v-btn>
        </div>
        <p v-else role="status">
            <span :class="['tag', lesson.taken ? 'good' : '']">{{ lesson.taken ? 'kept' : 'not kept' }}</span>
            {{ lesson.by }}, {{ dayText(lesson.at ?? 0) }}
        </p>
    </section>
</template>

<style scoped>
.lesson {
    border-left: 6px solid var(--slate);
    padding: 4px 0 4px 14px;
    margin: 14px 0;
}
.says {
    font-size: 1.15rem;
    font-weight: 650;
    margin: 4px 0;
}
.acts {
    display: flex;
    flex-wrap: wrap;
    gap: 10px;
    margin-top: 8px;
}
.tag {
    margin-right: 8px;
}
</style>
