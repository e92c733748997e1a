<script setup lang="ts" generic="T extends string">
/** A few named choices of which one holds; they wrap where the column is narrow. */
defineProps<{ label: string; options: { value: T; label: string }[] }>()
const chosen = defineModel<T>({ required: true })
</script>

<template>
    <div class="chips" role="radiogroup" :aria-label="label">
        <label v-for="option in options" :key="option.value" :class="{ on: chosen === option.value }">
            <input v-model="chosen" type="radio" :name="label" :value="option.value" />
            {{ option.label }}
        </label>
    </div>
</template>

<style scoped>
.chips {
    display: flex;
    flex-wrap: wrap;
    border: 1px solid var(--line);
    background: var(--sheet);
    margin-bottom: 6px;
}
label {
    flex: 1 0 auto;
    text-align: center;
    padding: 5px 9px;
    cursor: pointer;
    position: relative;
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
