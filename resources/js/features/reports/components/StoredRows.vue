<script setup lang="ts">
import type { Schema } from '@/api/client'
import { number } from '@/shared/format'

/** The first rows of a file as they would be stored; a row that cannot be may be left out. */
defineProps<{ results: Schema<'ReportPreview'>['results']; skip: number[] }>()
defineEmits<{ leave: [row: number] }>()
const SAID: Record<string, string> = {
    below: 'below the limit',
    above: 'above the range',
    range: 'a range',
    trace: 'a trace',
    rating: 'a rating',
    unreadable: 'cannot be read',
    unsettled: 'can be read in two ways',
    either: 'says that there is nothing',
}
function stored(one: Schema<'ReportPreview'>['results'][number]): string {
    const figure = one.value === null ? '' : `${number(one.value, 2)} ${one.unit}`
    return one.said === 'number' ? figure || '–' : [SAID[one.said], figure].filter(Boolean).join(', ')
}
</script>

<template>
    <h2>As it would be stored</h2>
    <table class="plain">
        <thead>
            <tr>
                <th class="num">Row</th>
                <th>In the file</th>
                <th>Portion</th>
                <th>Result</th>
                <th class="num">Reported</th>
                <th class="num">Stored</th>
                <th>Look</th>
            </tr>
        </thead>
        <tbody>
            <tr v-for="(one, i) in results" :key="i" :class="{ out: skip.includes(one.row) }">
                <td class="num">{{ one.row }}</td>
                <td class="code">{{ one.sample }}</td>
                <td>{{ one.portion ?? (one.near.length ? `was ${one.near.join(' or ')} meant?` : '–') }}</td>
                <td class="narrow code">{{ one.series }}</td>
                <td class="num">{{ one.as_reported }} {{ one.unit_reported }}</td>
                <td class="num">{{ stored(one) }}</td>
                <td class="why">
                    <template v-if="skip.includes(one.row)">left out</template>
                    <template v-else-if="one.problem || !one.portion">
                        {{ one.problem ?? 'no portion of this team' }}
                        <button
                            type="button"
                            class="link"
                            :aria-label="`Leave row ${one.row} out`"
                            @click="$emit('leave', one.row)"
                        >
                            leave the row out
                        </button>
                    </template>
                </td>
            </tr>
        </tbody>
    </table>
</template>

<style scoped>
h2 {
    margin-top: 18px;
}
.code {
    white-space: nowrap;
}
.why {
    font-size: 12px;
    color: var(--amber-text);
}
.out td {
    color: var(--placeholder);
    text-decoration: line-through;
}
</style>
