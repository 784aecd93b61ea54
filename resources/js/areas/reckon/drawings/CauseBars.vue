<script setup lang="ts">
/** How likely each cause is, and what speaks for it and against it. */
defineProps<{
    causes: {
        id: string;
        name: string;
        probability: number;
        for: { says: string }[];
        against: { says: string }[];
    }[];
}>();
</script>

<template>
    <div class="bars causes">
        <template v-for="c in causes" :key="c.id">
            <div>
                <span>{{ c.name }}</span><span class="track"
                    ><i
                        :style="{ width: `${100 * c.probability}%` }"
                        :class="{ most: c === causes[0] }" /></span
                ><strong class="num">{{ Math.round(100 * c.probability) }} %</strong>
            </div>
            <p v-if="c.for.length + c.against.length > 0" class="quiet">
                {{
                    c.for
                        .map((e) => `for it: ${e.says}`)
                        .concat(c.against.map((e) => `against it: ${e.says}`))
                        .join('; ')
                }}
            </p>
        </template>
    </div>
</template>

<style scoped>
.bars h3 {
    font-size: 1rem;
    margin-top: 8px;
}
.bars div {
    display: grid;
    grid-template-columns: 130px 1fr 60px;
    gap: 10px;
    align-items: center;
    padding: 4px 0;
}
.bars strong {
    text-align: right;
}
.causes div {
    grid-template-columns: 190px 1fr 60px;
}
.causes p {
    margin: 0 0 4px;
    font-size: 0.92rem;
}
.track {
    background: var(--still);
    height: 22px;
}
.track i {
    display: block;
    height: 100%;
    background: var(--slate);
}
.track .most {
    background: var(--ember-strong);
}
</style>
