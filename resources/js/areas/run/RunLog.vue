<script setup lang="ts">
import { computed, nextTick, ref, watch } from 'vue';
import type { QueuedEvent } from '../../api/store';
import type { Procedure, Run } from '../../api/types';
import { timeOfDay } from '../../parts/units';
import { eventWords } from './words';

/** The ribbon of everything logged, newest last; what is not yet with the server says so. An entry is corrected by adding to it. */
const props = defineProps<{
    run: Run;
    procedure: Procedure;
    waiting: QueuedEvent[];
    refused: QueuedEvent[];
}>();
const emit = defineEmits<{ correct: [key: string]; drop: [key: string] }>();
const list = ref<HTMLElement | null>(null);
const correctable = computed(
    () =>
        new Set(
            props.run.entries
                .filter(
                    (e) =>
                        !props.procedure.entries
                            .find((d) => d.id === e.entry)
                            ?.fields.some((f) => f.kind === 'thickness_grid'),
                )
                .map((e) => e.key),
        ),
);
/** the newest of them; a run of shots has a thousand */
const AT_ONCE = 100;
const shown = ref(AT_ONCE);
const events = computed(() => props.run.events.slice(-shown.value));
const held = computed(() => new Set(props.waiting.map((q) => q.key)));
const corrected = computed(() => new Set(props.run.entries.filter((e) => e.corrected > 0).map((e) => e.key)));
watch(
    () => props.run.events.length,
    async () => {
        await nextTick();
        if (list.value) list.value.scrollLeft = list.value.scrollWidth;
    },
    { immediate: true },
);
</script>

<template>
    <section class="log" aria-label="Logged">
        <div class="head">
            <h2>Logged</h2>
            <span>{{ run.events.length }} entries</span
            ><span v-if="waiting.length > 0" role="status"
                >◆ {{ waiting.length }} kept on this screen, not yet with the server</span
            >
        </div>
        <ol ref="list" tabindex="0" aria-label="Entries, oldest first">
            <li v-if="run.events.length > shown">
                <p class="when">{{ run.events.length - shown }} earlier</p>
                <button type="button" @click="shown += AT_ONCE">Show more</button>
            </li>
            <li v-for="e in events" :key="e.key" :class="[e.type, { held: held.has(e.key) }]" data-entry>
                <p class="when">
                    <span class="mono">{{ timeOfDay(e.at) }}</span> {{ e.by
                    }}{{ e.source === 'signal' ? ', by foot' : ''
                    }}<span v-if="held.has(e.key)" class="state">◆ kept here</span>
                </p>
                <p>{{ eventWords(e, procedure) }}<em v-if="corrected.has(e.key)"> (corrected later)</em></p>
                <button
                    v-if="e.type === 'logged' && correctable.has(e.key) && !held.has(e.key)"
                    type="button"
                    @click="emit('correct', e.key)"
                >
                    Correct
                </button>
            </li>
            <li v-for="q in refused" :key="q.key" class="refused" role="alert">
                <p class="when">▲ not stored, {{ q.by }}</p>
                <p>{{ eventWords({ ...q.event, seq: 0, recorded_at: 0, by: q.by } as never, procedure) }}</p>
                <p>
                    <strong>{{ q.refused }}</strong>
                </p>
                <button type="button" @click="emit('drop', q.key)">Seen, take it away</button>
            </li>
        </ol>
    </section>
</template>

<style scoped>
.log {
    grid-column: 1 / -1;
    background: var(--bar);
    color: var(--on-bar);
    padding: 6px 18px 8px;
    min-width: 0;
}
.head {
    display: flex;
    gap: 16px;
    align-items: baseline;
    color: var(--on-bar-quiet);
}
.head h2 {
    color: var(--on-bar);
    font-size: 1.05rem;
}
.head [role='status'] {
    color: #f3b7e0;
    font-weight: 700;
}
ol {
    display: flex;
    gap: 10px;
    overflow-x: auto;
    list-style: none;
    padding: 6px 0 4px;
    margin: 0;
}
li {
    flex: none;
    max-width: 270px;
    min-width: 150px;
    background: var(--bar-raised);
    padding: 5px 12px;
    border-top: 4px solid #8d979b;
    font-size: 0.95rem;
    line-height: 1.3;
}
li.logged {
    border-color: #e2643a;
}
li.step_done {
    border-color: #f5f2ea;
}
li.corrected {
    border-color: #78bcd6;
}
li.held {
    border-style: dashed;
    border-color: #ef92d3;
}
li.refused {
    border-color: #ef92d3;
    background: #47193a;
}
.when {
    color: var(--on-bar-quiet);
    font-size: 0.85rem;
}
.state {
    color: #f3b7e0;
    margin-left: 8px;
    font-weight: 700;
}
li button {
    background: none;
    border: 0;
    color: inherit;
    text-decoration: underline;
    font: inherit;
    font-size: 0.9rem;
    padding: 0;
    min-height: 26px;
    cursor: pointer;
}
</style>
