<script setup lang="ts">
import { computed, onMounted, provide, ref, watch } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { api, Refused } from '../../api/client';
import { refreshFloor } from '../../api/floor';
import { keepRun, newKey } from '../../api/queue';
import { session } from '../../api/session';
import type { Run } from '../../api/types';
import CareDue from '../../parts/CareDue.vue';
import { useEdge } from '../../parts/edge';
import { usePageKeys } from '../../parts/pageKeys';
import { dayText } from '../../parts/units';
import { panelOf } from '../../processes/panels';
import ChangeFirst from './ChangeFirst.vue';
import LotPicks from './LotPicks.vue';
import { about } from './places';
import PlanDoubts from './PlanDoubts.vue';
import ProductPicks from './ProductPicks.vue';
import SafetyGate from './SafetyGate.vue';
import './set.css';
import { SETTING, useSetting } from './useSetting';

const router = useRouter();
const setting = useSetting();
provide(SETTING, setting);
const { draft, answers, shop, plan, problem, product, process, load, choose, takeLot, blocks } = setting;
/** Whoever comes from a shelf that runs short has said what to make. */
const query = useRoute().query;
const wanted = Number(query.product);
onMounted(async () => {
    await load();
    if (typeof query.lot === 'string') return takeLot(query.lot);
    if (!shop.products.some((p) => p.id === wanted)) return;
    if (wanted !== draft.value.product_id) choose(wanted);
    // How many were asked for: shots, sheets, bars, as its process counts.
    const counts = process.value?.counts;
    const many = counts ? Number(query[counts]) : NaN;
    if (counts && Number.isInteger(many) && many > 1 && many <= 100_000) draft.value.settings[counts] = many;
});

/** Products by their process: one row of choices each. */
const shelves = computed(() =>
    shop.processes
        .map((p) => ({ process: p, products: shop.products.filter((x) => x.process === p.id) }))
        .filter((s) => s.products.length > 0),
);
/** The answer stands for this process; another's is still under way. */
const answered = computed(() =>
    plan.value !== null && plan.value.process === process.value?.id ? plan.value : null,
);
const refusal = computed(() => {
    const { says, role } = about(process.value, problem.value?.field ?? '');
    return { says, machine: role === null ? null : draft.value.machines[role] };
});
const panel = computed(() => panelOf(process.value?.id ?? ''));
const polymer = computed({
    get: () => draft.value.polymer ?? product.value?.polymer ?? null,
    set: (code) => {
        draft.value.polymer = code === product.value?.polymer ? null : code;
        // Temperatures were the other polymer's.
        for (const name of Object.keys(draft.value.settings))
            if (name.endsWith('_c')) delete draft.value.settings[name];
        draft.value.lot_id = draft.value.charge_id = null;
    },
});
const workable = computed(() =>
    shop.polymers.filter((p) => p.morphology !== null && !(process.value && process.value.id in p.why_not)),
);

const overrides = ref<Record<string, string>>({});
// Who starts has looked for themselves: another person's ticks and another lead's words are not theirs.
watch(
    () => session.person?.id,
    () => {
        answers.value = {};
        overrides.value = {};
    },
);
const line = ref<HTMLElement | null>(null);
useEdge(line, '--start');
const starting = ref(false);
const refused = ref('');
const standing = computed(() =>
    blocks.value.filter(
        (b) =>
            !(
                b.who_may_override === 'lead' &&
                session.person?.role === 'lead' &&
                (overrides.value[b.id] ?? '').trim().length >= 5
            ),
    ),
);
const mayStart = computed(
    () =>
        draft.value.lot_id !== null &&
        // Until the core has judged this very lot nothing is begun.
        (answered.value?.safety ?? null) !== null &&
        problem.value === null &&
        standing.value.length === 0,
);
let startId = newKey();

async function start() {
    if (!mayStart.value) return;
    starting.value = true;
    refused.value = '';
    try {
        const run = await api.post<Run>('runs', {
            id: startId,
            ...draft.value,
            answers: answers.value,
            confirmed_by: session.person?.id,
            overrides: Object.entries(overrides.value)
                .filter(([id, reason]) => reason.trim().length >= 5 && blocks.value.some((b) => b.id === id))
                .map(([id, reason]) => ({ id, reason })),
        });
        startId = newKey();
        draft.value.charge_id = null;
        await keepRun(run);
        await refreshFloor();
        await router.push(`/run/${run.summary.id}`);
    } catch (error) {
        refused.value =
            error instanceof Refused
                ? `${error.message}${error.message.endsWith('.') ? '' : '.'}`
                : 'The server does not answer. Nothing has been started: try again, it will not start twice.';
    } finally {
        starting.value = false;
    }
}

