<script setup lang="ts">
import type { LotDetail } from '../../api/types';
import { dayText, show, timeOfDay } from '../../parts/units';

/** A lot's lines, the newest first, each with what it held after it. */
defineProps<{ movements: LotDetail['movements'] }>();
const emit = defineEmits<{ right: [act: string] }>();
</script>

<template>
    <table class="rows">
        <thead>
            <tr>
                <th>When</th>
                <th>What</th>
                <th>Who</th>
                <th class="n">In or out</th>
                <th class="n">Then held</th>
            </tr>
        </thead>
        <tbody>
            <tr v-for="m in movements" :key="m.id">
                <td class="num">{{ dayText(m.at) }} {{ timeOfDay(m.at) }}</td>
                <td>
                    {{ m.kind
                    }}<template v-if="m.run_id"
                        >,
                        <router-link :to="`/learn/${m.run_id}`">run {{ m.run_number }}</router-link></template
                    ><template v-else-if="m.charge_id"
                        >, <router-link :to="`/weigh/${m.charge_id}`">a charge</router-link></template
                    ><template v-if="m.other_lot_id"
                        >, {{ m.mass_g > 0 ? 'from' : 'into' }}
                        <router-link :to="`/sort/lots/${m.other_lot_id}`">{{
                            m.other_lot
                        }}</router-link></template
                    ><template v-if="m.reason && !m.run_id">, {{ m.reason }}</template>
                </td>
                <td>{{ m.by }}</td>
                <td class="n mono">
                    {{ m.mass_g > 0 ? '+' : '−'
                    }}{{ show(Math.abs(m.mass_g), 'mass', Math.abs(m.mass_g) % 1 ? 1 : 0)
                    }}<button
                        v-if="m.meant_kg && m.act_id"
                        type="button"
                        class="plain"
                        @click="emit('right', m.act_id)"
                    >
                        It was {{ show(1000 * Math.abs(m.mass_g), 'mass') }}: put right
                    </button>
                </td>
                <td class="n">{{ show(m.balance_g, 'mass') }}</td>
            </tr>
        </tbody>
    </table>
</template>
