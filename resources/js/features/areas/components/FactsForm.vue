<script setup lang="ts">
import FormField from '@/shared/components/FormField.vue'
import { EVENTS, SLOPES, SURFACES, TEXTURES, type Facts } from '../facts'
import OneOf from '@/shared/components/OneOf.vue'

/** What decides whether ground may share a composite. What is not known is left empty. */
const facts = defineModel<Facts>({ required: true })
const LISTS = [
    ['surfaces', 'Surface', SURFACES],
    ['slopes', 'Where on the slope', SLOPES],
    ['textures', 'Soil texture', TEXTURES],
] as const
const add = (): void =>
    void facts.value.events.push({ kind: 'lime', on: String(new Date().getFullYear()), part: false, note: '' })
</script>

<template>
    <div>
        <fieldset v-for="[key, label, options] in LISTS" :key="key">
            <legend>{{ label }}</legend>
            <el-checkbox-group v-model="facts[key]" class="choices">
                <el-checkbox v-for="option in options" :key="option.value" :value="option.value">{{
                    option.label
                }}</el-checkbox>
            </el-checkbox-group>
        </fieldset>
        <FormField label="Soil colour"><el-input v-model="facts.colour" maxlength="200" /></FormField>
        <fieldset>
            <legend>Lime, fertiliser, manure, compost</legend>
            <div v-for="(event, i) in facts.events" :key="i" class="event">
                <OneOf
                    v-model="event.kind"
                    :aria-label="`What, ${i + 1}`"
                    :options="EVENTS.map(({ value, label }) => [value, label] as const)"
                />
                <el-input
                    v-model="event.on"
                    size="small"
                    maxlength="10"
                    placeholder="2024-05"
                    :aria-label="`When, ${i + 1}`"
                    title="A year, a month as 2024-05 or a day as 2024-05-17"
                />
                <el-checkbox v-model="event.part">only part</el-checkbox>
                <button
                    type="button"
                    class="link"
                    :aria-label="`Remove event ${i + 1}`"
                    @click="facts.events.splice(i, 1)"
                >
                    ×
                </button>
                <el-input
                    v-model="event.note"
                    size="small"
                    maxlength="200"
                    placeholder="what, how much"
                    :aria-label="`Note, ${i + 1}`"
                />
            </div>
            <button type="button" class="link" @click="add">Add an event</button>
        </fieldset>
        <FormField label="Crops now"><el-input v-model="facts.crops_now" maxlength="200" /></FormField>
        <FormField label="Crops wanted"><el-input v-model="facts.crops_wanted" maxlength="200" /></FormField>
        <div class="choices">
            <el-checkbox v-model="facts.irrigated">irrigated</el-checkbox>
            <el-checkbox v-model="facts.old_paint">old paint near</el-checkbox>
            <el-checkbox v-model="facts.industry">traffic or industry</el-checkbox>
        </div>
    </div>
</template>

<style scoped>
.choices {
    display: flex;
    flex-wrap: wrap;
    gap: 0 14px;
}
.choices :deep(.el-checkbox) {
    margin-right: 0;
    height: 26px;
}
.event {
    display: grid;
    grid-template-columns: auto 78px auto 12px;
    gap: 2px 8px;
    align-items: center;
    margin-bottom: 6px;
}
.event .el-input:last-child {
    grid-column: 1 / -1;
}
</style>
