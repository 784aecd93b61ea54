<script setup lang="ts">
import { computed, onScopeDispose, ref } from 'vue';
import { useRouter } from 'vue-router';
import { session } from '../../api/session';
import { codeOf, onScan, pageOf } from '../../parts/scan';

/** An instrument for this machine: its code is scanned here, or typed. */
const props = defineProps<{ machine: number }>();
const router = useRouter();
const lead = computed(() => session.person?.role === 'lead');
const typed = ref('');
const code = computed(() =>
    codeOf(/^i-/i.test(typed.value.trim()) ? typed.value : `I-${typed.value.trim()}`),
);
function open(read: string | null): boolean {
    if (!lead.value || !read?.startsWith('I-')) return false;
    void router.push(`${pageOf(read)}?at=${props.machine}`);
    return true;
}
onScopeDispose(onScan(open));
</script>

<template>
    <section v-if="lead" class="card mt-4" aria-labelledby="pair">
        <h2 id="pair">An instrument for it</h2>
        <p class="quiet">Switch it on, then scan the code that stands on it, or type that.</p>
        <form @submit.prevent="open(code)">
            <label class="f"
                ><span>Code on the instrument</span
                ><input
                    v-model="typed"
                    maxlength="14"
                    autocomplete="off"
                    autocapitalize="characters"
                    spellcheck="false"
                    placeholder="I-7K3M9PQ2"
            /></label>
            <v-btn type="submit" variant="outlined" :disabled="code === null">Look for it</v-btn>
        </form>
    </section>
</template>

<style scoped>
form {
    display: flex;
    flex-wrap: wrap;
    gap: 12px 16px;
    align-items: end;
    margin-top: 10px;
}
label {
    display: grid;
    gap: 4px;
    font-weight: 600;
}
</style>
