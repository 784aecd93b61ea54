<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query';
import { computed, ref } from 'vue';
import { useRoute } from 'vue-router';
import { api } from '../../api/client';
import type { Brought, Lot, SourceCard } from '../../api/types';
import TypedField from '../../parts/TypedField.vue';
import { show } from '../../parts/units';
import { sentence, useSend } from '../../parts/useSend';
import { useDelivery } from './delivery';
import DeliveryFields from './DeliveryFields.vue';
import PictureField from './PictureField.vue';
import SortNav from './SortNav.vue';
import SourceTiles from './SourceTiles.vue';
import TakenIn from './TakenIn.vue';

const queries = useQueryClient();
const route = useRoute();
const delivery = useDelivery();
const { lot, gross, tare, net, doubt, missing, picture, like } = delivery;
const taken = ref<Lot | null>(null);
/** whether its particulars are open; as last time they need not be */
const open = ref(true);
const { data: sources } = useQuery({
    queryKey: ['sources'],
    queryFn: async () => {
        const all = await api.list<SourceCard>('sources');
        const asked = all.find((s) => String(s.id) === route.query.source);
        if (asked && lot.source_id === null) choose(asked);
        return all;
    },
});
const source = computed(() => sources.value?.find((s) => s.id === lot.source_id) ?? null);
function choose(chosen: SourceCard) {
    delivery.from(chosen);
    taken.value = null;
    open.value = chosen.brought.length === 0;
}
function pick(before: Brought | null) {
    if (before) delivery.as(before);
    else delivery.other();
    open.value = before === null;
}
const { busy, fault, send } = useSend();
async function take() {
    const made = await send(() => api.post<Lot>('lots', delivery.body()));
    if (!made) return;
    taken.value = made;
    delivery.another();
    await queries.invalidateQueries({ queryKey: ['lots'] });
    await queries.invalidateQueries({ queryKey: ['sources'] });
}
</script>

<template>
    <div class="page">
        <div class="page-head">
            <div>
                <h1>Take a delivery in</h1>
                <p class="quiet">
                    Label the container before it is filled. What is not known is UNKNOWN, and stays cold.
                </p>
            </div>
        </div>
        <SortNav />
        <TakenIn v-if="taken" :lot="taken" class="mb-4" @another="taken = null" />
        <form v-else class="two" @submit.prevent="take">
            <div class="stack">
                <section class="card">
                    <h2>Who brings it</h2>
                    <SourceTiles :sources="sources ?? []" :chosen="lot.source_id" @choose="choose" />
                </section>
                <section v-if="lot.source_id !== null" class="card">
                    <h2>What it is</h2>
                    <div v-if="source?.brought.length" class="tiles" role="group" aria-label="As before">
                        <button
                            v-for="b in source.brought"
                            :key="b.code"
                            type="button"
                            class="tile"
                            :aria-pressed="like === b.code"
                            @click="pick(b)"
                        >
                            <strong
                                ><i class="swatch" :style="{ background: b.swatch }" />{{ b.polymer }},
                                {{ b.colour }} {{ b.form }}</strong
                            ><span class="quiet"
                                >as {{ b.code }}, {{ show(b.mass_g, 'mass')
                                }}{{ b.location ? `, ${b.location}` : '' }}</span
                            >
                        </button>
                        <button type="button" class="tile" :aria-pressed="like === null" @click="pick(null)">
                            <strong>Something else</strong><span class="quiet">say what it is</span>
                        </button>
                    </div>
                    <DeliveryFields v-if="open" :delivery="delivery" class="mt-3" />
                    <button v-else type="button" class="plain" @click="open = true">
                        Something of it is otherwise
                    </button>
                </section>
            </div>
            <section class="card weigh" aria-label="How much">
                <p :class="['net', 'mono', { quiet: net === null || net <= 0 }]" aria-live="polite">
                    {{ net !== null && net > 0 ? show(net, 'mass') : '– g' }}
                </p>
                <p class="quiet">net, that is what goes into the book</p>
                <div class="fields">
                    <TypedField v-model="gross" dimension="mass" label="On the scale" /><TypedField
                        v-model="tare"
                        dimension="mass"
                        label="Container, tare"
                        :note="doubt"
                    />
                    <PictureField v-model="picture" label="Swatch picture" />
                </div>
                <v-btn
                    class="take"
                    color="primary"
                    size="large"
                    type="submit"
                    :loading="busy"
                    :disabled="missing !== ''"
                    >Take it in</v-btn
                >
                <p v-if="missing" class="quiet">Still wanted: {{ missing }}.</p>
                <p v-if="fault" role="alert" class="fault">{{ sentence(fault) }}</p>
            </section>
        </form>
    </div>
</template>

<style scoped>
.two {
    display: grid;
    grid-template-columns: 1.9fr 1fr;
    gap: var(--gap);
    align-items: start;
}
.stack {
    display: grid;
    gap: var(--gap);
}
.weigh {
    position: sticky;
    top: calc(var(--head) + 12px);
    display: grid;
    gap: 10px;
}
.net {
    font-size: 3rem;
    line-height: 1;
    margin: 0;
}
.take {
    min-height: 64px;
}
@media (max-width: 1000px) {
    .two {
        grid-template-columns: 1fr;
    }
    .weigh {
        position: static;
    }
}
</style>
