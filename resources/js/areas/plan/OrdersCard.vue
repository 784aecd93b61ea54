<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query';
import { computed, ref } from 'vue';
import { api } from '../../api/client';
import type { Order, Product } from '../../api/types';
import TypedField from '../../parts/TypedField.vue';
import { dayText, timeOfDay } from '../../parts/units';

/** Who waits for what: taken here, delivered off the shelf, moved to another day, or cancelled with a reason. */
const props = defineProps<{ orders: Order[]; now: number; busy: boolean }>();
const emit = defineEmits<{ say: [path: string, body: object, done: () => void] }>();
const products = useQuery({ queryKey: ['products'], queryFn: () => api.list<Product>('products') });
const adding = ref(false);
const product = ref<number | null>(null);
const count = ref<number | null>(null);
const due = ref('');
const words = ref('');
/** a day and a time as the browser gives them, s since 1970 UTC */
const moment = (text: string) => (text === '' ? null : new Date(text).getTime() / 1000);
const tomorrow = computed(() => {
    const at = new Date((props.now + 86_400) * 1000);
    at.setHours(17, 0, 0, 0);
    return new Date(at.getTime() - at.getTimezoneOffset() * 60_000).toISOString().slice(0, 16);
});
function start() {
    adding.value = true;
    due.value = tomorrow.value;
    product.value ??= products.data.value?.[0]?.id ?? null;
}
function take() {
    const at = moment(due.value);
    if (product.value === null || count.value === null || at === null) return;
    const body = { product_id: product.value, count: count.value, due: at, words: words.value };
    emit('say', 'orders', body, () => {
        [adding.value, count.value, words.value] = [false, null, ''];
    });
}
const open = ref<{ order: Order; act: 'moved' | 'cancelled' } | null>(null);
const reason = ref('');
function ask(order: Order, act: 'moved' | 'cancelled') {
    open.value = { order, act };
    [reason.value, due.value] = ['', tomorrow.value];
}
function tell(order: Order, kind: 'moved' | 'delivered' | 'cancelled') {
    const at = kind === 'moved' ? moment(due.value) : null;
    emit(
        'say',
        `orders/${order.id}/entries`,
        { kind, after: order.after, due: at, reason: reason.value },
        () => {
            open.value = null;
        },
    );
}
</script>

<template>
    <section class="card" aria-labelledby="orders">
        <div class="top">
            <h2 id="orders">Orders</h2>
            <v-btn v-if="!adding" variant="outlined" @click="start">Take an order</v-btn>
        </div>
        <form v-if="adding" class="fields" @submit.prevent="take">
            <label
                ><span>Product</span
                ><select v-model="product">
                    <option v-for="p in products.data.value" :key="p.id" :value="p.id">{{ p.name }}</option>
                </select></label
            >
            <TypedField v-model="count" label="How many" dimension="number" :min="1" />
            <label><span>Wanted by</span><input v-model="due" type="datetime-local" required /></label>
            <label><span>For whom, what they said</span><input v-model="words" maxlength="200" /></label>
            <div class="acts">
                <v-btn type="submit" color="primary" :disabled="busy || count === null || product === null"
                    >Take it</v-btn
                ><v-btn variant="text" @click="adding = false">Not now</v-btn>
            </div>
        </form>
        <p v-if="orders.length === 0 && !adding" class="quiet">Nobody waits for anything.</p>
        <ul class="unmarked">
            <li v-for="o in orders" :key="o.id">
                <p>
                    <strong>{{ o.count }} × {{ o.product }}</strong>
                    <span class="quiet"> order {{ o.number }}{{ o.words ? `, ${o.words}` : '' }}</span>
                </p>
                <p>
                    by {{ dayText(o.due) }} {{ timeOfDay(o.due) }} · <strong>{{ o.ready }}</strong> of
                    {{ o.count }} on the shelf
                </p>
                <form v-if="open?.order.id === o.id" class="fields" @submit.prevent="tell(o, open.act)">
                    <label v-if="open.act === 'moved'"
                        ><span>Wanted by</span><input v-model="due" type="datetime-local" required
                    /></label>
                    <label
                        ><span>Why</span
                        ><input v-model="reason" maxlength="500" :required="open.act === 'cancelled'"
                    /></label>
                    <div class="acts">
                        <v-btn type="submit" color="primary" :disabled="busy">{{
                            open.act === 'moved' ? 'Move it' : 'Cancel the order'
                        }}</v-btn><v-btn variant="text" @click="open = null">Not now</v-btn>
                    </div>
                </form>
                <p v-else class="acts">
                    <v-btn
                        size="small"
                        :variant="o.ready >= o.count ? 'flat' : 'outlined'"
                        :color="o.ready >= o.count ? 'primary' : undefined"
                        :disabled="busy || o.ready < o.count"
                        @click="tell(o, 'delivered')"
                        >It is delivered</v-btn
                    ><v-btn size="small" variant="text" @click="ask(o, 'moved')">Another day</v-btn
                    ><v-btn size="small" variant="text" @click="ask(o, 'cancelled')">Cancel</v-btn>
                </p>
            </li>
        </ul>
    </section>
</template>

<style scoped>
.top {
    display: flex;
    justify-content: space-between;
    align-items: center;
    gap: 10px;
}
li {
    padding: 8px 0;
    border-top: 1px solid var(--line);
}
.acts {
    display: flex;
    flex-wrap: wrap;
    gap: 6px;
}
</style>
