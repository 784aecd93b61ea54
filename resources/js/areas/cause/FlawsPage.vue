<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import { useRoute } from 'vue-router';
import { timeOfDay } from '../../parts/units';
import { sentence } from '../../parts/useSend';
import FlawKinds from './FlawKinds.vue';
import FlawPicture from './FlawPicture.vue';
import { verdict } from './flaws';
import { useFlaws } from './useFlaws';

/** Where the flaws of a run's parts lie: one tap on the part for each. */
const route = useRoute();
const { run, map, defects, pieces, mark, takeBack, busy, fault } = useFlaws(String(route.params.run));
const piece = ref<number | null>(Number(route.query.piece) || null);
const kind = ref<string | null>(null);
watch(
    [pieces, map],
    () => {
        piece.value ??= pieces.value[0] ?? null;
        kind.value ??= map.value?.kinds[0]?.id ?? null;
    },
    { immediate: true },
);
/** What was seen on this run stands first; what else there is, in the list. */
const usual = computed(() => map.value?.kinds ?? []);
const others = computed(() => defects.value.filter((d) => !usual.value.some((k) => k.id === d.id)));
const nameOf = (id: string) => defects.value.find((d) => d.id === id)?.name ?? id;
const looks = computed(() => defects.value.find((d) => d.id === kind.value)?.looks_like ?? '');
const step = (by: number) => {
    const at = pieces.value.indexOf(piece.value ?? -1);
    piece.value = pieces.value[at + by] ?? piece.value;
};
const tap = (along: number, across: number) =>
    kind.value && void mark(kind.value, piece.value, along, across);
</script>

<template>
    <div class="page">
        <div class="page-head">
            <div>
                <h1>Where is it?</h1>
                <p v-if="run" class="quiet">
                    {{ run.summary.product }}, run {{ run.summary.number }}. The same place on every part
                    points to the mould, wandering ones to the process.
                </p>
            </div>
            <div v-if="run" class="acts">
                <v-btn variant="outlined" :to="`/learn/${run.summary.id}`">The record</v-btn>
                <v-btn
                    v-if="map?.marks.length"
                    color="primary"
                    :to="`/cause/new/${run.summary.id}${piece === null ? '' : `?piece=${piece}`}`"
                    >Find the cause</v-btn
                >
            </div>
        </div>
        <p v-if="!run || !map" class="card quiet">Looking it up …</p>
        <div v-else class="two">
            <section class="card" aria-label="The part">
                <FlawPicture
                    :map="map"
                    :kind="kind"
                    :takes="kind !== null"
                    :says="`The part, seen flat. Arrows move the cross, with Shift further, Enter marks${kind === null ? '' : ` ${nameOf(kind)}`}`"
                    @mark="tap"
                />
                <p v-if="!map.known" class="quiet">
                    Nobody has said how large this product is: it is drawn square.
                </p>
                <p role="status" class="says">{{ verdict(map, kind) }}</p>
                <p v-if="fault" role="alert" class="fault">{{ sentence(fault) }}</p>
            </section>
            <div class="stack">
                <section v-if="pieces.length" class="card which" aria-label="Which part">
                    <v-btn variant="outlined" aria-label="The one before" @click="step(-1)">−</v-btn>
                    <label class="fields"
                        ><span class="sr">Part</span
                        ><select v-model="piece">
                            <option v-for="p in pieces" :key="p" :value="p">part {{ p }}</option>
                        </select></label
                    >
                    <v-btn variant="outlined" aria-label="The next one" @click="step(1)">+</v-btn>
                </section>
                <section class="card" aria-labelledby="what">
                    <h2 id="what">What is it</h2>
                    <FlawKinds v-model="kind" :kinds="usual" />
                    <label class="fields"
                        ><span>{{ usual.length ? 'or another' : 'Take one, then tap where it is' }}</span
                        ><select
                            :value="others.some((d) => d.id === kind) ? kind : ''"
                            @change="kind = ($event.target as HTMLSelectElement).value || kind"
                        >
                            <option value="" />
                            <option v-for="d in others" :key="d.id" :value="d.id">{{ d.name }}</option>
                        </select></label
                    >
                    <p class="quiet">{{ looks }}</p>
                </section>
                <section v-if="map.marks.length" class="card" aria-labelledby="marked">
                    <h2 id="marked">Marked</h2>
                    <ul class="unmarked">
                        <li v-for="m in map.marks.slice(0, 12)" :key="m.id">
                            <span
                                >{{ m.piece === null ? '' : `part ${m.piece}: ` }}{{ nameOf(m.defect) }},
                                <span class="quiet">{{ m.by }} {{ timeOfDay(m.at) }}</span></span
                            >
                            <v-btn
                                variant="text"
                                size="small"
                                :disabled="busy"
                                :aria-label="`Take back ${nameOf(m.defect)}${m.piece === null ? '' : ` on part ${m.piece}`}`"
                                @click="takeBack(m.id)"
                                >Take back</v-btn
                            >
                        </li>
                    </ul>
                </section>
            </div>
        </div>
    </div>
</template>

<style scoped>
.two {
    display: grid;
    grid-template-columns: minmax(0, 1.8fr) minmax(0, 1fr);
    gap: var(--gap);
    align-items: start;
}
.stack {
    display: grid;
    grid-template-columns: minmax(0, 1fr);
    gap: var(--gap);
}
.acts {
    display: flex;
    flex-wrap: wrap;
    gap: 10px;
}
.says {
    font-weight: 650;
    margin-top: 8px;
}
.which {
    display: grid;
    grid-template-columns: auto minmax(0, 1fr) auto;
    gap: 8px;
    align-items: center;
}
select {
    width: 100%;
    min-width: 0;
    margin-bottom: 8px;
}
.which label {
    grid-template-columns: minmax(0, 1fr);
}
.which select {
    margin: 0;
}
li {
    display: flex;
    justify-content: space-between;
    align-items: center;
    min-height: var(--touch);
}
@media (max-width: 900px) {
    .two {
        grid-template-columns: minmax(0, 1fr);
    }
}
</style>
