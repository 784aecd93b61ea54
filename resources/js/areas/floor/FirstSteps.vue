<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query';
import { computed } from 'vue';
import { api } from '../../api/client';
import { session } from '../../api/session';
import type { Lot, Machine, Product, Source } from '../../api/types';

/** The way of an empty shop to its first run: what is there is ticked, what comes next is one touch away. */
const ask = <T,>(path: string) => useQuery({ queryKey: [path], queryFn: () => api.list<T>(path) });
const machines = ask<Machine>('machines');
const products = ask<Product>('products');
const sources = ask<Source>('sources');
const lots = ask<Lot>('lots');
const lead = computed(() => session.person?.role === 'lead');
const steps = computed(() => [
    {
        done: (machines.data.value?.length ?? 0) > 0,
        to: '/shop/machines/new',
        text: 'Add a machine',
        note: 'what its plate says; the rest can stay empty',
        byLead: true,
    },
    {
        done: (products.data.value?.length ?? 0) > 0,
        to: '/shop/products/new',
        text: 'Add a product',
        note: 'what it is made of, and how large',
        byLead: true,
    },
    {
        done: (sources.data.value?.length ?? 0) > 0,
        to: '/sort/sources',
        text: 'Name a source',
        note: 'who the material comes from',
        byLead: false,
    },
    {
        done: (lots.data.value?.length ?? 0) > 0,
        to: '/sort/deliver',
        text: 'Take a delivery in',
        note: 'one container, weighed',
        byLead: false,
    },
    { done: false, to: '/set', text: 'Set up the first run', note: 'a small trial', byLead: false },
]);
const next = computed(() => steps.value.findIndex((s) => !s.done));
</script>

<template>
    <section class="card first" aria-labelledby="first">
        <h2 id="first">From nothing to the first run</h2>
        <ol>
            <li v-for="(s, i) in steps" :key="s.to" :class="{ done: s.done }">
                <span class="box" aria-hidden="true">{{ s.done ? '✓' : '' }}</span>
                <v-btn v-if="i === next && (lead || !s.byLead)" color="primary" :to="s.to">{{
                    s.text
                }}</v-btn>
                <span v-else class="what">{{ s.text }}<span v-if="s.done" class="sr">, done</span></span>
                <span class="quiet">{{
                    i === next && s.byLead && !lead ? 'a lead does this' : s.done ? '' : s.note
                }}</span>
            </li>
        </ol>
    </section>
</template>

<style scoped>
.first {
    margin-bottom: var(--gap);
}
ol {
    list-style: none;
    margin: 12px 0 0;
    padding: 0;
    display: grid;
    gap: 8px;
}
li {
    display: flex;
    align-items: center;
    gap: 14px;
    min-height: var(--touch);
}
.box {
    width: 26px;
    height: 26px;
    border: 2px solid var(--line);
    border-radius: 4px;
    display: grid;
    place-items: center;
    font-weight: 700;
}
.done .box {
    background: var(--good);
    border-color: var(--good);
    color: var(--paper);
}
.what {
    font-weight: 650;
}
.done .what {
    color: var(--quiet);
}
</style>
