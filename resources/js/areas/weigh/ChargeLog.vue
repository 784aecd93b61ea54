<script setup lang="ts">
import { ref } from 'vue';
import type { Charge } from '../../api/types';
import { timeOfDay } from '../../parts/units';

/** What went in, line by line, and giving all of it back. */
defineProps<{ charge: Charge; g: (grams: number | null | undefined) => string }>();
const emit = defineEmits<{ back: [reason: string] }>();
const back = ref('');
</script>

<template>
    <section class="card log">
        <h2>What went in</h2>
        <p v-if="charge.weighings.length === 0" class="quiet">Nothing yet.</p>
        <table v-else class="rows">
            <tbody>
                <tr v-for="w in charge.weighings" :key="w.id">
                    <td class="num">{{ timeOfDay(w.at) }}</td>
                    <td>{{ charge.components[w.component]?.name }}</td>
                    <td>
                        <router-link :to="`/sort/lots/${w.lot_id}`">{{ w.lot }}</router-link>
                    </td>
                    <td>
                        {{
                            {
                                hand: 'by hand',
                                scale: 'from the scale',
                                simulated: 'simulated scale',
                            }[w.how]
                        }}<template v-if="w.reason">, {{ w.reason }}</template>
                    </td>
                    <td>{{ w.by }}</td>
                    <td class="n mono">{{ w.mass_g > 0 ? '+' : '−' }}{{ g(Math.abs(w.mass_g)) }}</td>
                </tr>
            </tbody>
        </table>
        <form
            v-if="charge.status === 'weighing' || charge.status === 'waiting'"
            class="fields"
            @submit.prevent="emit('back', back)"
        >
            <label>Not needed after all, because<input v-model="back" maxlength="500" /></label>
            <div class="acts">
                <v-btn size="small" variant="outlined" type="submit" :disabled="!back.trim()"
                    >Give it back to its lots</v-btn
                >
            </div>
        </form>
    </section>
</template>

<style scoped>
.waits,
.log {
    margin-top: 12px;
}
</style>
