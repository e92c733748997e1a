<script setup lang="ts">
import { ref, watch } from 'vue'
import { api } from '@/api/client'
import RefusalNote from '@/shared/components/RefusalNote.vue'
import { useSave } from '@/shared/composables/useSave'
import { useSession } from '@/shared/composables/useSession'

/** On practice ground the test shows something when one looks at it; what was read, the person decides. Nothing elsewhere. */
const props = defineProps<{
    sampleId: number | null
    methodId: number
    reader: string
    runId?: number
    tube?: number
    flags?: string[]
}>()
const { me } = useSession()
const words = ref('')
const look = useSave(
    () =>
        api.get('/practice/shown', {
            query: {
                sample_id: props.sampleId ?? 0,
                method_id: props.methodId,
                reader: props.reader,
                run_id: props.runId,
                tube: props.tube,
                flags: props.flags?.join(',') || undefined,
            },
        }),
    (shown) => (words.value = shown.words),
)
watch(
    () => [props.sampleId, props.methodId, props.reader, props.runId, props.tube, props.flags?.join()],
    () => {
        words.value = ''
        look.clear()
    },
)
</script>

<template>
    <div v-if="me?.practice && sampleId" class="look">
        <RefusalNote :refusal="look.refusal.value" />
        <p v-if="words" role="status">
            <strong>{{ words }}</strong>
        </p>
        <el-button v-else :disabled="!reader" :loading="look.saving.value" @click="look.save()"
            >Look at the test</el-button
        >
    </div>
</template>

<style scoped>
.look {
    border: 1px dashed var(--umber);
    padding: 8px 10px;
    margin: 8px 0;
}
.look p {
    margin: 0;
}
</style>
