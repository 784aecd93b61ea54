<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query';
import { computed, ref, watch } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { api } from '../../api/client';
import { newKey } from '../../api/queue';
import type { Lot, LotDetail, Merge, Page, Polymer, Product } from '../../api/types';
import TypedField from '../../parts/TypedField.vue';
import { dayText, number, show, timeOfDay } from '../../parts/units';
import { sentence, useLatest, useSend } from '../../parts/useSend';
import SortNav from './SortNav.vue';

const id = String(useRoute().params.id);
const router = useRouter();
const queries = useQueryClient();
const { data, isPending } = useQuery({
    queryKey: ['lot', id],
    queryFn: () => api.get<LotDetail>(`lots/${id}`),
});
const { data: polymers } = useQuery({
    queryKey: ['polymers'],
    queryFn: () => api.list<Polymer>('polymers'),
});
const { data: products } = useQuery({
    queryKey: ['products'],
    queryFn: () => api.list<Product>('products'),
});
const lot = computed(() => data.value?.lot ?? null);
const { data: kin } = useQuery({
    queryKey: ['lots', 'of', computed(() => lot.value?.polymer)],
    queryFn: () => api.list<Lot>(`lots?polymer=${lot.value?.polymer}`),
    enabled: computed(() => lot.value !== null),
});

type Kind = 'split' | 'shred' | 'merge' | 'count' | 'waste' | 'place' | 'contamination' | 'doubt';
const doing = ref<Kind | null>(null);
const shreddable = computed(() => ['item', 'sheet', 'offcut'].includes(lot.value?.form ?? ''));
const DOES = computed<[Kind, string][]>(() => [
    ['split', 'Split'],
    ...(shreddable.value ? [['shred', 'Shred'] as [Kind, string]] : []),
    ...(lot.value?.polymer === 'UNKNOWN' ? [] : [['merge', 'Merge'] as [Kind, string]]),
    ['count', 'Stock-take'],
    ['place', 'Place, keep for'],
    ['contamination', 'Foreign matter'],
    ['waste', 'To waste'],
    ...(lot.value?.polymer === 'UNKNOWN' ? [] : [['doubt', 'Is it that?'] as [Kind, string]]),
]);
const mass = ref<number | null>(null);
const out = ref<number | null>(null);
const tare = ref<number | null>(null);
const place = ref('');
const reason = ref('');
const keepFor = ref<number | null>(null);
const found = ref('PP');
const other = ref<number | null>(null);
const { busy, fault, send } = useSend();
let key = newKey();
watch(doing, (kind) => {
    fault.value = null;
    out.value = tare.value = null;
    reason.value = '';
    other.value = null;
    mass.value = kind === 'shred' || kind === 'merge' ? (lot.value?.mass_g ?? null) : null;
    place.value = kind === 'place' ? (lot.value?.location ?? '') : '';
    keepFor.value = lot.value?.reserved_for_id ?? null;
});
const together = computed(() => {
    const with_ = kin.value?.find((l) => l.id === other.value);
    return !lot.value || !with_ || !mass.value
        ? null
        : [
              { id: lot.value.id, mass_g: mass.value },
              { id: with_.id, mass_g: out.value ?? with_.mass_g },
          ];
});
const { answer: merge, fault: unmergeable } = useLatest(together, () =>
    together.value && doing.value === 'merge'
        ? api.post<Merge>('lots/merge', { preview: true, lots: together.value })
        : null,
);
async function act() {
    if (!lot.value || !doing.value) return;
    const kind = doing.value;
    const body: Record<string, unknown> = {
        split: { mass_g: mass.value, location: place.value, tare_g: tare.value },
        shred: { mass_in_g: mass.value, mass_out_g: out.value, location: place.value, tare_g: tare.value },
        merge: { lots: together.value, location: place.value, tare_g: tare.value },
        count: { weighed_g: mass.value, reason: reason.value },
        waste: { mass_g: mass.value, reason: reason.value },
        place: {
            from: lot.value.location,
            location: place.value,
            tare_g: tare.value ?? lot.value.tare_g,
            reserved_for_id: keepFor.value,
        },
        contamination: {
            found: found.value,
            found_g: mass.value ?? 0,
            sample_g: out.value,
            note: reason.value,
        },
        doubt: { reason: reason.value },
    }[kind];
    const done = await send(() =>
        api.post<Page<Lot>>(kind === 'merge' ? 'lots/merge' : `lots/${lot.value?.id}/acts`, {
            id: key,
            kind,
            ...body,
        }),
    );
    if (!done) return;
    key = newKey();
    doing.value = null;
    await Promise.all([
        queries.invalidateQueries({ queryKey: ['lot'] }),
        queries.invalidateQueries({ queryKey: ['lots'] }),
    ]);
    const made = done.items[0];
    if (made && ['split', 'shred', 'merge'].includes(kind)) await router.push(`/sort/lots/${made.id}`);
}
/** One tap for a mass that was meant in kilograms: a correcting act of its own, the first line stays. */
async function putRight(act: string) {
    const done = await send(() =>
        api.post<Page<Lot>>(`lots/${lot.value?.id}/acts`, { id: newKey(), kind: 'put_right', act_id: act }),
    );
    if (done)
        await Promise.all([
            queries.invalidateQueries({ queryKey: ['lot'] }),
            queries.invalidateQueries({ queryKey: ['lots'] }),
        ]);
}
/** What is known of a lot of sheet, in words. */
const sheetWords = (sheet: unknown) =>
    Object.entries(sheet as Record<string, unknown>)
        .filter(([, v]) => v)
        .map(
            ([k, v]) =>
                `${k.replace('_mm', '').replace('_', ' ')} ${String(v)}${k.endsWith('_mm') ? ' mm' : ''}`,
        )
        .join(', ');
