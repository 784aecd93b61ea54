<script setup lang="ts">
import { useInfiniteQuery } from '@tanstack/vue-query';
import { refDebounced } from '@vueuse/core';
import { computed, ref } from 'vue';
import { useRouter } from 'vue-router';
import { api } from '../../api/client';
import type { Lot } from '../../api/types';
import { usePageKeys } from '../../parts/pageKeys';
import { show } from '../../parts/units';
import SortNav from './SortNav.vue';

const router = useRouter();
const find = ref('');
const asked = refDebounced(find, 200);
/** After some years nearly all that a shop ever had is emptied: it stands here only when it is asked for. */
const emptied = ref(false);
const { data, isPending, hasNextPage, fetchNextPage } = useInfiniteQuery({
    queryKey: ['lots', 'shelves', asked, emptied],
    initialPageParam: '',
    queryFn: ({ pageParam }) =>
        api.page<Lot>(
            `lots?find=${encodeURIComponent(asked.value)}${emptied.value ? '&emptied=1' : ''}${pageParam ? `&after=${pageParam}` : ''}`,
        ),
    getNextPageParam: (page) => page.next,
});
const groups = computed(() => {
    const map = new Map<string, Lot[]>();
    for (const l of data.value?.pages.flatMap((page) => page.items) ?? [])
        map.set(l.polymer, [...(map.get(l.polymer) ?? []), l]);
    return [...map.entries()].sort(
        (a, b) => Number(a[1][0]?.never_hot) - Number(b[1][0]?.never_hot) || a[0].localeCompare(b[0]),
    );
});
const sum = (list: Lot[]) => list.reduce((s, l) => s + l.mass_g, 0);
usePageKeys('Shelves', () => [
    { key: 'n', says: 'Take a delivery in', where: 'Sort', do: () => void router.push('/sort/deliver') },
    { key: 'f', says: 'Find the polymer', where: 'Sort', do: () => void router.push('/sort/find') },
    { key: 'b', says: 'Sort a batch', where: 'Sort', do: () => void router.push('/sort/batches') },
]);
</script>

<template>
    <div class="page">
        <div class="page-head">
            <div>
                <h1>Sort</h1>
                <p class="quiet">What is on the shelves, by polymer.</p>
            </div>
            <div class="acts">
                <v-text-field
                    v-model="find"
                    label="Find a lot, colour, place or source"
                    class="find"
                    density="compact"
                    hide-details
                /><v-btn color="primary" to="/sort/deliver">Take a delivery in</v-btn>
            </div>
        </div>
        <SortNav />
        <p v-if="isPending" class="card quiet">Looking over the shelves …</p>
        <p v-else-if="groups.length === 0" class="card">
            {{ find ? 'Nothing fits.' : 'The shelves are empty. Take a delivery in, or sort a batch.' }}
            <v-btn v-if="!emptied" variant="text" @click="emptied = true">Look among emptied ones too</v-btn>
        </p>
        <section v-for="[polymer, list] in groups" :key="polymer" class="card group">
            <h2>
                {{ polymer === 'UNKNOWN' ? 'Not identified' : polymer }}
                <span class="num quiet">{{ show(sum(list), 'mass') }}</span>
                <span v-if="list[0]?.never_hot" class="tag bad">▲ never hot</span>
            </h2>
            <table class="rows">
                <thead class="sr">
                    <tr>
                        <th>Lot</th>
                        <th>Colour and form</th>
                        <th>Place</th>
                        <th>Source</th>
                        <th>Mass</th>
                    </tr>
                </thead>
                <tbody>
                    <tr v-for="l in list" :key="l.id" class="go" @click="router.push(`/sort/lots/${l.id}`)">
                        <td class="code">
                            <i class="swatch" :style="{ background: l.swatch }" /><router-link
                                :to="`/sort/lots/${l.id}`"
                                @click.stop
                                >{{ l.code }}</router-link
                            >
                        </td>
                        <td>
                            {{ l.colour }} {{ l.form
                            }}<span v-if="l.generation" class="quiet">, pass {{ l.generation }}</span>
                            <span v-if="l.reserved_for" class="tag">for {{ l.reserved_for }}</span>
                            <span
                                v-if="l.dry_state === 'dry' || l.dry_state === 'use now'"
                                class="tag cold"
                                >{{ l.dry_state }}</span
                            >
                            <span v-else-if="l.dry_state === 'dry again'" class="tag bad">▲ dry again</span>
                        </td>
                        <td>{{ l.location }}</td>
                        <td>
                            {{ l.source.name }}
                            <span v-if="l.source.state !== 'accepted'" class="tag">{{
                                l.source.state.replaceAll('_', ' ')
                            }}</span>
                        </td>
                        <td class="n mono">{{ show(l.mass_g, 'mass') }}</td>
                    </tr>
                </tbody>
            </table>
        </section>
        <v-btn v-if="hasNextPage" variant="outlined" @click="fetchNextPage()">More lots</v-btn>
        <label class="emptied"><input v-model="emptied" type="checkbox" /> Emptied ones too</label>
    </div>
</template>

<style scoped>
.acts {
    display: flex;
    flex: 1 1 480px;
    flex-wrap: wrap;
    gap: 10px;
    align-items: center;
    justify-content: flex-end;
}
.find {
    flex: 0 1 300px;
    min-width: 0;
}
.emptied {
    display: flex;
    gap: 8px;
    align-items: center;
    min-height: var(--touch);
}
.emptied input {
    width: 22px;
    height: 22px;
    accent-color: var(--ember);
}
.group {
    margin-bottom: 12px;
    padding-bottom: 6px;
}
.code {
    width: 150px;
    font-weight: 700;
}
td:nth-child(2) {
    width: 32%;
}
td:nth-child(3) {
    width: 14%;
}
td .tag {
    margin-left: 8px;
}
/* A phone has room for what, where and how much; whose it was stands on the lot's own page. */
@media (max-width: 600px) {
    .find {
        flex-grow: 1;
    }
    td:nth-child(4) {
        display: none;
    }
    .code {
        width: auto;
        white-space: nowrap;
    }
    td .tag {
        display: table;
        margin-left: 0;
    }
}
.group h2 {
    display: flex;
    gap: 14px;
    align-items: center;
}
</style>
