<script setup lang="ts">
import { computed, ref } from 'vue';
import type { PartPicture, PlaceShown } from '../../api/types';
import { dayText, timeOfDay } from '../../parts/units';

/** A place on the part as it should be and as it is: side by side in one frame, or one laid over the other. */
const props = defineProps<{ place: PlaceShown; shown: PartPicture }>();
const over = ref(false);
const share = ref(50);
const of = (p: PartPicture) => `run ${p.run}${p.piece === null ? '' : `, part ${p.piece}`}`;
const url = (p: PartPicture) => `/api/v1/pictures/${p.picture_id}`;
const good = computed(() => props.place.approved);
</script>

<template>
    <div>
        <div v-if="good && over" class="frame">
            <img :src="url(good)" :alt="`${place.place}, as it should be`" /><img
                class="on"
                :src="url(shown)"
                :alt="`${place.place}, ${of(shown)}`"
                :style="{ opacity: share / 100 }"
            />
        </div>
        <div v-else class="pair">
            <figure>
                <div class="frame">
                    <img v-if="good" :src="url(good)" :alt="`${place.place}, as it should be`" />
                    <p v-else class="quiet">Nobody has said what is good here.</p>
                </div>
                <figcaption>
                    <strong>As it should be</strong>
                    <template v-if="good"
                        >{{ of(good) }}, approved by {{ place.approved_by }},
                        {{ dayText(place.approved_at ?? 0) }}</template
                    >
                </figcaption>
            </figure>
            <figure>
                <div class="frame"><img :src="url(shown)" :alt="`${place.place}, ${of(shown)}`" /></div>
                <figcaption>
                    <strong>Now</strong> {{ of(shown) }}, {{ shown.by }}, {{ dayText(shown.at) }}
                    {{ timeOfDay(shown.at) }}
                </figcaption>
            </figure>
        </div>
        <div v-if="good" class="acts">
            <v-btn variant="outlined" :aria-pressed="over" @click="over = !over">{{
                over ? 'Side by side' : 'One over the other'
            }}</v-btn>
            <label v-if="over" class="share"
                ><span>As it should be</span
                ><input
                    v-model.number="share"
                    type="range"
                    min="0"
                    max="100"
                    step="5"
                    aria-label="How much of now"
                /><span>Now</span></label
            >
        </div>
    </div>
</template>

<style scoped>
.pair {
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: 12px;
}
figure {
    margin: 0;
}
.frame {
    position: relative;
    aspect-ratio: 4 / 3;
    background: var(--line);
    border-radius: 3px;
    overflow: hidden;
    display: grid;
    place-items: center;
    text-align: center;
}
.frame img {
    position: absolute;
    inset: 0;
    width: 100%;
    height: 100%;
    object-fit: cover;
}
figcaption strong {
    margin-right: 6px;
}
.acts,
.share {
    display: flex;
    flex-wrap: wrap;
    gap: 10px;
    align-items: center;
    margin-top: 8px;
}
.share input {
    min-height: var(--touch);
    width: 220px;
}
@media (max-width: 600px) {
    .pair {
        gap: 4px;
    }
}
</style>
