<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query';
import { api } from '../../api/client';
import type { PlaceShown } from '../../api/types';

/** Pictures of parts: of a run beside how they should be, or what stands for good of a product. */
const props = defineProps<{ of: 'runs' | 'products'; id: string }>();
const { data: places } = useQuery({
    queryKey: props.of === 'runs' ? ['parts', props.id] : ['samples', props.id],
    queryFn: () =>
        api.list<PlaceShown>(
            props.of === 'runs' ? `runs/${props.id}/pictures` : `products/${props.id}/samples`,
        ),
});
const seen = (p: PlaceShown) => p.now[0] ?? p.approved;
</script>

<template>
    <section v-if="of === 'runs' || places?.length" class="card" aria-labelledby="samples">
        <h2 id="samples">{{ of === 'runs' ? 'Pictures of its parts' : 'How it should be' }}</h2>
        <ul class="shown">
            <li v-for="p in places ?? []" :key="p.place">
                <img v-if="seen(p)" :src="`/api/v1/pictures/${seen(p)!.picture_id}`" :alt="p.place" />
                <span>{{ p.place }}</span>
                <span v-if="of === 'products'" class="quiet"
                    >run {{ p.approved?.run }}, {{ p.approved_by }}</span
                >
                <span v-else-if="p.now.length === 0" class="quiet"
                    >of the approved one; none of this run</span
                >
            </li>
        </ul>
        <v-btn v-if="of === 'runs'" variant="outlined" :to="`/parts/${id}`">Beside how it should be</v-btn>
    </section>
</template>

<style scoped>
.shown {
    list-style: none;
    padding: 0;
    display: flex;
    flex-wrap: wrap;
    gap: 10px;
    margin: 6px 0 10px;
}
li {
    display: grid;
    max-width: 160px;
}
img {
    width: 160px;
    aspect-ratio: 4 / 3;
    object-fit: cover;
    border-radius: 3px;
}
</style>
