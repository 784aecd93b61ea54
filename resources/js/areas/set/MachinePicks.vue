<script setup lang="ts">
import { capital } from '../../parts/text';
import { useThisSetting } from './useSetting';

/** A machine for each place of the process. */
const { draft, process, machinesFor } = useThisSetting();
</script>

<template>
    <label v-for="role in process?.roles ?? []" :key="role.id" class="sel"
        ><span>{{ capital(role.title) }}</span
        ><select v-model="draft.machines[role.id]">
            <option v-if="!role.required" :value="null">none</option>
            <option v-for="m in machinesFor(role.id)" :key="m.id" :value="m.id">
                {{ m.name }}{{ m.running_run ? ', in use' : '' }}
            </option>
        </select></label
    >
</template>
