<script setup lang="ts">
import LotChange from './LotChange.vue';
import { useRunScreen } from './screen';

/** What may be said at this step besides what it asks for. */
const { id, run, focus, settling, entries, grid, pump, logged, asked, start, ask } = useRunScreen();
</script>

<template>
    <div class="second" :inert="settling">
        <v-btn
            v-for="e in entries.filter(
                (x) => x !== grid && x !== pump && !(x.once && logged(x.id).length > 0) && !asked(x.id),
            )"
            :key="e.id"
            variant="outlined"
            block
            @click="start(e)"
            >{{ e.title }}<span v-if="e.key" class="key ml-2">{{ e.key.toUpperCase() }}</span></v-btn
        >
        <LotChange />
        <v-btn variant="outlined" block @click="ask('note')">Note<span class="key ml-2">N</span></v-btn>
        <v-btn
            v-if="run && run.pieces.length > 0"
            variant="outlined"
            block
            :to="`/flaws/${id}${focus.piece === null ? '' : `?piece=${focus.piece}`}`"
            >Where a flaw is</v-btn
        >
        <v-btn
            v-if="run"
            variant="outlined"
            block
            :to="`/parts/${id}${focus.piece === null ? '' : `?piece=${focus.piece}`}`"
            >How it should be</v-btn
        >
        <v-btn v-if="focus.piece !== null && !focus.next" variant="outlined" block @click="ask('drop')"
            >Take it out</v-btn
        >
    </div>
</template>

<style scoped>
.second {
    display: grid;
    gap: 8px;
    padding: 8px 14px 0;
}
@media (max-width: 1180px) {
    .second {
        grid-template-columns: repeat(auto-fit, minmax(140px, 1fr));
    }
}
</style>
