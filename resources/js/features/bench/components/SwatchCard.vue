<script setup lang="ts">
import { ref, watch } from 'vue'
import type { Schema } from '@/api/client'

/** A kit's card: one step is chosen, by its name as much as by its colour, or two neighbours that the colour lies between. */
const props = defineProps<{ bands: Schema<'ScaleBand'>[]; mayLieBetween?: boolean; wrong?: string }>()
const chosen = defineModel<string>({ required: true })
const other = defineModel<string | null>('between', { default: null })
const two = ref(false)
watch(two, (on) => {
    if (!on) other.value = null
})
watch(chosen, (now) => {
    if (now === '') two.value = false
})
const place = (name: string | null): number => props.bands.findIndex((band) => band.name === name)

function choose(name: string): void {
    if (!two.value || chosen.value === '' || other.value !== null) {
        other.value = null
        chosen.value = name
    } else if (Math.abs(place(name) - place(chosen.value)) === 1) other.value = name
    else chosen.value = name
}
const on = (name: string): boolean => name === chosen.value || name === other.value
</script>

<template>
    <fieldset>
        <legend>What the card says</legend>
        <div class="card" role="group" aria-label="What the card says">
            <button
                v-for="(band, i) in bands"
                :key="band.name"
                type="button"
                :aria-pressed="on(band.name)"
                :aria-label="`${band.name}, key ${i + 1}`"
                :class="{ on: on(band.name) }"
                @click="choose(band.name)"
            >
                <span v-if="band.hex" class="swatch" :style="{ background: band.hex }"></span>
                <span class="name">{{ band.name }}</span>
            </button>
        </div>
        <el-checkbox v-if="mayLieBetween" v-model="two">It lies between two: choose both</el-checkbox>
        <p v-if="other" class="note">
            Between {{ place(chosen) < place(other) ? chosen : other }} and
            {{ place(chosen) < place(other) ? other : chosen }}.
        </p>
        <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
    </fieldset>
</template>

<style scoped>
.card {
    display: flex;
    border: 1px solid var(--line);
    background: #fff;
}
button {
    flex: 1;
    min-width: 0;
    padding: 8px 4px 4px;
    border: 0;
    background: none;
    cursor: pointer;
    font-weight: 600;
    font-size: 13px;
    color: var(--ink);
}
button + button {
    border-left: 1px solid var(--hair);
}
button:hover .name {
    text-decoration: underline;
}
.swatch {
    display: block;
    height: 62px;
    margin-bottom: 4px;
}
.on {
    box-shadow: inset 0 -4px 0 var(--gley);
    color: var(--gley-deep);
    background: var(--gley-wash);
}
</style>
