<script setup lang="ts">
import type { Lot, LotDetail } from '../../api/types';
import { show } from '../../parts/units';

/** Where a lot came from and went: what was poured into it, and what was taken out of it. */
defineProps<{ lot: Lot; from: LotDetail['from']; to: LotDetail['to'] }>();
</script>

<template>
    <section class="card kin" aria-label="Where it came from and went">
        <div>
            <h2>From</h2>
            <p v-if="from.length === 0" class="quiet">{{ lot.source.name }}</p>
            <router-link v-for="(l, i) in from" :key="i" :to="`/sort/lots/${l.lot_id}`" class="node"
                ><i class="swatch" :style="{ background: l.swatch }" />{{ l.code }}
                <span class="quiet">{{ l.kind }}, {{ show(l.mass_g, 'mass') }}</span></router-link
            >
        </div>
        <svg viewBox="0 0 60 40" aria-hidden="true"><path d="M2 20h50m-12-10l12 10-12 10" /></svg>
        <div class="me">
            <strong>{{ lot.code }}</strong><br />{{ show(lot.mass_g, 'mass') }}
        </div>
        <svg viewBox="0 0 60 40" aria-hidden="true"><path d="M2 20h50m-12-10l12 10-12 10" /></svg>
        <div>
            <h2>To</h2>
            <p v-if="to.length === 0" class="quiet">still here, or into runs</p>
            <router-link v-for="(l, i) in to" :key="i" :to="`/sort/lots/${l.lot_id}`" class="node"
                ><i class="swatch" :style="{ background: l.swatch }" />{{ l.code }}
                <span class="quiet">{{ l.kind }}, {{ show(l.mass_g, 'mass') }}</span></router-link
            >
        </div>
    </section>
</template>

<style scoped>
.kin {
    display: grid;
    grid-template-columns: 1fr 60px auto 60px 1fr;
    gap: 12px;
    align-items: center;
}
.kin svg path {
    fill: none;
    stroke: var(--quiet);
    stroke-width: 2.5;
}
.me {
    border: 2px solid var(--ink);
    border-radius: 4px;
    padding: 12px 18px;
    text-align: center;
}
.node {
    display: block;
    padding: 6px 0;
}
</style>
