<script setup lang="ts">
import { computed, ref } from 'vue';
import type { Entry } from './schema';

/** What can be reckoned, found by what people say. */
const props = defineProps<{ entries: Entry[] | undefined; name: string }>();
const find = ref('');
const groups = computed(() => {
    const words = find.value.toLowerCase().split(/\s+/).filter(Boolean);
    const map = new Map<string, Entry[]>();
    for (const e of props.entries ?? [])
        if (words.every((w) => `${e.name} ${e.title} ${e.words} ${e.purpose}`.toLowerCase().includes(w)))
            map.set(e.group, [...(map.get(e.group) ?? []), e]);
    return [...map.entries()];
});
</script>

<template>
    <nav class="card list" aria-label="Calculations">
        <label class="sr" for="find">What do you want to know</label
        ><input id="find" v-model="find" type="search" placeholder="Weigh, melt, pump …" />
        <section v-for="[group, list] in groups" :key="group">
            <h2>{{ group }}</h2>
            <router-link
                v-for="e in list"
                :key="e.name"
                :to="`/reckon/${e.name}`"
                :class="{ on: e.name === name }"
                :aria-current="e.name === name ? 'page' : undefined"
                >{{ e.title }}</router-link
            >
        </section>
        <p v-if="entries && groups.length === 0" class="quiet">Nothing fits. Try one word of it.</p>
    </nav>
</template>

<style scoped>
.list {
    position: sticky;
    top: calc(var(--head) + var(--alarms, 0px) + 12px);
    max-height: calc(100vh - var(--head) - var(--alarms, 0px) - 24px);
    overflow-y: auto;
    padding: 10px;
}
.list h2 {
    font-size: 0.9rem;
    color: var(--quiet);
    margin: 12px 0 2px;
}
.list a {
    display: block;
    padding: 8px 8px;
    text-decoration: none;
    border-radius: 3px;
    line-height: 1.2;
}
.list a.on {
    background: var(--bar);
    color: var(--on-bar);
    font-weight: 650;
}
#find {
    width: 100%;
    min-height: var(--touch);
    border: 1px solid var(--line);
    border-radius: 4px;
    padding: 0 10px;
    font: inherit;
    background: var(--paper);
    color: var(--ink);
}
@media (max-width: 1180px) {
    .list {
        position: static;
        max-height: 260px;
    }
}
</style>
