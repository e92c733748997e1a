<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { typed as asNumber } from '@/shared/format'

/** A number as it is typed, or none; what is being typed is left alone until it is done. */
defineProps<{ label: string }>()
const value = defineModel<number | null>({ required: true })
const text = ref('')
const shown = (): string => (value.value === null ? '' : String(value.value))
watch(value, (now) => {
    if (now !== read()) text.value = shown()
})
text.value = shown()

function read(): number | null {
    return text.value.trim() === '' ? null : asNumber(text.value)
}
const isNone = computed(() => Number.isNaN(read() ?? 0))
function typed(now: string): void {
    text.value = now
    const number = read()
    if (number === null || Number.isFinite(number)) value.value = number
}
</script>

<template>
    <el-input
        :model-value="text"
        size="small"
        inputmode="decimal"
        :aria-label="label"
        :aria-invalid="isNone"
        :class="{ none: isNone }"
        @update:model-value="typed"
    />
</template>

<style scoped>
.none {
    --el-input-border-color: var(--oxide);
    --el-input-text-color: var(--oxide);
}
</style>
