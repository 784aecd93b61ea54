<script setup lang="ts">
import { computed } from 'vue';
import type { Procedure, Run } from '../../api/types';
import { minutesText } from '../../parts/units';
import { headOf, howItWent, measuredOf, nameOf } from './went';

/** The pieces of a run, each as it went beside what was planned. */
const props = defineProps<{ run: Run; procedure: Procedure; scanned?: number | null }>();
const rows = computed(() => howItWent(props.run));
const timers = computed(() =>
    props.procedure.timers.filter((t) => rows.value.some((r) => r.timed.some((x) => x.title === t.title))),
);
const figures = computed(() => measuredOf(props.run).filter((f) => rows.value.some((r) => r.measured[f.id])));
const timed = (row: (typeof rows.value)[number], title: string) => row.timed.find((t) => t.title === title);
</script>

<template>
    <section class="card mt-4" aria-labelledby="each">
        <h2 id="each">{{ headOf(procedure) }}</h2>
        <div class="scroll" tabindex="0" role="region" aria-labelledby="each">
            <table class="rows">
                <thead>
                    <tr>
                        <th />
                        <th v-for="t in timers" :key="t.id" class="n">
                            {{ t.title }}<small> {{ minutesText(Number(run.plan[t.minutes])) }}</small>
                        </th>
                        <th v-for="f in figures" :key="f.id" class="n">{{ f.label }}</th>
                        <th>Verdict</th>
                    </tr>
                </thead>
                <tbody>
                    <tr
                        v-for="r in rows"
                        :key="r.piece ?? 0"
                        :class="{ scanned: r.piece === scanned && scanned !== null }"
                    >
                        <th scope="row">{{ nameOf(procedure, r) }}</th>
                        <td v-for="t in timers" :key="t.id" class="n">
                            <template v-if="timed(r, t.title)?.done != null"
                                >{{ minutesText(timed(r, t.title)!.done!)
                                }}<strong v-if="timed(r, t.title)!.short" class="bad">
                                    short</strong
                                ></template
                            >
                        </td>
                        <td v-for="f in figures" :key="f.id" class="n">{{ r.measured[f.id] }}</td>
                        <td>
                            <span v-if="r.verdict" :class="['tag', r.verdict === 'good' ? 'good' : 'bad']">{{
                                r.verdict
                            }}</span>
                            {{ r.reason }}
                            <router-link
                                v-if="r.verdict !== '' && r.verdict !== 'good'"
                                :to="`/cause/new/${run.summary.id}?piece=${r.piece}`"
                                >Why?</router-link
                            ><a
                                v-if="r.verdict === 'good'"
                                class="label"
                                :href="`/api/v1/runs/${run.summary.id}/label.pdf?piece=${r.piece}`"
                                target="_blank"
                                >Label</a
                            >
                            <p v-for="a in r.anyway" :key="a" class="bad">
                                <span aria-hidden="true">▲</span> {{ a }}
                            </p>
                        </td>
                    </tr>
                </tbody>
            </table>
        </div>
    </section>
</template>

<style scoped>
.scanned {
    box-shadow: inset 5px 0 0 var(--ember);
}
.label {
    margin-left: 8px;
}
th small {
    display: block;
    font-weight: 400;
}
.scroll {
    overflow-x: auto;
}
th[scope='row'] {
    text-align: left;
    white-space: nowrap;
}
.bad:not(.tag) {
    color: var(--alarm);
}
</style>
