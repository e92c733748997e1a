<script setup lang="ts">
import { computed, ref } from 'vue'

/** Something that is shown this once: an address, a token, codes. */
const props = defineProps<{ words: string; text: string; isAddress?: boolean }>()
const emit = defineEmits<{ done: [] }>()
const whole = computed(() => (props.isAddress ? `${window.location.origin}${props.text}` : props.text))
const copied = ref(false)
async function copy(): Promise<void> {
    await navigator.clipboard.writeText(whole.value).catch(() => undefined)
    copied.value = true
}
</script>

<template>
    <div class="once" role="status">
        <p>
            <strong>{{ words }}</strong> Shown this once: it is not kept here.
        </p>
        <pre>{{ whole }}</pre>
        <p class="row">
            <button type="button" class="link" @click="copy">{{ copied ? 'Copied' : 'Copy' }}</button>
            <button type="button" class="link" @click="emit('done')">I have it</button>
        </p>
    </div>
</template>

<style scoped>
.once {
    background: var(--gley-wash);
    padding: 8px 14px;
    margin: 10px 0;
}
pre {
    font: inherit;
    white-space: pre-wrap;
    overflow-wrap: anywhere;
    user-select: all;
    margin: 4px 0;
}
p {
    margin: 4px 0;
}
</style>
