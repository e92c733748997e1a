<script setup lang="ts">
/** A list of short texts, one a line. */
defineProps<{ label: string; hint?: string }>()
const lines = defineModel<string[]>({ required: true })
</script>

<template>
    <label class="field">
        <span class="label">{{ label }}</span>
        <el-input
            type="textarea"
            :autosize="{ minRows: 2, maxRows: 6 }"
            :model-value="lines.join('\n')"
            @update:model-value="(text: string) => (lines = text.split('\n'))"
            @blur="lines = lines.map((line) => line.trim()).filter(Boolean)"
        />
        <span v-if="hint" class="note">{{ hint }}</span>
    </label>
</template>
