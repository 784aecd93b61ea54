<script setup lang="ts">
import { ref } from 'vue';
import { api } from '../../api/client';
import { session } from '../../api/session';
import type { ProcedureEntryOf, ProcedureWay } from '../../api/types';
import { dayText } from '../../parts/units';
import { sentence, useSend } from '../../parts/useSend';

/** A way that somebody proposes: what would be otherwise, what proves it, and a lead's answer. */
const props = defineProps<{ way: string; proposal: ProcedureEntryOf }>();
const emit = defineEmits<{ decided: [way: ProcedureWay]; look: [] }>();
const reason = ref('');
const { busy, fault, send } = useSend();
async function decide(approve: boolean) {
    const path = `procedures/${props.way}/proposals/${props.proposal.id}/decide`;
    const now = await send(() => api.post<ProcedureWay>(path, { approve, reason: reason.value }));
    if (now) emit('decided', now);
}
</script>

<template>
    <section class="card" :aria-label="`Proposed by ${proposal.by}`">
        <h2>Proposed by {{ proposal.by }}</h2>
        <p class="quiet">
            {{ dayText(proposal.at)
            }}<template v-if="proposal.runs.length"
                >, seen in
                <template v-for="(r, i) in proposal.runs" :key="r.id"
                    >{{ i > 0 ? ', ' : ''
                    }}<router-link :to="`/learn/${r.id}`">run {{ r.number }}</router-link></template
                ></template
            >
        </p>
        <p class="reason">“{{ proposal.reason }}”</p>
        <ul>
            <li v-for="s in proposal.says" :key="s">{{ s }}</li>
            <li v-if="proposal.says.length === 0">All as shipped again</li>
        </ul>
        <p v-for="d in proposal.doubts" :key="d" class="doubt">▲ {{ d }}</p>
        <p v-if="proposal.outdated" class="fault">
            Another way was approved since. Start from that one and propose again what is still wanted.
        </p>
        <form v-if="session.person?.role === 'lead'" class="fields" @submit.prevent="decide(true)">
            <label class="wide"
                ><span>What a lead says to it (needed to turn it down)</span
                ><input v-model="reason" maxlength="500" autocomplete="off"
            /></label>
            <p v-if="fault" class="fault wide" role="alert">{{ sentence(fault) }}</p>
            <div class="acts">
                <v-btn type="submit" color="primary" :loading="busy" :disabled="proposal.outdated"
                    >Approve: from the next run</v-btn
                ><v-btn variant="outlined" :disabled="reason.trim() === ''" @click="decide(false)"
                    >Turn it down</v-btn
                ><v-btn variant="text" @click="emit('look')">Work on it</v-btn>
            </div>
        </form>
        <p v-else class="quiet">A lead decides.</p>
    </section>
</template>

<style scoped>
.reason {
    font-style: italic;
    margin: 6px 0;
}
ul {
    padding-left: 18px;
    margin: 6px 0;
}
.doubt {
    color: var(--ember-ink);
    font-weight: 650;
}
</style>
