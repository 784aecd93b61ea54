<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query';
import { computed } from 'vue';
import { api } from '../../api/client';
import { floor } from '../../api/floor';
import type { Lane, RunSummary, Stretch } from '../../api/types';
import { useNow } from '../../parts/clock';
import { measuredText } from '../../parts/figures';
import { clockText, dayText, show, timeOfDay } from '../../parts/units';
import CareDue from '../../parts/CareDue.vue';
import ChangesOpen from './ChangesOpen.vue';
import FirstSteps from './FirstSteps.vue';
import GoodsShort from './GoodsShort.vue';
import ToFinish from './ToFinish.vue';

const now = useNow();
const latest = useQuery({ queryKey: ['runs', 'all'], queryFn: () => api.page<RunSummary>('runs') });
const BACK = 30 * 60;
const AHEAD = 75 * 60;
const pos = (t: number) => ((t - (now.value - BACK)) / (BACK + AHEAD)) * 100;
const seen = (s: Stretch) => pos(s.to) > 0 && pos(s.from) < 100;
const left = (s: Stretch) => Math.max(0, pos(s.from));
const wide = (s: Stretch) => Math.min(100, pos(s.to)) - left(s);
const ticks = computed(() => {
    const start = Math.ceil((now.value - BACK) / 900) * 900;
    return Array.from({ length: 7 }, (_, i) => start + i * 900);
});
/** Every machine that runs are made on or come to. */
const lanes = computed(() => (floor.now?.lanes ?? []).filter((l) => l.works !== 'beside'));
const idle = (l: Lane) => l.run_id === null && !l.stretches.some(seen);
/** So many lanes have room for their words; with more each is a line, and what is free is one line for all. */
const ROOMY = 5;
const close = computed(() => lanes.value.filter((l) => !idle(l)).length > ROOMY);
const shown = computed(() => (close.value ? lanes.value.filter((l) => !idle(l)) : lanes.value));
const free = computed(() => (close.value ? lanes.value.filter(idle) : []));
const busy = computed(() => lanes.value.filter((l) => l.run_id !== null).length);
/** A stretch says what it is when there is room for the words. */
const SHORT: Record<string, string> = { heat: 'heating', cool: 'cooling' };
const words = (s: Stretch) => {
    const word = SHORT[s.kind] ?? s.title;
    if (wide(s) * 7 < word.length * 9 + 16) return '';
    return s.phase === 'past' || s.kind === 'hands'
        ? word
        : wide(s) * 7 < word.length * 8 + 50
          ? clockText(s.to - Math.max(now.value, s.from))
          : `${word} ${clockText(s.to - Math.max(now.value, s.from))}`;
};
const next = (l: Lane) =>
    l.stretches.find((s) => s.from <= now.value && s.to > now.value && s.phase === 'coming');
</script>

