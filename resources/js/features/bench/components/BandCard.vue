<script setup lang="ts">
import type { Schema } from '@/api/client'

/** The kit's card: one step is chosen, by its name rather than by its colour. */
defineProps<{ bands: Schema<'Band'>[]; wrong?: string }>()
const chosen = defineModel<string>({ required: true })
</script>

<template>
    <fieldset>
        <legend>What the card says</legend>
        <div class="card" role="radiogroup" aria-label="What the card says">
            <label v-for="band in bands" :key="band.name" :class="{ on: chosen === band.name }">
                <input v-model="chosen" type="radio" name="band" :value="band.name" />
                {{ band.name }}
            </label>
        </div>
        <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
    </fieldset>
</template>

<style scoped>
.card {
    display: flex;
    border: 1px solid var(--line);
    background: var(--sheet);
}
label {
    flex: 1;
    text-align: center;
    padding: 9px 0;
    cursor: pointer;
    font-weight: 600;
    position: relative;
}
label + label {
    border-left: 1px solid var(--hair);
}
label:hover {
    background: var(--wash);
}
label:focus-within {
    outline: 2px solid var(--gley);
    outline-offset: 2px;
}
.on {
    background: var(--gley-wash);
    color: var(--gley-deep);
    box-shadow: inset 0 -2px 0 var(--gley);
}
input {
    position: absolute;
    opacity: 0;
}
</style>
