<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import { api } from '../../api/client';
import type { Restart } from '../../api/types';
import { breakOf, RESTART } from '../../offline/gates';
import TypedField from '../../parts/TypedField.vue';
import { clockText, timeOfDay } from '../../parts/units';
import { useLatest } from '../../parts/useSend';
import { useRunScreen } from './screen';

/** A run that stands still: why, since when, and what it needs before it goes on. */
const { id, run, now, waiting, logRun } = useRunScreen();
const REASONS = ['The power went', 'Left for the night', 'Called away, heat off', 'The machine stood still'];
const stands = computed(() => (run.value ? breakOf(run.value) : null));
const restart = computed(
    () => run.value?.timers.find((t) => t.id === RESTART && t.answered_at === null) ?? null,
);

const asking = ref<'what' | 'back' | 'sooner' | null>(null);
const why = ref('');
async function interrupt(reason: string) {
    asking.value = null;
    why.value = '';
    await logRun('interrupted', { reason });
}

const readC = ref<number | null>(null);
const waitMin = ref<number | null>(null);
const { answer, fault } = useLatest(
    // Asked again when the server has what was touched here: before that it knows of no break.
    () => [asking.value, readC.value, waiting.value.length],
    (signal) =>
        asking.value === 'back'
            ? api.get<Restart>(
                  `runs/${id}/restart${readC.value === null ? '' : `?read_c=${readC.value}`}`,
                  signal,
              )
            : null,
);
let told: number | null = null;
watch(answer, (now) => {
    // What a person typed stays.
    if (now?.wait_min == null || (waitMin.value !== null && waitMin.value !== told)) return;
    waitMin.value = told = Math.ceil(now.wait_min);
});
function back() {
    readC.value = null;
    waitMin.value = null;
    asking.value = 'back';
}
async function goOn() {
    const wait_min = waitMin.value;
    if (wait_min === null) return;
    asking.value = null;
    await logRun('resumed', { wait_min, ...(readC.value === null ? {} : { read_c: readC.value }) });
}
/** A wait that was too long for what somebody sees. */
async function sooner() {
    if (!restart.value || why.value.trim() === '') return;
    const minutes = -Math.max(0.1, Math.round((restart.value.ends_at - now.value) / 6) / 10);
    const reason = why.value.trim();
    asking.value = null;
    why.value = '';
    await logRun('extended', { timer: RESTART, minutes, reason });
}
</script>

<template>
    <template v-if="run?.summary.status === 'running'">
        <v-btn v-if="!stands" size="small" variant="outlined" class="break" @click="asking = 'what'"
            >Interrupted</v-btn
        >
        <p v-if="stands" role="alert" class="stands">
            <span class="said">
                <strong
                    ><span aria-hidden="true">▲</span> Stands still since
                    {{ timeOfDay(stands.from) }}:</strong
                >
                {{ stands.reason }}. What needs heat waits.
            </span>
            <v-btn color="primary" size="large" @click="back">It goes on</v-btn>
        </p>
        <p v-else-if="restart" role="status" class="stands">
            <span class="said">
                <strong>{{
                    restart.ends_at > now
                        ? `Hot through again at ${timeOfDay(restart.ends_at)}`
                        : 'Hot through again'
                }}</strong>
                {{
                    restart.ends_at > now
                        ? `in ${clockText(restart.ends_at - now)}`
                        : `since ${timeOfDay(restart.ends_at)}`
                }}
            </span>
            <v-btn v-if="restart.ends_at > now" variant="outlined" @click="asking = 'sooner'"
                >It is hot already</v-btn
            >
        </p>

        <v-dialog :model-value="asking !== null" max-width="560" @update:model-value="asking = null">
            <v-card v-if="asking === 'what'" class="pa-5">
                <h2>What interrupts it?</h2>
                <p class="my-2">
                    Clocks of heat stand still until it goes on; clocks of cooling go on. Main switch off
                    where the power went: heat that comes back with nobody there is a fire.
                </p>
                <div class="reasons">
                    <v-btn
                        v-for="r in REASONS"
                        :key="r"
                        size="x-large"
                        variant="outlined"
                        @click="interrupt(r)"
                        >{{ r }}</v-btn
                    >
                </div>
                <v-text-field v-model="why" label="Something else" maxlength="200" class="mt-3" />
                <div class="acts">
                    <v-btn variant="outlined" @click="asking = null">Cancel</v-btn
                    ><v-btn color="primary" :disabled="why.trim() === ''" @click="interrupt(why.trim())"
                        >Log it</v-btn
                    >
                </div>
            </v-card>
            <v-card v-else-if="asking === 'back'" class="pa-5">
                <h2>It goes on</h2>
                <div class="fields my-3">
                    <TypedField v-model="readC" dimension="temperature" label="It reads now" first />
                    <TypedField v-model="waitMin" dimension="time" label="Hot through again in" />
                </div>
                <p v-if="answer">{{ answer.says }}</p>
                <p v-else-if="fault">
                    {{ fault.message }} Say yourself how long it needs; as a rule the whole soak.
                </p>
                <p v-for="c in answer?.cautions ?? []" :key="c" class="caution">
                    <span aria-hidden="true">▲</span> {{ c }}
                </p>
                <div class="acts">
                    <v-btn variant="outlined" @click="asking = null">Not yet</v-btn
                    ><v-btn color="primary" size="large" :disabled="waitMin === null" @click="goOn"
                        >Heat is on: go on</v-btn
                    >
                </div>
            </v-card>
            <v-card v-else-if="asking === 'sooner'" class="pa-5">
                <h2>It is hot already</h2>
                <p class="my-2">
                    What is cold inside is no good, and in a barrel it breaks a belt, a pin or a screw.
                </p>
                <v-text-field v-model="why" label="How that is known (kept)" maxlength="200" autofocus />
                <div class="acts">
                    <v-btn variant="outlined" @click="asking = null">Wait</v-btn
                    ><v-btn color="primary" :disabled="why.trim() === ''" @click="sooner">Go on now</v-btn>
                </div>
            </v-card>
        </v-dialog>
    </template>
</template>

<style scoped>
.break {
    align-self: center;
}
.said {
    flex: 1 1 300px;
}
.stands {
    order: 2;
    flex: 1 0 100%;
    display: flex;
    gap: 6px 12px;
    align-items: center;
    flex-wrap: wrap;
    padding: 6px 0;
    color: var(--alarm);
}
.stands[role='status'] {
    color: var(--ink);
}
.reasons {
    display: grid;
    grid-template-columns: repeat(auto-fit, minmax(220px, 1fr));
    gap: 10px;
    margin-top: 12px;
}
.acts {
    display: flex;
    gap: 10px;
    justify-content: flex-end;
    margin-top: 14px;
}
.caution {
    color: var(--alarm);
    font-weight: 700;
    margin-top: 6px;
}
</style>
