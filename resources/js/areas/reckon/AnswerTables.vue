<script setup lang="ts">
import { computed } from 'vue';
import { format, kind, shownUnit, title, unitOf, type CalcSchema, type Values } from './schema';

/** An answer number by number: what no drawing says better. */
const props = defineProps<{ name: string; schema: CalcSchema; result: Values }>();
/** What a drawing says better than a table. */
const DRAWN = [
    'curve',
    'layout',
    'matrix',
    'samples',
    'sections',
    'whatif',
    'utilisation',
    'causes',
    'cycle',
    'heat_input',
];
/** Lists of whole sentences. */
const sentences = computed(
    () =>
        Object.entries(props.result).filter(
            ([k, v]) =>
                k !== 'warnings' &&
                Array.isArray(v) &&
                v.length > 0 &&
                v.every((x) => typeof x === 'string' && x.includes(' ')),
        ) as [string, string[]][],
);
const plain = (v: unknown) =>
    v === null || typeof v !== 'object' || (Array.isArray(v) && v.every((x) => typeof x !== 'object'));
const scalars = computed(() =>
    Object.entries(props.result)
        .filter(
            ([k, v]) =>
                !['explanation', 'warnings'].includes(k) &&
                v !== null &&
                plain(v) &&
                !sentences.value.some(([s]) => s === k),
        )
        .map(
            ([k, v]) =>
                [k, Array.isArray(v) ? v.map((x) => format(x, unit(k))).join(', ') || 'none' : v] as const,
        ),
);
const nested = computed(() =>
    Object.entries(props.result).filter(
        ([k, v]) =>
            k !== 'warnings' &&
            !plain(v) &&
            ![
                ...DRAWN,
                ...(props.name === 'settings.recommend' ? ['settings', 'zone_profile', 'timers'] : []),
            ].includes(k),
    ),
);
const unit = (k: string) =>
    kind(props.schema.result.properties?.[k] ?? {}) === 'number'
        ? unitOf(k, props.schema.result.properties?.[k])
        : '';
const rows = (value: unknown): Record<string, unknown>[] =>
    Array.isArray(value)
        ? value.map((v) =>
              v !== null && typeof v === 'object' && !Array.isArray(v)
                  ? (v as Record<string, unknown>)
                  : { value: v },
          )
        : [value as Record<string, unknown>];
const columns = (value: unknown) => Object.keys(rows(value)[0] ?? {}).filter((k) => k !== 'profile');
</script>

<template>
    <div>
        <dl v-if="scalars.length">
            <div v-for="[k, v] in scalars" :key="k">
                <dt>{{ title(k) }}</dt>
                <dd class="num">
                    {{ format(v, unit(k)) }} <small>{{ shownUnit(unit(k)) }}</small>
                </dd>
            </div>
        </dl>
        <div v-for="[k, list] in sentences" :key="k" class="table">
            <h3>{{ title(k) }}</h3>
            <ul>
                <li v-for="s in list" :key="s">{{ s }}</li>
            </ul>
        </div>
        <div v-for="[k, v] in nested" :key="k" class="table">
            <h3>
                {{ title(k) }}<small v-if="unitOf(k)">, {{ shownUnit(unitOf(k)) }}</small>
            </h3>
            <div class="scroll" tabindex="0" :aria-label="title(k)">
                <table class="rows">
                    <thead>
                        <tr>
                            <th v-for="c in columns(v)" :key="c">
                                {{ title(c) }}<small v-if="unitOf(c)">, {{ shownUnit(unitOf(c)) }}</small>
                            </th>
                        </tr>
                    </thead>
                    <tbody>
                        <tr v-for="(row, i) in rows(v).slice(0, 40)" :key="i">
                            <td v-for="c in columns(v)" :key="c" class="num">
                                {{ format(row[c], unitOf(c) || unitOf(k)) }}
                            </td>
                        </tr>
                    </tbody>
                </table>
            </div>
        </div>
    </div>
</template>

<style scoped>
dl {
    margin: 12px 0 0;
}
dl div {
    display: flex;
    justify-content: space-between;
    gap: 12px;
    border-bottom: 1px solid var(--line);
    padding: 6px 0;
}
dt {
    color: var(--quiet);
}
dd {
    margin: 0;
    font-weight: 700;
    font-size: 1.08rem;
    text-align: right;
}
small {
    font-weight: 400;
    color: var(--quiet);
}
.table {
    margin-top: 14px;
}
h3 {
    font-size: 1rem;
}
ul {
    padding-left: 20px;
    margin: 4px 0 0;
}
li {
    margin-bottom: 3px;
}
.scroll {
    overflow-x: auto;
}
</style>
