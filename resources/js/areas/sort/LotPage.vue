<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query';
import { useRoute } from 'vue-router';
import { api } from '../../api/client';
import type { LotDetail } from '../../api/types';
import LotView from './LotView.vue';

const id = String(useRoute().params.id);
const { data, isPending } = useQuery({
    queryKey: ['lot', id],
    queryFn: () => api.get<LotDetail>(`lots/${id}`),
});
</script>

<template>
    <div class="page">
        <LotView v-if="data" :detail="data" />
        <p v-else class="card">{{ isPending ? 'Opening the lot …' : 'There is no such lot.' }}</p>
    </div>
</template>
