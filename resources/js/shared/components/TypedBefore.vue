<script setup lang="ts">
import type { Typed } from '@/shared/composables/useTyped'
import { useSite } from '@/shared/composables/useSite'
import { moment } from '@/shared/format'

/** Says that a form holds what was typed before and not saved. */
defineProps<{ typed: Typed }>()
const { timezone } = useSite()
</script>

<template>
    <p v-if="typed.broughtBack.value" class="before" role="status">
        This was typed {{ moment(typed.broughtBack.value, timezone) }} and not saved.
        <template v-if="typed.moved.value">What is stored has changed since.</template>
        <button type="button" class="link" @click="typed.drop()">Drop it</button>
    </p>
</template>

<style scoped>
.before {
    background: var(--amber-wash);
    color: var(--amber-text);
    padding: 6px 10px;
    margin: 0 0 10px;
}
.link {
    margin-left: 6px;
}
</style>
