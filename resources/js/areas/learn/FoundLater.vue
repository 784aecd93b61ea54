<script setup lang="ts">
import { computed, ref } from 'vue';
import { recordAll } from '../../api/queue';
import type { Procedure, Run } from '../../api/types';
import { capital } from '../../parts/text';

/**
 * Something is found at the saw, or weeks later in use: what was judged good is not. The verdict is put right by a further
 * entry, the goods follow, and what was said before stays in the log.
 */
const props = defineProps<{
    run: Run;
    procedure: Procedure;
    /** that somebody has in hand: scanned, it is asked for at once */
    scanned?: number | null;
}>();
const emit = defineEmits<{ kept: [] }>();
const judged = computed(() => {
    const entries = props.procedure.entries.filter((e) => e.effect === 'dispose').map((e) => e.id);
    return props.run.entries.filter((e) => entries.includes(e.entry) && e.values.verdict === 'good');
});
const name = (piece: number | null | undefined) =>
    capital(`${props.procedure.piece?.title ?? 'sheet'} ${piece ?? ''}`.trim());
const inHand = judged.value.find((e) => e.piece === props.scanned && props.scanned !== null);
const open = ref(inHand !== undefined);
const which = ref<string | null>(inHand && inHand !== judged.value[0] ? inHand.key : null);
const what = ref('');
const key = computed(() => which.value ?? judged.value[0]?.key ?? null);
async function keep() {
    const reason = what.value.trim();
    if (reason === '' || key.value === null) return;
    await recordAll(props.run.summary.id, [
        {
            type: 'corrected',
            data: {
                event: key.value,
                values: { verdict: 'scrap', reason },
                reason: `found later: ${reason}`,
            },
        },
    ]);
    [open.value, which.value, what.value] = [false, null, ''];
    emit('kept');
}
</script>

<template>
    <template v-if="judged.length > 0">
        <v-btn v-if="!open" variant="outlined" class="mt-3" @click="open = true">Found bad later</v-btn>
        <form v-else class="fields mt-3" @submit.prevent="keep">
            <label v-if="judged.length > 1"
                ><span>Which</span
                ><select v-model="which">
                    <option v-for="(e, i) in judged" :key="e.key" :value="i === 0 ? null : e.key">
                        {{ name(e.piece) }}
                    </option>
                </select></label
            >
            <label class="wide"
                ><span>What was found, and where</span><input v-model="what" maxlength="500" required
            /></label>
            <div class="acts">
                <v-btn type="submit" color="primary" :disabled="what.trim() === ''">It is no good piece</v-btn
                ><v-btn variant="text" @click="open = false">Not now</v-btn>
            </div>
        </form>
    </template>
</template>