<template>
    <div class="page">
        <div class="page-head">
            <div>
                <h1>Floor</h1>
                <p class="quiet">
                    {{ dayText(now) }}, {{ timeOfDay(now) }} ·
                    {{ busy === 0 ? 'nothing running' : `${busy} of ${lanes.length} stations busy` }}
                </p>
            </div>
            <v-btn color="primary" to="/set" size="large">Set up a run</v-btn>
        </div>
        <div v-if="floor.now === null" class="card quiet">Asking the floor …</div>
        <template v-else>
            <FirstSteps v-if="latest.data.value?.items.length === 0" />
            <GoodsShort />
            <ToFinish />
            <ChangesOpen />
            <CareDue class="mb-2" />
            <div v-if="lanes.length > 0" :class="['lanes', { close }]">
                <div class="axis" aria-hidden="true">
                    <span
                        v-for="t in ticks"
                        :key="t"
                        v-show="pos(t) >= 0 && pos(t) <= 98"
                        :style="{ left: `${pos(t)}%` }"
                        >{{ timeOfDay(t) }}</span
                    >
                </div>
                <section
                    v-for="l in shown"
                    :key="l.machine_id"
                    :class="['lane', { free: idle(l) }]"
                    :aria-label="`${l.machine}: ${l.says}`"
                >
                    <div class="name">
                        <h2>{{ l.machine }}</h2>
                        <p class="quiet">{{ l.kind.replaceAll('_', ' ') }}</p>
                        <p>{{ l.says }}</p>
                        <p v-if="l.still" class="still">
                            ▲ stands still since {{ timeOfDay(l.still.from) }}: {{ l.still.reason }}
                        </p>
                        <router-link v-if="l.run_id" :to="`/run/${l.run_id}`" class="open"
                            >Open the run</router-link
                        >
                        <router-link v-else-if="l.works === 'main'" to="/set" class="open"
                            >Set up a run here</router-link
                        >
                    </div>
                    <div class="time">
                        <div
                            v-for="(s, i) in l.stretches.filter(seen)"
                            :key="i"
                            :class="['stretch', s.kind, s.phase, { in: pos(s.from) > 0 }]"
                            :style="{ left: `${left(s)}%`, width: `${wide(s)}%` }"
                            :title="`${s.title}, run ${s.run_number}, ${timeOfDay(s.from)} to ${timeOfDay(s.to)}`"
                        >
                            <span>{{ words(s) }}</span>
                        </div>
                        <div
                            v-for="(p, i) in l.pins.filter((h) => pos(h.at) < 99)"
                            :key="`p${i}`"
                            class="pin"
                            :style="{ left: `${pos(p.at)}%` }"
                            :title="`${p.what} at ${timeOfDay(p.at)}`"
                        />
                        <div class="now" :style="{ left: `${pos(now)}%` }" />
                        <p v-if="l.run_id && (l.set_c || next(l))" class="under quiet">
                            <template v-if="l.set_c"
                                >{{ l.polymer }}, set {{ show(l.set_c, 'temperature')
                                }}<template v-if="l.measured_c"
                                    >, measured {{ show(l.measured_c, 'temperature') }}</template
                                ></template
                            >
                            <template v-if="next(l)"
                                >{{ l.set_c ? ' · ' : '' }}{{ next(l)?.title }} until
                                {{ timeOfDay(next(l)?.to ?? 0) }}</template
                            >
                        </p>
                    </div>
                </section>
            </div>
            <p v-if="free.length > 0" class="freed">
                Free:
                <router-link
                    v-for="l in free"
                    :key="l.machine_id"
                    :to="l.works === 'main' ? '/set' : `/shop/machines/${l.machine_id}`"
                    >{{ l.machine }}</router-link
                >
            </p>
            <p v-if="lanes.length > 0" class="legend quiet">
                <i class="sw heat past" /> heat in <i class="sw cool past" /> heat out
                <i class="sw hands past" /> hands <i class="sw heat coming" /> still to come
                <i class="dot" /> needs hands
            </p>
            <section v-if="latest.data.value?.items.length" class="last" aria-labelledby="last">
                <h2 id="last">Last made</h2>
                <div class="tiles">
                    <router-link
                        v-for="r in latest.data.value.items.filter((x) => x.verdict).slice(0, 5)"
                        :key="r.id"
                        :to="`/learn/${r.id}`"
                        class="tile"
                        ><span :class="['tag', r.verdict === 'scrap' ? 'bad' : 'good']">{{ r.verdict }}</span
                        ><strong>{{ r.product }}</strong
                        ><span class="quiet">{{ r.scrap_reason ?? measuredText(r.figures) }}</span
                        ><span class="quiet"
                            >{{ dayText(r.started_at) }} {{ timeOfDay(r.started_at) }}</span
                        ></router-link
                    >
                </div>
            </section>
        </template>
    </div>
</template>

