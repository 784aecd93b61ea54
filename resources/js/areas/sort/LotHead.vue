<script setup lang="ts">
import type { Lot } from '../../api/types';
import { number, show } from '../../parts/units';

/** What a lot is, where it stands, and what it holds. */
defineProps<{ lot: Lot }>();
/** What is known of a lot of sheet, in words. */
const sheetWords = (sheet: unknown) =>
    Object.entries(sheet as Record<string, unknown>)
        .filter(([, v]) => v)
        .map(
            ([k, v]) =>
                `${k.replace('_mm', '').replace('_', ' ')} ${String(v)}${k.endsWith('_mm') ? ' mm' : ''}`,
        )
        .join(', ');
</script>

<template>
    <div class="page-head">
        <div>
            <h1>
                <i class="swatch big" :style="{ background: lot.swatch }" />{{ lot.code }}
                <span v-if="lot.never_hot" class="tag bad">▲ never hot</span>
            </h1>
            <p class="quiet">
                {{ lot.polymer }}, {{ lot.colour }} {{ lot.form
                }}<template v-if="lot.generation">, pass {{ lot.generation }}</template> ·
                {{ lot.location || 'no place' }} · from
                <router-link :to="`/sort/sources/${lot.source.id}`">{{ lot.source.name }}</router-link>
                ({{ lot.source.state.replaceAll('_', ' ') }})<template v-if="lot.reserved_for">
                    · kept for {{ lot.reserved_for }}</template
                ><template v-if="lot.dry_minutes_left !== null">
                    · {{ lot.dry_state
                    }}<template v-if="(lot.dry_minutes_left ?? 0) > 0"
                        >, {{ number((lot.dry_minutes_left ?? 0) / 60, 1) }} h left</template
                    ></template
                >
            </p>
            <p v-if="lot.sheet" class="quiet">Sheet {{ sheetWords(lot.sheet) }}</p>
        </div>
        <div class="held">
            <p class="mono">{{ show(lot.mass_g, 'mass') }}</p>
            <p class="quiet">
                {{ lot.tare_g === null ? 'no tare kept' : `container ${show(lot.tare_g, 'mass')}` }}
            </p>
        </div>
    </div>
</template>

<style scoped>
.big {
    width: 30px;
    height: 30px;
    vertical-align: -4px;
}
.held {
    text-align: right;
}
.held .mono {
    font-size: 2.2rem;
    line-height: 1.1;
}
</style>
