<script setup lang="ts">
import { useEventListener } from '@vueuse/core';
import { computed, ref, watch } from 'vue';
import type { Plausible, ProcedureEntry } from '../api/types';
import { parseQuantity } from '../units/quantity';
import { shown } from './units';

/** Values for one log entry, by glove: one field after the other on a large pad; keys work too. */
const props = defineProps<{
    entry: ProcedureEntry | null;
    before?: Record<string, unknown>;
    correcting?: boolean;
    /** between what numbers are believed at once */
    plausible?: Plausible[];
}>();
const emit = defineEmits<{ done: [values: Record<string, unknown>, reason: string]; close: [] }>();
const values = ref<Record<string, string>>({});
const field = ref(0);
const reason = ref('');
const open = computed({
    get: () => props.entry !== null,
    set: (on) => {
        if (!on) emit('close');
    },
});
const fields = computed(
    () =>
        props.entry?.fields.filter((f) => f.kind !== 'thickness_grid' && f.kind !== 'charge' && !f.unasked) ??
        [],
);
const current = computed(() => fields.value[field.value] ?? null);
const needed = (f: (typeof fields.value)[number]) =>
    f.required === true || Object.entries(f.required_when ?? {}).some(([k, v]) => values.value[k] === v);
const fresh = ref(true);

watch(
    () => props.entry,
    () => {
        field.value = 0;
        reason.value = doubted.value = '';
        fresh.value = true;
        values.value = Object.fromEntries(
            fields.value.map((f) => {
                const was = props.before?.[f.id];
                return [
                    f.id,
                    was === undefined || was === null
                        ? ''
                        : f.dimension && typeof was === 'number'
                          ? String(Math.round(shown(f.dimension).from(was) * 1000) / 1000)
                          : String(was),
                ];
            }),
        );
    },
);

