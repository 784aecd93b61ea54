<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query';
import { computed, reactive, ref } from 'vue';
import { api } from '../../api/client';
import { every } from '../../api/news';
import { session } from '../../api/session';
import type { Alarm, Channel } from '../../api/types';
import { useNow } from '../../parts/clock';
import TypedField from '../../parts/TypedField.vue';
import { clockText, dayText, timeOfDay } from '../../parts/units';
import { sentence, useSend } from '../../parts/useSend';
import { title, withUnit } from '../reckon/schema';

/** What instruments read of a machine: the newest of each, between what it should stay, and by how much it was off. */
const props = defineProps<{ machine: number }>();
const client = useQueryClient();
const now = useNow();
const lead = computed(() => session.person?.role === 'lead');
const key = computed(() => ['channels', props.machine]);
const channels = useQuery({
    queryKey: key,
    queryFn: () => api.list<Channel>(`machines/${props.machine}/channels`),
    refetchInterval: () => every(5000),
});
const alarms = useQuery({
    queryKey: computed(() => ['channels', props.machine, 'alarms']),
    queryFn: () => api.list<Alarm>(`machines/${props.machine}/alarms`),
});
const { busy, fault, send } = useSend();

const WHEN = { never: 'not watched', run: 'in a run', always: 'always' } as const;
const STANDING = { low: 'too low', high: 'too high', fast: 'changes fast', silent: 'silent' } as const;

type Said = Pick<Channel, 'watched' | 'low' | 'high' | 'follows' | 'delay_s' | 'silent_s' | 'per_min'>;
const open = ref<{ id: number; what: 'limits' | 'calibrations'; after: number } | null>(null);
const said = reactive<Said>({
    watched: 'run',
    low: null,
    high: null,
    follows: null,
    delay_s: 10,
    silent_s: null,
    per_min: null,
});
const right = ref<number | null>(null);
const shown = ref<number | null>(null);
const note = ref('');
function edit(c: Channel, what: 'limits' | 'calibrations') {
    open.value = { id: c.id, what, after: c.after };
    const { watched, low, high, follows, delay_s, silent_s, per_min } = c;
    Object.assign(said, {
        watched: watched === 'never' ? 'run' : watched,
        low,
        high,
        follows,
        delay_s,
        silent_s,
        per_min,
    });
    [right.value, shown.value, note.value, fault.value] = [null, null, '', null];
}
async function keep() {
    if (!open.value) return;
    const { id, what, after } = open.value;
    const body = what === 'limits' ? said : { true: right.value, shown: shown.value };
    const kept = await send(() =>
        api.post<{ items: Channel[] }>(`channels/${id}/${what}`, { ...body, after, note: note.value }),
    );
    if (kept === undefined) return;
    client.setQueryData(key.value, kept.items);
    open.value = null;
}
</script>