</script>

<template>
    <div class="page">
        <p v-if="!data || !lot" class="card">
            {{ isPending ? 'Opening the lot …' : 'There is no such lot.' }}
        </p>
        <template v-else>
            <div class="page-head">
                <div>
                    <h1>
                        <i class="swatch big" :style="{ background: lot.swatch }" />{{ lot.code }}
                        <span v-if="lot.never_hot" class="tag bad">▲ never hot</span>
                    </h1>
                    <p class="quiet">
                        {{ lot.polymer }}, {{ lot.colour }} {{ lot.form
                        }}<template v-if="lot.generation">, pass {{ lot.generation }}</template> ·
                        {{ lot.location || 'no place' }} · from
                        <router-link :to="`/sort/sources/${lot.source.id}`">{{
                            lot.source.name
                        }}</router-link>
                        ({{ lot.source.state.replaceAll('_', ' ') }})<template v-if="lot.reserved_for">
                            · kept for {{ lot.reserved_for }}</template
                        ><template v-if="lot.dry_minutes_left !== null">
                            · {{ lot.dry_state
                            }}<template v-if="(lot.dry_minutes_left ?? 0) > 0"
                                >, {{ number((lot.dry_minutes_left ?? 0) / 60, 1) }} h left</template
                            ></template
                        >
                    </p>
                    <p v-if="lot.sheet" class="quiet">Sheet {{ sheetWords(lot.sheet) }}</p>
                </div>
                <div class="held">
                    <p class="mono">{{ show(lot.mass_g, 'mass') }}</p>
                    <p class="quiet">
                        {{ lot.tare_g === null ? 'no tare kept' : `container ${show(lot.tare_g, 'mass')}` }}
                    </p>
                </div>
            </div>
            <SortNav />
            <section class="card" aria-label="What to do with it">
                <div class="acts">
                    <v-btn
                        v-for="[k, says] in DOES"
                        :key="k"
                        :variant="doing === k ? 'flat' : 'outlined'"
                        :aria-pressed="doing === k"
                        @click="doing = doing === k ? null : k"
                        >{{ says }}</v-btn><v-btn
                        v-if="lot.polymer === 'UNKNOWN'"
                        color="primary"
                        :to="`/sort/find?lot=${lot.id}`"
                        >Find the polymer</v-btn
                    ><a :href="`/api/v1/lots/${lot.code}/label.pdf`" target="_blank">Label, PDF</a
                    ><a :href="`/api/v1/lots/${lot.code}/label.svg`" target="_blank">SVG</a
                    ><a :href="`/api/v1/lots/${lot.code}/history.json`">History, JSON</a>
                </div>
                <form v-if="doing" class="fields doing" @submit.prevent="act">
                    <template v-if="doing === 'split'"
                        ><TypedField dimension="mass" v-model="mass" label="Take out" /><label
                            >Goes to<input v-model="place" maxlength="60" /></label
                        ><TypedField dimension="mass" v-model="tare" label="New container, tare"
                    /></template>
                    <template v-else-if="doing === 'shred'"
                        ><TypedField dimension="mass" v-model="mass" label="Into the shredder" /><TypedField
                            dimension="mass"
                            v-model="out"
                            label="Flake that came out"
                            :note="mass && out ? `${show(mass - out, 'mass')} dust` : ''" /><label
                            >Goes to<input v-model="place" maxlength="60" /></label
                        ><TypedField dimension="mass" v-model="tare" label="Container, tare"
                    /></template>
                    <template v-else-if="doing === 'merge'"
                        ><TypedField dimension="mass" v-model="mass" :label="`Of ${lot.code}`" /><label
                            >With<select v-model="other">
                                <option :value="null" disabled>a lot of {{ lot.polymer }}</option>
                                <option
                                    v-for="l in (kin ?? []).filter((x) => x.id !== lot?.id && x.mass_g > 0)"
                                    :key="l.id"
                                    :value="l.id"
                                >
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
                            :note="mass === null ? '' : `the book says ${show(lot.mass_g, 'mass')}`" /><label
                            class="wide"
                            >Why they differ<input v-model="reason" maxlength="500" /></label
                    ></template>
                    <template v-else-if="doing === 'waste'"
                        ><TypedField dimension="mass" v-model="mass" label="Goes to waste" /><label
                            class="wide"
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
                                    v-for="p in (polymers ?? []).filter((x) => x.code !== lot?.polymer)"
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
                        <v-btn color="primary" type="submit" :loading="busy">{{
                            DOES.find(([k]) => k === doing)?.[1]
                        }}</v-btn>
                        <p v-if="fault ?? unmergeable" role="alert" class="fault">
                            {{ sentence((fault ?? unmergeable)!) }}
                        </p>
                    </div>
                </form>
            </section>
            <section
                v-if="data.from.length || data.to.length"
                class="card kin"
                aria-label="Where it came from and went"
            >
                <div>
                    <h2>From</h2>
                    <p v-if="data.from.length === 0" class="quiet">{{ lot.source.name }}</p>
                    <router-link
                        v-for="(l, i) in data.from"
                        :key="i"
                        :to="`/sort/lots/${l.lot_id}`"
                        class="node"
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
                    <p v-if="data.to.length === 0" class="quiet">still here, or into runs</p>
                    <router-link
                        v-for="(l, i) in data.to"
                        :key="i"
                        :to="`/sort/lots/${l.lot_id}`"
                        class="node"
                        ><i class="swatch" :style="{ background: l.swatch }" />{{ l.code }}
                        <span class="quiet">{{ l.kind }}, {{ show(l.mass_g, 'mass') }}</span></router-link
                    >
                </div>
            </section>
            <section v-if="data.contamination.length" class="card">
                <h2>Foreign matter</h2>
                <ul class="found">
                    <li v-for="c in data.contamination" :key="c.at">
                        <span :class="['tag', c.verdict === 'within' ? 'good' : 'bad']"
                            >{{ c.verdict === 'within' ? '' : '▲ ' }}{{ c.verdict }}</span
                        >
                        {{ c.because }}
                        <span class="quiet"
                            >{{ show(c.found_g, 'mass', 1) }} in {{ show(c.sample_g, 'mass') }}, {{ c.by }},
                            {{ dayText(c.at) }} {{ c.note }}</span
                        >
                    </li>
                </ul>
            </section>
            <section class="card">
                <h2>Ledger</h2>
                <p v-if="fault && !doing" role="alert" class="fault">{{ sentence(fault) }}</p>
                <p class="quiet">
                    Newest first. Nothing here is ever changed; a correction is a line of its own.
                </p>
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
                        <tr v-for="m in data.movements" :key="m.id">
                            <td class="num">{{ dayText(m.at) }} {{ timeOfDay(m.at) }}</td>
                            <td>
                                {{ m.kind
                                }}<template v-if="m.run_id"
                                    >,
                                    <router-link :to="`/learn/${m.run_id}`"
                                        >run {{ m.run_number }}</router-link
                                    ></template
                                ><template v-else-if="m.charge_id"
                                    >,
                                    <router-link :to="`/weigh/${m.charge_id}`"
                                        >a charge</router-link
                                    ></template
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
                                    @click="putRight(m.act_id)"
                                >
                                    It was {{ show(1000 * Math.abs(m.mass_g), 'mass') }}: put right
                                </button>
                            </td>
                            <td class="n">{{ show(m.balance_g, 'mass') }}</td>
                        </tr>
                    </tbody>
                </table>
            </section>
            <section v-if="lot.picture_id" class="card">
                <h2>Swatch</h2>
                <img
                    class="photo"
                    :src="`/api/v1/pictures/${lot.picture_id}`"
                    :alt="`Swatch of ${lot.code}`"
                />
            </section>
        </template>
    </div>
</template>

<style scoped>
.big {
    width: 30px;
    height: 30px;
    vertical-align: -4px;
}
.held {
    text-align: right;
}
.held .mono {
    font-size: 2.2rem;
    line-height: 1.1;
}
section {
    margin-bottom: 12px;
}
.acts {
    display: flex;
    gap: 10px;
    flex-wrap: wrap;
    align-items: center;
}
.doing {
    margin-top: 14px;
    padding-top: 14px;
    border-top: 1px solid var(--line);
}
.wide {
    grid-column: 1 / -1;
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
.found {
    padding-left: 0;
    list-style: none;
}
.photo {
    max-width: 320px;
    border-radius: 3px;
}
</style>
