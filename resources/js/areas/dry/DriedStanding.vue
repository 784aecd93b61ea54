<script setup lang="ts">
import type { DryBoard, Lot } from '../../api/types';
import { clockText } from '../../parts/units';

/** What was dried and stands: how long it still may. */
const props = defineProps<{ board: DryBoard; now: number }>();
const left = (l: Lot) =>
    l.dry_minutes_left === null ? null : l.dry_minutes_left - (props.now - props.board.server_time) / 60;
</script>

<template>
    <table class="rows">
        <thead>
            <tr>
                <th>Lot</th>
                <th>Polymer</th>
                <th>State</th>
                <th class="n">May still stand</th>
            </tr>
        </thead>
        <tbody>
            <tr v-for="l in board.standing" :key="l.id">
                <td>
                    <router-link :to="`/sort/lots/${l.id}`">{{ l.code }}</router-link>
                </td>
                <td>{{ l.polymer }}</td>
                <td>
                    <span
                        :class="[
                            'tag',
                            left(l) !== null && left(l)! <= 0
                                ? 'bad'
                                : l.dry_state === 'use now'
                                  ? 'hot'
                                  : 'cold',
                        ]"
                        >{{ left(l) !== null && left(l)! <= 0 ? '▲ dry again' : l.dry_state }}</span
                    >
                </td>
                <td class="n mono">
                    {{
                        left(l) === null
                            ? 'as long as it likes'
                            : left(l)! > 0
                              ? clockText(60 * left(l)!)
                              : 'over'
                    }}
                </td>
            </tr>
        </tbody>
    </table>
</template>
