<script setup lang="ts">
import { PATTERNS } from './scale/lines';
import { hasSerial } from './scale/serial';
import type { Scale } from './scale/useScale';

/** Which scale this screen hears, and how its lines read. */
const props = defineProps<{ scale: Scale }>();
const { which, lineFormat, own, simulated, plugged, scaleFault, connect } = props.scale;
</script>

<template>
    <div>
        <h2>Scale</h2>
        <div class="which">
            <label
                v-for="[w, says] in [
                    ['simulated', 'Simulated'],
                    ['serial', 'Serial line'],
                    ['hand', 'By hand'],
                ]"
                :key="w"
                ><input v-model="which" type="radio" name="scale" :value="w" /> {{ says }}</label
            >
        </div>
        <div v-if="simulated" class="sim">
            <button
                v-for="n in [1000, 100, 10, 1, -10, -100]"
                :key="n"
                type="button"
                @click="simulated.pour(n)"
            >
                {{ n > 0 ? '+' : '−' }}{{ Math.abs(n) }}</button
            ><button type="button" @click="simulated.plugged = plugged = !plugged">
                {{ plugged ? 'unplug' : 'plug in' }}
            </button>
        </div>
        <div v-if="which === 'serial'" class="serial">
            <label
                >Its lines<select v-model="lineFormat">
                    <option v-for="(p, k) in PATTERNS" :key="k" :value="k">{{ p.title }}</option>
                    <option value="own">our own pattern</option>
                </select></label
            ><template v-if="lineFormat === 'own'"
                ><label>Pattern<input v-model="own.expression" /></label
                ><label
                    >Unit<select v-model="own.unit">
                        <option>g</option>
                        <option>kg</option>
                        <option>lb</option>
                        <option>oz</option>
                    </select></label
                ><label>Steady when<input v-model="own.stable" placeholder="always" /></label></template
            ><label
                >Baud<select v-model.number="own.baud">
                    <option v-for="b in [1200, 2400, 4800, 9600, 19200, 115200]" :key="b">
                        {{ b }}
                    </option>
                </select></label
            ><v-btn size="small" variant="outlined" :disabled="!hasSerial()" @click="connect"
                >Choose the scale</v-btn
            >
            <p v-if="!hasSerial()" class="quiet">This browser has no serial line. Weigh by hand.</p>
        </div>
        <p v-if="scaleFault" role="alert" class="fault">{{ scaleFault }}</p>
    </div>
</template>

<style scoped>
.which {
    display: flex;
    gap: 4px 12px;
    flex-wrap: wrap;
}
.which label {
    display: flex;
    gap: 6px;
    align-items: center;
    min-height: 44px;
}
.sim {
    display: grid;
    grid-template-columns: repeat(4, 1fr);
    gap: 6px;
}
.sim button {
    min-height: 44px;
    border: 1px solid var(--line);
    border-radius: 4px;
    background: var(--paper);
    color: inherit;
    font: 650 0.95rem var(--font);
    cursor: pointer;
}
</style>
