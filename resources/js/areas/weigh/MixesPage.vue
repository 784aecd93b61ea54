<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query';
import { api } from '../../api/client';
import type { Mix } from '../../api/types';
import { show } from '../../parts/units';
import MixEditor from './MixEditor.vue';
import MixStrip from './MixStrip.vue';
import { useMix } from './useMix';
import WeighNav from './WeighNav.vue';

const mix = useMix();
const { data: mixes } = useQuery({ queryKey: ['mixes'], queryFn: () => api.list<Mix>('mixes') });
const enough = (m: Mix) =>
    m.stock.gives_g > 0
        ? `The shelves give ${show(m.stock.gives_g, 'mass')}, then ${m.stock.runs_out} runs out.`
        : `No ${m.stock.runs_out} on the shelves.`;
</script>

<template>
    <div class="page">
        <div class="page-head">
            <div>
                <h1>Mixes</h1>
                <p class="quiet">
                    A colour idea as parts, kept by name. A change is the next version; what was weighed keeps
                    its own.
                </p>
            </div>
            <v-btn variant="outlined" @click="mix.fresh">A new mix</v-btn>
        </div>
        <WeighNav />
        <div class="two">
            <section class="stack" aria-label="Kept">
                <p v-if="mixes?.length === 0" class="card quiet">None yet: the first begins with a colour.</p>
                <article
                    v-for="m in mixes ?? []"
                    :key="m.id"
                    :class="['card', { on: m.name === mix.draft.name }]"
                    :aria-label="m.name"
                >
                    <p>
                        <strong>{{ m.name }}</strong>
                        <span class="quiet of">{{ m.polymer }}, version {{ m.version }}, {{ m.by }}</span>
                    </p>
                    <MixStrip :parts="m.components" :preview="m.preview" />
                    <p :class="m.stock.gives_g > 0 ? 'quiet' : 'fault'">{{ enough(m) }}</p>
                    <div class="acts">
                        <v-btn
                            :color="m.stock.gives_g > 0 ? 'primary' : undefined"
                            variant="flat"
                            :to="`/weigh?mix=${m.id}`"
                            >Weigh it</v-btn
                        ><v-btn variant="outlined" @click="mix.open(m)">Change it</v-btn>
                    </div>
                </article>
            </section>
            <MixEditor :mix="mix" />
        </div>
    </div>
</template>

<style scoped>
.two {
    display: grid;
    grid-template-columns: minmax(260px, 1fr) 2.1fr;
    gap: 14px;
    align-items: start;
}
.stack {
    display: grid;
    gap: 10px;
}
article {
    display: grid;
    gap: 8px;
}
article p {
    margin: 0;
}
.of {
    margin-left: 8px;
}
article.on {
    border-color: var(--ink);
    box-shadow: inset 4px 0 0 var(--ember);
}
.acts {
    display: flex;
    flex-wrap: wrap;
    gap: 8px;
}
@media (max-width: 1100px) {
    .two {
        grid-template-columns: 1fr;
    }
}
</style>
