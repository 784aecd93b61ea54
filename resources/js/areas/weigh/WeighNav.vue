<script setup lang="ts">
import { useRoute } from 'vue-router';

const route = useRoute();
</script>

<template>
    <nav class="subnav" aria-label="Weigh">
        <router-link
            v-for="[to, says] in [
                ['/weigh', 'Charges'],
                ['/weigh/mixes', 'Mixes'],
            ]"
            :key="to"
            :to="to!"
            :class="{ here: route.path === to }"
            :aria-current="route.path === to ? 'page' : undefined"
            >{{ says }}</router-link
        >
    </nav>
</template>
