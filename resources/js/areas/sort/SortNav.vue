<script setup lang="ts">
import { useRoute } from 'vue-router';

const route = useRoute();
const LINKS: [string, string][] = [
    ['/sort', 'Shelves'],
    ['/sort/find', 'Find the polymer'],
    ['/sort/batches', 'Sort a batch'],
    ['/sort/sources', 'Sources'],
    ['/dry', 'Dry'],
    ['/sort/csv', 'CSV'],
];
</script>

<template>
    <nav class="subnav" aria-label="Sort">
        <router-link
            v-for="[to, says] in LINKS"
            :key="to"
            :to="to"
            :class="{ here: route.path === to || (to !== '/sort' && route.path.startsWith(`${to}/`)) }"
            :aria-current="route.path === to ? 'page' : undefined"
            >{{ says }}</router-link
        >
    </nav>
</template>