const kept = ref('');
async function keep() {
    if (!plan.value || !product.value) return;
    try {
        const recipe = await api.post<{ version: number }>(`products/${product.value.id}/recipes`, {
            machine_id: draft.value.machines[process.value?.roles[0]?.id ?? ''],
            after_version: plan.value.opened_with?.version ?? 0,
            settings: plan.value.recipe,
        });
        kept.value = `Kept as version ${recipe.version}.`;
        draft.value.settings = {};
        await load();
    } catch (error) {
        kept.value = error instanceof Refused ? error.message : 'The server does not answer.';
    }
}
usePageKeys('Setting up', () => [
    { key: 's', says: 'Start the run', where: 'Set', do: () => void start() },
    {
        key: 'r',
        says: 'Back to the recipe',
        where: 'Set',
        do: () => {
            draft.value.settings = {};
            draft.value.choices = {};
        },
    },
]);
</script>

<template>
    <div class="page setup">
        <div class="page-head">
            <div>
                <h1>{{ process?.title ?? 'Set up a run' }}</h1>
                <p class="quiet">{{ product?.note || 'Move something: the answer follows.' }}</p>
            </div>
            <ProductPicks :shelves="shelves" :chosen="draft.product_id" @choose="choose" />
        </div>
        <p v-if="plan?.opened_with" class="opened">
            Opens with version {{ plan.opened_with.version }}, {{ dayText(plan.opened_with.created_at) }},
            {{ plan.opened_with.by
            }}<template v-if="plan.opened_with.note"
                >: <strong>{{ plan.opened_with.note }}</strong></template
            >
        </p>
        <p v-if="problem" class="card problem" role="alert">
            <strong>{{ refusal.says }}</strong> {{ problem.message }}
            <router-link
                v-if="product && problem.field.startsWith('settings.')"
                :to="`/shop/products/${product.id}`"
                >Say it of the product</router-link
            >
            <router-link v-else-if="refusal.machine" :to="`/shop/machines/${refusal.machine}`"
                >Say it of the machine</router-link
            >
            <v-btn
                v-else-if="problem.field === 'polymer' && product && draft.polymer !== null"
                variant="outlined"
                @click="polymer = product.polymer"
                >Take {{ product.polymer }}</v-btn
            >
        </p>
        <div v-if="!answered" class="card quiet">
            {{
                shop.ready && shop.products.length === 0
                    ? 'No product yet. A lead adds one under Shop.'
                    : problem
                      ? 'No answer yet.'
                      : 'Reckoning …'
            }}
        </div>
        <div v-else class="set">
            <component :is="panel" :key="answered.process" :plan="answered">
                <template #material>
                    <label class="sel"
                        ><span>Polymer</span
                        ><select v-model="polymer">
                            <option v-for="p in workable" :key="p.code" :value="p.code">
                                {{ p.code }}, {{ p.name }}
                            </option>
                        </select></label
                    >
                </template>
                <template #moved>
                    <div class="moved">
                        <v-btn
                            size="small"
                            variant="outlined"
                            :disabled="Object.keys(draft.settings).length === 0"
                            @click="
                                draft.settings = {};
                                draft.choices = {};
                            "
                            >Back to the recipe</v-btn
                        >
                        <v-btn
                            v-if="session.person?.role === 'lead'"
                            size="small"
                            variant="outlined"
                            @click="keep"
                            >Keep as recipe</v-btn
                        >
                        <p v-if="kept" role="status">{{ kept }}</p>
                    </div>
                </template>
                <LotPicks :polymer="polymer" />
                <CareDue :machines="Object.values(draft.machines)" />
                <ChangeFirst v-if="answered.change" :due="answered.change" />
                <PlanDoubts :plan="answered.plan" />
                <SafetyGate
                    v-model:answers="answers"
                    v-model:overrides="overrides"
                    v-model:scale="draft.scale"
                    :safety="answered.safety"
                    :lead="session.person?.role === 'lead'"
                />
            </component>
        </div>
        <div v-if="answered" ref="line" class="start">
            <p v-if="refused" class="refused" role="alert"><span aria-hidden="true">▲</span> {{ refused }}</p>
            <p v-else-if="draft.lot_id === null">Choose the lot to take the charge from.</p>
            <p v-else-if="standing.length > 0">
                <span aria-hidden="true">▲</span> {{ standing[0]?.because }}
            </p>
            <p v-else-if="!mayStart">Asking …</p>
            <p v-else>Nothing stops this run.</p>
            <v-btn color="primary" size="x-large" :disabled="!mayStart" :loading="starting" @click="start"
                >Start the run <span class="key ml-3">S</span></v-btn
            >
        </div>
    </div>
</template>

<style scoped>
.opened {
    margin: 0 0 10px;
}
</style>
