<script setup lang="ts">
import type { Schema } from '@/api/client'
import { moment } from '@/shared/format'

/** Phones that differ on a core: a person who was there says which word stands. */
type Conflict = Schema<'PullState'>['conflicts'][number]
defineProps<{ conflict: Conflict; timezone: string }>()
const emit = defineEmits<{ settle: [conflict: Conflict, entry: Conflict['entries'][number]] }>()
const SAY: Record<string, string> = {
    pulled: 'It was pulled',
    moved: 'It was moved and pulled',
    refused: 'It was refused',
    skipped: 'It was skipped',
}
</script>

<template>
    <section class="conflict" role="alert">
        <h2>Two phones differ on core {{ conflict.sequence }}</h2>
        <ul>
            <li v-for="entry in conflict.entries" :key="entry.uuid">
                <strong>{{ entry.by }}</strong>: {{ entry.outcome }}{{ entry.reason ? `, ${entry.reason}` : '' }},
                {{ moment(entry.at, timezone) }}
            </li>
        </ul>
        <p>Is there soil of it in the bucket? Say what is so; both entries stay on record.</p>
        <div class="choices">
            <button
                v-for="entry in conflict.entries"
                :key="entry.uuid"
                type="button"
                @click="emit('settle', conflict, entry)"
            >
                {{ SAY[entry.outcome] ?? entry.outcome }}
            </button>
        </div>
    </section>
</template>

<style scoped>
.conflict {
    border: 2px solid var(--oxide);
    background: var(--sheet);
    padding: 12px;
    margin: 14px 0;
}
ul {
    padding-left: 18px;
    margin: 8px 0;
}
.choices {
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: 10px;
}
button {
    min-height: 64px;
    border: 1.5px solid var(--ink);
    border-radius: 4px;
    background: var(--sheet);
    font: 700 17px var(--sans);
    cursor: pointer;
}
</style>
