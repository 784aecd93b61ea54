<script setup lang="ts">
import { computed } from 'vue';
import type { OwnChange, Procedure, ProcedureStep } from '../../api/types';
import TypedField from '../../parts/TypedField.vue';

/** One step of a way being changed: what ships stands beside every field, and cannot be taken away. */
const props = defineProps<{
    procedure: Procedure;
    /** null for a step of the shop's own */
    shipped: ProcedureStep | null;
    fault: { field: string; message: string } | null;
}>();
const change = defineModel<OwnChange>({ required: true });
const emit = defineEmits<{ away: [] }>();
function set<K extends keyof OwnChange>(name: K, value: OwnChange[K]) {
    change.value = { ...change.value, [name]: value };
}
const lines = (text: string) => text.split('\n');
const text = (event: Event) => (event.target as HTMLInputElement).value;
const minutes = computed({
    get: () => change.value.typical_min ?? props.shipped?.typical_min ?? null,
    set: (m: number | null) => set('typical_min', m ?? undefined),
});
const people = computed(() => change.value.people ?? props.shipped?.people ?? 1);
const fewest = computed(() => props.shipped?.people ?? 1);
const own = computed(() => props.shipped === null);
const after = computed(() => props.procedure.steps.find((s) => s.id === change.value.after));
const strictAlready = computed(() => (props.shipped?.pass_anyway ?? 'no') === 'no');
</script>

<template>
    <section class="card" aria-labelledby="step-change">
        <h2 id="step-change">{{ own ? `Our own step after “${after?.title}”` : shipped?.title }}</h2>
        <p v-if="shipped" class="quiet">
            What is asked, logged and waited for here stands: {{ shipped.entries?.length ?? 0 }} to log,
            {{ shipped.confirm?.length ?? 0 }} to confirm, {{ shipped.cautions?.length ?? 0 }} cautions.
        </p>
        <div class="fields">
            <label
                ><span>Called</span
                ><input
                    :value="change.title ?? shipped?.title ?? ''"
                    maxlength="60"
                    autocomplete="off"
                    @input="set('title', text($event))"
            /></label>
            <label
                ><span>On the button</span
                ><input
                    :value="change.button ?? shipped?.button ?? 'Done'"
                    maxlength="40"
                    autocomplete="off"
                    @input="set('button', text($event))"
            /></label>
            <label class="wide"
                ><span>What to do</span
                ><textarea
                    :value="change.do ?? shipped?.do ?? ''"
                    maxlength="300"
                    rows="2"
                    @input="set('do', text($event))"
                />
                <small v-if="shipped && change.do && change.do !== shipped.do"
                    >Shipped: {{ shipped.do }}</small
                >
            </label>
            <label class="wide"
                ><span>Why</span
                ><textarea
                    :value="change.why ?? shipped?.why ?? ''"
                    maxlength="200"
                    rows="2"
                    @input="set('why', text($event))"
                />
                <small v-if="shipped && change.why && change.why !== shipped.why"
                    >Shipped: {{ shipped.why }}</small
                >
            </label>
            <TypedField v-model="minutes" label="Usually, min" dimension="number" :min="0.1" :max="600" />
            <label
                ><span>People</span
                ><select :value="people" @change="set('people', Number(text($event)))">
                    <option v-for="n in 6 - fewest + 1" :key="n" :value="fewest + n - 1">
                        {{ fewest + n - 1 }}
                    </option>
                </select></label
            >
            <template v-if="own">
                <label
                    ><span>Where</span
                    ><select :value="change.place ?? after?.place" @change="set('place', text($event))">
                        <option v-for="(p, id) in procedure.places" :key="id" :value="id">
                            {{ p.title }}
                        </option>
                    </select></label
                >
                <label
                    ><span>Hands meanwhile</span
                    ><select
                        :value="change.hands ?? 'free'"
                        @change="set('hands', text($event) as OwnChange['hands'])"
                    >
                        <option value="free">free to tap</option>
                        <option value="one">one is free</option>
                        <option value="none">none is free</option>
                    </select></label
                >
            </template>
            <label class="wide"
                ><span>Cautions as well, a line for each</span
                ><textarea
                    :value="(change.cautions ?? []).join('\n')"
                    rows="2"
                    @input="set('cautions', lines(text($event)))"
                />
                <small v-for="c in shipped?.cautions ?? []" :key="c">▲ {{ c }}</small>
            </label>
            <label class="wide"
                ><span>To confirm as well before going on, a line for each</span
                ><textarea
                    :value="(change.checks ?? []).join('\n')"
                    rows="2"
                    @input="set('checks', lines(text($event)))"
                />
                <small v-for="c in shipped?.confirm ?? []" :key="c.id">☐ {{ c.text }}</small>
            </label>
        </div>
        <label v-if="!own && !strictAlready" class="tick"
            ><input
                type="checkbox"
                :checked="change.strict ?? false"
                @change="set('strict', ($event.target as HTMLInputElement).checked)"
            />Nobody goes on here without what it waits for, not with a reason either</label
        >
        <p v-if="fault" class="fault" role="alert">{{ fault.message }}</p>
        <p class="acts">
            <v-btn variant="text" @click="emit('away')">{{
                own ? 'Take this step away' : 'As shipped again'
            }}</v-btn>
        </p>
    </section>
</template>

<style scoped>
textarea {
    resize: vertical;
    padding: 10px;
    min-height: calc(2lh + 24px);
}
small {
    display: block;
    color: var(--quiet);
}
.tick {
    display: flex;
    gap: 10px;
    align-items: center;
    min-height: var(--touch);
}
.tick input {
    width: 22px;
    height: 22px;
}
</style>
