<script setup lang="ts">
import { computed } from 'vue';
import type { Procedure, Run } from '../../api/types';
import { phase } from '../../offline/gates';
import { timeOfDay } from '../../parts/units';
import type { Focus } from './focus';
import PieceBoard from './PieceBoard.vue';

/** The steps of a run in their stages; where every piece goes through them, the pieces stand in their place. */
const props = defineProps<{
    run: Run;
    procedure: Procedure;
    focus: Focus;
    now: number;
    wanted: number;
    mayClose: boolean;
}>();
const emit = defineEmits<{ pick: [focus: Focus]; close: [] }>();
const stages = computed(() =>
    props.procedure.stages.map((s) => ({
        ...s,
        steps: props.run.steps.filter((x) => x.stage === s.id),
        /** its steps are gone through by every piece: the pieces stand in their place */
        pieces: props.procedure.steps.some((x) => x.stage === s.id && phase(x) === 'piece'),
    })),
);
</script>

<template>
    <nav aria-label="Steps" tabindex="0">
        <section v-for="s in stages" :key="s.id">
            <h2>{{ s.title }}</h2>
            <PieceBoard
                v-if="s.pieces"
                :run="run"
                :procedure="procedure"
                :focus="focus"
                :now="now"
                :wanted="wanted"
                :may-close="mayClose"
                @pick="(focus) => emit('pick', focus)"
                @close="emit('close')"
            />
            <ol v-else>
                <li
                    v-for="x in s.steps"
                    :key="x.id"
                    :class="x.status"
                    :aria-current="x.status === 'current' ? 'step' : undefined"
                >
                    <span class="mark" aria-hidden="true" /><span class="t"
                        >{{ x.title
                        }}<small v-if="x.reason"> ▲<span class="sr">passed anyway</span></small></span
                    ><small v-if="x.done_at" class="num" :title="`${x.done_by}`">{{
                        timeOfDay(x.done_at)
                    }}</small>
                </li>
            </ol>
        </section>
    </nav>
</template>

<style scoped>
.steps section:has(.count) {
    padding-right: 10px;
}
.steps {
    padding: 4px 0 8px 18px;
    grid-row: 2 / 4;
    overflow-y: auto;
}
.steps h2 {
    font-size: 0.9rem;
    color: var(--quiet);
    font-weight: 600;
    margin: 8px 0 2px;
}
ol {
    list-style: none;
    margin: 0;
    padding: 0;
}
.steps li {
    display: flex;
    gap: 10px;
    padding: 4px 8px 4px 0;
    line-height: 1.2;
    color: var(--quiet);
}
.steps .t {
    flex: 1;
}
.steps small {
    font-size: 0.84rem;
    padding-right: 4px;
}
.mark {
    width: 10px;
    height: 10px;
    margin-top: 4px;
    flex: none;
    background: #b6ae9e;
}
.steps .done .mark {
    background: var(--ink);
}
.steps .done {
    color: var(--ink);
}
.steps .current {
    background: var(--paper);
    color: var(--ink);
    font-weight: 700;
    margin-left: -10px;
    padding-left: 10px;
    border-radius: 4px 0 0 4px;
    font-size: 1.05rem;
}
.steps .current .mark {
    background: var(--ember-strong);
    width: 12px;
    height: 12px;
}
</style>
