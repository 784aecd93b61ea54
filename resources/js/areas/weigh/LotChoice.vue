<script setup lang="ts">
import { ref } from 'vue';
import type { Charge } from '../../api/types';
import { show } from '../../parts/units';
import type { LotChoice } from './useLotChoice';

/** The lots of a part, the first in first out; another by its code. */
const props = defineProps<{ charge: Charge; now: Charge['components'][number]; choice: LotChoice }>();
const { lotId, stop, reason, kept, lots, scanned } = props.choice;
const typedCode = ref('');
</script>

<template>
    <div>
        <h2>From which lot</h2>
        <p v-if="now.lots.length === 0" class="fault">No lot of {{ charge.polymer }} has anything in it.</p>
        <label v-for="(l, i) in lots" :key="l.id" :class="['lot', { on: l.id === lotId }]"
            ><input v-model="lotId" type="radio" name="lot" :value="l.id" @change="stop = ''" /><i
                class="swatch"
                :style="{ background: l.swatch }"
            /><span
                ><strong>{{ l.code }}</strong> {{ l.colour }}<br /><span class="quiet"
                    >{{ l.location }}, {{ show(l.mass_g, 'mass')
                    }}{{ i === 0 && l !== kept ? ' · first in' : ''
                    }}<template v-if="l.reserved_for"> · kept for {{ l.reserved_for }}</template></span
                ></span
            ></label
        >
        <label v-if="kept?.reserved_for" class="why"
            >{{ kept.code }} is kept for {{ kept.reserved_for }}. Take it all the same, because<input
                v-model="reason"
                maxlength="500"
        /></label>
        <form
            class="scan"
            @submit.prevent="
                scanned(typedCode.toUpperCase());
                typedCode = '';
            "
        >
            <label>Scan or type<input v-model="typedCode" placeholder="L-0101" /></label>
        </form>
    </div>
</template>

<style scoped>
.lot {
    display: grid;
    grid-template-columns: auto auto 1fr;
    gap: 8px;
    align-items: center;
    padding: 6px 4px;
    min-height: 52px;
    border-bottom: 1px solid var(--line);
    cursor: pointer;
}
.lot.on {
    background: var(--still);
}
.lot .swatch {
    margin: 0;
}
.lot input,
.which input {
    width: 20px;
    height: 20px;
    accent-color: var(--ember);
}
.scan label,
.serial label,
.why {
    display: grid;
    font-weight: 600;
    gap: 4px;
    margin: 8px 0;
}
.scan input,
.why input,
.serial input,
.serial select {
    min-height: 44px;
    border: 1px solid var(--line);
    border-radius: 4px;
    background: var(--paper);
    color: var(--ink);
    font: inherit;
    padding: 0 8px;
    width: 100%;
}
</style>
