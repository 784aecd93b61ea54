<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query';
import { computed, ref, watch } from 'vue';
import { api } from '../../api/client';
import type { Mix, Polymer, Product, ProductCharge } from '../../api/types';
import TypedField from '../../parts/TypedField.vue';
import { number } from '../../parts/units';
import { useLots } from '../../parts/useLots';
import { sentence, useSend } from '../../parts/useSend';
import MixParts from './MixParts.vue';
import MixStrip from './MixStrip.vue';
import { coloursOf, type MixDraft } from './useMix';

/** A mix made by tapping what is on the shelves; the core says its shares, and what the scale can weigh of it. */
const props = defineProps<{ mix: MixDraft }>();
const { draft, total, step, blend, unmixable, shares, missing, take, add, body } = props.mix;
const queries = useQueryClient();
const { data: polymers } = useQuery({
    queryKey: ['polymers'],
    queryFn: () => api.list<Polymer>('polymers'),
});
const { data: products } = useQuery({
    queryKey: ['products'],
    queryFn: () => api.list<Product>('products'),
});
const { lots } = useLots(() => draft.polymer);
const colours = computed(() => coloursOf(lots.value, draft.polymer));
const made = computed(() => (products.value ?? []).filter((p) => p.polymer === draft.polymer));
const why = ref('');
/** A charge of something that the shop makes of this polymer. */
async function chargeOf(product: Product) {
    try {
        const charge = await api.get<ProductCharge>(`products/${product.id}/charge`);
        total.value = Math.round(charge.mass_g);
        why.value = `one ${product.name}`;
    } catch {
        why.value = `no charge is known of ${product.name}`;
    }
}
const said = ref('');
watch(
    () => JSON.stringify(draft.components),
    () => (said.value = ''),
);
const { busy, fault, send } = useSend();
async function keep() {
    const kept = await send(() => api.post<Mix>('mixes', body()));
    if (!kept) return;
    draft.after_version = kept.version;
    await queries.invalidateQueries({ queryKey: ['mixes'] });
    said.value = `Kept as version ${kept.version}.`;
}
</script>

<template>
    <form class="card" @submit.prevent="keep">
        <div class="fields">
            <label
                >Polymer<select v-model="draft.polymer">
                    <option v-for="p in (polymers ?? []).filter((x) => !x.never_hot)" :key="p.code">
                        {{ p.code }}
                    </option>
                </select></label
            ><label>Name<input v-model="draft.name" maxlength="80" /></label
            ><label>Note<input v-model="draft.note" maxlength="500" /></label>
        </div>
        <h2 class="mt-3">From the shelves</h2>
        <div class="shelf" role="group" aria-label="Colours on the shelves">
            <button
                v-for="l in colours"
                :key="l.id"
                type="button"
                :aria-label="`One part of ${l.colour}`"
                @click="take(l)"
            >
                <i :style="{ background: l.swatch }" />{{ l.colour }}
            </button>
            <button type="button" class="more" @click="add">+ not on the shelves</button>
        </div>
        <p v-if="draft.components.length === 0" class="quiet">
            Touch a colour for one part of it, again for one more.
        </p>
        <template v-else>
            <MixStrip class="big" :parts="shares" />
            <MixParts :mix="mix" />
        </template>
        <div class="fields mt-3">
            <TypedField v-model="total" dimension="mass" label="For a charge of" :note="why" /><label
                >Scale reads to, g<select v-model.number="step">
                    <option v-for="s in [0.01, 0.1, 1, 2, 5, 10]" :key="s" :value="s">{{ s }}</option>
                </select></label
            >
            <div class="wide makes">
                <button v-for="p in made" :key="p.id" type="button" class="plain" @click="chargeOf(p)">
                    {{ p.name }}
                </button>
            </div>
        </div>
        <p v-if="blend" :class="{ fault: blend.components.some((b) => !b.weighable) }">
            {{ blend.explanation }}
        </p>
        <p v-if="blend?.let_down">Let-down ratio {{ number(blend.let_down, 1) }} : 1.</p>
        <p v-for="w in blend?.warnings ?? []" :key="w" class="fault">{{ w }}</p>
        <div class="acts">
            <v-btn color="primary" type="submit" :loading="busy" :disabled="missing !== ''"
                >Keep as version {{ draft.after_version + 1 }}</v-btn
            >
            <p v-if="missing" class="quiet">Still wanted: {{ missing }}.</p>
            <p v-if="said" role="status">{{ said }}</p>
            <p v-if="fault ?? unmixable" role="alert" class="fault">
                {{ sentence((fault ?? unmixable)!) }}
            </p>
        </div>
    </form>
</template>

<style scoped>
.shelf {
    display: flex;
    flex-wrap: wrap;
    gap: 8px;
    margin: 8px 0 12px;
}
.shelf button {
    display: flex;
    gap: 10px;
    align-items: center;
    min-height: var(--touch);
    padding: 0 14px 0 6px;
    border: 1px solid var(--line);
    border-radius: 4px;
    background: var(--paper);
    color: inherit;
    font: 650 1rem var(--font);
    cursor: pointer;
}
.shelf .more {
    padding-left: 14px;
    border-style: dashed;
}
.shelf i {
    width: 40px;
    height: 34px;
    border: 1px solid var(--line);
    border-radius: 3px;
}
.big {
    height: 64px;
    margin: 0 0 12px;
}
.wide {
    grid-column: 1 / -1;
}
.makes {
    margin: -8px -8px 0;
}
.acts {
    display: flex;
    flex-wrap: wrap;
    gap: 12px;
    align-items: center;
    margin-top: 12px;
}
.acts p {
    margin: 0;
}
</style>
