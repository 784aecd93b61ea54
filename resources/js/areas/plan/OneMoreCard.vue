<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query';
import { computed, reactive, ref } from 'vue';
import { api } from '../../api/client';
import type { LastDays } from '../../api/types';
import TypedField from '../../parts/TypedField.vue';
import type { CalcSchema } from '../reckon/schema';
import { capital } from '../../parts/text';
import { minutesText } from '../../parts/units';
import { sentence, useSend } from '../../parts/useSend';

/** What one more would have given on the days that the shop had, and what an hour won that way would cost. */
const props = defineProps<{ now: number; says: string[] }>();
const DAY_S = 86_400;
type Option = LastDays['options'][number];
interface Cost {
    explanation: string;
}
const { busy, fault, send } = useSend();
const found = ref<LastDays | null>(null);
const about = ref<Option | null>(null);
const answer = ref<Cost | null>(null);
const price = reactive<Record<'price' | 'life_years' | 'price_day', number | null>>({
    price: null,
    life_years: null,
    price_day: null,
});

// What is reckoned with where nothing is said stands in the core.
const { data: schema } = useQuery({
    queryKey: ['calc', 'cost.one_more'],
    queryFn: () => api.get<CalcSchema>('calc/cost.one_more'),
    enabled: computed(() => about.value !== null),
    staleTime: Infinity,
});
const years = computed(() => String(schema.value?.input.properties?.life_years?.default ?? ''));

async function look() {
    // A day of those that are over is one from midnight on, whenever work began.
    const from = new Date(1000 * props.now).setHours(0, 0, 0, 0) / 1000;
    const days = await send(() => api.get<LastDays>(`day/more?from=${from}&until=${from + DAY_S}`));
    if (days) found.value = days;
}
const which = ({ days, made, worked }: LastDays) =>
    worked < made
        ? `The newest ${worked} (there was no time for more) of the ${made} days of the last ${days}`
        : `The ${worked} days of the last ${days}`;
const gives = (o: Option) =>
    o.sooner_min < 1
        ? 'Nothing sooner.'
        : `${minutesText(o.sooner_min)} sooner a day, ${minutesText(o.most_min)} at most; ` +
          `half an hour or more on ${o.days} of them.`;
function choose(option: Option) {
    about.value = about.value?.id === option.id ? null : option;
    answer.value = null;
}
async function reckon() {
    const [option, days] = [about.value, found.value];
    if (!option || !days) return;
    const cost = await send(() =>
        api.post<Cost>('calc/cost.one_more', {
            sooner_min: option.sooner_min,
            days_year: days.days_year,
            // What is not said is as the core has it.
            ...Object.fromEntries(Object.entries(price).filter(([, value]) => value !== null)),
        }),
    );
    if (cost) answer.value = cost;
}
</script>

<template>
    <section class="card" aria-labelledby="one-more">
        <h2 id="one-more">One more of what?</h2>
        <p v-for="w in says" :key="w" class="why">{{ w }}.</p>
        <p v-if="fault" class="fault" role="alert">{{ sentence(fault) }}</p>
        <v-btn v-if="!found" variant="outlined" class="no-print" :loading="busy" @click="look">
            Ask the last 90 days
        </v-btn>
        <template v-else>
            <p class="quiet">
                {{ which(found) }} with more than one run, planned again as if all of it were known in the
                morning.
            </p>
            <ul class="more">
                <li v-for="o in found.options" :key="o.id">
                    <p>
                        <strong>{{ capital(o.name) }}</strong>
                        <span v-if="o.busy_pct !== null" class="quiet">
                            (busy {{ Math.round(o.busy_pct) }} % of the time)</span
                        >
                    </p>
                    <p>{{ gives(o) }}</p>
                    <button
                        v-if="o.sooner_min >= 1"
                        type="button"
                        class="plain no-print"
                        :aria-expanded="about?.id === o.id"
                        @click="choose(o)"
                    >
                        What does it cost?
                    </button>
                    <form v-if="about?.id === o.id" class="fields" @submit.prevent="reckon">
                        <TypedField v-model="price.price" label="Price" dimension="number" :min="0" />
                        <TypedField
                            v-model="price.life_years"
                            label="Lasts, years"
                            :placeholder="years"
                            dimension="number"
                            :min="0.1"
                            :max="100"
                        />
                        <TypedField
                            v-model="price.price_day"
                            label="A day, wages and rent"
                            dimension="number"
                            :min="0"
                        />
                        <v-btn type="submit" color="primary" :disabled="busy">What is an hour?</v-btn>
                        <p v-if="answer" role="status" class="answer">{{ answer.explanation }}</p>
                    </form>
                </li>
            </ul>
        </template>
    </section>
</template>

<style scoped>
.why {
    border-left: 4px solid var(--slate);
    padding-left: 10px;
    margin: 8px 0;
}
.more {
    list-style: none;
    margin: 0;
    padding: 0;
}
.more li {
    display: grid;
    gap: 2px;
    justify-items: start;
    padding: 10px 0;
    border-top: 1px solid var(--line);
}
.fields {
    width: 100%;
    margin-top: 8px;
}
.answer {
    grid-column: 1 / -1;
    font-weight: 650;
}
</style>
