<script setup lang="ts">
import { session } from '../../api/session';
import type { MachineDetail } from '../../api/types';
import { sentence } from '../../parts/useSend';
import { format, shownUnit, title, unitOf } from '../reckon/schema';
import { useTaught } from './useTaught';

/** What the readings of ordinary runs say of a machine, in one sentence; used by one tap, and taken back by another. */
const props = defineProps<{ machine: MachineDetail }>();
const { learnt, share, before, busy, fault, ask, use, back } = useTaught(() => props.machine.machine.id);
</script>

<template>
    <section class="card mt-4" aria-labelledby="taught">
        <h2 id="taught">What its runs say</h2>
        <p v-if="!learnt" class="quiet">
            From what was read of it and seen of its pieces in the last runs it can be reckoned what it really
            can do.
        </p>
        <template v-else>
            <p class="says">{{ learnt.says }}</p>
            <p class="quiet">
                From
                <template v-for="(r, i) in learnt.runs" :key="r"
                    >{{ i ? ', ' : ''
                    }}<router-link :to="`/learn/${learnt.run_ids[i]}`">run {{ r }}</router-link></template
                >.
            </p>
            <p v-for="m in learnt.missing" :key="m" class="quiet">It would tell more to {{ m }}.</p>
            <details>
                <summary>The numbers</summary>
                <table class="rows">
                    <thead>
                        <tr>
                            <th></th>
                            <th class="n">Known</th>
                            <th class="n">As its runs say</th>
                            <th class="n">Likely</th>
                        </tr>
                    </thead>
                    <tbody>
                        <tr v-for="f in learnt.facts" :key="f.name">
                            <th scope="row">{{ title(f.name) }}, {{ shownUnit(unitOf(f.name)) }}</th>
                            <td class="n">
                                {{ f.was === null ? 'not known' : format(f.was, unitOf(f.name)) }}
                            </td>
                            <td class="n">{{ format(f.value, unitOf(f.name)) }}</td>
                            <td class="n">
                                {{ format(f.low, unitOf(f.name)) }} to {{ format(f.high, unitOf(f.name)) }}
                            </td>
                        </tr>
                    </tbody>
                </table>
            </details>
        </template>
        <p v-if="fault" class="fault" role="alert">{{ sentence(fault) }}</p>
        <div class="acts">
            <template v-if="before">
                <p role="status"><span class="tag good">used</span> Plans reckon with it from now on.</p>
                <v-btn variant="outlined" :disabled="busy" @click="back">Take it back</v-btn>
            </template>
            <v-btn
                v-else-if="learnt && learnt.enough && session.person?.role === 'lead'"
                :color="learnt.otherwise ? 'primary' : undefined"
                :variant="learnt.otherwise ? 'flat' : 'outlined'"
                :disabled="busy"
                @click="use"
                >Use it</v-btn
            >
            <p v-else-if="learnt && learnt.enough" class="quiet">A lead takes it over.</p>
            <v-btn variant="outlined" :loading="busy" @click="ask">{{
                learnt ? 'Ask again' : 'Ask its runs'
            }}</v-btn>
            <progress v-if="busy && share !== null" :value="share" max="1" aria-label="How far it is" />
        </div>
    </section>
</template>

<style scoped>
.says {
    font-size: 1.15rem;
    font-weight: 650;
}
.acts {
    display: flex;
    flex-wrap: wrap;
    gap: 10px;
    align-items: center;
    margin-top: 10px;
}
.acts p {
    margin: 0;
}
</style>
