<script setup lang="ts">
import { computed, toRef } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import type { LotDetail } from '../../api/types';
import { sentence } from '../../parts/useSend';
import { stepLink } from './delivery';
import LotActForm from './LotActForm.vue';
import LotFound from './LotFound.vue';
import LotHead from './LotHead.vue';
import LotKin from './LotKin.vue';
import LotLedger from './LotLedger.vue';
import SortNav from './SortNav.vue';
import { actsOn, useLotAct } from './useLotAct';

const props = defineProps<{ detail: LotDetail }>();
const router = useRouter();
const lot = toRef(() => props.detail.lot);
const acting = useLotAct(lot, (made) => {
    if (made) void router.push(`/sort/lots/${made.id}`);
});
const { doing, fault, putRight } = acting;
const acts = computed(() => actsOn(lot.value));
/** What it wants first, where that is done on this page. */
const HERE: Record<string, 'shred' | 'contamination'> = {
    shred: 'shred',
    densify: 'shred',
    look: 'contamination',
};
const asked = HERE[String(useRoute().query.do ?? '')];
if (asked && acts.value.some(([kind]) => kind === asked)) doing.value = asked;
</script>

<template>
    <LotHead :lot="lot" />
    <SortNav />
    <section v-if="lot.mass_g > 0" class="card next" aria-label="What it wants next">
        <ol>
            <li v-for="(step, i) in detail.next" :key="step.id">
                <v-btn
                    v-if="HERE[step.id]"
                    :color="i === 0 ? 'primary' : undefined"
                    :variant="i === 0 ? 'flat' : 'outlined'"
                    @click="doing = HERE[step.id]!"
                    >{{ step.says }}</v-btn
                >
                <strong v-else-if="step.id === 'keep_cold'">▲ {{ step.says }}</strong>
                <v-btn
                    v-else
                    :color="i === 0 ? 'primary' : undefined"
                    :variant="i === 0 ? 'flat' : 'outlined'"
                    :to="stepLink(step.id, lot)"
                    >{{ step.says }}</v-btn
                >
                <span class="quiet">{{ step.because }}</span>
            </li>
        </ol>
    </section>
    <section class="card" aria-label="What to do with it">
        <div class="acts">
            <v-btn
                v-for="[k, says] in acts"
                :key="k"
                :variant="doing === k ? 'flat' : 'outlined'"
                :aria-pressed="doing === k"
                @click="doing = doing === k ? null : k"
                >{{ says }}</v-btn><v-btn variant="outlined" :to="`/trace/lot/${lot.id}`">Where it went</v-btn
            ><a :href="`/api/v1/lots/${lot.code}/label.pdf`" target="_blank">Label, PDF</a
            ><a :href="`/api/v1/lots/${lot.code}/label.svg`" target="_blank">SVG</a
            ><a :href="`/api/v1/lots/${lot.code}/history.json`">History, JSON</a>
        </div>
        <LotActForm
            v-if="doing"
            :lot="lot"
            :acting="acting"
            :says="acts.find(([k]) => k === doing)?.[1] ?? ''"
        />
    </section>
    <LotKin v-if="detail.from.length || detail.to.length" :lot="lot" :from="detail.from" :to="detail.to" />
    <LotFound v-if="detail.contamination.length" :found="detail.contamination" />
    <section class="card">
        <h2>Ledger</h2>
        <p v-if="fault && !doing" role="alert" class="fault">{{ sentence(fault) }}</p>
        <p class="quiet">Newest first. Nothing here is ever changed; a correction is a line of its own.</p>
        <LotLedger :movements="detail.movements" @right="putRight" />
    </section>
    <section v-if="lot.picture_id" class="card">
        <h2>Swatch</h2>
        <img class="photo" :src="`/api/v1/pictures/${lot.picture_id}`" :alt="`Swatch of ${lot.code}`" />
    </section>
</template>

<style scoped>
section {
    margin-bottom: 12px;
}
.acts {
    display: flex;
    gap: 10px;
    flex-wrap: wrap;
    align-items: center;
}
.next {
    border-left: 6px solid var(--ember);
}
.next ol {
    list-style: none;
    padding: 0;
    margin: 0;
    display: flex;
    flex-wrap: wrap;
    gap: 10px 22px;
}
.next li {
    display: grid;
    gap: 2px;
    justify-items: start;
}
.photo {
    max-width: 320px;
    border-radius: 3px;
}
</style>
