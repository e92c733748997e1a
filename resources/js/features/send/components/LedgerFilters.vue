<script setup lang="ts">
import { useDebounceFn } from '@vueuse/core'
import { computed } from 'vue'
import { useSite } from '@/shared/composables/useSite'
import { portionName } from '@/shared/format'
import type { Filter } from '../composables/useLedger'
import { useLabs } from '@/shared/api'
import OneOf from '@/shared/components/OneOf.vue'

/** Narrows the ledger by any fact of a sample. */
defineProps<{ asked: Record<string, string> }>()
const emit = defineEmits<{ set: [change: Partial<Record<Filter, string>>] }>()
const { sites, areas } = useSite()
const labs = useLabs()
const this_year = new Date().getFullYear()
const KINDS = ['lab', 'lab_b', 'bench', 'archive', 'hidden']
const STATES = [
    'split',
    'drying',
    'dried',
    'chilled',
    'frozen',
    'packed',
    'sent',
    'arrived',
    'measured',
    'reported',
    'shelved',
    'used_up',
    'discarded',
    'lost',
]
const search = useDebounceFn((text: string) => emit('set', { q: text }), 250)
const choices = computed(() => [
    {
        key: 'site_id' as const,
        label: 'All sites',
        options: (sites.data.value ?? []).map((one) => ({ value: String(one.id), text: one.name })),
    },
    {
        key: 'area_id' as const,
        label: 'All areas',
        options: areas.value.map((one) => ({ value: String(one.id), text: one.name })),
    },
    {
        key: 'year' as const,
        label: 'All years',
        options: Array.from({ length: 12 }, (_, i) => ({ value: String(this_year - i), text: String(this_year - i) })),
    },
    {
        key: 'kind' as const,
        label: 'All portions',
        options: KINDS.map((kind) => ({ value: kind, text: portionName(kind) })),
    },
    {
        key: 'state' as const,
        label: 'Any state',
        options: STATES.map((state) => ({ value: state, text: state.replace('_', ' ') })),
    },
    {
        key: 'lab_id' as const,
        label: 'All labs',
        options: (labs.data.value?.labs ?? []).map((one) => ({ value: String(one.id), text: one.name })),
    },
    {
        key: 'read' as const,
        label: 'Read or not',
        options: [
            { value: 'no_lab', text: 'no lab result' },
            { value: 'lab', text: 'with lab result' },
            { value: 'no_bench', text: 'not read at the bench' },
            { value: 'bench', text: 'read at the bench' },
        ],
    },
    { key: 'deviates' as const, label: 'Deviations', options: [{ value: '1', text: 'with a deviation' }] },
])
</script>

<template>
    <form class="filters no-print" role="search" aria-label="Narrow the ledger" @submit.prevent>
        <input
            :value="asked.q ?? ''"
            type="search"
            placeholder="Code, area, person, note"
            aria-label="Code, area, person or note"
            @input="search(($event.target as HTMLInputElement).value)"
        />
        <OneOf
            v-for="one in choices"
            :key="one.key"
            :model-value="asked[one.key] ?? ''"
            :aria-label="one.label"
            :none="one.label"
            :options="one.options.map(({ value, text }) => [value, text] as const)"
            @update:model-value="emit('set', { [one.key]: $event })"
        />
    </form>
</template>

<style scoped>
.filters {
    display: flex;
    flex-wrap: wrap;
    gap: 6px;
    margin-bottom: 10px;
}
.one {
    width: 107px;
    height: 28px;
}
input {
    width: 186px;
    max-width: none;
}
</style>
