<script setup lang="ts">
import { onKeyStroke } from '@vueuse/core';
import { computed } from 'vue';
import { keys } from './keys';
import { pageKeys } from './pageKeys';

// The dialog hears it once it has settled; whoever is quicker is heard as well.
onKeyStroke('Escape', () => (keys.help = false));

const groups = computed(() => [
    { title: 'Everywhere', list: keys.list },
    ...(pageKeys.list.length > 0 ? [{ title: pageKeys.title, list: pageKeys.list }] : []),
]);
</script>

<template>
    <v-dialog v-model="keys.help" max-width="560">
        <v-card class="pa-6">
            <h2>Keys</h2>
            <section v-for="group in groups" :key="group.title" class="mt-4">
                <h3 class="quiet">{{ group.title }}</h3>
                <dl>
                    <div v-for="k in group.list" :key="k.key">
                        <dt>
                            <span class="key">{{ k.key }}</span>
                        </dt>
                        <dd>{{ k.says }}</dd>
                    </div>
                </dl>
            </section>
            <v-btn class="mt-4" variant="outlined" @click="keys.help = false">Close</v-btn>
        </v-card>
    </v-dialog>
</template>

<style scoped>
dl {
    columns: 2;
    margin: 8px 0 0;
}
dl div {
    display: flex;
    gap: 12px;
    align-items: center;
    padding: 4px 0;
    break-inside: avoid;
}
dt {
    min-width: 54px;
}
dd {
    margin: 0;
}
h3 {
    font-size: 0.95rem;
}
</style>
