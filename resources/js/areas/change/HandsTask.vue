<script setup lang="ts">
import { computed, ref } from 'vue';
import type { Change, ChangeTask } from '../../api/types';
import TypedField from '../../parts/TypedField.vue';
import { show } from '../../parts/units';
import { LOOKS } from './change';
import WaterDrawing from './WaterDrawing.vue';

/** What hands do now: how, why, what may hurt, and what is tapped or read before it is over. */
const props = defineProps<{ task: ChangeTask; change: Change; busy: boolean }>();
const emit = defineEmits<{ say: [kind: string, said: object] }>();
const grams = ref<number | null>(null);
const waterIn = ref<number | null>(null);
const waterOut = ref<number | null>(null);
const good = ref<number | null>(null);
const bad = ref<number | null>(0);
const asks = computed(() => props.task.task.asks);
const tap = (text: string) => emit('say', 'tapped', { tap: text });
function look(id: string) {
    emit('say', 'looked', { look: id, mass_g: grams.value });
    grams.value = null;
}
const read = computed(() => {
    if (asks.value === 'water')
        return waterIn.value === null || waterOut.value === null
            ? null
            : { in_c: waterIn.value, out_c: waterOut.value };
    if (asks.value === 'first_parts')
        return good.value === null || bad.value === null ? null : { good: good.value, bad: bad.value };
    return {};
});
/** A hose is drawn; a position is a word and a number. */
const isWater = computed(() => asks.value === 'ports');
</script>

<template>
    <section class="card hands" :aria-label="`Now: ${task.task.title}`">
        <h2>{{ task.task.title }}</h2>
        <p v-if="task.task.caution" class="caution">
            <span aria-hidden="true">▲</span> {{ task.task.caution }}
        </p>
        <p class="do">{{ task.task.do }}</p>
        <p class="quiet">{{ task.task.why }}</p>
        <p v-if="task.task.people > 1"><strong>Two persons, or a hoist.</strong></p>
        <WaterDrawing
            v-if="isWater"
            :hoses="change.hoses"
            :tapped="task.tapped"
            :machine="change.machine"
            :mould="change.mould ?? 'mould'"
        />
        <div v-if="task.task.taps.length" class="taps">
            <v-btn
                v-for="t in task.task.taps"
                :key="t"
                size="large"
                :variant="task.tapped.includes(t) ? 'flat' : 'outlined'"
                :color="task.tapped.includes(t) ? 'secondary' : undefined"
                :aria-pressed="task.tapped.includes(t)"
                :disabled="busy || task.tapped.includes(t)"
                @click="tap(t)"
                >{{ t }}</v-btn
            >
        </div>
        <template v-if="asks === 'purging'">
            <p>
                Set {{ show(task.task.set_c, 'temperature') }},
                {{ show(task.task.mass_g, 'mass') }} foreseen<template v-if="task.purged_g > 0"
                    >, {{ show(task.purged_g, 'mass') }} weighed</template
                >.
            </p>
            <ol v-if="task.looks.length" class="looks" aria-label="Purgings, in order">
                <li v-for="l in task.looks" :key="l.at" :class="l.look">
                    {{ LOOKS.find((x) => x.id === l.look)?.says
                    }}{{ l.mass_g ? `, ${show(l.mass_g, 'mass')}` : '' }}
                </li>
            </ol>
            <div class="fields">
                <TypedField v-model="grams" label="On the scale, if weighed" dimension="mass" />
            </div>
            <p><strong>How does it come?</strong></p>
            <div class="taps">
                <v-btn
                    v-for="l in LOOKS"
                    :key="l.id"
                    size="x-large"
                    variant="outlined"
                    :disabled="busy"
                    @click="look(l.id)"
                    >{{ l.says }}</v-btn
                >
            </div>
        </template>
        <div v-if="asks === 'water'" class="fields two">
            <TypedField v-model="waterIn" label="Water in" dimension="temperature" />
            <TypedField v-model="waterOut" label="Water out" dimension="temperature" />
        </div>
        <div v-if="asks === 'first_parts'" class="fields two">
            <TypedField v-model="good" label="Good" dimension="number" :digits="0" />
            <TypedField v-model="bad" label="Not good" dimension="number" :digits="0" />
        </div>
        <v-btn
            color="primary"
            size="x-large"
            block
            :disabled="busy || task.lacks !== null || read === null"
            @click="read !== null && emit('say', 'over', read)"
            >{{ task.lacks ?? 'Done' }}</v-btn
        >
    </section>
</template>

<style scoped>
.hands {
    border-left: 6px solid var(--ember-strong);
    display: grid;
    gap: 10px;
}
.do {
    font-size: 1.25rem;
    font-weight: 650;
    line-height: 1.25;
}
.caution {
    font-weight: 650;
}
.taps {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(150px, 1fr));
    gap: 10px;
}
.two {
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: 10px;
}
.looks {
    display: flex;
    flex-wrap: wrap;
    gap: 6px;
    list-style: none;
    padding: 0;
}
.looks li {
    border: 1px solid var(--line);
    border-left: 12px solid var(--quiet);
    border-radius: 3px;
    padding: 3px 8px;
}
.looks .clean {
    border-left-color: var(--good);
}
.looks .streaks {
    border-left-style: dashed;
}
</style>
