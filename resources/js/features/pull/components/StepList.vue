<script setup lang="ts">
import { useLocalStorage } from '@vueuse/core'

/** Steps to tick off; they stay ticked on this phone. */
const props = defineProps<{ title: string; steps: string[]; keep: string }>()
const done = useLocalStorage<string[]>(() => `honest-core:steps:${props.keep}`, [])
</script>

<template>
    <fieldset>
        <legend>{{ title }}</legend>
        <label v-for="step in steps" :key="step">
            <input v-model="done" type="checkbox" :value="step" />
            <span>{{ step }}</span>
        </label>
    </fieldset>
</template>

<style scoped>
fieldset {
    border: 0;
    border-top: 1px solid var(--rule);
    margin: 12px 0 0;
    padding: 8px 0 0;
}
legend {
    font: 700 17px var(--serif);
    padding: 0 8px 0 0;
}
label {
    display: flex;
    align-items: center;
    gap: 12px;
    min-height: 48px;
    font-size: 16px;
}
input {
    width: 26px;
    height: 26px;
    accent-color: var(--gley);
}
</style>
