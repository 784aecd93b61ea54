<script setup lang="ts">
import { ref, watch } from 'vue';
import type { DayJob } from '../../api/types';
import { momentText, timeOfDay } from '../../parts/units';
import { clockOn, dueWords, holdWords } from './day';

/** What is to be made, in the order it will be there: when, how sure that is, what holds it up, and what one may say to it. */
const props = defineProps<{
    jobs: DayJob[];
    from: number;
    now: number;
    chosen: string | null;
    busy: boolean;
}>();
const emit = defineEmits<{
    choose: [job: string | null];
    wish: [job: string, kind: 'pinned' | 'free' | 'left_out', start: number | null];
}>();
const when = (moment: number) => momentText(moment, props.now);
const setUp = (j: DayJob) =>
    `/set?product=${j.product_id}${j.counts && j.pieces > 1 ? `&${j.counts}=${j.pieces}` : ''}`;
const pinTo = ref('');
watch(
    () => props.chosen,
    (id) => {
        const starts = props.jobs.find((j) => j.id === id)?.starts;
        pinTo.value = starts ? timeOfDay(starts) : '';
        if (id) document.getElementById(`job-${id}`)?.scrollIntoView({ block: 'nearest' });
    },
);
function pin(job: DayJob) {
    const moment = clockOn(props.now, pinTo.value);
    if (moment !== null) emit('wish', job.id, 'pinned', moment);
}
</script>

<template>
    <section aria-labelledby="jobs">
        <h2 id="jobs">To make</h2>
        <p v-if="jobs.length === 0" class="card quiet">
            Nothing is ordered, and no shelf is at its mark. Say under Goods when more is made, or take an
            order.
        </p>
        <ul class="unmarked">
            <li
                v-for="j in jobs"
                :id="`job-${j.id}`"
                :key="j.id"
                :class="['card', { on: j.id === chosen, late: j.late_min >= 1, out: j.starts === null }]"
            >
                <button
                    type="button"
                    class="head"
                    :aria-expanded="j.id === chosen"
                    @click="emit('choose', j.id === chosen ? null : j.id)"
                >
                    <strong>{{ j.count }} × {{ j.product }}</strong>
                    <span class="quiet">{{ j.order === null ? 'for the shelf' : `order ${j.order}` }}</span>
                    <span v-if="j.wish === 'pinned'" class="tag">pinned</span>
                    <span v-if="j.late_min >= 1" class="tag bad">{{ dueWords(j) }}</span>
                    <span v-else-if="j.due !== null && j.ends !== null" class="tag good">{{
                        dueWords(j)
                    }}</span>
                </button>
                <p v-if="j.starts !== null && j.ends !== null" class="num">
                    {{ when(j.starts) }} to <strong>{{ when(j.ends) }}</strong> on {{ j.machine }}
                    <span v-if="j.likely_from && j.likely_to" class="quiet"
                        >likely {{ when(j.likely_from) }} to {{ when(j.likely_to) }},
                        {{ j.known_from === 0 ? 'as shops do' : `as the last ${j.known_from} went` }}</span
                    >
                </p>
                <p v-else class="quiet">
                    {{
                        j.wish === 'left_out'
                            ? 'Left out of this day.'
                            : holdWords(j.holds, from) || 'Not in the plan.'
                    }}
                </p>
                <p v-if="j.first.length" class="now"><strong>Now:</strong> {{ j.first.join(', ') }}</p>
                <p v-if="j.late_min >= 1 && j.because.length" class="quiet">
                    Held up by {{ j.because.slice(0, 3).join('; then ') }}
                </p>
                <form v-if="j.id === chosen" class="acts" @submit.prevent="pin(j)">
                    <v-btn color="primary" :to="setUp(j)">Set it up</v-btn>
                    <label v-if="j.wish !== 'left_out'" class="pin"
                        ><span>Begin at</span
                        ><input
                            v-model="pinTo"
                            inputmode="numeric"
                            placeholder="14:30"
                            autocomplete="off" /></label
                    ><v-btn
                        v-if="j.wish !== 'left_out'"
                        type="submit"
                        variant="outlined"
                        :disabled="busy || clockOn(now, pinTo) === null"
                        >Pin it there</v-btn
                    ><v-btn
                        v-if="j.wish !== 'free'"
                        variant="outlined"
                        :disabled="busy"
                        @click="emit('wish', j.id, 'free', null)"
                        >{{ j.wish === 'pinned' ? 'Free it' : 'Take it in again' }}</v-btn
                    ><v-btn
                        v-if="j.wish !== 'left_out'"
                        variant="text"
                        :disabled="busy"
                        @click="emit('wish', j.id, 'left_out', null)"
                        >Not today</v-btn
                    >
                </form>
            </li>
        </ul>
    </section>
</template>

<style scoped>
ul {
    display: grid;
    gap: 8px;
}
li {
    padding: 4px 14px 8px;
    border-left: 6px solid transparent;
}
li.on {
    border-left-color: var(--ink);
}
li.late {
    border-left-color: var(--alarm);
}
li.out {
    opacity: 0.92;
    border-style: dashed;
}
.head {
    display: flex;
    flex-wrap: wrap;
    gap: 4px 10px;
    align-items: center;
    width: 100%;
    min-height: var(--touch);
    background: none;
    border: 0;
    padding: 0;
    color: inherit;
    font: inherit;
    text-align: left;
    cursor: pointer;
}
.now {
    color: var(--ember-ink);
}
.acts {
    display: flex;
    flex-wrap: wrap;
    gap: 10px;
    align-items: end;
    margin-top: 8px;
}
.pin span {
    display: block;
    font-weight: 650;
}
.pin input {
    width: 92px;
    min-height: var(--touch);
    border: 1px solid var(--line);
    border-radius: 3px;
    padding: 0 10px;
    font: inherit;
    background: var(--paper);
    color: inherit;
}
</style>
