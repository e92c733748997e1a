<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { useSamples } from '@/shared/api'
import { type Sample } from '@/shared/samples'
import { useSite } from '@/shared/composables/useSite'

/** Chooses one composite of the site: the newest are offered, any other is found by its label or its area. */
const props = defineProps<{ results: boolean; placeholder: string; label: (sample: Sample) => string }>()
const id = defineModel<number | null>({ required: true })
const emit = defineEmits<{ picked: [sample: Sample | null] }>()
const { siteId } = useSite()
const words = ref('')
const found = useSamples(siteId, props.results, () => (words.value ? { q: words.value } : {}))
const offered = computed(() => found.data.value?.rows ?? [])
const isOffered = computed(() => offered.value.some((one) => one.id === id.value))
const alone = useSamples(siteId, props.results, () => (id.value === null || isOffered.value ? null : { id: id.value }))
const options = computed(() => {
    const one = alone.data.value?.rows.find((sample) => sample.id === id.value)
    return one && !isOffered.value ? [one, ...offered.value] : offered.value
})
const picked = computed(() => options.value.find((one) => one.id === id.value) ?? null)
watch(picked, (sample) => emit('picked', sample), { immediate: true })
</script>

<template>
    <el-select
        :model-value="id ?? undefined"
        filterable
        remote
        remote-show-suffix
        :remote-method="(typed: string) => (words = typed.trim())"
        :placeholder="placeholder"
        @update:model-value="(to: number) => (id = to)"
    >
        <el-option v-for="one in options" :key="one.id" :value="one.id" :label="label(one)" />
    </el-select>
</template>
