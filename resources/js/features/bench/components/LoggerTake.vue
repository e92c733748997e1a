<script setup lang="ts">
import { ref } from 'vue'
import { api, type Schema } from '@/api/client'
import RefusalNote from '@/shared/components/RefusalNote.vue'
import { useSave } from '@/shared/composables/useSave'
import FilePick from '@/shared/components/FilePick.vue'

/** The file of a logger read into the tubes that wait for it, whole or not at all. */
const props = defineProps<{ run: Schema<'Run'> }>()
const emit = defineEmits<{ taken: [run: Schema<'Run'>] }>()
const file = ref<File | null>(null)
const { save, saving, refusal } = useSave(
    () => {
        const form = new FormData()
        if (file.value) form.append('file', file.value)
        form.append('reader', props.run.readers[0] ?? '')
        form.append('now_ms', String(Date.now()))
        return api.post('/runs/{run}/logger', form, { ids: { run: props.run.id } })
    },
    (run) => emit('taken', run),
)
function choose(event: Event): void {
    file.value = (event.target as HTMLInputElement).files?.[0] ?? null
    if (file.value) void save()
}
</script>

<template>
    <details class="logger">
        <summary>Take the file of a logger</summary>
        <p class="note">
            CSV with the columns portion and value, and celsius if there is one; a row for each reading. Tubes must have
            come to the reading.
        </p>
        <FilePick accept=".csv,text/csv" aria-label="File of the logger" :disabled="saving" @change="choose" />
        <RefusalNote :refusal="refusal" />
    </details>
</template>

<style scoped>
.logger {
    margin: 12px 0;
}
summary {
    cursor: pointer;
    color: var(--gley);
}
</style>
