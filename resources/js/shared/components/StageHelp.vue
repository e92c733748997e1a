<script setup lang="ts">
import type { Help } from '@/shared/help'

/** What a stage is for, what to do in which order, and what goes wrong there. */
defineProps<{ help: Help }>()
</script>

<template>
    <section class="help">
        <p class="lede">{{ help.first }}</p>
        <ol>
            <li v-for="step in help.steps" :key="step">{{ step }}</li>
        </ol>
        <p v-for="one in help.beware" :key="one" class="warning">{{ one }}</p>
    </section>
</template>

<style scoped>
ol {
    padding-left: 20px;
    margin: 8px 0 12px;
}
li {
    margin-bottom: 5px;
}
</style>
