<script setup lang="ts">
import { useThisSetting } from './useSetting';

/** A machine for each place of the process. */
const { draft, process, machinesFor } = useThisSetting();
const upper = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);
</script>

<template>
    <label v-for="role in process?.roles ?? []" :key="role.id" class="sel"
        ><span>{{ upper(role.title) }}</span
        ><select v-model="draft.machines[role.id]">
            <option v-if="!role.required" :value="null">none</option>
            <option v-for="m in machinesFor(role.id)" :key="m.id" :value="m.id">
                {{ m.name }}{{ m.running_run ? ', in use' : '' }}
            </option>
        </select></label
    >
</template>
