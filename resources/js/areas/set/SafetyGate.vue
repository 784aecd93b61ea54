<script setup lang="ts">
import { computed } from 'vue';
import type { Planned } from '../../api/types';

/** The gate before heat. What it asks and says is the core's; the server asks the core again when the run starts. */
const props = defineProps<{ safety: Planned['safety']; lead: boolean }>();
const answers = defineModel<Record<string, boolean>>('answers', { required: true });
const overrides = defineModel<Record<string, string>>('overrides', { required: true });
const scale = defineModel<string>('scale', { required: true });
/** What a person confirms by looking; until a lot is chosen, what every process asks. */
const asked = computed(() => {
    const of = props.safety?.acknowledgements ?? [
        { id: 'people_protected', text: 'Eyes, hands, arms and feet covered: everybody at the machine.' },
        { id: 'air_moving', text: 'Extraction is on, or we are in the open air.' },
    ];
    const heavy = props.safety?.blocks.some((b) => b.id === 'heavy') || answers.value.lifting_gear === true;
    return heavy
        ? [...of, { id: 'lifting_gear', text: 'Lifting gear, or two people, for what is heavy.' }]
        : of;
});
/** these stand as what is not ticked yet */
const SELF = ['people_unprotected', 'no_air', 'guard_open', 'nozzle_open', 'pressure_standing'];
</script>

<template>
    <section class="card gate" aria-labelledby="gate">
        <h2 id="gate">Before heat</h2>
        <p v-if="safety" class="quiet">Wear: {{ safety.required_ppe.join(', ') }}.</p>
        <div class="ticks">
            <label v-for="a in asked" :key="a.id" :class="{ on: answers[a.id] }"
                ><input v-model="answers[a.id]" type="checkbox" /><span>{{
                    a.text.replace(/\.$/, '')
                }}</span></label
            >
        </div>
        <p v-if="!safety" class="quiet">Choose a lot: then it is known what goes into the heat.</p>
        <template v-else>
            <div
                v-for="b in safety.blocks.filter((x) => !SELF.includes(x.id))"
                :key="b.id + b.because"
                class="block"
                role="alert"
            >
                <p>
                    <strong><span aria-hidden="true">▲</span> {{ b.because }}</strong>
                </p>
                <p>{{ b.do }}</p>
                <p class="quiet">
                    {{
                        b.who_may_override === 'nobody'
                            ? 'Nobody may override this.'
                            : lead
                              ? 'You may override this in writing; it stays with the run.'
                              : 'A lead may override this in writing.'
                    }}
                </p>
                <label v-if="b.id === 'source_not_accepted'" class="trial"
                    >This is a
                    <select v-model="scale">
                        <option value="production">normal run</option>
                        <option value="full_trial">full-size trial</option>
                        <option value="small_trial">small trial</option>
                    </select></label
                >
                <v-textarea
                    v-if="lead && b.who_may_override === 'lead'"
                    v-model="overrides[b.id]"
                    :label="`Why it may run all the same`"
                    rows="2"
                    auto-grow
                    counter="500"
                />
            </div>
            <p v-if="scale !== 'production'" class="quiet">
                Runs as a {{ scale === 'small_trial' ? 'small trial' : 'full-size trial' }}.
                <button type="button" class="plain" @click="scale = 'production'">
                    Make it a normal run
                </button>
            </p>
            <details>
                <summary>Cautions ({{ safety.cautions.length }})</summary>
                <ul>
                    <li v-for="c in safety.cautions" :key="c">{{ c }}</li>
                </ul>
            </details>
        </template>
    </section>
</template>

<style scoped>
.ticks {
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: 10px;
    margin: 10px 0;
}
.ticks label {
    display: flex;
    gap: 12px;
    align-items: center;
    border: 2px solid var(--line);
    border-radius: 4px;
    padding: 10px 14px;
    min-height: calc(var(--touch) + 8px);
    font-weight: 650;
    cursor: pointer;
}
.ticks label.on {
    border-color: var(--good);
}
.ticks input {
    width: 26px;
    height: 26px;
    flex: none;
    accent-color: var(--good);
}
.block {
    border: 2px solid var(--alarm);
    border-radius: 4px;
    padding: 12px 14px;
    margin-top: 10px;
}
.block strong {
    color: var(--alarm);
}
.trial {
    font-weight: 650;
}
.trial select {
    min-height: var(--touch);
    margin-left: 8px;
    border: 1px solid var(--line);
    border-radius: 4px;
    padding: 0 8px;
    font: inherit;
    background: var(--paper);
    color: var(--ink);
}
details {
    margin-top: 10px;
}
summary {
    cursor: pointer;
    font-weight: 650;
    min-height: 40px;
    padding-top: 8px;
}
ul {
    margin: 4px 0 0;
    padding-left: 20px;
}
.plain {
    background: none;
    border: 0;
    font: inherit;
    text-decoration: underline;
    cursor: pointer;
    color: inherit;
    min-height: 40px;
}
@media (max-width: 1000px) {
    .ticks {
        grid-template-columns: 1fr;
    }
}
</style>
