<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query';
import { api } from '../../api/client';
import type { Lot, Polymer, Product } from '../../api/types';
import TypedField from '../../parts/TypedField.vue';
import { show } from '../../parts/units';
import { sentence } from '../../parts/useSend';
import type { LotAct } from './useLotAct';

/** What has to be said of one act on a lot. */
const props = defineProps<{ lot: Lot; acting: LotAct; says: string }>();
const { doing, mass, out, tare, place, reason, keepFor, found, other, others, merge } = props.acting;
const { busy, fault, unmergeable, act } = props.acting;
const { data: polymers } = useQuery({
    queryKey: ['polymers'],
    queryFn: () => api.list<Polymer>('polymers'),
});
const { data: products } = useQuery({
    queryKey: ['products'],
    queryFn: () => api.list<Product>('products'),
});
</script>

<template>
    <form class="fields doing" @submit.prevent="act">
        <template v-if="doing === 'split'"
            ><TypedField dimension="mass" v-model="mass" label="Take out" /><label
                >Goes to<input v-model="place" maxlength="60" /></label
            ><TypedField dimension="mass" v-model="tare" label="New container, tare"
        /></template>
        <template v-else-if="doing === 'shred'"
            ><TypedField
                dimension="mass"
                v-model="mass"
                :label="lot.made_small === 'flake' ? 'Into the shredder' : 'Into the densifier'" /><TypedField
                dimension="mass"
                v-model="out"
                :label="`${lot.made_small === 'flake' ? 'Flake' : 'Densified'} that came out`"
                :note="mass && out ? `${show(mass - out, 'mass')} dust` : ''" /><label
                >Goes to<input v-model="place" maxlength="60" /></label
            ><TypedField dimension="mass" v-model="tare" label="Container, tare"
        /></template>
        <template v-else-if="doing === 'merge'"
            ><TypedField dimension="mass" v-model="mass" :label="`Of ${lot.code}`" /><label
                >With<select v-model="other">
                    <option :value="null" disabled>a lot of {{ lot.polymer }}</option>
                    <option v-for="l in others" :key="l.id" :value="l.id">
                        {{ l.code }}, {{ l.colour }}, {{ show(l.mass_g, 'mass') }}
                    </option>
                </select></label
            ><TypedField
                dimension="mass"
                v-model="out"
                label="Of that"
                note="all of it when left empty"
            /><label>Goes to<input v-model="place" maxlength="60" /></label>
            <div v-if="merge" class="wide preview">
                <i class="swatch big" :style="{ background: merge.swatch }" />
                <p>
                    <strong
                        >Becomes {{ show(merge.mass_g, 'mass') }} of {{ merge.polymer }},
                        {{ merge.colour }}</strong
                    >
                </p>
                <ul>
                    <li v-for="c in merge.changes" :key="c" class="fault">{{ c }}</li>
                    <li v-if="merge.changes.length === 0">Nothing is lost by it.</li>
                </ul>
            </div></template
        >
        <template v-else-if="doing === 'count'"
            ><TypedField
                dimension="mass"
                v-model="mass"
                label="The scale says, net"
                :note="mass === null ? '' : `the book says ${show(lot.mass_g, 'mass')}`" /><label class="wide"
                >Why they differ<input v-model="reason" maxlength="500" /></label
        ></template>
        <template v-else-if="doing === 'waste'"
            ><TypedField dimension="mass" v-model="mass" label="Goes to waste" /><label class="wide"
                >Why<input v-model="reason" maxlength="500" /></label
        ></template>
        <template v-else-if="doing === 'place'"
            ><label>Place<input v-model="place" maxlength="60" /></label
            ><TypedField
                dimension="mass"
                v-model="tare"
                label="New tare"
                note="as it is when left empty"
            /><label
                >Kept for<select v-model="keepFor">
                    <option :value="null">anything</option>
                    <option v-for="p in products ?? []" :key="p.id" :value="p.id">
                        {{ p.name }}
                    </option>
                </select></label
            ></template
        >
        <template v-else-if="doing === 'doubt'"
            ><p class="wide">
                Back to unknown until the tests have told what it is; till then it stays cold.
            </p>
            <label class="wide">Why<input v-model="reason" maxlength="500" /></label
        ></template>
        <template v-else
            ><label
                >What was found<select v-model="found">
                    <option
                        v-for="p in (polymers ?? []).filter((x) => x.code !== lot.polymer)"
                        :key="p.code"
                        :value="p.code"
                    >
                        {{ p.code }}, {{ p.name }}
                    </option>
                    <option>earth</option>
                    <option>paper</option>
                    <option>wood</option>
                    <option>metal</option>
                </select></label
            ><TypedField dimension="mass" v-model="mass" label="How much" /><TypedField
                dimension="mass"
                v-model="out"
                label="In a sample of" /><label class="wide"
                >Note<input v-model="reason" maxlength="500" /></label
        ></template>
        <div class="acts">
            <v-btn color="primary" type="submit" :loading="busy">{{ says }}</v-btn>
            <p v-if="fault ?? unmergeable" role="alert" class="fault">
                {{ sentence((fault ?? unmergeable)!) }}
            </p>
        </div>
    </form>
</template>

<style scoped>
.doing {
    margin-top: 14px;
    padding-top: 14px;
    border-top: 1px solid var(--line);
}
.wide {
    grid-column: 1 / -1;
}
.big {
    width: 30px;
    height: 30px;
    vertical-align: -4px;
}
.preview {
    display: grid;
    grid-template-columns: auto 1fr;
    gap: 4px 12px;
    align-items: center;
}
.preview ul {
    grid-column: 1 / -1;
    margin: 0;
    padding-left: 0;
    list-style: none;
}
</style>
