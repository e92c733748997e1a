<script setup lang="ts">
import { computed } from 'vue'
import { depth as written } from '@/shared/format'

/** A core drawn to depth, 0 to 60 cm, its sampled layer filled. */
const props = withDefaults(defineProps<{ depth: string; planned?: boolean; width?: number; scale?: number }>(), {
    width: 9,
    scale: 0.75,
})
const CM_PER_INCH = 2.54
const DEEPEST = 60
const layer = computed(() => {
    const match = /^([\d.]+)-([\d.]+)(in|cm)$/.exec(props.depth)
    const unit = match?.[3] === 'in' ? CM_PER_INCH : 1
    return match ? { top: Number(match[1]) * unit, bottom: Number(match[2]) * unit } : null
})
const tall = computed(() => DEEPEST * props.scale)
const left = 6
</script>

<template>
    <svg
        :width="width + 12"
        :height="tall + 10"
        role="img"
        :aria-label="`core, ${planned ? 'planned' : 'sampled'} ${written(depth)}`"
    >
        <path
            :d="`M${left} 3V${tall}L${left + width / 2} ${tall + 6}L${left + width} ${tall}V3Z`"
            fill="var(--sheet)"
            stroke="var(--ink)"
            stroke-width="1.1"
        />
        <rect
            v-if="layer"
            :x="left + 0.6"
            :y="3 + layer.top * scale"
            :width="width - 1.2"
            :height="(layer.bottom - layer.top) * scale"
            :fill="planned ? 'none' : '#5C4128'"
            :stroke="planned ? 'var(--ink)' : 'none'"
            stroke-dasharray="2 1.5"
        />
        <path v-for="cm in [15, 30, 45]" :key="cm" :d="`M${left - 4} ${3 + cm * scale}h4`" stroke="var(--line)" />
        <path :d="`M${left - 4} 3H${left + width + 4}`" stroke="var(--ink)" stroke-width="1.1" />
    </svg>
</template>
