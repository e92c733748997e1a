<script setup lang="ts">
import { computed, ref } from 'vue'
import { useSite } from '@/shared/composables/useSite'
import { depth } from '@/shared/format'
import { LAYERS } from '../usual'

/** The depth layers of a plan, a composite for each: the usual ones, and any other written as 4-8in or 10-20cm. */
const layers = defineModel<string[]>({ required: true })
const other = ref('')
const { units } = useSite()
const offered = computed(() => {
    const told = layers.value.map(depth)
    const usual = LAYERS[units.value].filter((one) => layers.value.includes(one) || !told.includes(depth(one)))
    return [...usual, ...layers.value.filter((one) => !usual.includes(one))]
})
function turn(layer: string): void {
    layers.value = layers.value.includes(layer) ? layers.value.filter((one) => one !== layer) : [...layers.value, layer]
}
function add(): void {
    const layer = other.value.replace(/\s+/g, '')
    if (layer && !layers.value.includes(layer)) layers.value = [...layers.value, layer]
    other.value = ''
}
</script>

<template>
    <div class="layers" role="group" aria-label="Depth layers">
        <button
            v-for="layer in offered"
            :key="layer"
            type="button"
            :aria-pressed="layers.includes(layer)"
            @click="turn(layer)"
        >
            {{ depth(layer) }}
        </button>
        <input
            v-model="other"
            aria-label="Another layer"
            :placeholder="units === 'us' ? '4-8in' : '10-20cm'"
            size="6"
            maxlength="20"
            @keydown.enter.prevent="add"
            @change="add"
        />
    </div>
</template>

<style scoped>
.layers {
    display: flex;
    flex-wrap: wrap;
    gap: 4px;
}
button,
input {
    font: inherit;
    font-size: 12.5px;
    min-height: 28px;
    padding: 1px 8px;
    border: 1px solid var(--line);
    background: var(--sheet);
    color: var(--ink);
}
button {
    cursor: pointer;
}
button:hover {
    background: var(--wash);
}
button[aria-pressed='true'] {
    background: var(--gley-wash);
    color: var(--gley-deep);
    box-shadow: inset 0 -2px 0 var(--gley);
}
input {
    flex: 1;
    min-width: 60px;
    max-width: 90px;
}
</style>
