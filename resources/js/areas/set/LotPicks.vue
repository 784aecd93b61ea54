<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import { useLots } from '../../parts/useLots';
import { show } from '../../parts/units';
import { useThisSetting } from './useSetting';

/** What the charge is taken from: a weighed charge, or a lot that is found by any word. */
const props = defineProps<{ polymer: string | null }>();
const { draft, shop, process } = useThisSetting();
const fits = (form: string) => process.value?.forms.includes(form) ?? true;

/** Lots of this polymer; with every lot shown, whichever a word finds. */
const others = ref(false);
const { find, lots: found } = useLots(() => (others.value ? null : props.polymer));
watch(found, (more) => {
    shop.lots = [...shop.lots.filter((l) => !more.some((o) => o.id === l.id)), ...more];
});
const charges = computed(() => shop.charges.filter((c) => c.polymer === props.polymer));
/** A weighed charge brings its lots with it; the one with the most in it names the run's lot. */
function takeCharge(id: string) {
    const charge = charges.value.find((c) => c.id === id);
    draft.value.charge_id = charge?.id ?? null;
    draft.value.lot_id = charge?.main_lot_id ?? null;
}
const lots = computed(() =>
    [
        ...found.value,
        ...shop.lots.filter((l) => l.id === draft.value.lot_id && !found.value.some((f) => f.id === l.id)),
    ]
        .filter((l) => others.value || (l.polymer === props.polymer && fits(l.form)))
        .sort(
            (a, b) =>
                Number(b.polymer === props.polymer) - Number(a.polymer === props.polymer) || a.id - b.id,
        ),
);
</script>

<template>
    <section class="card" aria-labelledby="from">
        <!-- Above what it finds in: what comes moves nothing that is being pressed. -->
        <div class="finds">
            <h2 id="from">Take it from</h2>
            <label class="fields find"
                ><span class="sr">Find a lot</span
                ><input v-model="find" type="search" placeholder="Find: code, colour, place, source"
            /></label>
            <button class="others" type="button" @click="others = !others">
                {{ others ? `Only ${polymer}` : 'Show every lot' }}
            </button>
        </div>
        <div v-if="charges.length" class="lots">
            <label v-for="c in charges" :key="c.id" :class="['choice', { on: c.id === draft.charge_id }]"
                ><input
                    type="radio"
                    name="lot"
                    :checked="c.id === draft.charge_id"
                    @change="takeCharge(c.id)"
                /><span
                    ><strong>Charge {{ c.code }}</strong> {{ c.about }}<br /><span class="quiet"
                        >weighed, {{ show(c.weighed_g, 'mass', 1) }}, by {{ c.by }}</span
                    ></span
                ></label
            >
        </div>
        <p v-if="lots.length === 0 && find === ''" class="quiet">
            No {{ polymer }} as {{ process?.forms.join(', ') }} is here.
        </p>
        <div class="lots">
            <label
                v-for="l in lots"
                :key="l.id"
                :class="['choice', { on: l.id === draft.lot_id && !draft.charge_id }]"
            >
                <input
                    type="radio"
                    name="lot"
                    :checked="l.id === draft.lot_id && !draft.charge_id"
                    @change="
                        draft.lot_id = l.id;
                        draft.charge_id = null;
                    "
                />
                <span
                    ><i class="swatch" :style="{ background: l.swatch }" /><strong>{{ l.code }}</strong>
                    {{ l.polymer }} {{ l.colour }} {{ l.form }}<br /><span class="quiet"
                        >{{ show(l.mass_g, 'mass') }}, {{ l.source.name
                        }}<template v-if="l.source.state !== 'accepted'"
                            >, {{ l.source.state.replaceAll('_', ' ') }}</template
                        ></span
                    ></span
                >
            </label>
        </div>
    </section>
</template>
