<script setup lang="ts">
import { ref } from 'vue'

/** The one way to choose a file: a button of this product, and the name of what was chosen. */
defineOptions({ inheritAttrs: false })
defineProps<{ words?: string; disabled?: boolean }>()
const emit = defineEmits<{ change: [event: Event] }>()
const chosen = ref('')

function pick(event: Event): void {
    const files = [...((event.target as HTMLInputElement).files ?? [])]
    chosen.value = files.length > 1 ? `${files.length} files` : (files[0]?.name ?? '')
    emit('change', event)
}
</script>

<template>
    <span class="pick" :class="{ disabled }">
        <input v-bind="$attrs" type="file" :disabled="disabled" @change="pick" />
        <span class="button" aria-hidden="true">{{ words ?? 'Choose a file' }}</span>
        <span class="name">{{ chosen || 'none chosen' }}</span>
    </span>
</template>

<style scoped>
.pick {
    position: relative;
    display: inline-flex;
    align-items: center;
    gap: 8px;
    max-width: 100%;
}
input {
    position: absolute;
    inset: 0;
    width: 100%;
    color: transparent;
    cursor: pointer;
}
input::file-selector-button {
    opacity: 0;
    cursor: pointer;
}
.button {
    padding: 4px 12px;
    border: 1px solid var(--line);
    border-radius: 2px;
    background: var(--sheet);
    white-space: nowrap;
}
.pick:not(.disabled):hover .button {
    border-color: var(--gley);
    color: var(--gley-deep);
}
input:focus-visible + .button {
    outline: 2px solid var(--gley);
    outline-offset: 1px;
}
.name {
    color: var(--ink-2);
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
}
.disabled {
    opacity: 0.55;
}
.disabled input {
    cursor: not-allowed;
}
</style>
