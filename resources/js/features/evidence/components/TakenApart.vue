<script setup lang="ts">
import { computed } from 'vue'
import type { Schema } from '@/api/client'
import { number, percent, signed } from '@/shared/format'
import LotDrift from './LotDrift.vue'

/** The pairs by range, lot, reader, season and ground; a group of fewer than five is shown and proves nothing. */
const props = defineProps<{ evidence: Schema<'Evidence'> }>()
const ways = computed(() => [...new Set(props.evidence.strata.map(({ by }) => by))])
const rows = (by: string) => props.evidence.strata.filter((one) => one.by === by)
const lots = computed(() => rows('lot').filter(({ difference }) => difference !== null))
const named = (lot: string): string => (lot === 'no lot named' ? 'readings that name no lot' : `lot ${lot}`)
const drift = computed(() => {
    if (lots.value.length < 2) return ''
    const [first, last] = [lots.value[0]!, lots.value.at(-1)!]
    return (
        `From ${named(first.group)} to ${named(last.group)} the mean difference went from ${signed(first.difference)} to ` +
        `${signed(last.difference)}.`
    )
})
</script>

<template>
    <section v-if="evidence.strata.length">
        <h2>Taken apart</h2>
        <p class="note">{{ drift }} A group of fewer than five pairs proves nothing by itself.</p>
        <LotDrift v-if="lots.length > 1" :evidence="evidence" :words="drift" />
        <table class="plain">
            <thead>
                <tr>
                    <th>Group</th>
                    <th class="num">Pairs</th>
                    <th class="num">Same action</th>
                    <th class="num">Sure of</th>
                    <th class="num">Mean difference</th>
                    <th>Sort</th>
                </tr>
            </thead>
            <tbody v-for="by in ways" :key="by">
                <tr>
                    <th colspan="6" scope="rowgroup">By {{ by }}</th>
                </tr>
                <tr v-for="row in rows(by)" :key="row.group">
                    <td>{{ row.group }}</td>
                    <td class="num">{{ row.n }}</td>
                    <td class="num">{{ row.agree }} of {{ row.n }}</td>
                    <td class="num">{{ row.lower === null ? '–' : percent(row.lower) }}</td>
                    <td class="num">
                        {{
                            row.difference === null
                                ? '–'
                                : evidence.difference?.ratio
                                  ? number(row.difference, 0)
                                  : signed(row.difference)
                        }}
                    </td>
                    <td :class="{ note: row.verdict === 'too few' }">{{ row.verdict }}</td>
                </tr>
            </tbody>
        </table>
    </section>
</template>

<style scoped>
tbody th {
    padding-top: 8px;
    color: var(--ink-2);
    font-weight: 600;
}
</style>
