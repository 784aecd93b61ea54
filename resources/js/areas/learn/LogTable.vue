<script setup lang="ts">
import type { Procedure, Run } from '../../api/types';
import { eventWords } from '../run/words';

/** All that was logged of a run, in its order. */
defineProps<{ run: Run; procedure: Procedure }>();
</script>

<template>
    <section class="card">
        <h2>Log</h2>
        <table class="rows">
            <thead>
                <tr>
                    <th class="n">#</th>
                    <th>When</th>
                    <th>Who</th>
                    <th>What</th>
                </tr>
            </thead>
            <tbody>
                <tr v-for="e in run.events" :key="e.key" data-entry>
                    <td class="n">{{ e.seq }}</td>
                    <td class="num">{{ new Date(e.at * 1000).toLocaleTimeString('en-GB') }}</td>
                    <td>{{ e.by }}</td>
                    <td>{{ eventWords(e, procedure) }}</td>
                </tr>
            </tbody>
        </table>
    </section>
</template>
