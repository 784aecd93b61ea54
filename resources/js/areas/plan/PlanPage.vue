<script setup lang="ts">
import { computed, ref } from 'vue';
import { session } from '../../api/session';
import TypedField from '../../parts/TypedField.vue';
import { dayText, minutesText, timeOfDay } from '../../parts/units';
import { sentence } from '../../parts/useSend';
import DayJobs from './DayJobs.vue';
import DayLanes from './DayLanes.vue';
import DaysOff from './DaysOff.vue';
import MachineStands from './MachineStands.vue';
import OneMoreCard from './OneMoreCard.vue';
import OrdersCard from './OrdersCard.vue';
import PersonHere from './PersonHere.vue';
import WorksCard from './WorksCard.vue';
import { useDay } from './useDay';

/** The day: what is made when, on what, by whom; planned anew whenever something is otherwise. */
const { now, span, day, found, busy, fault, say, wish, here, stands, off } = useDay();
const chosen = ref<string | null>(null);
const person = ref<number | null>(null);
const about = computed(() => day.value?.hands.find((h) => h.id === person.value) ?? null);
const machine = ref<number | null>(null);
const standing = computed(() => day.value?.lanes.find((l) => l.id === machine.value) ?? null);
const present = computed(
    () => day.value?.hands.filter((h) => (h.here_to ?? 0) > (h.here_from ?? 0)).length ?? 0,
);
const late = computed(() => day.value?.jobs.filter((j) => j.late_min >= 1).length ?? 0);
async function tell(path: string, body: object, done: () => void) {
    if (await say(path, body)) done();
}
async function isHere(from: number, to: number) {
    if (person.value !== null && (await here(person.value, from, to))) person.value = null;
}
async function itStands(from: number, to: number, why: string) {
    if (machine.value !== null && (await stands(machine.value, from, to, why))) machine.value = null;
}
const amps = ref<number | null>(null);
const supplying = ref(false);
function supply() {
    amps.value = day.value?.supply_a ?? null;
    supplying.value = true;
}
async function keepSupply() {
    if (await say('day/supply', { phases: day.value?.phases ?? 1, amps: amps.value }))
        supplying.value = false;
}
const print = () => window.print();
</script>

<template>
    <div class="page">
        <div class="page-head">
            <div>
                <h1>{{ dayText(now) }}</h1>
                <p v-if="day" class="quiet">
                    {{ present }} people · {{ day.jobs.length }} to make ·
                    {{ late === 0 ? 'nobody waits too long' : `${late} too late` }} ·
                    <button
                        type="button"
                        class="plain"
                        :disabled="session.person?.role !== 'lead'"
                        @click="supply"
                    >
                        {{
                            day.supply_a === null
                                ? `up to ${Math.round(day.supply_peak_a)} A, supply not said`
                                : `supply ${Math.round(day.supply_peak_a)} of ${day.supply_a} A at the worst`
                        }}
                    </button>
                </p>
            </div>
            <div class="heads no-print">
                <v-btn variant="outlined" to="/handover">Hand over</v-btn
                ><v-btn variant="outlined" @click="print">Print the day</v-btn>
            </div>
        </div>
        <form v-if="supplying" class="card fields mb-2" @submit.prevent="keepSupply">
            <TypedField
                v-model="amps"
                label="The supply carries, A on each phase"
                dimension="number"
                :min="1"
            />
            <p class="quiet">
                What the wiring carries is for whoever is licensed to say. Empty: not looked at.
            </p>
            <div class="acts">
                <v-btn type="submit" color="primary" :disabled="busy">Keep it</v-btn
                ><v-btn variant="text" @click="supplying = false">Not now</v-btn>
            </div>
        </form>
        <p v-if="fault" class="card fault" role="alert">{{ sentence(fault) }}</p>
        <p v-if="!day" class="card quiet">
            {{
                found.isPending.value ? 'Planning the day …' : 'The server does not answer: no plan to show.'
            }}
        </p>
        <template v-else>
            <p v-if="day.moved.length" role="status" class="moved">
                <strong>{{ timeOfDay(day.planned_at) }}, planned anew.</strong> {{ day.moved.join('. ') }}.
            </p>
            <DayLanes
                :day="day"
                :now="now"
                :chosen="chosen"
                @choose="(j) => (chosen = j)"
                @pin="(job, start) => wish(job, 'pinned', start)"
                @person="(id) => (person = person === id ? null : id)"
                @machine="(id) => (machine = machine === id ? null : id)"
            />
            <p class="quiet legend">
                Solid: what was and is. Hatched: what comes. Drag it to where it should begin, or take it
                below.
            </p>
            <PersonHere
                v-if="about"
                :person="about"
                :from="span.from"
                :until="span.until"
                :busy="busy"
                @here="isHere"
                @close="person = null"
            />
            <MachineStands
                v-if="standing"
                :machine="standing"
                :stands="day.standstills.find((s) => s.machine_id === machine) ?? null"
                :from="span.from"
                :until="span.until"
                :now="now"
                :busy="busy"
                @stands="itStands"
                @close="machine = null"
            />
            <div class="two">
                <DayJobs
                    :jobs="day.jobs"
                    :from="span.from"
                    :now="now"
                    :chosen="chosen"
                    :busy="busy"
                    @choose="(j) => (chosen = j)"
                    @wish="wish"
                />
                <div class="stack">
                    <WorksCard :works="day.works" :now="now" />
                    <OrdersCard :orders="day.orders" :now="now" :busy="busy" @say="tell" />
                    <DaysOff :from="span.from" :off="day.days_off" :busy="busy" @off="off" />
                    <OneMoreCard :now="now" :says="day.why_not_more" />
                    <p class="card quiet">
                        <strong class="mono">{{ minutesText(day.idle_min) }}</strong> of hands wait between
                        their first and their last; {{ day.rings_at_once }} times two things ring at once.
                    </p>
                </div>
            </div>
        </template>
    </div>
</template>

<style scoped>
.heads {
    display: flex;
    gap: 10px;
}
.moved {
    border-left: 6px solid var(--slate);
    padding: 2px 12px;
    margin-bottom: 10px;
}
.legend {
    margin: 6px 0 12px;
}
.two {
    display: grid;
    grid-template-columns: minmax(0, 1.3fr) minmax(0, 1fr);
    gap: var(--gap);
    align-items: start;
    margin-top: 12px;
}
.stack {
    display: grid;
    gap: var(--gap);
}
@media (max-width: 1100px) {
    .two {
        grid-template-columns: minmax(0, 1fr);
    }
}
</style>
