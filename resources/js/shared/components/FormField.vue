<script setup lang="ts">
defineProps<{ label: string; wrong?: string; hint?: string }>()
</script>

<template>
    <label class="field">
        <span class="label">{{ label }}</span>
        <slot />
        <span v-if="hint && !wrong" class="note">{{ hint }}</span>
        <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
    </label>
</template>

<style scoped>
.note {
    display: block;
}
</style>
