<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query';
import { computed, ref } from 'vue';
import { api } from '../../api/client';
import { session } from '../../api/session';
import type { OwnValue, Page } from '../../api/types';
import TypedField from '../../parts/TypedField.vue';
import { dayText, number, show } from '../../parts/units';
import { sentence, useSend } from '../../parts/useSend';

/** The shop's own values of a polymer beside the library's: what is in force, who said so and why, and the way back. */
const props = defineProps<{ code: string }>();
const client = useQueryClient();
const lead = computed(() => session.person?.role === 'lead');
const path = computed(() => `polymers/${props.code}/overrides`);
const values = useQuery({
    queryKey: computed(() => ['own-values', props.code]),
    queryFn: () => api.list<OwnValue>(path.value),
});
const own = computed(() => (values.data.value ?? []).filter((v) => v.log.length > 0));
const text = (v: OwnValue, value: number | null) => {
    if (value === null) return '–';
    return v.unit === '°C' ? show(value, 'temperature') : `${number(value, 3)} ${v.unit}`;
};

const chosen = ref('');
const known = computed(() => values.data.value?.find((v) => v.path === chosen.value) ?? null);
const value = ref<number | null>(null);
const reason = ref('');
const said = ref('');
const { busy, fault, send } = useSend();
function choose(v: OwnValue) {
    chosen.value = v.path;
    value.value = v.own ?? v.library;
    reason.value = '';
    said.value = '';
    fault.value = null;
}
async function set(to: number | null) {
    const about = known.value;
    if (!about) return;
    const now = await send(() =>
        api.post<Page<OwnValue>>(path.value, {
            path: about.path,
            value: to,
            reason: reason.value,
            after: about.after,
        }),
    );
    if (!now) return;
    client.setQueryData(['own-values', props.code], now.items);
    reason.value = '';
    said.value =
        to === null
            ? "The library's again, from now on."
            : 'Set. Every new answer uses it and says so; runs that are over keep what they had.';
    await client.invalidateQueries({ queryKey: ['polymers'] });
}
</script>

<template>
    <section aria-labelledby="own-values">
        <h3 id="own-values">Our own values</h3>
        <p v-if="own.length === 0" class="quiet">None: all that is known of {{ code }} is the library's.</p>
        <table v-else class="rows">
            <thead>
                <tr>
                    <th>What</th>
                    <th class="n">In force</th>
                    <th class="n">Library</th>
                    <th>Said</th>
                </tr>
            </thead>
            <tbody>
                <tr v-for="v in own" :key="v.path">
                    <td>
                        <button v-if="lead" type="button" class="plain" @click="choose(v)">
                            {{ v.title }}</button><template v-else>{{ v.title }}</template>
                    </td>
                    <td class="n">
                        <strong>{{ text(v, v.own ?? v.library) }}</strong><br /><span class="quiet">{{
                            v.own === null ? "the library's" : 'ours'
                        }}</span>
                    </td>
                    <td class="n">{{ text(v, v.library) }}</td>
                    <td>
                        <p v-for="e in [...v.log].reverse()" :key="e.id" class="said">
                            {{ dayText(e.at) }}, {{ e.by }}:
                            {{ e.value === null ? 'back to the library' : text(v, e.value) }}, {{ e.reason }}
                        </p>
                    </td>
                </tr>
            </tbody>
        </table>
        <form v-if="lead" class="fields change" @submit.prevent="set(value)">
            <label
                ><span>Set our own</span
                ><select
                    :value="chosen"
                    @change="
                        (e) => {
                            const v = values.data.value?.find(
                                (x) => x.path === (e.target as HTMLSelectElement).value,
                            );
                            if (v) choose(v);
                        }
                    "
                >
                    <option value="" disabled>choose what</option>
                    <option v-for="v in values.data.value" :key="v.path" :value="v.path">
                        {{ v.title }}
                    </option>
                </select></label
            >
            <template v-if="known">
                <p class="now">
                    Now {{ text(known, known.own ?? known.library)
                    }}<template v-if="known.own !== null">
                        (library {{ text(known, known.library) }})</template
                    >
                </p>
                <TypedField
                    :key="known.path"
                    v-model="value"
                    :dimension="known.unit === '°C' ? 'temperature' : 'number'"
                    :label="known.unit === '°C' ? 'Ours' : `Ours, ${known.unit}`"
                    :min="known.low"
                    :max="known.high"
                />
                <label
                    ><span>Why (kept)</span
                    ><input v-model="reason" type="text" maxlength="500" required autocomplete="off"
                /></label>
                <p v-if="fault" class="fault" role="alert">{{ sentence(fault) }}</p>
                <div class="acts">
                    <v-btn
                        type="submit"
                        color="primary"
                        :loading="busy"
                        :disabled="
                            value === null || value === (known.own ?? known.library) || reason.trim() === ''
                        "
                        >Set</v-btn
                    >
                    <v-btn
                        v-if="known.own !== null"
                        variant="outlined"
                        :disabled="reason.trim() === ''"
                        @click="set(null)"
                        >Back to the library</v-btn
                    >
                </div>
            </template>
            <p v-if="said" role="status">{{ said }}</p>
        </form>
        <p v-else class="quiet">A lead sets the shop's own values.</p>
    </section>
</template>

<style scoped>
section {
    margin-top: 14px;
}
h3 {
    font-size: 1rem;
}
.change {
    display: grid;
    gap: 12px;
    margin-top: 14px;
    max-width: 440px;
}
.now {
    font-weight: 600;
}
td .plain {
    text-align: left;
}
.said {
    margin: 0 0 4px;
}
.acts {
    display: flex;
    gap: 10px;
}
.fault {
    color: var(--alarm);
    font-weight: 650;
}
</style>
