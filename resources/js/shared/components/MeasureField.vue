<script setup lang="ts">
import { computed } from 'vue'
import { siteUnits } from '@/shared/format'
import { keptFrom, shownIn, type Measure } from '@/shared/measures'

/** A number field in the unit of the site; what it gives is in the unit that is kept. */
const props = withDefaults(
    defineProps<{ measure: Measure; min?: number; max?: number; size?: 'small' | 'default' }>(),
    {
        min: 0,
        max: 1_000_000,
        size: 'small',
    },
)
const value = defineModel<number | null | undefined>({ required: true })
const DIGITS = 6
/** More digits than anybody types, so that what is typed is never shown as something else. */
const shown = computed(() =>
    value.value === null || value.value === undefined
        ? undefined
        : siteUnits.value === 'us'
          ? value.value
          : Number(shownIn(value.value, props.measure, siteUnits.value).toPrecision(DIGITS)),
)
const most = computed(() => shownIn(props.max, props.measure, siteUnits.value))
const give = (to: number | undefined): void => {
    value.value = to === undefined ? null : keptFrom(to, props.measure, siteUnits.value)
}
</script>

<template>
    <el-input-number
        :model-value="shown"
        :controls="false"
        :min="min"
        :max="most"
        :size="size"
        @update:model-value="give"
    />
</template>
