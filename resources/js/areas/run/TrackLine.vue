<script setup lang="ts">
import { computed } from 'vue';
import type { Tracked } from '../../api/types';
import { clockText, show, timeOfDay } from '../../parts/units';

/** A timer beside what instruments say of it: when it would really be over, why, and the minutes to take over by one tap. */
const props = defineProps<{ tracked: Tracked }>();
defineEmits<{ more: [minutes: number, why: string] }>();
const when = computed(() => {
    const at = props.tracked.ready_at;
    if (at === null) return 'By what was measured it never is.';
    if (props.tracked.on_time) return 'As measured: on time.';
    return seconds.value ? `As measured: ${seconds.value} later.` : `As measured: until ${timeOfDay(at)}.`;
});
/** of what takes a minute or two, where a time of day says nothing */
const seconds = computed(() =>
    props.tracked.more_min % 1 === 0 ? null : clockText(60 * props.tracked.more_min),
);
const more = computed(() => seconds.value ?? `${props.tracked.more_min} min`);
</script>

<template>
    <div :class="['track', tracked.state]" role="status">
        <p>
            <span v-if="tracked.state !== 'ok'" aria-hidden="true">▲ </span><strong>{{ when }}</strong>
            {{ tracked.of_what }} {{ show(tracked.now_c, 'temperature') }}.
            <template v-if="!tracked.on_time || tracked.state !== 'ok'">{{ tracked.says }}</template>
        </p>
        <v-btn
            v-if="tracked.more_min > 0"
            variant="outlined"
            @click="$emit('more', tracked.more_min, `as measured. ${tracked.says}`)"
            >Give it {{ more }} more</v-btn
        >
    </div>
</template>

<style scoped>
.track {
    display: flex;
    gap: 4px 14px;
    align-items: center;
    border-left: 4px solid var(--line);
    padding: 2px 0 2px 10px;
    margin: 2px 0 6px;
}
.track p {
    flex: 1;
}
.track.warn,
.track.block {
    border-color: var(--alarm);
}
</style>