<template>
    <section v-if="channels.data.value?.length" class="card mt-4" aria-labelledby="channels">
        <h2 id="channels">What instruments read</h2>
        <ul class="unmarked">
            <li v-for="c in channels.data.value" :key="c.id">
                <div class="what">
                    <strong>{{ title(c.key) }}</strong>
                    <span v-for="kind in c.standing" :key="kind" class="tag bad">{{ STANDING[kind] }}</span>
                    <p class="quiet">{{ c.says }}</p>
                    <p class="quiet">
                        {{
                            c.calibrated_at === null
                                ? 'Never held beside what is right'
                                : `Off by ${withUnit(-c.offset, c.unit)}, found ${dayText(c.calibrated_at)}`
                        }}
                    </p>
                </div>
                <p class="now">
                    <template v-if="c.value !== null && c.at !== null"
                        ><span class="num">{{ withUnit(c.value, c.unit) }}</span
                        ><br /><span class="quiet">{{
                            now - c.at < 3600
                                ? `${clockText(Math.max(0, now - c.at))} ago`
                                : `${dayText(c.at)} ${timeOfDay(c.at)}`
                        }}</span></template
                    >
                </p>
                <div v-if="lead" class="does">
                    <v-btn
                        variant="outlined"
                        :aria-label="`Limits: ${title(c.key)}`"
                        @click="edit(c, 'limits')"
                        >Limits</v-btn
                    >
                    <button
                        type="button"
                        class="plain"
                        :aria-label="`Calibrate: ${title(c.key)}`"
                        @click="edit(c, 'calibrations')"
                    >
                        Calibrate
                    </button>
                </div>
                <form v-if="open?.id === c.id" class="fields wide" @submit.prevent="keep">
                    <template v-if="open.what === 'limits'">
                        <label
                            ><span>Watch it</span
                            ><select v-model="said.watched">
                                <option v-for="(word, id) in WHEN" :key="id" :value="id">{{ word }}</option>
                            </select></label
                        >
                        <label v-if="c.may_follow.length > 0"
                            ><span>Limits are</span
                            ><select v-model="said.follows">
                                <option :value="null">{{ c.unit }} as they stand</option>
                                <option v-for="f in c.may_follow" :key="f" :value="f">
                                    {{ c.unit === '°C' ? 'K' : c.unit }} from the plan’s
                                    {{ title(f).toLowerCase() }}
                                </option>
                            </select></label
                        >
                        <TypedField
                            v-model="said.low"
                            :label="said.follows ? 'Lowest, as −8 under it' : `Lowest, ${c.unit}`"
                            dimension="number"
                            signed
                        />
                        <TypedField
                            v-model="said.high"
                            :label="said.follows ? 'Highest, as 8 over it' : `Highest, ${c.unit}`"
                            dimension="number"
                            signed
                        />
                        <TypedField
                            v-model="said.per_min"
                            :label="`Most change a minute, ${c.unit}`"
                            dimension="number"
                        />
                        <TypedField
                            v-model="said.silent_s"
                            label="Silent for at most, s"
                            dimension="number"
                        />
                        <TypedField
                            :model-value="said.delay_s"
                            label="Counts after, s"
                            dimension="number"
                            :min="0"
                            :max="3600"
                            @update:model-value="(v) => (said.delay_s = v ?? 10)"
                        />
                    </template>
                    <template v-else>
                        <TypedField
                            v-model="right"
                            :label="`The reference says, ${c.unit}`"
                            dimension="number"
                            signed
                        />
                        <TypedField
                            v-model="shown"
                            :label="`This one said, ${c.unit}`"
                            dimension="number"
                            signed
                            note="empty: what it has just sent"
                        />
                    </template>
                    <label class="wide"
                        ><span>Note: held beside what, or why</span><input v-model="note" maxlength="500"
                    /></label>
                    <p v-if="fault" class="wide fault" role="alert">{{ sentence(fault) }}</p>
                    <div class="acts wide">
                        <v-btn
                            type="submit"
                            color="primary"
                            :loading="busy"
                            :disabled="open.what === 'calibrations' && right === null"
                            >Keep it</v-btn
                        ><v-btn variant="text" @click="open = null">Not now</v-btn>
                    </div>
                    <div v-if="c.log.length > 0" class="wide quiet">
                        <p v-for="e in c.log" :key="e.at">
                            {{ dayText(e.at) }} {{ timeOfDay(e.at) }}, {{ e.by }}: {{ e.says
                            }}{{ e.note ? ` (${e.note})` : '' }}
                        </p>
                    </div>
                </form>
            </li>
        </ul>
        <template v-if="alarms.data.value?.length">
            <h3>Alarms, newest first</h3>
            <p v-for="a in alarms.data.value.slice(0, 10)" :key="a.id">
                <span class="quiet">{{ dayText(a.began_at) }} {{ timeOfDay(a.began_at) }}</span>
                {{ title(a.channel) }}: {{ a.says }}
                <span class="quiet"
                    >{{ a.by ? `${a.by} saw to it` : 'nobody answered'
                    }}{{ a.note ? `: ${a.note}` : '' }}</span
                >
            </p>
        </template>
    </section>
</template>

<style scoped>
li {
    display: grid;
    grid-template-columns: minmax(0, 1fr) auto 110px;
    gap: 6px 16px;
    padding: 10px 0;
    border-bottom: 1px solid var(--line);
    align-items: start;
}
.what {
    display: flex;
    flex-wrap: wrap;
    gap: 2px 10px;
    align-items: baseline;
}
.what p {
    flex-basis: 100%;
}
.now {
    text-align: right;
}
.now .num {
    font-size: 1.25rem;
}
.does {
    display: grid;
    gap: 6px;
    justify-items: end;
}
.wide {
    grid-column: 1 / -1;
}
.fault {
    color: var(--alarm);
    font-weight: 650;
}
h3 {
    margin-top: 14px;
}
@media (max-width: 700px) {
    li {
        grid-template-columns: minmax(0, 1fr) auto;
    }
    .does {
        grid-column: 1 / -1;
        display: flex;
    }
}
</style>
