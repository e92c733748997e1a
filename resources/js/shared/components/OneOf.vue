<script setup lang="ts" generic="T extends string | number">
/** One out of a list; with `none` it may be emptied again. The list is the machine's own, as hand and reader know it. */
const props = withDefaults(
    defineProps<{
        options: readonly (readonly [T, string])[]
        none?: string
        placeholder?: string
        size?: 'small' | 'default' | 'large'
    }>(),
    { size: 'small', none: undefined, placeholder: undefined },
)
const value = defineModel<T | ''>({ required: true })
function choose(event: Event): void {
    const at = (event.target as HTMLSelectElement).value
    value.value = props.options.find(([code]) => String(code) === at)?.[0] ?? ''
}
</script>

<template>
    <select :value="value" class="one" :class="[size, { empty: value === '' }]" @change="choose">
        <option v-if="none !== undefined" value="">{{ none }}</option>
        <option v-else-if="!options.some(([code]) => code === value)" :value="value" disabled>
            {{ placeholder ?? '' }}
        </option>
        <option v-for="[code, name] in options" :key="code" :value="code">{{ name }}</option>
    </select>
</template>

<style scoped>
.one {
    appearance: none;
    width: 100%;
    height: 32px;
    padding: 0 28px 0 10px;
    border: 1px solid var(--line);
    border-radius: 2px;
    background: var(--sheet) url('./list-arrow.svg') no-repeat right 10px center;
    color: var(--ink);
    font: inherit;
    text-overflow: ellipsis;
}
.one:focus-visible {
    outline: 2px solid var(--gley);
    outline-offset: 1px;
}
.one.empty {
    color: var(--placeholder);
}
.small {
    height: 26px;
}
.large {
    height: 44px;
    font-size: 16px;
}
option {
    color: var(--ink);
}
</style>
