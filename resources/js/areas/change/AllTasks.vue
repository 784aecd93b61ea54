<script setup lang="ts">
import type { Change, ChangeTask } from '../../api/types';
import { timeOfDay } from '../../parts/units';
import { isThrough } from './change';

/** Everything of the change in its order, with what was read; the newest of each may be taken back. */
defineProps<{ change: Change; open: boolean; done: number; busy: boolean; lead: boolean }>();
const emit = defineEmits<{ back: [task: string]; leave: [task: string] }>();
const WORDS: Record<ChangeTask['state'], string> = {
    waits: 'waits',
    ready: 'may begin',
    under_way: 'goes on',
    through: 'done',
    passed: 'left out',
};
const touched = (t: ChangeTask) =>
    isThrough(t) || t.state === 'under_way' || t.tapped.length > 0 || t.looks.length > 0;
</script>

<template>
    <section class="card" aria-labelledby="all">
        <h2 id="all">All of it, {{ done }} of {{ change.tasks.length }} done</h2>
        <table class="rows">
            <thead>
                <tr>
                    <th>From</th>
                    <th>To</th>
                    <th>What</th>
                    <th>State</th>
                    <th><span class="sr">Acts</span></th>
                </tr>
            </thead>
            <tbody>
                <tr v-for="t in change.tasks" :key="t.task.id">
                    <td class="num">{{ timeOfDay(t.from) }}</td>
                    <td class="num">{{ timeOfDay(t.to) }}</td>
                    <td>
                        <strong v-if="t.task.critical && !isThrough(t)">{{ t.task.title }}</strong><template
                            v-else
                            >{{ t.task.title }}</template
                        >
                        <small v-if="!t.task.hands" class="quiet"> by itself</small>
                        <small v-if="t.passed" class="quiet">: {{ t.passed }}</small>
                    </td>
                    <td>{{ WORDS[t.state] }}{{ t.said ? `, ${t.said}` : '' }}</td>
                    <td>
                        <v-btn
                            v-if="open && touched(t)"
                            size="small"
                            variant="text"
                            :disabled="busy"
                            @click="emit('back', t.task.id)"
                            >Take back</v-btn
                        >
                        <v-btn
                            v-else-if="open && t.state === 'ready'"
                            size="small"
                            variant="text"
                            :disabled="busy"
                            @click="emit('leave', t.task.id)"
                            >Leave out</v-btn
                        >
                    </td>
                </tr>
            </tbody>
        </table>
        <p class="quiet">Bold holds up the end: a minute late there is a minute late in all.</p>
    </section>
</template>
