<script setup lang="ts">
import { computed } from 'vue';
import { session } from '../../api/session';
import type { DayOff } from '../../api/types';
import { dayText } from '../../parts/units';

/** The days that come: one tap for one on which nobody works, one more and they do. */
const DAY_S = 86_400;
const SHOWN = 7;
const props = defineProps<{ from: number; off: DayOff[]; busy: boolean }>();
const emit = defineEmits<{ off: [day: number, off: boolean] }>();
const lead = computed(() => session.person?.role === 'lead');
const days = computed(() =>
    Array.from({ length: SHOWN }, (_, ahead) => {
        const day = props.from + ahead * DAY_S;
        // By the day, not by the hour: clocks are put forward and back.
        const found = props.off.find((o) => Math.round((o.day - day) / DAY_S) === 0);
        return { day, off: found !== undefined, name: ahead === 0 ? 'Today' : dayText(day) };
    }),
);
</script>

<template>
    <section v-if="lead || off.length" class="card" aria-labelledby="days-off">
        <h2 id="days-off">Days off</h2>
        <p v-if="lead" class="quiet">
            Tap a day on which nobody works: what does not fit today goes to the next that is worked.
        </p>
        <div class="days">
            <button
                v-for="d in days"
                :key="d.day"
                type="button"
                class="tile"
                :aria-pressed="d.off"
                :disabled="!lead || busy"
                @click="emit('off', d.day, !d.off)"
            >
                {{ d.name }}<small>{{ d.off ? 'off' : 'worked' }}</small>
            </button>
        </div>
    </section>
</template>

<style scoped>
.days {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(104px, 1fr));
    gap: 8px;
    margin-top: 8px;
}
.tile {
    padding: 8px 10px;
}
.tile:disabled {
    cursor: default;
}
</style>
