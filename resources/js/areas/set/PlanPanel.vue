<script setup lang="ts">
import { computed } from 'vue';
import type { Planned, School } from '../../api/types';
import QuantityField from '../../parts/QuantityField.vue';
import TypedField from '../../parts/TypedField.vue';
import { clockText, show } from '../../parts/units';
import { drawingOf } from '../../processes/panels';
import { title } from '../reckon/schema';
import MachinePicks from './MachinePicks.vue';
import { decimalsOf, dimensionOf, rangeOf, type Bounds } from './ranges';
import { useThisSetting } from './useSetting';

/** The panel that the plan of any process fits: what can be moved, what it comes to, the methods, the drawing. */
const props = defineProps<{ plan: Planned }>();
const { draft, process, value, from } = useThisSetting();

const schema = computed(
    () => (process.value?.settings as { properties?: Record<string, Bounds> } | undefined)?.properties ?? {},
);
const settings = computed(() =>
    props.plan.plan.settings.map((s) => {
        const bounds = schema.value[s.name] ?? {};
        const dimension = dimensionOf(s.unit);
        const range = rangeOf(s, bounds);
        return {
            ...s,
            ...range,
            dimension,
            label: dimension === 'number' && s.unit ? `${title(s.name)}, ${s.unit}` : title(s.name),
            digits: dimension === 'number' ? decimalsOf(range.step) : undefined,
            note: bounds.description,
        };
    }),
);
/** With a window first: that is what is turned. What nobody has said can be entered; the rest is folded away. */
const turned = computed(() => settings.value.filter((s) => s.value !== null && s.low != null));
const rest = computed(() => settings.value.filter((s) => s.value !== null && s.low == null));
const unsaid = computed(() => settings.value.filter((s) => s.value === null));
const models = Object.fromEntries(props.plan.plan.settings.map((s) => [s.name, value(s.name)]));
/** where a value came from, and what that is on a dial that shows no degrees */
const said = (name: string) => {
    const mark = props.plan.in_marks?.[name];
    return mark === undefined ? from(name) : `${mark} on its own scale; ${from(name)}`;
};
const set = (name: string, to: number | null) => {
    if (to === null) delete draft.value.settings[name];
    else draft.value.settings[name] = to;
};

/** what each method would give on this very plan */
const givenBy = (school: string): Record<string, string> =>
    Object.fromEntries(
        (props.plan.plan.gives ?? []).filter((g) => g.school === school).map((g) => [g.choice, g.says]),
    );
const schools = computed(() =>
    Object.entries((process.value?.schools ?? {}) as Record<string, School>)
        // Where the plan settles on none of a school it changes nothing.
        .filter(([id]) => props.plan.choices[id] !== undefined)
        .map(([id, school]) => ({
            id,
            ...school,
            chosen: draft.value.choices[id] ?? props.plan.choices[id],
        }))
        .map((school) => ({ ...school, gives: givenBy(school.id) }))
        // What this machine cannot is not offered.
        .map(({ choices, ...of }) => ({
            ...of,
            choices: choices.filter((c) => Object.keys(of.gives).length === 0 || c.id in of.gives),
        })),
);
const chosen = computed(() =>
    schools.value.map((s) => s.choices.find((c) => c.id === s.chosen)?.title.toLowerCase()).join('; '),
);
const drawing = computed(() => drawingOf(props.plan.process));
const COLOURS = { heat: 'hot', cool: 'cold', wait: '' };
const targets = computed(() => props.plan.plan.targets as Record<string, unknown>);
const told = computed(() => [
    {
        id: 'charge',
        name: props.plan.plan.charge.method === 'cut' ? 'Blank' : 'Each takes',
        text: show(props.plan.plan.charge.mass_g, 'mass', props.plan.plan.charge.mass_g < 1000 ? 1 : 0),
        why: '',
        kind: '',
    },
    ...props.plan.plan.timers.map((t) => {
        const known = process.value?.timers.find((k) => k.id === t.id);
        return {
            id: t.id,
            name: known?.title ?? title(t.id),
            text: clockText(60 * t.minutes),
            why: t.because,
            kind: COLOURS[known?.kind ?? 'wait'],
        };
    }),
    // What no setting says, and hands set all the same.
    ...Object.entries(props.plan.in_marks ?? {})
        .filter(([name]) => !settings.value.some((s) => s.name === name))
        .map(([name, mark]) => ({
            id: name,
            name: title(name),
            text: show(targets.value[name] as number | null, 'temperature'),
            why: mark,
            kind: '',
        })),
]);
</script>

<template>
    <section class="moves card" aria-label="What can be moved">
        <slot name="material" />
        <MachinePicks />
        <QuantityField
            v-for="s in turned"
            :key="s.name"
            v-model="models[s.name]!.value"
            :label="s.label"
            :dimension="s.dimension"
            :min="s.min"
            :max="s.max"
            :step="s.step"
            :digits="s.digits"
            :origin="said(s.name)"
        />
        <details :open="rest.length <= 6">
            <summary>More that can be moved</summary>
            <QuantityField
                v-for="s in rest"
                :key="s.name"
                v-model="models[s.name]!.value"
                :label="s.label"
                :dimension="s.dimension"
                :min="s.min"
                :max="s.max"
                :step="s.step"
                :digits="s.digits"
                :origin="said(s.name)"
            />
        </details>
        <details v-if="unsaid.length > 0" class="fields">
            <summary>Not said yet: {{ unsaid.length }}</summary>
            <TypedField
                v-for="s in unsaid"
                :key="s.name"
                :model-value="draft.settings[s.name] ?? null"
                :label="s.label"
                :dimension="s.dimension"
                :note="s.note"
                @update:model-value="(to) => set(s.name, to)"
            />
        </details>
        <slot name="moved" />
    </section>

    <div class="answers">
        <section class="three told" aria-label="The answer">
            <div v-for="t in told" :key="t.id" :class="t.kind">
                <p>{{ t.name }}</p>
                <strong class="mono">{{ t.text }}</strong>
                <p class="quiet">{{ t.why }}</p>
            </div>
        </section>
        <section v-if="plan.plan.cautions.length > 0" class="card" aria-label="Cautions">
            <p v-for="c in plan.plan.cautions" :key="c" class="caution">
                <span aria-hidden="true">▲</span> {{ c }}
            </p>
        </section>
        <slot />
        <section class="card" aria-labelledby="whole">
            <h2 id="whole">In one sentence</h2>
            <p>{{ plan.plan.explanation }}</p>
            <p v-for="w in plan.plan.warnings" :key="w" class="warn">
                <span aria-hidden="true">▲</span> {{ w }}
            </p>
            <component :is="drawing" v-if="drawing" :plan="plan.plan" />
        </section>
        <details v-if="schools.length > 0" class="card" aria-label="By which method">
            <summary>
                <span>By which method: </span><span class="quiet">{{ chosen }}</span>
            </summary>
            <fieldset v-for="s in schools" :key="s.id" class="methods">
                <legend>{{ s.title }}</legend>
                <p class="quiet">{{ s.because }}</p>
                <label v-for="c in s.choices" :key="c.id" :class="['choice', { on: c.id === s.chosen }]">
                    <input
                        type="radio"
                        :name="s.id"
                        :checked="c.id === s.chosen"
                        @change="draft.choices[s.id] = c.id"
                    />
                    <span>
                        {{ c.title }}<template v-if="c.id === s.default">, our default</template>
                        <small v-if="s.gives[c.id]" class="quiet">{{ s.gives[c.id] }}</small>
                    </span>
                </label>
            </fieldset>
        </details>
    </div>
</template>