function press(key: string) {
    if (!current.value) return;
    const id = current.value.id;
    const was = fresh.value ? '' : (values.value[id] ?? '');
    fresh.value = false;
    if (key === '⌫') values.value[id] = was.slice(0, -1);
    else if (/[0-9.]/.test(key) ? (key === '.' ? !was.includes('.') : was.length < 12) : was.length < 16)
        values.value[id] = was + key;
}
/** What stands in a field, in the shop's unit; a unit may be typed behind the number. Null while it means nothing. */
function readField(f: (typeof fields.value)[number]): number | null {
    const dimension = f.dimension ?? 'number';
    return parseQuantity(values.value[f.id] ?? '', dimension, shown(dimension).unit).value;
}
const unread = computed(
    () =>
        fields.value.find((f) => !f.kind && (values.value[f.id] ?? '') !== '' && readField(f) === null) ??
        null,
);
const complete = computed(
    () =>
        fields.value.every((f) => !needed(f) || (values.value[f.id] ?? '') !== '') &&
        (!props.correcting || reason.value.trim() !== '') &&
        unread.value === null,
);
/** What cannot well be: said once, and taken when it is pressed again. */
const doubts = computed(() =>
    fields.value.flatMap((f) => {
        const read = f.kind || (values.value[f.id] ?? '') === '' ? null : readField(f);
        const of = props.plausible?.find((p) => p.entry === props.entry?.id && p.field === f.id);
        if (!of || read === null) return [];
        const beyond = (of.high !== null && read > of.high) || (of.low !== null && read < of.low);
        return beyond ? [`${f.label} ${values.value[f.id]}? ${of.says}`] : [];
    }),
);
const doubted = ref('');
function go(index: number) {
    field.value = index;
    fresh.value = true;
}
function finish() {
    if (!complete.value || !props.entry) return;
    const said = doubts.value.join(' ');
    if (said !== doubted.value) {
        doubted.value = said;
        if (said !== '') return;
    }
    const out: Record<string, unknown> = {};
    for (const f of fields.value) {
        const text = values.value[f.id] ?? '';
        if (text === '') continue;
        const read = readField(f);
        if (!f.kind && read === null) return;
        out[f.id] = f.kind ? text : Math.round((read ?? 0) * 1e4) / 1e4;
    }
    emit('done', out, reason.value.trim());
}
function typed(event: KeyboardEvent) {
    if (!open.value) return;
    if (
        (event.target as HTMLElement).tagName === 'TEXTAREA' ||
        (event.target as HTMLElement).tagName === 'INPUT'
    )
        return;
    if (/^[0-9.]$/.test(event.key)) press(event.key);
    else if (event.key === ',') press('.');
    else if (
        /^[a-z°"'/ ]$/i.test(event.key) &&
        !event.ctrlKey &&
        !event.metaKey &&
        !event.altKey &&
        current.value &&
        !current.value.kind
    ) {
        event.preventDefault();
        press(event.key);
    } else if (event.key === 'Backspace') press('⌫');
    else if (event.key === 'Enter') {
        event.preventDefault();
        if (field.value < fields.value.length - 1 && !current.value?.kind) go(field.value + 1);
        else finish();
    } else return;
    event.stopPropagation();
}
// On the window and first: digits count from the moment the pad is asked for, wherever the focus is.
useEventListener(window, 'keydown', typed, { capture: true });
</script>

<template>
    <v-dialog v-model="open" max-width="620">
        <v-card v-if="entry" class="pa-5" tabindex="-1">
            <h2>{{ correcting ? `Correct: ${entry.title}` : entry.title }}</h2>
            <div class="pad-grid">
                <div class="fields">
                    <template v-for="(f, i) in fields" :key="f.id">
                        <button
                            v-if="!f.kind"
                            type="button"
                            :class="['field', { on: i === field }]"
                            :aria-pressed="i === field"
                            @click="go(i)"
                        >
                            <span>{{ f.label }}{{ needed(f) ? '' : ' (may stay empty)' }}</span>
                            <strong class="mono"
                                >{{ values[f.id] || '–' }}
                                <small>{{
                                    f.dimension && !/[a-z]/i.test(values[f.id] ?? '')
                                        ? shown(f.dimension).unit
                                        : ''
                                }}</small></strong
                            >
                            <span v-if="unread?.id === f.id" class="fault"
                                >not a {{ f.dimension ?? 'number' }}</span
                            >
                        </button>
                        <div
                            v-else-if="f.kind === 'choice'"
                            class="choices"
                            role="group"
                            :aria-label="f.label"
                        >
                            <button
                                v-for="c in f.choices"
                                :key="c"
                                type="button"
                                :class="{ on: values[f.id] === c }"
                                :aria-pressed="values[f.id] === c"
                                @click="values[f.id] = c"
                            >
                                {{ c }}
                            </button>
                        </div>
                        <v-textarea
                            v-else
                            v-model="values[f.id]"
                            :label="`${f.label}${needed(f) ? '' : ' (may stay empty)'}`"
                            rows="2"
                            class="mt-2"
                        />
                    </template>
                    <v-textarea
                        v-if="correcting"
                        v-model="reason"
                        label="Why it is corrected"
                        rows="2"
                        class="mt-2"
                    />
                </div>
                <div v-if="current && !current.kind" class="digits">
                    <button
                        v-for="d in ['7', '8', '9', '4', '5', '6', '1', '2', '3', '.', '0', '⌫']"
                        :key="d"
                        type="button"
                        :aria-label="d === '⌫' ? 'Delete' : d"
                        @click="press(d)"
                    >
                        {{ d }}
                    </button>
                </div>
            </div>
            <p v-if="doubted !== '' && doubted === doubts.join(' ')" class="fault" role="alert">
                {{ doubted }} Press again if it is so.
            </p>
            <div class="end">
                <v-btn variant="outlined" @click="open = false">Cancel</v-btn>
                <v-btn color="primary" size="large" :disabled="!complete" @click="finish">{{
                    doubted !== '' && doubted === doubts.join(' ')
                        ? 'It is so: log it'
                        : correcting
                          ? 'Add the correction'
                          : 'Log it'
                }}</v-btn>
            </div>
        </v-card>
    </v-dialog>
</template>

<style scoped>
.pad-grid {
    display: flex;
    gap: 18px;
    margin: 14px 0;
}
.fields {
    flex: 1;
    display: grid;
    gap: 8px;
    align-content: start;
    min-width: 200px;
}
.field {
    text-align: left;
    border: 1px solid var(--line);
    border-radius: 4px;
    background: var(--paper);
    color: var(--ink);
    padding: 8px 12px;
    font: inherit;
    min-height: 64px;
    cursor: pointer;
}
.field.on {
    border: 2px solid var(--ember);
}
.field strong {
    display: block;
    font-size: 1.7rem;
}
small {
    font-size: 1rem;
}
.digits {
    display: grid;
    grid-template-columns: repeat(3, 76px);
    gap: 8px;
    align-content: start;
}
.digits button {
    height: 68px;
    font: inherit;
    font-size: 1.6rem;
    font-weight: 700;
    background: var(--still);
    color: var(--ink);
    border: 1px solid var(--line);
    border-radius: 4px;
    cursor: pointer;
}
.choices {
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: 8px;
}
.choices button {
    min-height: calc(var(--touch) + 8px);
    font: inherit;
    font-weight: 650;
    background: var(--paper);
    color: var(--ink);
    border: 1px solid var(--line);
    border-radius: 4px;
    cursor: pointer;
    padding: 6px 10px;
}
.choices button.on {
    background: var(--bar);
    color: var(--on-bar);
}
.end {
    display: flex;
    justify-content: flex-end;
    gap: 12px;
}
@media (max-width: 600px) {
    .pad-grid {
        flex-direction: column;
    }
}
</style>