<style scoped>
.lanes {
    position: relative;
}
.axis {
    position: relative;
    height: 22px;
    margin-left: 196px;
}
.axis span {
    position: absolute;
    transform: translateX(-50%);
    font-size: 0.86rem;
    color: var(--quiet);
    font-variant-numeric: tabular-nums;
}
.lane {
    display: grid;
    grid-template-columns: 196px 1fr;
    background: var(--paper);
    border: 1px solid var(--line);
    border-radius: 4px;
    margin-bottom: 12px;
    min-height: 124px;
}
.lane.free {
    min-height: 0;
    margin-bottom: 8px;
}
.lane.free .name {
    display: flex;
    flex-wrap: wrap;
    gap: 0 8px;
    align-items: baseline;
    padding: 8px 14px;
}
.name {
    padding: 12px 14px;
    border-right: 1px solid var(--line);
    font-size: 0.95rem;
}
.name h2 {
    font-size: 1.3rem;
}
.still {
    color: var(--alarm);
    font-weight: 650;
}
.open {
    font-weight: 650;
    display: inline-block;
    padding: 6px 0;
}
.time {
    position: relative;
    overflow: hidden;
}
.close .lane {
    min-height: 58px;
    margin-bottom: 5px;
}
.close .name {
    display: grid;
    grid-template-columns: auto 1fr;
    gap: 0 8px;
    align-items: baseline;
    padding: 5px 10px;
}
.close .name h2 {
    font-size: 1.05rem;
}
.close .name p {
    white-space: nowrap;
    overflow: hidden;
    text-overflow: ellipsis;
}
.close .name p:not(.quiet) {
    grid-column: 1 / -1;
}
.close .open {
    grid-area: 1 / 2;
    justify-self: end;
    padding: 0;
}
.close .name .quiet,
.close .under {
    display: none;
}
.close .stretch {
    top: 12px;
    height: 34px;
}
.close .pin {
    height: 46px;
}
.freed {
    display: flex;
    flex-wrap: wrap;
    gap: 4px 14px;
    margin: 8px 0;
}
.freed a {
    min-height: 32px;
    font-weight: 650;
}
.stretch {
    position: absolute;
    top: 26px;
    height: 52px;
    overflow: hidden;
    white-space: nowrap;
    font-weight: 650;
    font-size: 0.95rem;
    display: flex;
    align-items: center;
    border-left: 1px solid var(--paper);
}
.stretch span {
    padding: 0 8px;
    text-overflow: ellipsis;
    overflow: hidden;
}
.heat.past {
    background: #b53a12;
    color: #fff;
}
.cool.past {
    background: #17607c;
    color: #fff;
}
.hands.past {
    background: #867d6c;
    color: #fff;
}
.coming {
    color: var(--ink);
}
.heat.coming {
    background:
        repeating-linear-gradient(115deg, var(--ember-soft) 0 8px, transparent 8px 14px),
        color-mix(in srgb, var(--ember-soft) 55%, transparent);
}
.cool.coming {
    background:
        repeating-linear-gradient(115deg, var(--slate-soft) 0 8px, transparent 8px 14px),
        color-mix(in srgb, var(--slate-soft) 55%, transparent);
}
.hands.coming {
    background:
        repeating-linear-gradient(115deg, var(--still) 0 8px, transparent 8px 14px),
        color-mix(in srgb, var(--still) 55%, transparent);
}
.pin {
    position: absolute;
    top: 12px;
    width: 3px;
    height: 70px;
    background: var(--ink);
    margin-left: -1.5px;
}
.pin::before {
    content: '';
    position: absolute;
    left: -6px;
    top: -5px;
    width: 15px;
    height: 15px;
    border-radius: 50%;
    background: var(--ink);
}
.now {
    position: absolute;
    top: 0;
    bottom: 0;
    width: 2px;
    background: var(--ink);
}
.under {
    position: absolute;
    left: 8px;
    bottom: 8px;
    font-size: 0.95rem;
    background: var(--paper);
    padding: 0 6px;
    z-index: 1;
}
.legend {
    display: flex;
    gap: 8px 10px;
    align-items: center;
    flex-wrap: wrap;
}
.sw {
    width: 30px;
    height: 14px;
    display: inline-block;
    margin-left: 12px;
}
.dot {
    width: 13px;
    height: 13px;
    border-radius: 50%;
    background: var(--ink);
    margin-left: 12px;
}
.last {
    margin-top: 16px;
}
.tiles {
    display: grid;
    grid-template-columns: repeat(5, 1fr);
    gap: 10px;
    margin-top: 8px;
}
.tile {
    background: var(--paper);
    border: 1px solid var(--line);
    border-radius: 4px;
    padding: 10px 12px;
    display: grid;
    gap: 2px;
    justify-items: start;
    align-content: start;
    text-decoration: none;
    font-size: 0.95rem;
}
@media (max-width: 900px) {
    .tiles {
        grid-template-columns: 1fr 1fr;
    }
}
@media (max-width: 700px) {
    .lane {
        grid-template-columns: 1fr;
    }
    .name {
        border: 0;
    }
    .time {
        min-height: 120px;
    }
    .axis {
        margin-left: 0;
    }
}
</style>
