<script setup lang="ts">
import { computed, ref } from 'vue';
import { useRoute } from 'vue-router';
import { letGo } from '../../api/changes';
import { queue } from '../../api/queue';
import { session } from '../../api/session';
import { useNow } from '../../parts/clock';
import { clockText, show, timeOfDay } from '../../parts/units';
import AllTasks from './AllTasks.vue';
import { handsNow, isThrough, waits } from './change';
import ChangeStrip from './ChangeStrip.vue';
import HandsTask from './HandsTask.vue';
import { useChange } from './useChange';
import WaitTask from './WaitTask.vue';
import WhyDialog from './WhyDialog.vue';

/** A machine from one job to the next: what hands do now, what goes on by itself, and when it is ready from here on. */
const route = useRoute();
const now = useNow();
const { change, missing, fault, waiting, refused, busy, say } = useChange(() => String(route.params.id));
const chosen = ref<string | null>(null);
const ready = computed(() => (change.value ? handsNow(change.value) : []));
const task = computed(() => ready.value.find((t) => t.task.id === chosen.value) ?? ready.value[0] ?? null);
const open = computed(() => change.value?.ended_at === null);
const done = computed(() => change.value?.tasks.filter(isThrough).length ?? 0);
const late = computed(() =>
    change.value ? Math.round((change.value.ready_at - change.value.at) / 60 - change.value.planned_min) : 0,
);
/** what is left out, or 'all' where everything is given up */
const asking = ref<string | null>(null);
async function why(reason: string) {
    const about = asking.value;
    asking.value = null;
    await (about === 'all' ? say('given_up', { why: reason }) : say('passed', { task: about, why: reason }));
}
const titleOf = (said: { said: Record<string, unknown>; kind: string }) =>
    change.value?.tasks.find((t) => t.task.id === said.said.task)?.task.title ??
    said.kind.replaceAll('_', ' ');
/** What is taken back or given up wants the server: only its log knows what was the newest. */
const away = computed(() => !queue.online || waiting.value > 0);
</script>

<template>
    <div class="page">
        <p v-if="!change" class="card quiet">
            {{ missing || 'Looking it up …' }}
        </p>
        <template v-else>
            <div class="page-head">
                <div>
                    <h1>{{ change.machine }}, changed over</h1>
                    <p class="quiet">
                        {{ change.was_polymer ?? 'empty'
                        }}{{ change.was_mould ? `, ${change.was_mould}` : ', no mould' }} → {{ change.polymer
                        }}{{ change.lot ? ` of ${change.lot}` : ''
                        }}{{ change.mould ? `, ${change.mould}` : '' }}, for {{ change.product }} ·
                        {{ change.by }}, {{ timeOfDay(change.at) }}
                    </p>
                </div>
                <v-btn v-if="open" variant="text" :disabled="away" @click="asking = 'all'">Give it up</v-btn>
            </div>
            <p v-if="change.stop" class="card caution">
                <span aria-hidden="true">▲</span> {{ change.stop }} No purging may be left out.
            </p>
            <p v-for="c in change.cares" :key="c" class="card caution">
                <span aria-hidden="true">▲</span> {{ c }}
            </p>
            <p v-if="fault" class="card fault" role="alert">{{ fault }}</p>
            <p v-for="r in refused" :key="r.id" class="card fault refused" role="alert">
                <span
                    ><strong>{{ titleOf(r) }}, {{ timeOfDay(r.at) }}, was not kept:</strong>
                    {{ r.refused }}</span
                >
                <v-btn variant="outlined" @click="letGo(r.id)">I have read it</v-btn>
            </p>
            <!-- It comes and goes with every touch: it has its line, so that nothing moves under a finger. -->
            <p class="quiet kept" role="status">
                {{ waiting > 0 ? `${waiting} kept on this screen, not sent yet.` : '' }}
            </p>
            <section class="card when" aria-label="When it is ready">
                <p v-if="open" class="ready">
                    Ready at <strong class="num">{{ timeOfDay(change.ready_at) }}</strong>,
                    {{ clockText(change.ready_at - now) }} from now
                    <span v-if="late > 0" class="tag bad">{{ late }} min late</span>
                </p>
                <p v-else-if="change.given_up !== null" class="ready">
                    Given up at {{ timeOfDay(change.ended_at ?? 0) }}: {{ change.given_up }}
                </p>
                <p v-else class="ready">
                    Ready since <strong class="num">{{ timeOfDay(change.ended_at ?? 0) }}</strong>
                </p>
                <ChangeStrip :change="change" :now="now" />
                <p class="quiet">{{ change.says }}</p>
            </section>
            <div v-if="open" class="two">
                <div class="stack">
                    <div
                        v-if="ready.length > 1"
                        class="others"
                        role="group"
                        aria-label="What hands may do now"
                    >
                        <v-btn
                            v-for="t in ready"
                            :key="t.task.id"
                            :variant="t === task ? 'flat' : 'outlined'"
                            :color="t === task ? 'secondary' : undefined"
                            :aria-pressed="t === task"
                            @click="chosen = t.task.id"
                            >{{ t.task.title }}</v-btn
                        >
                    </div>
                    <HandsTask
                        v-if="task"
                        :key="task.task.id"
                        :task="task"
                        :change="change"
                        :busy="busy"
                        @say="(kind, said) => say(kind, { task: task!.task.id, ...said })"
                    />
                    <p v-else class="card quiet">Nothing for hands now.</p>
                </div>
                <div class="stack">
                    <WaitTask
                        v-for="w in waits(change)"
                        :key="w.task.id"
                        :task="w"
                        :now="now"
                        :busy="busy"
                        @say="(kind, said) => say(kind, { task: w.task.id, ...said })"
                    />
                </div>
            </div>
            <div v-else-if="change.given_up === null" class="acts">
                <v-btn color="primary" size="large" :to="`/set?product=${change.product_id}`"
                    >Set up {{ change.product }}</v-btn
                >
            </div>
            <AllTasks
                :change="change"
                :open="open"
                :done="done"
                :busy="busy || away"
                :lead="session.person?.role === 'lead'"
                @back="(t) => say('undone', { task: t })"
                @leave="(t) => (asking = t)"
            />
            <section
                v-if="change.positions.length || change.unknown.length"
                class="card"
                aria-labelledby="facts"
            >
                <h2 id="facts">Positions</h2>
                <p v-for="p in change.positions" :key="p.name">
                    {{ p.name }} <strong class="num">{{ show(p.mm, 'length') }}</strong>, {{ p.because
                    }}<span v-if="!p.reached" class="tag bad">the machine does not reach it</span>
                </p>
                <p v-for="u in change.unknown" :key="u" class="quiet">Not known: {{ u }}.</p>
            </section>
        </template>
        <WhyDialog :asking="asking" :busy="busy" @close="asking = null" @why="why" />
    </div>
</template>

<style scoped>
.two {
    display: grid;
    grid-template-columns: minmax(0, 1.4fr) minmax(0, 1fr);
    gap: var(--gap);
    align-items: start;
    margin: var(--gap) 0;
}
.stack {
    display: grid;
    gap: var(--gap);
}
.others {
    display: flex;
    flex-wrap: wrap;
    gap: 8px;
}
.ready {
    font-size: 1.25rem;
    margin-bottom: 8px;
}
.kept {
    min-height: 1.6em;
}
.caution {
    margin-bottom: 10px;
}
.refused {
    display: flex;
    gap: 12px;
    align-items: center;
    justify-content: space-between;
}
@media (max-width: 900px) {
    .two {
        grid-template-columns: minmax(0, 1fr);
    }
}
</style>
