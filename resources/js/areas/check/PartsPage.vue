<script setup lang="ts">
import { computed, reactive, ref, watch } from 'vue';
import { useRoute } from 'vue-router';
import { session } from '../../api/session';
import type { PlaceShown } from '../../api/types';
import { timeOfDay } from '../../parts/units';
import { sentence } from '../../parts/useSend';
import PictureField from '../sort/PictureField.vue';
import BesidePictures from './BesidePictures.vue';
import { useParts } from './useParts';

/** The parts of a run beside how they should be, place by place. */
const route = useRoute();
const { run, places, busy, fault, keep, approve } = useParts(String(route.params.run));
const lead = computed(() => session.person?.role === 'lead');
const pieces = computed(() => (run.value?.pieces ?? []).map((p) => p.piece).reverse());
/** which of several pictures of a place is looked at */
const looked = reactive<Record<string, string>>({});
const shown = (of: PlaceShown) => of.now.find((p) => p.id === looked[of.place]) ?? of.now[0];
const place = ref('');
/** Most often it is the place that was looked at before. */
watch(places, (all) => (place.value ||= all?.[0]?.place ?? ''), { immediate: true });
const piece = ref<number | null>(Number(route.query.piece) || null);
const picture = ref<string | null>(null);
async function add() {
    if (picture.value && (await keep(place.value, piece.value ?? pieces.value[0] ?? null, picture.value)))
        picture.value = null;
}
</script>

<template>
    <div class="page">
        <div class="page-head">
            <div>
                <h1>Beside how it should be</h1>
                <p v-if="run" class="quiet">
                    {{ run.summary.product }}, run {{ run.summary.number }}. Take each picture as the approved
                    one was taken: same side up, same distance, same light.
                </p>
            </div>
            <v-btn v-if="run" variant="outlined" :to="`/learn/${run.summary.id}`">The record</v-btn>
        </div>
        <p v-if="!run || !places" class="card quiet">Looking it up …</p>
        <template v-else>
            <p v-if="fault" class="card fault" role="alert">{{ sentence(fault) }}</p>
            <form class="card add fields" aria-label="Another picture" @submit.prevent="add">
                <label
                    ><span>Place on the part</span
                    ><input v-model="place" type="text" maxlength="40" list="places" autocomplete="off"
                /></label>
                <datalist id="places">
                    <option v-for="p in places" :key="p.place" :value="p.place" />
                </datalist>
                <label v-if="pieces.length"
                    ><span>Part</span
                    ><select v-model="piece">
                        <option v-for="p in pieces" :key="p" :value="p">{{ p }}</option>
                    </select></label
                >
                <PictureField v-model="picture" label="Picture" />
                <v-btn
                    type="submit"
                    color="primary"
                    size="large"
                    :disabled="busy || picture === null || place.trim() === ''"
                    >Keep it</v-btn
                >
            </form>
            <section v-for="p in places" :key="p.place" class="card mt-4" :aria-label="p.place">
                <h2>{{ p.place }}</h2>
                <BesidePictures v-if="shown(p)" :place="p" :shown="shown(p)!" />
                <div v-else-if="p.approved" class="none">
                    <img
                        :src="`/api/v1/pictures/${p.approved.picture_id}`"
                        :alt="`${p.place}, as it should be`"
                    />
                    <p>
                        So it should be, says {{ p.approved_by }}. Nothing of this run yet.
                        <v-btn variant="outlined" @click="place = p.place">Take one of this place</v-btn>
                    </p>
                </div>
                <div
                    v-if="p.now.length > 1"
                    class="others"
                    role="group"
                    :aria-label="`Pictures of ${p.place}`"
                >
                    <button
                        v-for="n in p.now"
                        :key="n.id"
                        type="button"
                        :aria-pressed="n === shown(p)"
                        @click="looked[p.place] = n.id"
                    >
                        <img :src="`/api/v1/pictures/${n.picture_id}`" alt="" />
                        {{ n.piece === null ? timeOfDay(n.at) : `part ${n.piece}` }}
                    </button>
                </div>
                <div v-if="lead" class="lead">
                    <v-btn
                        v-if="shown(p) && shown(p)!.id !== p.approved?.id"
                        variant="outlined"
                        :disabled="busy"
                        @click="approve(p, shown(p)!.id)"
                        >So it should be from now on</v-btn
                    >
                    <v-btn v-if="p.approved" variant="text" :disabled="busy" @click="approve(p, null)"
                        >Nothing stands for good here</v-btn
                    >
                </div>
            </section>
            <p v-if="places.length === 0" class="card mt-4 quiet">
                No picture of this product yet: the first that a lead approves is what the next are held to.
            </p>
        </template>
    </div>
</template>

<style scoped>
.add {
    display: grid;
    grid-template-columns: repeat(auto-fit, minmax(200px, 1fr));
    gap: 12px;
    align-items: end;
}
.add input,
.add select {
    width: 100%;
    min-width: 0;
}
.none {
    display: flex;
    flex-wrap: wrap;
    gap: 14px;
    align-items: center;
}
.none img {
    width: 240px;
    aspect-ratio: 4 / 3;
    object-fit: cover;
    border-radius: 3px;
}
.others,
.lead {
    display: flex;
    flex-wrap: wrap;
    gap: 8px;
    margin-top: 10px;
}
.others button {
    border: 2px solid var(--line);
    border-radius: 3px;
    padding: 3px;
    min-height: var(--touch);
    background: none;
    color: inherit;
    font: inherit;
    display: grid;
}
.others button[aria-pressed='true'] {
    border-color: var(--ink);
    font-weight: 650;
}
.others img {
    width: 84px;
    aspect-ratio: 4 / 3;
    object-fit: cover;
}
</style>
