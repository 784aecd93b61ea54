<script setup lang="ts">
import type { SetUp } from '../../api/types';
import { dayText } from '../../parts/units';
import { format, title, unitOf, withUnit } from '../reckon/schema';
import { came } from './chart';

/** How a set-up came to be: version by version, what was changed, why, and what came of it. */
defineProps<{ setUps: SetUp[] }>();
const words = (setting: string, value: string | null) =>
    value === null
        ? 'open'
        : Number.isNaN(Number(value))
          ? format(value)
          : withUnit(Number(value), unitOf(setting));
</script>

<template>
    <ol class="unmarked">
        <li v-for="s in setUps" :key="s.id">
            <p>
                <strong>Version {{ s.version }}, {{ s.machine }}</strong>
                <span class="quiet by">{{ s.by }}, {{ dayText(s.at) }}</span>
                <span v-if="s.good + s.bad > 0" :class="['tag', s.bad > s.good ? 'bad' : 'good']">{{
                    came(s.good, s.bad)
                }}</span><span v-else class="tag">not run yet</span>
            </p>
            <p v-if="s.note">{{ s.note }}</p>
            <p v-if="s.changes.length" class="quiet">
                <template v-for="(c, i) in s.changes" :key="c.setting"
                    >{{ i ? ', ' : '' }}{{ title(c.setting).toLowerCase() }} {{ words(c.setting, c.was) }} →
                    {{ words(c.setting, c.becomes) }}</template
                >
            </p>
        </li>
    </ol>
</template>

<style scoped>
li {
    border-bottom: 1px solid var(--line);
    padding-bottom: 8px;
}
p {
    margin: 0;
}
.tag,
.by {
    margin-left: 8px;
}
</style>
